import { BREAK_STEP_MINUTES } from '../model.js';
import type { ClosedSets } from './closed-sets.js';
import { doseOf, doseSlopeOf, type Numbers } from './numbers.js';
import { BREAK_OPTIONS, SHORTEST_BREAK, type StepCells, STRAIN_TOP } from './step-cells.js';

/** What the rest of the work costs at least, from every set of steps, place, strain, standing clock and, where they are counted, breaks that are left. */
export interface BoundTable {
  /** Lower bound of what is still to come, in the units of the table's question; `Infinity` when nothing can follow. */
  readonly least: (set: number, station: number, strain: number, standing: number, minutesLeft: number) => number;
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
  /** Break steps that the session leaves room for, where they are counted: see {@link roomForBreaks}. */
  readonly breaks?: number | undefined;
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
 * A table of lower bounds, filled from the full set backwards. In each cell of strain it is a straight line, from what the rest costs at least
 * at the lower edge to what it costs at least at the upper edge by the tangents of the same ways on: dose is convex in strain, and the least of
 * lines is never below the chord between its ends. The standing clock is rounded down to its cell after each part, and tiredness to its level, so
 * that the table's dog is always at least as well off as the real one. Less strain and a shorter clock are never worse (see `dominates`), so no
 * plan is below its bound. Lags and helper windows are left out, which can only lower it, and so is the session where breaks are not counted.
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
  const worth = question.dose ? 1 : 0;
  // Breaks that are left: 0, 1, … of them, or as many as it likes.
  const counted = question.breaks !== undefined;
  const B = 1 + (question.breaks ?? 0);
  const plane = C * S;
  const block = B * plane;

  const { slot, slots } = slotsOf(numbers, sets);
  const lows = new Float64Array(slots * block).fill(Infinity);
  const highs = new Float64Array(slots * block).fill(Infinity);
  const stations = numbers.stations.length;
  for (let at = (sets.masks.length - 1) * stations; at < slot.length; at++) {
    const s = slot[at] ?? -1;
    if (s < 0) continue;
    lows.fill(0, s * block, (s + 1) * block);
    highs.fill(0, s * block, (s + 1) * block);
  }

