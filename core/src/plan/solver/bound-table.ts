import { WATCH_AT } from '../../strain/index.js';
import { BREAK_STEP_MINUTES } from '../model.js';
import type { ClosedSets } from './closed-sets.js';
import { doseOf, type Numbers } from './numbers.js';
import { BREAK_OPTIONS, type StepCells, STRAIN_TOP } from './step-cells.js';

/** What the rest of the work costs at least, from every set of steps, place, strain and standing clock. */
export interface BoundTable {
  /** Lower bound of what is still to come, in the units of the table's question; `Infinity` when nothing can follow. */
  readonly least: (set: number, station: number, strain: number, standing: number) => number;
  /** The bound at the start of the visit. */
  readonly atStart: number;
}

/** What a table adds up: dose and minutes at a price, or minutes alone. */
export interface TableQuestion {
  readonly minutePrice: number;
  readonly dose: boolean;
  /** Into how many cells the standing clock is cut; strain is cut as {@link cells} says. */
  readonly standingCells: number;
  readonly cells: StepCells;
  /** Asked now and then; when it says so the table is given up. */
  readonly ended?: (() => boolean) | undefined;
}

const EPS = 1e-9;
const SETS_PER_LOOK = 32;

/** Stations at which a plan can be after each closed set, as slots of the table; −1 for none. */
function slotsOf(numbers: Numbers, sets: ClosedSets): { slot: Int32Array; slots: number } {
  const stations = numbers.stations.length;
  const slot = new Int32Array(sets.masks.length * stations).fill(-1);
  slot[0] = 0;
  let slots = 1;
  for (let at = 0; at < sets.to.length; at++) {
    for (const station of numbers.steps[sets.step[at] ?? 0]?.stations ?? []) {
      const place = (sets.to[at] ?? 0) * stations + station;
      if (slot[place] === -1) slot[place] = slots++;
    }
  }
  return { slot, slots };
}

/**
 * A table of lower bounds, filled from the full set backwards. Strain and standing clock are rounded down to their cell after each
 * part, and tiredness to its level, so that the table's dog is always at least as well off as the real one. Less strain and a
 * shorter clock are never worse (see `dominates`), so no plan is below its bound. Lags, helper windows and the session are left out,
 * which can only lower it.
 * @returns a table that was given up says nothing: 0, which is below everything
 */
