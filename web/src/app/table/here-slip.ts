import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RESISTANCE_CAUSES, type ResistanceCause } from '@mansuet/core/words';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { ZonePanel } from '../feel-over/zone-panel';
import { Words } from '../wording/words.service';
import { IncidentNow } from './incident-now';
import { PlaceHere } from './place-here';
import { TableStore } from './table-store';

/** In two words, under a wet finger; the whole question is said to who cannot see it. */
const CAUSE_WORDS: Readonly<Record<ResistanceCause, string>> = {
  tight_mat: $localize`:@@here.mat:at a mat`,
  growth: $localize`:@@here.growth:at something firm`,
  skin_drawn_in: $localize`:@@here.skin:skin comes into the teeth`,
};

/** A place that was touched on the map: it stops here, an incident, a photograph, and everything that hands can find there. */
@Component({
  selector: 'man-here-slip',
  imports: [ChoiceGroup, Notice, ZonePanel],
  template: `<div class="stack">
    <man-choice
      label="The tool stops here"
      i18n-label="@@here.stops"
      shown
      size="big"
      [of]="causes"
      [value]="here.stopped()?.cause"
      (chosen)="here.stops($event)"
    />
    @if (here.stopped(); as s) {
      <man-notice live="status">
        @for (line of s.says; track line) {
          <p>{{ line }}</p>
        }
        @if (s.next; as next) {
          <button type="button" class="plain" (click)="table.useBlade(next, false)" i18n="@@here.take">Take {{ blades[next] }}</button>
        }
      </man-notice>
    }
    <div class="row">
      <button type="button" class="plain" (click)="hurt()" i18n="@@here.incident">An incident here</button>
      <button type="button" class="plain" (click)="table.slip.set('photo')" i18n="@@here.photo">A photograph of it</button>
    </div>
    <h3 i18n="@@here.found">Found here now</h3>
    <man-zone-panel [zone]="here.zone()" [touch]="here.touch()" (picked)="here.at($event)" />
  </div>`,
  styles: `
    .plain,
    man-zone-panel ::ng-deep :is(.chip, .plain, button) {
      min-height: 64px;
    }
    /* A mark is what a blade meets first. */
    man-zone-panel ::ng-deep man-marks-here {
      order: -1;
    }
    man-zone-panel ::ng-deep .zone-name {
      display: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HereSlip {
  private readonly words = inject(Words);
  protected readonly here = inject(PlaceHere);
  protected readonly table = inject(TableStore);
  private readonly incident = inject(IncidentNow);
  protected readonly causes: readonly Choice<ResistanceCause>[] = RESISTANCE_CAUSES.map((value) => ({
    value,
    label: CAUSE_WORDS[value],
    says: this.words.labels.resistance[value],
  }));
  protected readonly blades = this.words.labels.blade;

  protected hurt(): void {
    this.incident.begin(this.here.zone());
    this.table.slip.set('incident');
  }
}
