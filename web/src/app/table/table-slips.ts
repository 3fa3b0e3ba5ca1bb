import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { activityOf } from '@mansuet/core/words';
import { KeysList } from '../controls/keys-list';
import { Notice } from '../controls/notice';
import { Slip } from '../controls/slip';
import { TextField } from '../controls/text-field';
import { VisitStore } from '../visit/visit-store';
import { BladePicker } from './blade-picker';
import { HoldPicker } from './hold-picker';
import { IncidentForm } from './incident-form';
import { LeaveReasons } from './leave-reasons';
import { PieceList } from './piece-list';
import { SignalList } from './signal-list';
import { type SlipId, TableStore } from './table-store';

const NAMES: Readonly<Record<SlipId, string>> = {
  signals: 'More signals',
  hold: 'Another hold',
  blade: 'Blade',
  incident: 'Incident: stop, dog safe, tools away, look',
  steps: 'Steps',
  pieces: 'Place by place',
  part: 'Done in part: why?',
  left: 'Left: why?',
  note: 'Remark for whoever has this dog next',
  keys: 'Keys at the table',
};

/** The slip that lies over step and map, while signals, Pause and Stop stay in reach. */
@Component({
  selector: 'man-table-slips',
  imports: [BladePicker, HoldPicker, IncidentForm, KeysList, LeaveReasons, Notice, PieceList, SignalList, Slip, TextField],
  templateUrl: './table-slips.html',
  styleUrl: './table-slips.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TableSlips {
  protected readonly table = inject(TableStore);
  protected readonly visit = inject(VisitStore);
  protected readonly kind = computed(() => {
    const step = this.table.shown();
    return step && activityOf(step.id);
  });
  protected readonly open = computed(() => {
    const id = this.table.slip();
    return id && { id, name: NAMES[id] };
  });
}
