import { BREAK_STEP_MINUTES } from '../model.js';
import { burden } from '../objective.js';
import { simulate } from '../simulate.js';
import { annealed } from './anneal.js';
import { type BoundTable, boundTable, roomForBreaks, type TableQuestion } from './bound-table.js';
import type { Budget } from './budget.js';
import type { ClosedSets } from './closed-sets.js';
import { leastBurden } from './least-burden.js';
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
  /** Without the coarsest table. */
  readonly fine?: boolean;
  /** A quick plan and a bound, no search. */
  readonly sketch?: boolean;
  /** A plan that is only a little better is looked for to the end. */
  readonly exact?: boolean;
  /** Told of each better plan. */
  readonly onPlan?: (label: Label, burden: number, lowerBound: number) => void;
}

/** Labels that the beam keeps after each number of steps: the first width gives a plan at once, the second a good one. */
const BEAM_WIDTHS = [24, 160] as const;
/**
 * Tables from coarse to fine: cells of strain, of which some edge always lies on the line of `watch`, cells of the standing clock, and labels of a
 * search after which the next finer table is worth its time. Our defaults, found by trying.
 */
const TABLES = [
  { strainCells: 12, standingCells: 1, labels: 6_000 },
  { strainCells: 24, standingCells: 2, labels: 25_000 },
  { strainCells: 48, standingCells: 3, labels: 60_000 },
  { strainCells: 96, standingCells: 4, labels: Infinity },
] as const;
type Fineness = (typeof TABLES)[number];
/** Entries of a table at most: finer ones are left out where there are many sets of steps. */
const ENTRIES_AT_MOST = 4_000_000;
/** Sets of steps above which the coarsest table has too few cells to tell them apart. */
const SETS_FOR_COARSEST = 250;
/** Entries at most, and cells of strain at least, of the tables that are made for each price. */
const SCAN_ENTRIES = 200_000;
const SCAN_CELLS = 24;
/** Break steps that are counted at most, and entries of a table that counts them. Our defaults. */
const BREAKS_COUNTED = 24;
const COUNTED_ENTRIES = 1_500_000;
/** A plan that could be better by less than this share is not looked for with the finest tables. Our default. */
const GOOD_ENOUGH = 0.008;
/** Dearer minutes that are tried as a multiplier for the session. */
const MULTIPLIERS = [1.5, 3, 6, 12, 24, 48, 96, 200] as const;
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
  const usable = TABLES.filter((t, at) => at === 0 || entriesOf(sets, t) <= ENTRIES_AT_MOST);
  const grades = usable.length > 1 && (q.fine || sets.masks.length > SETS_FOR_COARSEST) ? usable.slice(1) : usable;
  const coarse = grades[0] ?? TABLES[0];
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
  const cells = new Map<string, StepCells>();
  const table = (question: Pick<TableQuestion, 'minutePrice' | 'dose' | 'breaks'>, grade: Fineness): BoundTable => {
    const key = JSON.stringify([question, grade.strainCells]);
    const known = tables.get(key);
    if (known) return known;
    const cellsKey = JSON.stringify([grade.strainCells, question.dose]);
    const steps = cells.get(cellsKey) ?? stepCells(numbers, grade.strainCells, question.dose);
    cells.set(cellsKey, steps);
    const ended = grade === coarse ? undefined : () => budget.empty();
    const made = boundTable(numbers, sets, { ...question, standingCells: grade.standingCells, cells: steps, ended });
    tables.set(key, made);
    return made;
  };
  const priced = (minutePrice: number, grade: Fineness): BoundTable => table({ minutePrice, dose: true }, grade);
  const minutesTable = (): BoundTable => table({ minutePrice: 1, dose: false }, grades[1] ?? coarse);
  offer(q.known);
  if (best && budget.empty()) {
    // No time for a table: a bound that needs none.
    lowerBound = leastBurden(numbers);
    return ended();
  }

  const { minutePrice } = numbers;
  const free: Numbers = { ...numbers, session: Infinity };
  const helped = numbers.helperMask !== 0;
  const room = roomForBreaks(numbers, sets)(0, 0, numbers.session);
  let bounds: PricedTable[] = [{ table: priced(minutePrice, coarse), dearer: 0 }];
  lowerBound = Math.max(lowerBound, bounds[0]?.table.atStart ?? 0);
  const run = (manner: Partial<SearchManner>, width: number, on: Numbers = numbers, spend = budget): OrderFound =>
    searchOrder({
      manner: mannerOfSearch(on, { longestPause: room * BREAK_STEP_MINUTES, keepMinutes: on === numbers || helped, ...manner }),
      sets,
      bounds,
      minutes: on === numbers && Number.isFinite(numbers.session) ? minutesTable() : undefined,
      width,
      budget: spend,
    });
  const proven = (): boolean => lowerBound >= bestBurden - SAME_BURDEN || budget.empty();

  for (const width of q.sketch ? [] : BEAM_WIDTHS) {
    if (proven()) return ended();
    const { label } = run({ below: bestBurden }, width, free);
    offer(label);
    if (label && label.minutes > numbers.session + EPS) break;
  }
  if (proven()) return ended();

  if (!q.sketch && best && best !== q.known) {
    // A plan that forgot the session fits in it: the best of that kind is the best, if it fits too.
    const atMost = bestBurden;
    const first = fullSearch((spend) => run({ below: atMost }, Infinity, free, spend), coarse);
    if (!first) return ended();
    if (first.label) {
      lowerBound = Math.max(lowerBound, first.label.burden);
      offer(first.label);
    } else lowerBound = bestBurden;
    if (proven()) return ended();
  }

  const scan = grades.find((g) => g.strainCells >= SCAN_CELLS && entriesOf(sets, g) <= SCAN_ENTRIES) ?? coarse;
  bounds = atGrade(scan);
  raise();
  for (const width of q.sketch ? [BEAM_WIDTHS[0]] : BEAM_WIDTHS) {
    if (proven()) return ended();
    offer(run({ below: bestBurden }, width).label);
  }
  if (q.sketch) return ended();
  if (proven()) return ended();
  let below = bestBurden;
  const second = fullSearch(
    (spend, last) => {
      // What is left to find at last has to be worth it.
      below = last && !q.exact ? bestBurden * (1 - GOOD_ENOUGH) : bestBurden;
      return run({ below }, Infinity, numbers, spend);
    },
    scan,
    oneByOne,
  );
  if (!second) return ended();
  offer(second.label);
  lowerBound = Math.max(lowerBound, Math.min(bestBurden, below));
  if (proven()) return ended();
  const last = run({ below: bestBurden }, Infinity);
  if (last.cut) return ended();
  offer(last.label);
  lowerBound = bestBurden;
  return ended();

  /** The multipliers by which the bound is highest, and the next best: it is concave, so past its highest it only falls. */
  function multipliers(): number[] {
    const tried = [{ dearer: 0, bound: priced(minutePrice, scan).atStart }];
    for (const dearer of MULTIPLIERS) {
      if (budget.empty()) break;
      const last = tried[tried.length - 1]?.bound ?? 0;
      const bound = priced(minutePrice + dearer, scan).atStart - dearer * numbers.session;
      tried.push({ dearer, bound });
      if (bound < last) break;
    }
    return tried
      .sort((a, b) => b.bound - a.bound)
      .slice(0, 2)
      .map((t) => t.dearer);
  }

  /** Bounds by the breaks that the session leaves room for, where that is not too much; by dearer minutes where it is. */
  function atGrade(grade: Fineness): PricedTable[] {
    if (countable(grade)) return [{ dearer: 0, counted: true, table: table({ minutePrice, dose: true, breaks: room }, grade) }];
    const counted = bounds.filter((b) => b.counted);
    if (counted.length > 0) return counted;
    return multipliers().map((dearer) => ({ dearer, table: priced(minutePrice + dearer, grade) }));
  }

  function countable(grade: Fineness): boolean {
    return room >= 0 && room <= BREAKS_COUNTED && entriesOf(sets, grade) * (room + 1) <= COUNTED_ENTRIES;
  }

  function raise(): void {
    lowerBound = Math.max(lowerBound, ...bounds.map((b) => b.table.atStart - (b.dearer > 0 ? b.dearer * numbers.session : 0)));
  }

  function anneal(): void {
    const start = best ?? q.known;
    if (start && !budget.empty()) offer(annealed(numbers, sets.before, start, budget));
  }

  /** One price alone may steer a beam better than the best of several: bounds near each other say little about what is near the best. */
  function oneByOne(): void {
    const together = bounds;
    for (const guide of together.length > 1 ? together : []) {
      bounds = [guide];
      if (!budget.empty()) offer(run({ below: bestBurden }, BEAM_WIDTHS[1]).label);
    }
    bounds = together;
  }

  /** A full search with coarse tables, and with finer ones as long as that was not enough; something else is tried in between. */
  function fullSearch(
    search: (spend: Budget, finest: boolean) => OrderFound,
    from: Fineness,
    between?: () => void,
  ): OrderFound | undefined {
    const finer = grades.slice(grades.indexOf(from));
    for (const [at, grade] of finer.entries()) {
      const finest = at === finer.length - 1;
      if (at > 0) {
        // Only what is not settled soon is worth a tenth of a second of something else.
        if (between && at === 1) anneal();
        if (finest) between?.();
        if (budget.empty()) return undefined;
        bounds = between ? atGrade(grade) : bounds.map((b) => ({ ...b, table: priced(minutePrice + b.dearer, grade) }));
        raise();
        if (proven()) return undefined;
      }
      const labels = finest ? Infinity : grade.labels;
      const found = search(labels === Infinity ? budget : budget.part(labels), finest && at > 0);
      lowerBound = Math.max(lowerBound, Math.min(found.lowerBound, bestBurden));
      if (!found.cut) return found;
    }
    return undefined;
  }
}

/** Entries of a table: every set of steps has about two places. */
const entriesOf = (sets: ClosedSets, { strainCells, standingCells }: Fineness): number =>
  2 * sets.masks.length * strainCells * standingCells;
