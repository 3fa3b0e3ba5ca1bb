import type { BoundTable } from './bound-table.js';
import type { Budget } from './budget.js';
import type { ClosedSets } from './closed-sets.js';
import { COMPARISONS_A_LABEL, grow, insert, type Label, type Next, type SearchManner, startLabel } from './labels.js';

const EPS = 1e-9;
/** A plan must be better by more than this to count as better, point-minutes. */
export const SAME_BURDEN = 1e-6;

/** A table that bounds what is still to come: `table − dearer · minutes left`, see `best-order.ts`. */
export interface PricedTable {
  readonly table: BoundTable;
  /** Point-minutes a minute by which the table's minutes are dearer than the search's. */
  readonly dearer: number;
  /** It counts the breaks that the session leaves room for. */
  readonly counted?: boolean;
}

export interface OrderSearch {
  readonly manner: SearchManner;
  readonly sets: ClosedSets;
  readonly bounds: readonly PricedTable[];
  /** Least minutes still to come; given when the session can bind. */
  readonly minutes: BoundTable | undefined;
  /** Labels kept after each number of steps; `Infinity` to keep all. */
  readonly width: number;
  readonly budget: Budget;
  /** Any plan within the limits will do. */
  readonly anyPlan?: boolean;
}

/** A way to have done all steps. */
export interface OrderFound {
  readonly label: Label | undefined;
  /** It gave up, or kept only some labels: no label says nothing. */
  readonly cut: boolean;
  /** No plan of less burden than {@link SearchManner.below} is below this: the least that any label of the last full layer can still come to. */
  readonly lowerBound: number;
}

interface State {
  readonly set: number;
  readonly station: number;
  readonly labels: Label[];
}

/** All steps of the problem in the best order with the best breaks, as far as the width goes. */
export function searchOrder(s: OrderSearch): OrderFound {
  const { numbers } = s.manner;
  const n = numbers.steps.length;
  let layer: State[] = [{ set: 0, station: 0, labels: [startLabel(numbers)] }];
  let cut = false;
  let lowerBound = 0;
  for (let size = 0; size < n; size++) {
    const next = new Map<number, State>();
    for (const state of s.width === Infinity ? layer : narrowed(s, layer, () => (cut = true))) {
      const mask = s.sets.masks[state.set] ?? 0;
      const worked = s.sets.worked[state.set] ?? 0;
      for (let way = s.sets.from[state.set] ?? 0; way < (s.sets.from[state.set + 1] ?? 0); way++) {
        const index = s.sets.step[way] ?? 0;
        const to = s.sets.to[way] ?? 0;
        const then = nextAfter(s, to, mask | (1 << index));
        // While the step itself lasts, its own need of a helper counts too.
        const within = { ...then, sameMinute: then.sameMinute || (numbers.helperMask & (1 << index)) !== 0 };
        for (const station of numbers.steps[index]?.stations ?? []) {
          const key = to * numbers.stations.length + station;
          let bucket = next.get(key);
          for (const label of state.labels) {
            const grown = grow(s.manner, label, station, worked, index, within, s.budget);
            if (!s.budget.spend(grown.length + (grown.length * (bucket?.labels.length ?? 0)) / COMPARISONS_A_LABEL))
              return { label: undefined, cut: true, lowerBound };
            for (const g of grown) {
              if (g.burden + leastRest(s, to, station, g) >= s.manner.below - SAME_BURDEN) continue;
              if (!bucket) next.set(key, (bucket = { set: to, station, labels: [] }));
              insert(bucket.labels, g, s.manner, then);
            }
          }
        }
      }
    }
    layer = [...next.values()];
    if (s.width === Infinity) lowerBound = Math.max(lowerBound, Math.min(s.manner.below, leastOf(s, layer)));
  }
  let label: Label | undefined;
  for (const state of layer) for (const l of state.labels) if (!label || l.burden < label.burden - SAME_BURDEN) label = l;
  return { label, cut, lowerBound };
}

/** What may follow a set: whether a helper is still needed, and whether a step may follow at once. */
function nextAfter(s: OrderSearch, set: number, mask: number): Next {
  const { numbers } = s.manner;
  let noRest = false;
  if (numbers.noBreakMask !== 0)
    for (let way = s.sets.from[set] ?? 0; way < (s.sets.from[set + 1] ?? 0); way++)
      if (numbers.noBreakMask & (1 << (s.sets.step[way] ?? 0))) noRest = true;
  return { sameMinute: (numbers.helperMask & ~mask) !== 0, noRest };
}

function leastOf(s: OrderSearch, layer: readonly State[]): number {
  let least = Infinity;
  for (const state of layer) for (const l of state.labels) least = Math.min(least, l.burden + leastRest(s, state.set, state.station, l));
  return least;
}

/** What a label has to add at least until the end; `Infinity` when it cannot end within the session. */
function leastRest(s: OrderSearch, set: number, station: number, label: Label): number {
  const left = s.manner.numbers.session - label.minutes;
  if (s.minutes && s.minutes.least(set, station, label.strain, label.standing, left) > left + EPS) return Infinity;
  let least = 0;
  for (const { table, dearer } of s.bounds) {
    const value = table.least(set, station, label.strain, label.standing, left);
    least = Math.max(least, dearer > 0 ? value - dearer * left : value);
  }
  return least;
}

/** The labels of a layer whose best possible end is best. */
function narrowed(s: OrderSearch, layer: readonly State[], whenCut: () => void): readonly State[] {
  const all = layer.flatMap((state) =>
    state.labels.map((label) => ({ state, label, at: label.burden + leastRest(s, state.set, state.station, label) })),
  );
  if (all.length <= s.width) return layer;
  whenCut();
  all.sort((a, b) => a.at - b.at);
  const kept = new Map<State, Label[]>();
  for (const { state, label } of all.slice(0, s.width)) kept.set(state, [...(kept.get(state) ?? []), label]);
  return [...kept].map(([state, labels]) => ({ ...state, labels }));
}
