import { WATCH_AT } from '../../strain/index.js';
import type { DogPosture } from '../../words/index.js';
import { BREAK_STEP_MINUTES, type ChosenStep } from '../model.js';
import { helperThere } from '../simulate.js';
import type { Budget } from './budget.js';
import { doseOf, type Numbers, restDose, RUNS_ALREADY, type StepNumbers } from './numbers.js';

/** A way to have done some parts of steps: what matters for all that may follow, and where it came from. */
export interface Label {
  readonly strain: number;
  /** Minutes on the feet without a rest. */
  readonly standing: number;
  readonly minutes: number;
  /** Point-minutes: strain dose so far, and minutes at their price. */
  readonly burden: number;
  /** For each lag of the problem, the minutes that are still to pass before its second step. */
  readonly lags: readonly number[];
  readonly parent: Label | undefined;
  /** The step of the part just done, −1 at the start, and the break before that part. */
  readonly step: number;
  readonly pause: number;
  /** Where it was done, as a place among the stations of the problem. */
  readonly station: number;
}

export type Measured = Pick<Label, 'strain' | 'standing' | 'minutes' | 'burden' | 'lags'>;

/** How the labels of a search are compared and grown. */
export interface SearchManner {
  readonly numbers: Numbers;
  /** Point-minutes that a minute counts as; above its price in the problem, plans grow shorter. */
  readonly minutePrice: number;
  /** The session can bind: a label is also kept for its minutes. */
  readonly keepMinutes: boolean;
  /** Dose does not count, and each part takes the shortest break that it may begin after. */
  readonly timeOnly: boolean;
  /** Only plans of less burden are looked for. */
  readonly below: number;
  /** Minutes of a break at most: what the session leaves beside the work. */
  readonly longestPause: number;
  /** Decay of strain over 0, 1, 2 … break steps, so that labels are compared without an exponential each. */
  readonly decay: readonly number[];
}

const EPS = 1e-9;
/** Break steps that a comparison looks ahead: two hours. */
const DECAY_STEPS = 24;
/** A dog below this has rested: what more could fall changes no plan. Points. */
const RESTED = 0.01;

/** How a search goes about it: all of it kept exactly, unless it is told otherwise. */
export function mannerOfSearch(numbers: Numbers, change: Partial<Omit<SearchManner, 'numbers' | 'decay'>> = {}): SearchManner {
  return {
    numbers,
    minutePrice: numbers.minutePrice,
    keepMinutes: true,
    timeOnly: false,
    below: Infinity,
    longestPause: Infinity,
    ...change,
    decay: Array.from({ length: DECAY_STEPS + 1 }, (_, n) => Math.exp(-numbers.k * n * BREAK_STEP_MINUTES)),
  };
}

/** The label before the first step. */
export function startLabel({ problem, lags }: Numbers): Label {
  return {
    strain: problem.startStrain,
    standing: problem.startStandingMinutes,
    minutes: 0,
    burden: 0,
    lags: lags.map((l) => (l.first === RUNS_ALREADY ? l.minutes : 0)),
    parent: undefined,
    step: -1,
    pause: 0,
    station: 0,
  };
}

/** What may follow the labels that are compared. */
export interface Next {
  /** A helper who is not always there is needed later: only labels of the same minute are compared. */
  readonly sameMinute: boolean;
  /** The next step may be one that follows at once. */
  readonly noRest: boolean;
}
const ANYTHING: Next = { sameMinute: false, noRest: false };

/**
 * Whether whatever follows `b` can follow `a` and be no worse. Proof, for plans whose breaks are any multiple of the break step:
 *
 * First way: `a` is no worse in strain, standing clock, lags, burden and (when kept) minutes. Let `a` do what `b` does next, breaks
 * included. Strain after any stretch rises with strain before it, so `a` meets every ceiling that `b` meets, and its dose is no more;
 * a break resets both clocks; a break that is long enough for the lag of `b` is for that of `a`; minutes add up.
 *
 * Second way: `a` first rests for as long as `b` has used more. The rest is joined to the break that `b` takes next: rest before or
 * after a change of place lowers strain the same, and a joined break resets the clock just as well. When nothing follows, the rest
 * need not be taken. So no label is kept that has rested before it had to.
 *
 * What does not hold: with a helper who comes later, being earlier is not better, because the break that `b` needs before the helper
 * comes may end too early for `a`. Then labels are compared only with those of the same minute (`sameMinute`). When the next step may be
 * one that follows at once, `a` cannot rest now, and only the first way counts (`noRest`). An omitted step never
 * makes a label better or worse here, since labels are compared only when they have done the same steps.
 */
