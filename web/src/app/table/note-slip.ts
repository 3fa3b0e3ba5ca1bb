import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TextField } from '../controls/text-field';
import { TableStore } from './table-store';

/** What works with a dog, as groomers say it; a tap keeps it. Common practice, no source. */
const WORKS: readonly string[] = [
  $localize`:@@note.chin:Works: a hand under the chin`,
  $localize`:@@note.treat:Works: a treat for each paw`,
  $localize`:@@note.talk:Works: talking to it, low and slow`,
  $localize`:@@note.slow:Works: the tool shown and heard first`,
  $localize`:@@note.side:Works: lying on its side`,
  $localize`:@@note.helper:Works: a second person at the head`,
  $localize`:@@note.quiet:Works: no dryer and no clipper beside it`,
];
const REMARKS: readonly string[] = [
  $localize`:@@note.hind:Minds its hind feet`,
  $localize`:@@note.ears:Minds its ears`,
  $localize`:@@note.dryer:Afraid of the dryer`,
  $localize`:@@note.others:Calmer without other dogs in the room`,
  $localize`:@@note.owner:Calmer once the owner has gone`,
];

/** A remark for whoever has this dog next: by tap, or typed. */
@Component({
  selector: 'man-note-slip',
  imports: [TextField],
  template: `<div class="stack">
    <man-text
      label="Remark"
      i18n-label="@@table.remarkText"
      name="remark"
      [rows]="2"
      [most]="2000"
      [value]="table.noteDraft()"
      (typed)="table.noteDraft.set($event)"
    />
    <button type="button" class="next big" (click)="table.note()" i18n="@@table.keepRemark">Keep it</button>
    <h3 i18n="@@note.works">What works</h3>
    <div class="row">
      @for (says of works; track says) {
        <button type="button" class="chip big" (click)="table.note(says)">{{ says }}</button>
      }
    </div>
    <h3 i18n="@@note.know">What to know</h3>
    <div class="row">
      @for (says of remarks; track says) {
        <button type="button" class="chip big" (click)="table.note(says)">{{ says }}</button>
      }
    </div>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NoteSlip {
  protected readonly table = inject(TableStore);
  protected readonly works = WORKS;
  protected readonly remarks = REMARKS;
}
