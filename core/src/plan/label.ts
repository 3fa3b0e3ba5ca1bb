import { STRAIN_MAX, strainDoseAbove, WATCH_AT } from '../strain/index.js';
import {
  BREAK_MAX_MINUTES,
  BREAK_STEP_MINUTES,
  CHANGEOVER_MINUTES,
  STRAIN_CEILING,
  partsOf,
  type ChosenStep,
  type PlanProblem,
  type Post,
} from './model.js';

/** A way to have done a set of steps and be at a post: what matters for all that may follow. */
export interface Label {
  readonly strain: number;
  /** Minutes on the feet without a rest. */
  readonly standing: number;
  readonly minutes: number;
  /** Point-minutes: strain dose so far, and minutes at their exchange. */
  readonly burden: number;
  readonly parent: Label | undefined;
  /** The step just done, −1 at the start, and the breaks taken in it. */
  readonly step: number;
  readonly breaks: BreakChain | undefined;
}

type Measured = Pick<Label, 'strain' | 'standing' | 'minutes' | 'burden'>;
const EPS = 1e-9;

/** Whether the session limit can bind; when it cannot, labels are not kept for their minutes alone. */
export type KeepMinutes = boolean;

/**
 * Whether whatever follows `b` can follow `a` and be no worse.
 *
 * First way: `a` is no worse in strain, standing clock, burden and (when kept) minutes. Strain after any stretch rises with strain
 * before it, so `a` meets every ceiling that `b` meets; dose rises with strain; a break resets both clocks; minutes add up.
 * Second way: `a` rests now for as long as `b` has used more. Breaks come in equal steps and may be joined to
 * the break that `b` takes next, and strain falls the same whether it rests before or after a change of place, so resting
 * later is always open to `a`. This is why no label is kept that has rested before it had to.
 */
export function dominates(a: Measured, b: Measured, rest: RestTable, keepMinutes: KeepMinutes): boolean {
  const spareBurden = b.burden - a.burden;
  if (spareBurden < -EPS) return false;
  const spareMinutes = b.minutes - a.minutes;
  if (keepMinutes && spareMinutes < -EPS) return false;
  if (a.strain <= b.strain + EPS && a.standing <= b.standing + EPS) return true;
  let steps = Math.floor((spareBurden / rest.perMinute + EPS) / BREAK_STEP_MINUTES);
  if (keepMinutes) steps = Math.min(steps, Math.floor((spareMinutes + EPS) / BREAK_STEP_MINUTES));
  if (steps >= rest.decay.length) steps = rest.decay.length - 1;
  // A rest that stays above the strain of b at its longest cannot help, and most pairs end here.
  if (steps < 1 || a.strain * (rest.decay[steps] ?? 1) > b.strain + EPS) return false;
  if (a.strain <= WATCH_AT) return true;
  for (let n = steps; n >= 1; n--) {
    if (a.strain * (rest.decay[n] ?? 1) > b.strain + EPS) return false;
    if (rest.perMinute * BREAK_STEP_MINUTES * n + restDose(a.strain, n * BREAK_STEP_MINUTES, rest.k) <= spareBurden + EPS) return true;
  }
  return false;
}

/** Decay of strain over 0, 1, 2 … break steps, so that labels are compared without an exponential each. */
export interface RestTable {
  readonly k: number;
  /** Point-minutes that a minute of the visit counts as; above its price in the model, plans grow shorter. */
  readonly perMinute: number;
  readonly decay: readonly number[];
}

/** @param k recovery per minute */
export function restTable(k: number, perMinute: number): RestTable {
  return {
    k,
    perMinute,
    decay: Array.from({ length: BREAK_MAX_MINUTES / BREAK_STEP_MINUTES + 1 }, (_, n) => Math.exp(-k * n * BREAK_STEP_MINUTES)),
  };
}

/** Dose of a rest in point-minutes: {@link strainDoseAbove} for a rate of 0. */
function restDose(strain: number, minutes: number, k: number): number {
  if (strain <= WATCH_AT) return 0;
  const until = Math.min(minutes, Math.log(strain / WATCH_AT) / k);
  return (strain * (1 - Math.exp(-k * until))) / k - WATCH_AT * until;
}