export function boundTable(numbers: Numbers, sets: ClosedSets, question: TableQuestion): BoundTable {
  const { k, steps } = numbers;
  const { minutePrice, cells } = question;
  // Read once: these loops run some millions of times.
  const [options, breakStep] = [BREAK_OPTIONS, BREAK_STEP_MINUTES];
  const S = cells.strainCells;
  const cell = STRAIN_TOP / S;
  const limited = Number.isFinite(numbers.continuousStanding) && steps.some((s) => s.standing);
  const C = limited ? question.standingCells : 1;
  const clock = limited ? numbers.continuousStanding / C : Infinity;
  const clockCell = (standing: number): number => (limited ? Math.min(C - 1, Math.floor(standing / clock + EPS)) : 0);

  const { slot, slots } = slotsOf(numbers, sets);
  const values = new Float64Array(slots * C * S).fill(Infinity);
  const stations = numbers.stations.length;
  for (let at = (sets.masks.length - 1) * stations; at < slot.length; at++) {
    const s = slot[at] ?? -1;
    if (s >= 0) values.fill(0, s * C * S, (s + 1) * C * S);
  }

  const changeOf = new Map(
    [...new Set(numbers.change.flat())].map((minutes) => {
      const ends = new Int32Array(S);
      const costs = new Float64Array(S);
      for (let s = 0; s < S; s++) {
        const strain = s * cell;
        const end = strain * Math.exp(-k * minutes);
        ends[s] = minutes > 0 ? cells.cellOf(end) : s;
        costs[s] = minutePrice * minutes + (question.dose && minutes > 0 && strain > WATCH_AT ? doseOf(strain, end, 0, minutes, k) : 0);
      }
      return [minutes, { ends, costs }] as const;
    }),
  );

  // The clock cell after a part without a break before it; −1 when it would stand too long.
  const clocksAfter = steps.map((step) =>
    Array.from({ length: C }, (_, c) => {
      if (!step.standing) return 0;
      const standing = (limited ? c * clock : 0) + step.partMinutes;
      return standing <= numbers.continuousStanding + EPS ? clockCell(standing) : -1;
    }),
  );
  const scratch = [new Float64Array(C * S), new Float64Array(C * S)] as const;
  // The least over the steps of one place, and which places there are, of the set in hand.
  const atStation = numbers.stations.map(() => new Float64Array(C * S));
  const used = new Set<number>();
  for (let set = sets.masks.length - 2; set >= 0; set--) {
    if (set % SETS_PER_LOOK === 0 && question.ended?.()) return { least: () => 0, atStart: 0 };
    for (let way = sets.from[set] ?? 0; way < (sets.from[set + 1] ?? 0); way++) {
      const index = sets.step[way] ?? 0;
      const step = steps[index];
      if (!step) continue;
      const clocks = clocksAfter[index] ?? [];
      for (const at of step.stations) {
        let after = values;
        let offset = (slot[(sets.to[way] ?? 0) * stations + at] ?? 0) * C * S;
        for (let part = step.parts - 1; part >= 0; part--) {
          const { ends, doses, tried } = cells.step(index, (sets.worked[set] ?? 0) + part * step.partMinutes);
          const worth = question.dose ? 1 : 0;
          const now = scratch[part % 2 === 0 ? 0 : 1];
          const breaks = !(step.noBreakBefore && part === 0 && set > 0);
          const rested = step.standing ? clockCell(step.partMinutes) * S : 0;
          for (let s = 0; s < S; s++) {
            let best = Infinity;
            const from = s * options;
            const past = from + (tried[s] ?? 0);
            for (let at = from + 1; breaks && at < past; at++) {
              const end = ends[at] ?? -1;
              if (end < 0) continue;
              const minutes = (at - from) * breakStep + step.partMinutes;
              const value = worth * (doses[at] ?? 0) + minutePrice * minutes + (after[offset + rested + end] ?? Infinity);
              if (value < best) best = value;
            }
            const end = ends[from] ?? -1;
            const cost = worth * (doses[from] ?? 0) + minutePrice * step.partMinutes;
            for (let c = 0; c < C; c++) {
              const clockAfter = clocks[c] ?? -1;
              const straight = end < 0 || clockAfter < 0 ? Infinity : cost + (after[offset + clockAfter * S + end] ?? Infinity);
              now[c * S + s] = straight < best ? straight : best;
            }
          }
          after = now;
          offset = 0;
        }
        const group = atStation[at];
        if (!group) continue;
        const first = !used.has(at);
        used.add(at);
        for (let place = 0; place < C * S; place++) {
          const value = after[place] ?? Infinity;
          if (first || value < (group[place] ?? Infinity)) group[place] = value;
        }
      }
    }
    // From each place to the places of the steps that may follow.
    for (let station = 0; station < stations; station++) {
      const own = slot[set * stations + station] ?? -1;
      if (own < 0) continue;
      for (const next of used) {
        const change = changeOf.get(numbers.change[station]?.[next] ?? 0);
        const group = atStation[next];
        if (!change || !group) continue;
        for (let c = 0; c < C; c++)
          for (let s = 0; s < S; s++) {
            const value = (change.costs[s] ?? 0) + (group[c * S + (change.ends[s] ?? 0)] ?? Infinity);
            const place = own * C * S + c * S + s;
            if (value < (values[place] ?? Infinity)) values[place] = value;
          }
      }
    }
    used.clear();
  }
  const least = (set: number, station: number, strain: number, standing: number): number => {
    const own = slot[set * stations + station] ?? -1;
    return own < 0 ? Infinity : (values[(own * C + clockCell(standing)) * S + cells.cellOf(strain)] ?? Infinity);
  };
  const { problem } = numbers;
  return { least, atStart: least(0, 0, problem.startStrain, problem.startStandingMinutes) };
}
