import { randomLcg } from 'd3-random';
import { BREAK_STEP_MINUTES } from '../model.js';
import { helperThere } from '../simulate.js';
import type { Budget } from './budget.js';
import { type Label, opened, passed, startLabel } from './labels.js';
import { doseOf, type Numbers } from './numbers.js';

/** Tries, how many of them cost as much as a label, and between two looks at what may be spent. Our defaults: about a tenth of a second. */
const TRIES = 16_000;
const TRIES_PER_LOOK = 500;
const LABELS_PER_TRY = 1;
/** Point-minutes by which a try may be worse at first and at last, as a share of the burden it began with. Our defaults. */
const WARM = 0.03;
const COLD = 0.0002;
const SEED = 0.37;
const EPS = 1e-9;

/** A plan as it is changed: steps in their order, where each is done, and the breaks before each of its parts in break steps. */
interface Draft {
  readonly order: number[];
  readonly station: number[];
  readonly breaks: number[][];
}

/**
 * A good plan near one that is known, by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983, "Optimization by simulated annealing",
 * Science 220:671–680; from memory): a step moves to another place, a break moves, comes or goes, a step is done another way. Only plans that
 * keep every limit are accepted. It proves nothing; it finds in a tenth of a second what a beam that goes from the beginning misses.
 * @param before for each step, the mask of the steps that must be done before it
 */
export function annealed(numbers: Numbers, before: readonly number[], known: Label, budget: Budget): Label {
  const random = randomLcg(SEED);
  const pick = (below: number): number => Math.floor(random() * below);
  const draft = draftOf(numbers, known);
  const n = draft.order.length;
  let burden = burdenOf(numbers, before, draft);
  if (n < 2 || burden === Infinity) return known;
  let best = burden;
  let kept = copyOf(draft);
  const [warm, cold] = [WARM * burden, COLD * burden];
  for (let turn = 0; turn < TRIES; turn++) {
    if (turn % TRIES_PER_LOOK === 0 && (budget.empty() || !budget.spend(TRIES_PER_LOOK * LABELS_PER_TRY))) break;
    const takeBack = change(numbers, draft, pick, random());
    const now = burdenOf(numbers, before, draft);
    const heat = warm * (cold / warm) ** (turn / TRIES);
    if (now > burden && !(random() < Math.exp((burden - now) / heat))) takeBack();
    else burden = now;
    if (burden < best - EPS) {
      best = burden;
      kept = copyOf(draft);
    }
  }
  return labelOf(numbers, kept);
}

/** One small change. @returns how it is taken back */
function change(numbers: Numbers, { order, station, breaks }: Draft, pick: (below: number) => number, kind: number): () => void {
  const n = order.length;
  if (kind < 0.4) {
    const [from, to] = [pick(n), pick(n)];
    order.splice(to, 0, ...order.splice(from, 1));
    return () => order.splice(from, 0, ...order.splice(to, 1));
  }
  const at = (): { readonly of: number[]; readonly part: number } => {
    const of = breaks[order[pick(n)] ?? 0] ?? [];
    return { of, part: pick(of.length) };
  };
  const add = ({ of, part }: ReturnType<typeof at>, by: number): number => {
    const was = of[part] ?? 0;
    of[part] = Math.max(0, was + by);
    return (of[part] ?? 0) - was;
  };
  if (kind < 0.7) {
    const [from, to] = [at(), at()];
    const moved = -add(from, -1);
    add(to, moved);
    return () => {
      add(to, -moved);
      add(from, moved);
    };
  }
  if (kind < 0.85) {
    const where = at();
    const by = add(where, kind < 0.775 ? 1 : -1);
    return () => void add(where, -by);
  }
  const step = order[pick(n)] ?? 0;
  const ways = numbers.steps[step]?.stations ?? [];
  const was = station[step] ?? 0;
  station[step] = ways[pick(ways.length)] ?? was;
  return () => void (station[step] = was);
}

/**
 * Runs a plan through as a search grows its labels, and gives its burden; `Infinity` where it breaks a limit. It is `simulate` on numbers that are
 * worked out already: thousands of drafts are run through for one plan.
 * @param onPart told of each part that is done
 */
function burdenOf(numbers: Numbers, before: readonly number[], draft: Draft, onPart?: (part: Omit<Label, 'parent'>) => void): number {
  const { k, minutePrice } = numbers;
  let { strain, standing, minutes, burden, station, lags } = startLabel(numbers);
  let done = 0;
  let worked = 0;
  const pass = (length: number, after: number, rate: number): void => {
    burden += doseOf(strain, after, rate, length, k) + minutePrice * length;
    strain = after;
    minutes += length;
    lags = passed(lags, length);
  };
  const rest = (length: number): void => pass(length, strain * Math.exp(-k * length), 0);
  for (const index of draft.order) {
    const step = numbers.steps[index];
    const need = before[index] ?? 0;
    if (!step || (done & need) !== need) return Infinity;
    const next = draft.station[index] ?? 0;
    const change = numbers.change[station]?.[next] ?? 0;
    if (change > 0) rest(change);
    station = next;
    for (let part = 0; part < step.parts; part++) {
      const pause = (draft.breaks[index]?.[part] ?? 0) * BREAK_STEP_MINUTES;
      if (pause > 0) {
        if (part === 0 && step.noBreakBefore && done !== 0) return Infinity;
        rest(pause);
        standing = 0;
      } else if (part > 0 && step.restsBetween) return Infinity;
      if (part === 0 && step.lagsIn.some((l) => (lags[l] ?? 0) > EPS)) return Infinity;
      if (step.helper && !helperThere(numbers.problem, minutes, minutes + step.partMinutes)) return Infinity;
      const tired = 1 + numbers.fatigue * worked;
      const after = strain * step.decay + step.gain * tired;
      if (Math.max(strain, after) > step.ceiling) return Infinity;
      pass(step.partMinutes, after, step.ratePerMinute * tired);
      worked += step.partMinutes;
      standing = step.standing ? standing + step.partMinutes : 0;
      if (standing > numbers.continuousStanding + EPS || minutes > numbers.session + EPS) return Infinity;
      if (part + 1 === step.parts) lags = opened(numbers, lags, step.lagsOut);
      onPart?.({ strain, standing, minutes, burden, lags, step: index, pause, station });
    }
    done |= 1 << index;
  }
  return burden;
}

/** A chain of labels as a draft. */
function draftOf(numbers: Numbers, end: Label): Draft {
  const draft: Draft = { order: [], station: numbers.steps.map((s) => s.stations[0] ?? 0), breaks: numbers.steps.map(() => []) };
  for (let at: Label | undefined = end; at && at.step >= 0; at = at.parent) {
    if (draft.order[0] !== at.step) draft.order.unshift(at.step);
    draft.station[at.step] = at.station;
    draft.breaks[at.step]?.unshift(Math.round(at.pause / BREAK_STEP_MINUTES));
  }
  return draft;
}

const copyOf = ({ order, station, breaks }: Draft): Draft => ({
  order: [...order],
  station: [...station],
  breaks: breaks.map((b) => [...b]),
});

/** The chain of labels of a plan that keeps every limit. */
function labelOf(numbers: Numbers, draft: Draft): Label {
  let last = startLabel(numbers);
  const nothingBefore = numbers.steps.map(() => 0);
  burdenOf(numbers, nothingBefore, draft, (part) => (last = { ...part, parent: last }));
  return last;
}