/** Adds a label unless one that dominates it is there; drops those it makes useless. */
export function insert<T extends Measured>(bucket: T[], label: T, rest: RestTable, keepMinutes: KeepMinutes): boolean {
  for (const old of bucket) if (dominates(old, label, rest, keepMinutes)) return false;
  let keep = 0;
  for (const old of bucket) if (!dominates(label, old, rest, keepMinutes)) bucket[keep++] = old;
  bucket.length = keep;
  bucket.push(label);
  return true;
}

/** What a step needs while labels are grown through it. */
export interface Growth {
  readonly problem: PlanProblem;
  readonly rest: RestTable;
  readonly keepMinutes: KeepMinutes;
  /** Dose does not count, and each part takes the shortest break that it may begin after. */
  readonly timeOnly?: boolean;
  /** Minutes of work done before this step. */
  readonly worked: number;
}

/** A label inside a step, with the breaks taken in it as a chain. */
interface Way extends Measured {
  readonly breaks: BreakChain | undefined;
}
interface BreakChain {
  readonly minutes: number;
  readonly before: BreakChain | undefined;
}

/**
 * Every way worth keeping to do one step from one label: a break or none before each part. A break longer than what makes the
 * part free of dose is not tried, because the same rest after the part does more.
 */
export function grow(g: Growth, from: Label, post: Post, index: number): Label[] {
  const step = g.problem.steps[index];
  if (!step) return [];
  const { k } = g.rest;
  const change = CHANGEOVER_MINUTES[post][step.post];
  const parts = partsOf(step, g.problem.continuousStandingMinutes);
  const ceiling = STRAIN_CEILING[step.tier] + (step.tier === 'looks' ? EPS : -EPS);
  const decay = Math.exp(-k * parts.minutes);
  let ways: Way[] = [
    {
      strain: change > 0 ? from.strain * Math.exp(-k * change) : from.strain,
      standing: from.standing,
      minutes: from.minutes + change,
      burden: from.burden + g.rest.perMinute * change + (g.timeOnly ? 0 : restDose(from.strain, change, k)),
      breaks: undefined,
    },
  ];
  for (let part = 0; part < parts.count; part++) {
    const rate = step.ratePerMinute * (1 + g.problem.fatiguePerMinute * (g.worked + part * parts.minutes));
    const added = (rate / k) * (1 - decay);
    const next: Way[] = [];
    for (const way of ways) {
      for (let n = 0; n < g.rest.decay.length; n++) {
        const pause = n * BREAK_STEP_MINUTES;
        const minutes = way.minutes + pause + parts.minutes;
        if (minutes > g.problem.sessionMinutes + EPS) break;
        const rested = way.strain * (g.rest.decay[n] ?? 1);
        const strain = Math.min(STRAIN_MAX, rested * decay + added);
        const standing = step.standing ? (pause > 0 ? 0 : way.standing) + parts.minutes : 0;
        if (Math.max(rested, strain) > ceiling || standing > g.problem.continuousStandingMinutes + EPS) continue;
        const workDose =
          g.timeOnly || (rested <= WATCH_AT && strain <= WATCH_AT) ? 0 : strainDoseAbove(rested, rate, parts.minutes, k, WATCH_AT);
        const burden =
          way.burden +
          g.rest.perMinute * (pause + parts.minutes) +
          workDose +
          (pause > 0 && !g.timeOnly ? restDose(way.strain, pause, k) : 0);
        insert(next, { strain, standing, minutes, burden, breaks: { minutes: pause, before: way.breaks } }, g.rest, g.keepMinutes);
        if (workDose === 0) break;
      }
    }
    ways = next;
  }
  return ways.map((w) => ({
    strain: w.strain,
    standing: w.standing,
    minutes: w.minutes,
    burden: w.burden,
    parent: from,
    step: index,
    breaks: w.breaks,
  }));
}

/** The steps of a chain of labels, the first one first. */
export function chosenSteps(end: Label | undefined): ChosenStep[] {
  const chosen: ChosenStep[] = [];
  for (let at = end; at && at.step >= 0; at = at.parent) {
    const breaks: number[] = [];
    for (let b = at.breaks; b; b = b.before) breaks.unshift(b.minutes);
    chosen.unshift({ step: at.step, breaks });
  }
  return chosen;
}
