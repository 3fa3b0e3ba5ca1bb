/** What a key at the table does. */
export type TableAction =
  | { readonly kind: 'signal'; readonly place: number }
  | { readonly kind: 'main' }
  | { readonly kind: 'pause' }
  | { readonly kind: 'undo' }
  | { readonly kind: 'replan' }
  | { readonly kind: 'drawer'; readonly drawer: 'signals' | 'hold' | 'blade' | 'incident' | 'steps' | 'stop' | 'note' | 'keys' };

/** Every action at the table has a key; this list is what `?` shows. */
export const KEYS: readonly { readonly key: string; readonly says: string; readonly action: TableAction }[] = [
  ...Array.from({ length: 8 }, (_, place) => ({
    key: String(place + 1),
    says: `signal ${place + 1} on the pad`,
    action: { kind: 'signal' as const, place },
  })),
  { key: '9', says: 'more signals', action: { kind: 'drawer', drawer: 'signals' } },
  { key: 'Enter', says: 'start the step, step done, go on', action: { kind: 'main' } },
  { key: 'p', says: 'break, and end of the break', action: { kind: 'pause' } },
  { key: 's', says: 'stop the visit (asks why)', action: { kind: 'drawer', drawer: 'stop' } },
  { key: 'h', says: 'another hold', action: { kind: 'drawer', drawer: 'hold' } },
  { key: 'b', says: 'blade: touch, swap, another one', action: { kind: 'drawer', drawer: 'blade' } },
  { key: 'i', says: 'incident', action: { kind: 'drawer', drawer: 'incident' } },
  { key: 'l', says: 'list of steps', action: { kind: 'drawer', drawer: 'steps' } },
  { key: 'r', says: 'plan the rest anew from here', action: { kind: 'replan' } },
  { key: 'n', says: 'remark', action: { kind: 'drawer', drawer: 'note' } },
  { key: 'u', says: 'undo', action: { kind: 'undo' } },
  { key: '?', says: 'this list', action: { kind: 'drawer', drawer: 'keys' } },
];

export function actionOfKey(key: string): TableAction | undefined {
  return KEYS.find((k) => k.key === key || k.key === key.toLowerCase())?.action;
}