export function dominates(a: Measured, b: Measured, m: SearchManner, { sameMinute, noRest }: Next = ANYTHING): boolean {
  const spareBurden = b.burden - a.burden;
  if (spareBurden < -EPS) return false;
  const spareMinutes = b.minutes - a.minutes;
  if (m.keepMinutes && spareMinutes < -EPS) return false;
  if (sameMinute && Math.abs(spareMinutes) > EPS) return false;
  if (a.strain <= b.strain + EPS && a.standing <= b.standing + EPS && lagsNoLonger(a, b, 0)) return true;
  if (sameMinute || noRest) return false;
  let steps = Math.floor((spareBurden / Math.max(m.minutePrice, 1e-6) + EPS) / BREAK_STEP_MINUTES);
  if (m.keepMinutes) steps = Math.min(steps, Math.floor((spareMinutes + EPS) / BREAK_STEP_MINUTES));
  if (steps >= m.decay.length) steps = m.decay.length - 1;
  // A rest that stays above the strain of b at its longest cannot help, and most pairs end here.
  if (steps < 1 || a.strain * (m.decay[steps] ?? 1) > b.strain + EPS) return false;
  for (let n = steps; n >= 1; n--) {
    if (a.strain * (m.decay[n] ?? 1) > b.strain + EPS) return false;
    const minutes = n * BREAK_STEP_MINUTES;
    const dose = m.timeOnly || a.strain <= WATCH_AT ? 0 : restDose(a.strain, minutes, m.numbers.k);
    if (m.minutePrice * minutes + dose <= spareBurden + EPS && lagsNoLonger(a, b, minutes)) return true;
  }
  return false;
}

/** Whether `a`, after resting for some minutes, has no more to wait for than `b`. */
function lagsNoLonger(a: Measured, b: Measured, rest: number): boolean {
  for (let i = 0; i < a.lags.length; i++) if ((a.lags[i] ?? 0) - rest > (b.lags[i] ?? 0) + EPS) return false;
  return true;
}

/** Adds a label unless one that dominates it is there; drops those it makes useless. */
export function insert<T extends Measured>(bucket: T[], label: T, m: SearchManner, next: Next = ANYTHING): boolean {
  for (const old of bucket) if (dominates(old, label, m, next)) return false;
  let keep = 0;
  for (const old of bucket) if (!dominates(label, old, m, next)) bucket[keep++] = old;
  bucket.length = keep;
  bucket.push(label);
  return true;
}

/** Comparisons that take as long as a label: a step of many parts, or a set of many labels, costs more than the labels that are left. */
export const COMPARISONS_A_LABEL = 32;

/**
 * Every way worth keeping to do one step from one label: a break or none before each part. A break longer than what makes the
 * part free of dose is not tried, because the same rest after the part does more: strain then decays from a higher value, and the
 * standing clock is reset later. That argument fails where no break can follow, and there longer ones are tried.
 * @param at place, posture and tool of the step
 * @param worked minutes of work done before the step
 * @param budget what comparing the ways of its parts is spent from; none when it is over
 */
