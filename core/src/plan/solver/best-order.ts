import { burden } from '../objective.js';
import { simulate } from '../simulate.js';
import { type BoundTable, boundTable, type TableQuestion } from './bound-table.js';
import type { Budget } from './budget.js';
import type { ClosedSets } from './closed-sets.js';
import { chosenSteps, type Label, mannerOfSearch, type SearchManner } from './labels.js';
import type { Numbers } from './numbers.js';
import { type OrderFound, type PricedTable, SAME_BURDEN, searchOrder } from './order-search.js';
import { type StepCells, stepCells } from './step-cells.js';

/** The best order known for a set of steps, and a burden that none can be below. */
export interface BestOrder {
  readonly label: Label | undefined;
  readonly burden: number;
  readonly lowerBound: number;
}

export interface BestOrderQuestion {
  readonly numbers: Numbers;
  readonly sets: ClosedSets;
  readonly budget: Budget;
  /** Only plans of less burden are looked for. */
  readonly below: number;
  /** A plan known to keep all limits, to begin with. */
  readonly known: Label | undefined;
  /** Entries of the first table, when it should be smaller or larger than usual. */
  readonly tableEntries?: number;
  /** Told of each better plan. */
  readonly onPlan?: (label: Label, burden: number, lowerBound: number) => void;
}

/** Labels that the beam keeps after each number of steps: the first width gives a plan at once, the second a good one. */
const BEAM_WIDTHS = [24, 160] as const;
/**
 * Tables from coarse to fine: entries at most, which fix how finely strain is cut, and labels of a search after which the next finer table
 * is worth its time. Our defaults: a table takes about 2, 15 and 150 ms.
 */
const TABLES = [
  { entries: 20_000, labels: 6_000 },
  { entries: 300_000, labels: 40_000 },
  { entries: 3_000_000, labels: Infinity },
] as const;
const FINEST = TABLES[2].entries;
/** Sets of steps above which the coarsest table has too few cells for each to tell them apart. Our default. */
const SETS_FOR_COARSEST = 250;
/** Dearer minutes that are tried as a multiplier for the session. */
const MULTIPLIERS = [1.5, 3, 6, 12, 24, 48, 96, 200] as const;
/** Entries of the tables that only tell which multiplier to take. */
const SCAN_ENTRIES = 100_000;
const EPS = 1e-9;

/**
 * The best order and breaks for exactly the steps of a problem, with a proof or a bound.
 *
 * A table of lower bounds (`bound-table.ts`) tells how good any unfinished plan can still become. It steers a beam, which finds a good
 * plan at once, and then lets the full label-setting search drop all that cannot beat it. The session limit is left out first: then
 * labels need not be kept for their minutes, and when the best plan fits, it is the best. When it does not fit, minutes are made
 * dearer by a Lagrange multiplier μ: for every plan within the session, `burden ≥ least at price + μ, less μ · session`, from any point
 * on with the minutes that are left. The full search then keeps labels for their minutes, and drops by both tables and by a table of
 * the least minutes to the end.
 */
