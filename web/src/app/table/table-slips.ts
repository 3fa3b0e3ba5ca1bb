import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { activityOf } from '@mansuet/core/words';
import { KeysList } from '../controls/keys-list';
import { Notice } from '../controls/notice';
import { Slip } from '../controls/slip';
import { StandIns } from '../devices/stand-ins';
import { VisitStore } from '../visit/visit-store';
import { BladePicker } from './blade-picker';
import { HoldPicker } from './hold-picker';
import { HandsSlip } from './hands-slip';
import { HereSlip } from './here-slip';
import { IncidentSlip } from './incident-slip';
import { LeaveReasons } from './leave-reasons';
import { NoteSlip } from './note-slip';
import { OpenPieces } from './open-pieces';
import { PhotoSlip } from './photo-slip';
import { PieceList } from './piece-list';
import { PlaceHere } from './place-here';
import { SignalList } from './signal-list';
import { type SlipId, TableStore } from './table-store';

const NAMES: Readonly<Record<SlipId, string>> = {
  signals: 'More signals',
  hold: 'Another hold',
  blade: 'Blade',
  here: 'Here',
  incident: 'Incident: stop, dog safe, tools away, look',
  photo: 'Photograph',
  hands: 'Who takes the dog?',
  open: 'Some places are still open',
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
  imports: [
    BladePicker,
    HandsSlip,
    HereSlip,
    HoldPicker,
    IncidentSlip,
    KeysList,
    LeaveReasons,
    NoteSlip,
    Notice,
    OpenPieces,
    PhotoSlip,
    PieceList,
    SignalList,
    Slip,
    StandIns,
  ],
  templateUrl: './table-slips.html',
  styleUrl: './table-slips.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TableSlips {
  protected readonly table = inject(TableStore);
  protected readonly visit = inject(VisitStore);
  protected readonly here = inject(PlaceHere);
  protected readonly kind = computed(() => {
    const step = this.table.shown();
    return step && activityOf(step.id);
  });
  protected readonly open = computed(() => {
    const id = this.table.slip();
    return id && { id, name: id === 'here' ? this.here.name() : NAMES[id] };
  });
}
