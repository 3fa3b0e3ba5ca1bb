import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { Keymap } from '../controls/keymap';
import { ClosingCard } from './closing-card';
import { IncidentNow } from './incident-now';
import { PauseStop } from './pause-stop';
import { PlaceHere } from './place-here';
import { Recorder } from './recorder';
import { SameTap } from './same-tap';
import { SignalPad } from './signal-pad';
import { StepCard } from './step-card';
import { StrainBar } from './strain-bar';
import { tableKeys } from './keys';
import { TableHead } from './table-head';
import { TableSlips } from './table-slips';
import { TableClocks } from './table-clocks';
import { TableStore } from './table-store';
import { WhereCard } from './where-card';

/** What is not offered while the end is made safe. */
const WORK_KEYS: readonly string[] = ['hold', 'blade', 'pieces', 'steps', 'replan'].map((id) => `table.${id}`);

/** At the table: the live record. Same things stay in the same places on every step; what was planned is presumed. */
@Component({
  selector: 'man-table',
  imports: [ClosingCard, PauseStop, SignalPad, StepCard, StrainBar, TableHead, TableSlips, WhereCard],
  providers: [IncidentNow, PlaceHere, Recorder, SameTap, TableClocks, TableStore],
  templateUrl: './table.page.html',
  styleUrl: './table.page.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TablePage {
  protected readonly table = inject(TableStore);
  private readonly keymap = inject(Keymap);
  /** What lies under a slip takes no focus. */
  protected readonly covered = computed(() => (this.table.slip() === undefined ? null : ''));

  constructor() {
    const keys = tableKeys(this.table);
    this.keymap.use($localize`:@@table.keysOf:the table`, () =>
      this.table.ended() ? [] : this.table.closing() ? keys.filter((k) => !WORK_KEYS.includes(k.id)) : keys,
    );
    // The list of keys is a slip of the table, so that the pad stays in reach beside it.
    effect(() => {
      if (!this.keymap.listOpen()) return;
      untracked(() => {
        this.keymap.listOpen.set(false);
        this.table.slip.set('keys');
      });
    });
  }
}
