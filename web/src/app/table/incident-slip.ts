import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { HARM_DEGREES, INCIDENT_KINDS, type ZoneId } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { TextField } from '../controls/text-field';
import { VisitStore } from '../visit/visit-store';
import { stopwatch } from '../wording/time';
import { Words } from '../wording/words.service';
import { IncidentNow } from './incident-now';
import { TableClocks } from './table-clocks';
import { TableStore } from './table-store';

/** An incident: its place and its kind, and it is recorded. What to do at once comes before anything else is asked. */
@Component({
  selector: 'man-incident-slip',
  imports: [ChoiceGroup, Notice, TextField],
  templateUrl: './incident-slip.html',
  styleUrl: './incident-slip.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IncidentSlip {
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  protected readonly table = inject(TableStore);
  protected readonly clocks = inject(TableClocks);
  protected readonly incident = inject(IncidentNow);
  protected readonly kinds = INCIDENT_KINDS;
  protected readonly names = this.words.labels.incident;
  protected readonly atOnce = this.words.language.atOnce;
  protected readonly watch = stopwatch;
  protected readonly harms = choicesOf(HARM_DEGREES, this.words.labels.harm);
  protected readonly zones = this.words.labels.zone;
  /** Where hands are, and where it is said to be. */
  protected readonly places = computed(() => {
    const here: readonly (ZoneId | undefined)[] = [...(this.table.shown()?.zones ?? []), this.incident.zone(), this.incident.open()?.zone];
    return choicesOf([...new Set(here.filter((z) => z !== undefined))], this.words.labels.zone);
  });
  protected readonly name = computed(() => {
    const open = this.incident.open();
    return open ? this.words.heading('incident', open.kind) : '';
  });
  /** Of this one, not of an earlier wound. */
  protected readonly pressure = computed(() => {
    const pressure = this.clocks.pressure();
    return pressure?.incident.incidentId === this.incident.open()?.incidentId ? pressure : undefined;
  });
  protected readonly dog = computed(() => this.visit.name());
}
