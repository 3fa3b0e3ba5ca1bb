import { Injectable, computed, inject, signal } from '@angular/core';
import { answerResistance } from '@mansuet/core/knowledge/blades';
import { competenceOf } from '@mansuet/core/plan';
import type { ResistanceCause, ZoneId } from '@mansuet/core/words';
import type { Touch } from '../body-map/body-map';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { Recorder } from './recorder';
import { TableStore } from './table-store';

/** The place that was touched on the map at the table, and what is said of it: found now, or a tool stops there. */
@Injectable()
export class PlaceHere {
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  private readonly table = inject(TableStore);
  private readonly recorder = inject(Recorder);

  readonly zone = signal<ZoneId | undefined>(undefined);
  readonly touch = signal<Touch | undefined>(undefined);
  readonly name = computed(() => {
    const zone = this.zone();
    return zone ? this.words.heading('zone', zone) : '';
  });
  /** Why a tool did not go on here the last time, and what to do. */
  readonly stopped = computed(() => {
    const zone = this.zone();
    const stop = this.visit
      .state()
      .toolStops.filter((s) => s.zone === zone)
      .at(-1);
    if (!stop) return undefined;
    const competence = competenceOf(this.visit.planInput()?.trained ?? false);
    const answer = answerResistance({ ...stop, blade: this.table.blade() ?? '10', competence });
    return { cause: stop.cause, next: this.table.blade() ? answer.next : undefined, says: answer.reasons.map(this.words.say) };
  });

  at(zone: ZoneId, touch?: Touch): void {
    this.zone.set(zone);
    if (touch || this.touch()?.zone !== zone) this.touch.set(touch);
    this.table.slip.set('here');
  }

  async stops(cause: ResistanceCause, zone = this.zone()): Promise<void> {
    if (!zone) return;
    const says = `${this.words.labels.zone[zone]}: ${this.words.labels.resistance[cause]}`;
    await this.recorder.record({ type: 'tool_stopped', body: { zone, cause } }, says);
  }
}