export function grow(
  m: SearchManner,
  from: Label,
  at: number,
  worked: number,
  index: number,
  after: Next = ANYTHING,
  budget?: Budget,
): Label[] {
  const { numbers } = m;
  const step = numbers.steps[index];
  if (!step) return [];
  const { k } = numbers;
  const change = numbers.change[from.station]?.[at] ?? 0;
  const first = from.step < 0;
  let ways: Label[] = [change > 0 ? waited(m, from, change) : from];
  for (let part = 0; part < step.parts; part++) {
    const fatigue = 1 + numbers.fatigue * (worked + part * step.partMinutes);
    const added = step.gain * fatigue;
    const rate = step.ratePerMinute * fatigue;
    const next: Label[] = [];
    const last = part + 1 === step.parts;
    const then: Next = { sameMinute: after.sameMinute, noRest: last && after.noRest };
    for (const way of ways) {
      for (let n = part > 0 && step.restsBetween ? 1 : 0; ; n++) {
        if (n > 0 && part === 0 && step.noBreakBefore && !first) break;
        const pause = n * BREAK_STEP_MINUTES;
        if (pause > m.longestPause + EPS) break;
        const minutes = way.minutes + pause + step.partMinutes;
        if (minutes > numbers.session + EPS) break;
        if (m.below < Infinity && way.burden + m.minutePrice * (pause + step.partMinutes) >= m.below) break;
        const rested = way.strain * (m.decay[n] ?? Math.exp(-k * pause));
        if (n > 1 && !gainsByLonger(m, way, step, pause - BREAK_STEP_MINUTES)) break;
        const strain = rested * step.decay + added;
        const standing = step.standing ? (n > 0 ? 0 : way.standing) + step.partMinutes : 0;
        if (Math.max(rested, strain) > step.ceiling) {
          // Not even a dog at rest can bear it.
          if (added > step.ceiling || rested < 1e-6) break;
          continue;
        }
        if (standing > numbers.continuousStanding + EPS) {
          if (n > 0) break;
          continue;
        }
        if (part === 0 && step.lagsIn.some((l) => (way.lags[l] ?? 0) > pause + EPS)) continue;
        if (step.helper && !helperThere(numbers.problem, way.minutes + pause, minutes)) continue;
        const workDose = m.timeOnly ? 0 : doseOf(rested, strain, rate, step.partMinutes, k);
        const burden =
          way.burden +
          m.minutePrice * (pause + step.partMinutes) +
          workDose +
          (n > 0 && !m.timeOnly && way.strain > WATCH_AT ? doseOf(way.strain, rested, 0, pause, k) : 0);
        const passedLags = passed(way.lags, pause + step.partMinutes);
        const lags = last ? opened(numbers, passedLags, step.lagsOut) : passedLags;
        const label: Label = { strain, standing, minutes, burden, lags, parent: way, step: index, pause, station: at };
        if (budget && !budget.spend(next.length / COMPARISONS_A_LABEL)) return [];
        insert(next, label, m, then);
        if (workDose === 0 && !(then.noRest && (rested > RESTED || numbers.waitsEarlier))) break;
      }
    }
    ways = next;
  }
  return ways;
}

/**
 * Whether a break of more than so many minutes can do what one of that many cannot: strain is still to fall, a lag still runs, or the
 * helper is not there yet. Strain that hardly falls any more, or at all, is no reason.
 */
function gainsByLonger(m: SearchManner, way: Label, step: StepNumbers, pause: number): boolean {
  const { k, problem } = m.numbers;
  if (way.strain * Math.exp(-k * pause) * -Math.expm1(-k * BREAK_STEP_MINUTES) > RESTED) return true;
  if (way.lags.some((l) => l > pause)) return true;
  return step.helper && (problem.helperWindows ?? []).some(([from]) => from > way.minutes + pause - EPS);
}

/** A label after a change of place: nobody works on the dog, but it does not lie down. */
function waited(m: SearchManner, from: Label, minutes: number): Label {
  const strain = from.strain * Math.exp(-m.numbers.k * minutes);
  return {
    ...from,
    strain,
    minutes: from.minutes + minutes,
    burden:
      from.burden +
      m.minutePrice * minutes +
      (m.timeOnly || from.strain <= WATCH_AT ? 0 : doseOf(from.strain, strain, 0, minutes, m.numbers.k)),
    lags: passed(from.lags, minutes),
  };
}

/** What is left of lags after some minutes. */
export function passed(lags: readonly number[], minutes: number): readonly number[] {
  return lags.some((l) => l > 0) ? lags.map((l) => Math.max(0, l - minutes)) : lags;
}

/** Lags at the end of a step that begins some of them. @param starts their places */
export function opened(numbers: Numbers, lags: readonly number[], starts: readonly number[]): readonly number[] {
  return starts.length === 0 ? lags : lags.map((l, at) => (starts.includes(at) ? (numbers.lags[at]?.minutes ?? 0) : l));
}

/** The steps of a chain of labels, the first one first. */
export function chosenSteps(end: Label | undefined, { stations }: Pick<Numbers, 'stations'>): ChosenStep[] {
  const chosen: { step: number; breaks: number[]; posture: DogPosture | undefined }[] = [];
  let last: Label | undefined;
  for (let at = end; at && at.step >= 0; at = at.parent) {
    const open = chosen[0];
    // A step is done once, so parts that follow each other with one number are parts of one step.
    if (open && last?.step === at.step) open.breaks.unshift(at.pause);
    else chosen.unshift({ step: at.step, breaks: [at.pause], posture: stations[at.station]?.posture });
    last = at;
  }
  return chosen;
}
