import { Injectable, computed, inject, signal } from '@angular/core';
import { needsVetNow } from '@mansuet/core/incidents';
import { type EventBody, type EventDraft, uuidV7 } from '@mansuet/core/log';
import type { HarmDegree, IncidentKind, ZoneId } from '@mansuet/core/words';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { Recorder } from './recorder';

/** Nothing is held up for these: nobody was hurt, or it was there before. */
const WORK_GOES_ON: readonly IncidentKind[] = ['near_miss', 'found_on_arrival'];

/** An incident at the table: recorded by its place and kind at once, the work paused; what else is known comes as it is said. */
@Injectable()
export class IncidentNow {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly visit = inject(VisitStore);
  private readonly recorder = inject(Recorder);

  /** Where it is, while its kind is not told. */
  readonly zone = signal<ZoneId | undefined>(undefined);
  /** Another one than the last is to be told. */
  private readonly another = signal(false);
  /** What was typed stays, whatever is tapped beside it. */
  readonly what = signal('');

  /** The one that is told more of: the last one, while nobody has said how bad it is, or it was just recorded here. */
  private readonly openId = signal<string | undefined>(undefined);
  readonly open = computed(() => {
    if (this.another()) return undefined;
    const incidents = this.visit.state().incidents;
    return incidents.find((i) => i.incidentId === this.openId()) ?? incidents.filter((i) => i.harm === undefined).at(-1);
  });
  readonly vetNow = computed(() => {
    const i = this.open();
    return i !== undefined && needsVetNow(i.kind, i.harm);
  });
  /** Whom to ring, with numbers: the vet where one is needed, the owner in any case. */
  readonly ring = computed(() => {
    const [salon, owner] = [this.visit.context()?.salon, this.visit.context()?.file.owner];
    const vet = { who: salon?.vetName ?? '', phone: salon?.vetPhone ?? '' };
    const theirs = { who: owner?.name ?? '', phone: owner?.phone ?? '' };
    return [...(this.vetNow() ? [vet] : []), theirs].filter((x) => x.phone !== '');
  });

  /** Another one: what was said of the last stays as it is. */
  begin(zone?: ZoneId): void {
    this.another.set(true);
    this.zone.set(zone);
    this.what.set('');
  }

  async tell(kind: IncidentKind): Promise<void> {
    const incidentId = uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    const body: EventBody<'incident'> = { incidentId, kind, harm: null, zone: this.zone() ?? null, what: '' };
    const work = this.visit.state().work;
    const pauses = !WORK_GOES_ON.includes(kind) && work !== undefined && work.onBreakSinceMs === undefined;
    const pause: readonly EventDraft[] = pauses ? [{ type: 'break_started', body: {} }] : [];
    if (!(await this.recorder.record({ type: 'incident', body }, this.words.labels.incident[kind], ...pause))) return;
    this.openId.set(incidentId);
    this.another.set(false);
    this.zone.set(undefined);
  }

  harm(harm: HarmDegree): Promise<void> {
    return this.more({ harm }, this.words.labels.harm[harm]);
  }
  at(zone: ZoneId): Promise<void> {
    return this.more({ zone }, this.words.labels.zone[zone]);
  }
  async say(): Promise<void> {
    const what = this.what().trim();
    if (what !== '') await this.more({ what: what.slice(0, 2000) }, $localize`:@@incident.wordsKept:Words kept`);
  }
  private async more(more: Omit<EventBody<'incident_more'>, 'incidentId'>, says: string): Promise<void> {
    const incidentId = this.open()?.incidentId;
    if (!incidentId) return;
    // It stays open here, though it has its degree of harm now.
    this.openId.set(incidentId);
    await this.recorder.record({ type: 'incident_more', body: { incidentId, ...more } }, says);
  }
}
