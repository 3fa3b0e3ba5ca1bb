/**
 * Every set of steps that can be done first, listed once, with the steps that may come next. A set is closed when all that must come
 * before a member is a member; an order is a path from the empty set to the full one.
 */
export interface ClosedSets {
  /** For each step, the mask of the steps that are done before it in every order. */
  readonly before: readonly number[];
  /** Bit masks by number of members: the empty set first, the full one last. */
  readonly masks: readonly number[];
  /** Minutes of work in each set. */
  readonly worked: Float64Array;
  /** Where the sets of each size begin in {@link masks}, and one past the end. */
  readonly layers: readonly number[];
  /** Ways on from set `i`: places `from[i]` to `from[i + 1]` of {@link step} and {@link to}. */
  readonly from: Int32Array;
  readonly step: Int32Array;
  readonly to: Int32Array;
}

/**
 * @param before for each step, the mask of the steps that must be done before it
 * @param minutes work of each step
 * @param atMost the listing gives up when there are more sets
 * @returns `too_many` when there are more sets than `atMost`, `circle` when the rules go round in one
 */
export function closedSets(before: readonly number[], minutes: readonly number[], atMost: number): ClosedSets | 'too_many' | 'circle' {
  const n = before.length;
  const masks = [0];
  const places = new Map([[0, 0]]);
  const layers = [0];
  const from: number[] = [];
  const step: number[] = [];
  const to: number[] = [];
  for (let size = 0, first = 0; size <= n; size++) {
    const end = masks.length;
    for (let at = first; at < end; at++) {
      const mask = masks[at] ?? 0;
      from.push(step.length);
      for (let next = 0; next < n; next++) {
        const need = before[next] ?? 0;
        if (mask & (1 << next) || (mask & need) !== need) continue;
        const after = mask | (1 << next);
        let place = places.get(after);
        if (place === undefined) {
          if (masks.length >= atMost) return 'too_many';
          place = masks.length;
          places.set(after, place);
          masks.push(after);
        }
        step.push(next);
        to.push(place);
      }
    }
    if (end === first) return 'circle';
    layers.push(end);
    first = end;
  }
  from.push(step.length);
  const worked = Float64Array.from(masks, (mask) => {
    let sum = 0;
    for (let i = 0; i < n; i++) if (mask & (1 << i)) sum += minutes[i] ?? 0;
    return sum;
  });
  return { before, masks, worked, layers, from: Int32Array.from(from), step: Int32Array.from(step), to: Int32Array.from(to) };
}