export function bestOrder(q: BestOrderQuestion): BestOrder {
  const { numbers, sets, budget } = q;
  const coarse = q.tableEntries ?? TABLES[sets.masks.length > SETS_FOR_COARSEST ? 1 : 0].entries;
  let best: Label | undefined;
  let bestBurden = q.below;
  let lowerBound = 0;
  const offer = (label: Label | undefined): void => {
    if (!label || label.minutes > numbers.session + EPS) return;
    const run = simulate(numbers.problem, chosenSteps(label, numbers));
    const value = burden(run, numbers.minutePrice);
    if (run.broken && run.broken.step !== -1) throw new Error(`bestOrder: a plan breaks ${run.broken.limit}`);
    if (value >= bestBurden - SAME_BURDEN) return;
    best = label;
    bestBurden = value;
    q.onPlan?.(label, value, lowerBound);
  };
  const ended = (): BestOrder => ({ label: best, burden: bestBurden, lowerBound: Math.min(lowerBound, bestBurden) });
  const tables = new Map<string, BoundTable>();
  const cells = new Map<number, StepCells>();
  const table = (question: Pick<TableQuestion, 'minutePrice' | 'dose'>, entries: number): BoundTable => {
    const key = JSON.stringify([question, entries]);
    const known = tables.get(key);
    if (known) return known;
    const { strainCells, standingCells } = finenessFor(sets, entries, question.dose);
    const steps = cells.get(strainCells) ?? stepCells(numbers, strainCells);
    cells.set(strainCells, steps);
    const ended = entries === FINEST ? () => budget.empty() : undefined;
    const made = boundTable(numbers, sets, { ...question, standingCells, cells: steps, ended });
    tables.set(key, made);
    return made;
  };
  const priced = (minutePrice: number, entries: number): BoundTable => table({ minutePrice, dose: true }, entries);
  const minutesTable = (): BoundTable => table({ minutePrice: 1, dose: false }, coarse);
  offer(q.known);

  const { minutePrice } = numbers;
  const free: Numbers = { ...numbers, session: Infinity };
  const helped = numbers.helperMask !== 0;
  let bounds: PricedTable[] = [{ table: priced(minutePrice, coarse), dearer: 0 }];
  lowerBound = Math.max(lowerBound, bounds[0]?.table.atStart ?? 0);
  const run = (manner: Partial<SearchManner>, width: number, on: Numbers = numbers, spend = budget): OrderFound =>
    searchOrder({
      manner: mannerOfSearch(on, { minutePrice, keepMinutes: on === numbers || helped, ...manner }),
      sets,
      bounds,
      minutes: on === numbers && Number.isFinite(numbers.session) ? minutesTable() : undefined,
      width,
      budget: spend,
    });
  const proven = (): boolean => lowerBound >= bestBurden - SAME_BURDEN || budget.empty();

  for (const width of BEAM_WIDTHS) {
    if (proven()) return ended();
    const { label } = run({ below: Infinity }, width, free);
    offer(label);
    if (label && label.minutes > numbers.session + EPS) break;
  }
  if (proven()) return ended();

  if (best && best !== q.known) {
    // A plan that forgot the session fits in it: the best of that kind is the best, if it fits too.
    const atMost = bestBurden;
    const first = fullSearch((spend) => run({ below: atMost }, Infinity, free, spend));
    if (!first) return ended();
    if (first.label) {
      lowerBound = Math.max(lowerBound, first.label.burden);
      offer(first.label);
    } else lowerBound = bestBurden;
    if (proven()) return ended();
  }

  bounds = multipliers().map((dearer) => ({ dearer, table: priced(minutePrice + dearer, coarse) }));
  raise();
  for (const width of BEAM_WIDTHS) {
    if (proven()) return ended();
    offer(run({ below: Infinity }, width).label);
  }
  if (proven()) return ended();
  const second = fullSearch((spend) => run({ below: bestBurden }, Infinity, numbers, spend), oneByOne);
  if (second) {
    offer(second.label);
    lowerBound = bestBurden;
  }
  return ended();

  /**
   * Multipliers at which a plan that forgets the session comes to fit in it: the first that fits, and the last that does not. Plans
   * that fit are offered on the way.
   */
  function multipliers(): number[] {
    let last = 0;
    for (const dearer of MULTIPLIERS) {
      const price = minutePrice + dearer;
      bounds = [{ table: priced(price, Math.min(coarse, SCAN_ENTRIES)), dearer: 0 }];
      const { label } = run({ below: Infinity, minutePrice: price, keepMinutes: helped }, BEAM_WIDTHS[0], free);
      offer(label);
      if (budget.empty() || (label && label.minutes <= numbers.session + EPS)) return [dearer, last];
      last = dearer;
    }
    return [last];
  }

  function raise(): void {
    lowerBound = Math.max(lowerBound, ...bounds.map((b) => b.table.atStart - (b.dearer > 0 ? b.dearer * numbers.session : 0)));
  }

  /** One price alone may steer a beam better than the best of several: bounds near each other say little about what is near the best. */
  function oneByOne(): void {
    const together = bounds;
    for (const guide of together.length > 1 ? together : []) {
      bounds = [guide];
      if (!budget.empty()) offer(run({ below: Infinity }, BEAM_WIDTHS[1]).label);
    }
    bounds = together;
  }

  /** A full search with coarse tables, and with finer ones as long as that was not enough; something else is tried in between. */
  function fullSearch(search: (spend: Budget) => OrderFound, between?: () => void): OrderFound | undefined {
    // A search that was given a table of its own size goes on from it to the finest.
    const first = TABLES.find((t) => t.entries === coarse) ?? { entries: coarse, labels: TABLES[1].labels };
    const finer = q.tableEntries === undefined ? TABLES.filter((t) => t.entries > coarse) : [TABLES[2]];
    for (const [at, { entries, labels }] of [first, ...finer].entries()) {
      if (at > 0) {
        if (entries === FINEST) between?.();
        if (budget.empty()) return undefined;
        bounds = bounds.map((b) => ({ ...b, table: priced(minutePrice + b.dearer, entries) }));
        raise();
        if (proven()) return undefined;
      }
      const found = search(labels === Infinity ? budget : budget.part(labels));
      lowerBound = Math.max(lowerBound, Math.min(found.lowerBound, bestBurden));
      if (!found.cut) return found;
    }
    return undefined;
  }
}

/**
 * Cells that a table of so many entries can have; every set has about two places. For dose strain comes first, since it is rounded with
 * every step; minutes alone are decided by breaks, and most of those by the standing clock.
 */
function finenessFor(sets: ClosedSets, entries: number, dose: boolean): { strainCells: number; standingCells: number } {
  const cells = entries / (2 * sets.masks.length);
  const standingCells = within(1, dose ? cells / 60 : cells / 16, 8);
  return { standingCells, strainCells: within(12, Math.floor(cells / standingCells), 200) };
}

const within = (low: number, x: number, high: number): number => Math.max(low, Math.min(high, Math.round(x)));