  const changeOf = new Map(
    [...new Set(numbers.change.flat())].map((minutes) => {
      const ends = new Int32Array(S);
      const up = new Float64Array(S);
      const costs = new Float64Array(S);
      const rises = new Float64Array(S);
      for (let s = 0; s < S; s++) {
        const strain = s * cell;
        const end = strain * Math.exp(-k * minutes);
        ends[s] = minutes > 0 ? cells.cellOf(end) : s;
        up[s] = minutes > 0 ? cells.upOf(end) : 0;
        costs[s] = minutePrice * minutes + (worth > 0 && minutes > 0 ? doseOf(strain, end, 0, minutes, k) : 0);
        rises[s] = worth > 0 && minutes > 0 ? cell * doseSlopeOf(strain, end, 0, minutes, k) : 0;
      }
      return [minutes, { ends, up, costs, rises, carry: Math.exp(-k * minutes) }] as const;
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
  const pair = (): Lines => ({ low: new Float64Array(block), high: new Float64Array(block), offset: 0 });
  const scratch = [pair(), pair()] as const;
  // The least of one cell over the breaks that can be taken, by how many are left.
  const lowest = new Float64Array(B);
  const highest = new Float64Array(B);
  // The least over the steps of one place, and which places there are, of the set in hand.
  const atStation = numbers.stations.map(pair);
  const used = new Set<number>();
  const all: Lines = { low: lows, high: highs, offset: 0 };
  for (let set = sets.masks.length - 2; set >= 0; set--) {
    if (set % SETS_PER_LOOK === 0 && question.ended?.()) return { least: () => 0, atStart: 0 };
    for (let way = sets.from[set] ?? 0; way < (sets.from[set + 1] ?? 0); way++) {
      const index = sets.step[way] ?? 0;
      const step = steps[index];
      if (!step) continue;
      const clocks = clocksAfter[index] ?? [];
      for (const at of step.stations) {
        let after: Lines = { ...all, offset: (slot[(sets.to[way] ?? 0) * stations + at] ?? 0) * block };
        for (let part = step.parts - 1; part >= 0; part--) {
          const { ends, up, doses, rises, carries, tried } = cells.step(index, (sets.worked[set] ?? 0) + part * step.partMinutes);
          const now = scratch[part % 2 === 0 ? 0 : 1];
          const breaks = !(step.noBreakBefore && part === 0 && set > 0);
          const rested = step.standing ? clockCell(step.partMinutes) * S : 0;
          const least = part > 0 && step.restsBetween ? 1 : 0;
          const { low: lowsAfter, high: highsAfter, offset } = after;
          for (let s = 0; s < S; s++) {
            const from = s * options;
            const past = from + (breaks ? (tried[s] ?? 0) : 0);
            lowest.fill(Infinity);
            highest.fill(Infinity);
            for (let at = from + 1; at < past; at++) {
              const end = ends[at] ?? -1;
              if (end < 0) continue;
              const taken = counted ? (SHORTEST_BREAK[at - from] ?? 0) : 0;
              if (taken >= B) break;
              const cost = worth * (doses[at] ?? 0) + minutePrice * ((SHORTEST_BREAK[at - from] ?? 0) * breakStep + step.partMinutes);
              const climb = worth * (rises[at] ?? 0);
              const upEnd = up[at] ?? 0;
              const reach = carries[at - from] ?? 0;
              const over = end + 1 < S ? upEnd + reach - 1 : 0;
              for (let b = taken, place = offset + rested + end; b < B; b++, place += plane) {
                const bottom = lowsAfter[place] ?? Infinity;
                if (bottom === Infinity) continue;
                const slope = (highsAfter[place] ?? bottom) - bottom;
                const start = cost + bottom + upEnd * slope;
                if (start < (lowest[b] ?? 0)) lowest[b] = start;
                let rise = reach * slope;
                if (over > 0) {
                  const next = lowsAfter[place + 1] ?? Infinity;
                  const top = next === Infinity ? Infinity : next + over * ((highsAfter[place + 1] ?? next) - next);
                  if (top - bottom - upEnd * slope < rise) rise = top - bottom - upEnd * slope;
                }
                const top = start + climb + rise;
                if (top < (highest[b] ?? 0)) highest[b] = top;
              }
            }
            const end = ends[from] ?? -1;
            const cost = worth * (doses[from] ?? 0) + minutePrice * step.partMinutes;
            const climb = worth * (rises[from] ?? 0);
            const [upEnd, reach] = [up[from] ?? 0, carries[0] ?? 0];
            for (let b = 0; b < B; b++)
              for (let c = 0; c < C; c++) {
                const clockAfter = clocks[c] ?? -1;
                const place = b * plane + c * S + s;
                now.low[place] = lowest[b] ?? Infinity;
                now.high[place] = highest[b] ?? Infinity;
                if (end < 0 || clockAfter < 0 || least > 0) continue;
                const line = lineAfter(after, b * plane + clockAfter * S, end, upEnd, reach, S);
                const start = cost + line.start;
                const top = start + climb + line.rise;
                if (start < (now.low[place] ?? 0)) now.low[place] = start;
                if (top < (now.high[place] ?? 0)) now.high[place] = top;
              }
          }
          after = now;
        }
        const group = atStation[at];
        if (!group) continue;
        const first = !used.has(at);
        used.add(at);
        for (let place = 0; place < block; place++) {
          const [low, high] = [after.low[place] ?? Infinity, after.high[place] ?? Infinity];
          if (first || low < (group.low[place] ?? Infinity)) group.low[place] = low;
          if (first || high < (group.high[place] ?? Infinity)) group.high[place] = high;
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
        for (let row = 0; row < block; row += S)
          for (let s = 0; s < S; s++) {
            const line = lineAfter(group, row, change.ends[s] ?? 0, change.up[s] ?? 0, change.carry, S);
            const start = (change.costs[s] ?? 0) + line.start;
            const top = start + (change.rises[s] ?? 0) + line.rise;
            const place = own * block + row + s;
            if (start < (lows[place] ?? Infinity)) lows[place] = start;
            if (top < (highs[place] ?? Infinity)) highs[place] = top;
          }
      }
    }
    used.clear();
  }
  const room = counted ? roomForBreaks(numbers, sets) : undefined;
  const least = (set: number, station: number, strain: number, standing: number, minutesLeft: number): number => {
    const own = slot[set * stations + station] ?? -1;
    if (own < 0) return Infinity;
    const breaks = room ? Math.min(B - 1, room(set, station, minutesLeft)) : 0;
    if (breaks < 0) return Infinity;
    const place = own * block + breaks * plane + clockCell(standing) * S + cells.cellOf(strain);
    const low = lows[place] ?? Infinity;
    return low === Infinity ? low : low + cells.upOf(strain) * ((highs[place] ?? low) - low);
  };
  const { problem } = numbers;
  return { least, atStart: least(0, 0, problem.startStrain, problem.startStandingMinutes, numbers.session) };
}

/**
 * Break steps that minutes leave room for, at most: what they are beyond the work that is still to do and the shortest ways between its places.
 * Below 0 where not even those fit.
 */
export function roomForBreaks(numbers: Numbers, sets: ClosedSets): (set: number, station: number, minutesLeft: number) => number {
  const stations = numbers.stations.length;
  const ways = new Float64Array(sets.masks.length * stations);
  for (let set = sets.masks.length - 2; set >= 0; set--)
    for (let station = 0; station < stations; station++) {
      let least = Infinity;
      for (let way = sets.from[set] ?? 0; way < (sets.from[set + 1] ?? 0); way++)
        for (const next of numbers.steps[sets.step[way] ?? 0]?.stations ?? [])
          least = Math.min(least, (numbers.change[station]?.[next] ?? 0) + (ways[(sets.to[way] ?? 0) * stations + next] ?? 0));
      ways[set * stations + station] = least;
    }
  const all = sets.worked[sets.masks.length - 1] ?? 0;
  return (set, station, minutesLeft) =>
    Math.floor((minutesLeft - (all - (sets.worked[set] ?? 0)) - (ways[set * stations + station] ?? 0)) / BREAK_STEP_MINUTES + EPS);
}

/** What the rest costs at least, at the lower and the upper edge of each cell. */
interface Lines {
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly offset: number;
}

/** Read at once and never kept: one for all, since the loops ask some millions of times. */
const LINE = { start: 0, rise: 0 };

/**
 * Where a stretch ends in one cell, or reaches from there into the next: a straight line that is nowhere above the table, as its start and how
 * much it rises.
 * @param up how far up in its cell it begins @param reach how many cells it is long, at most one
 */
function lineAfter(
  { low, high, offset }: Lines,
  row: number,
  end: number,
  up: number,
  reach: number,
  S: number,
): { readonly start: number; readonly rise: number } {
  const place = offset + row + end;
  const bottom = low[place] ?? Infinity;
  if (bottom === Infinity) {
    LINE.start = Infinity;
    LINE.rise = 0;
    return LINE;
  }
  const rise = (high[place] ?? bottom) - bottom;
  LINE.start = bottom + up * rise;
  LINE.rise = reach * rise;
  const over = up + reach - 1;
  if (over > 0 && end + 1 < S) {
    const next = low[place + 1] ?? Infinity;
    if (next < Infinity) {
      const top = next + over * ((high[place + 1] ?? next) - next);
      if (top - LINE.start < LINE.rise) LINE.rise = top - LINE.start;
    }
  }
  return LINE;
}
