import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { KeyHint } from '../controls/key-hint';
import { VisitLog } from '../visit-log/visit-log.service';
import { sayEvent } from '../visit/say-event';
import { VisitStore } from '../visit/visit-store';
import { WhoIsHere } from '../visit/who-is-here';
import { stopwatch } from '../wording/time';
import { Words } from '../wording/words.service';
import { TableStore } from './table-store';

/** Whose dog, how long, what was last kept, and the way back. */
@Component({
  selector: 'man-table-head',
  imports: [KeyHint],
  template: `<button type="button" class="plain back" (click)="table.leave()" [attr.aria-label]="leaves" i18n="@@table.leave">
      ‹ Leave
    </button>
    <h1>{{ visit.name() }}</h1>
    <span class="clock" role="timer" aria-label="Time of the work" i18n-aria-label="@@table.clock">{{
      watch((table.now()?.minute ?? 0) * 60)
    }}</span>
    <span class="quiet planned" i18n="@@table.planned">of about {{ round(table.plan()?.minutes ?? 0) }} min planned</span>
    <button
      type="button"
      class="plain hands"
      (click)="table.slip.set('hands')"
      [disabled]="!!table.ended()"
      [attr.aria-description]="handOver"
    >
      <span class="small" i18n="@@table.hands">in hand <man-key of="table.hands" /></span>
      <span class="whose">{{ hands() }}</span>
    </button>
    @if (visit.state().writtenAfter) {
      <span class="also" i18n="@@table.after">written down afterwards</span>
    }
    @if (people.others().length > 0) {
      <span class="also" role="status" i18n="@@table.alsoHere">also here: {{ people.others().join(', ') }}</span>
    }
    <span class="entry" role="status">{{ table.lastEntry() }}</span>
    <span class="save" [class.wait]="log.status() === 'waiting' || log.status() === 'signed_out' || visit.notRecorded() !== ''">{{
      kept()
    }}</span>
    <button type="button" class="plain undo" [disabled]="!table.undoable()" [attr.aria-description]="undoes()" (click)="table.undo()">
      <span i18n="@@table.undo">Undo <man-key of="table.undo" /></span>
      <span class="what" aria-hidden="true">{{ undoes() }}</span>
    </button>
    <button type="button" class="plain" (click)="table.slip.set('keys')" i18n="@@table.keys">Keys <kbd>?</kbd></button>`,
  styleUrl: './table-head.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TableHead {
  private readonly words = inject(Words);
  protected readonly table = inject(TableStore);
  protected readonly people = inject(WhoIsHere);
  protected readonly visit = inject(VisitStore);
  protected readonly log = inject(VisitLog);
  protected readonly watch = stopwatch;
  protected readonly round = Math.round;
  protected readonly handOver = $localize`:@@table.handOver:Hands the dog to somebody else`;
  protected readonly hands = computed(() => this.visit.staff().find((s) => s.staffId === this.visit.state().handsId)?.name ?? '');
  protected readonly leaves = $localize`:@@table.leaves:Leave the table; the record stays open`;

  /** What Undo takes back, named before it is taken. */
  protected readonly undoes = computed(() => {
    const last = this.table.undoable();
    return last ? sayEvent(this.words, last.event) : '';
  });

  protected kept(): string {
    if (this.visit.notRecorded() !== '') return $localize`:@@table.notKept:not kept`;
    const status = this.log.status();
    if (status === 'signed_out') return $localize`:@@table.signedOut:kept here, sign in again`;
    return status === 'waiting' ? $localize`:@@table.waiting:kept on this device` : $localize`:@@table.kept:kept`;
  }
}
