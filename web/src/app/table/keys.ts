import { PAD_SIGNALS } from '@mansuet/core/strain';
import type { KeyAction } from '../controls/keymap';
import type { SlipId, TableStore } from './table-store';

/** Every action at the table has a key; this list is what `?` shows. */
export function tableKeys(table: TableStore): readonly KeyAction[] {
  const slip = (id: SlipId, key: string, says: string, overSlip = false): KeyAction => ({
    id: `table.${id}`,
    key,
    says,
    overSlip,
    act: () => table.slip.set(id),
  });
  return [
    ...PAD_SIGNALS.map((signal, place) => ({
      id: `table.signal.${place + 1}`,
      key: String(place + 1),
      says: `signal ${place + 1} on the pad`,
      act: () => {
        if (table.work()) table.see(signal);
      },
    })),
    slip('signals', '9', 'more signals'),
    { id: 'table.cause.strain', key: 'y', says: 'the sign that is asked about was of strain', act: () => void table.sayCause('strain') },
    { id: 'table.cause.else', key: 'e', says: 'it was of something else', act: () => void table.sayCause('something_else') },
    { id: 'table.cause.unsure', key: 'w', says: 'not sure what it was of: it teaches nothing', act: () => void table.sayCause('unsure') },
    { id: 'table.main', key: 'Enter', says: 'start the step, step done, go on; line done when it ends', act: () => void table.main() },
    { id: 'table.pause', key: 'p', says: 'break, and end of the break', overSlip: true, act: () => void table.pause() },
    { id: 'table.stop', key: 's', says: 'stop: what makes the end safe, line by line', overSlip: true, act: () => void table.stop() },
    slip('hold', 'h', 'another hold'),
    slip('blade', 'b', 'blade: touch, swap, another one'),
    slip('incident', 'i', 'incident'),
    { id: 'table.map', key: 'm', says: 'the map: arrows go, Enter takes a place', act: () => table.toMap() },
    slip('photo', 'f', 'photograph'),
    slip('hands', 'd', 'hand the dog over'),
    slip('pieces', 'o', 'places of the step: done, in part, left'),
    slip('part', 'a', 'step done in part: why'),
    slip('left', 'x', 'leave the step: why'),
    slip('steps', 'l', 'list of steps'),
    { id: 'table.replan', key: 'r', says: 'plan the rest anew from here', act: () => void table.toPlan() },
    slip('note', 'n', 'remark'),
    { id: 'table.undo', key: 'u', says: 'undo', act: () => void table.undo() },
  ];
}
