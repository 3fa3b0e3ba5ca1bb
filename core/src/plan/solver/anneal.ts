import { randomLcg } from 'd3-random';
import { BREAK_STEP_MINUTES } from '../model.js';
import { helperThere } from '../simulate.js';
import type { Budget } from './budget.js';
import { startLabel, type Label } from './labels.js';
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

/** The burden of a plan; `Infinity` where it breaks a limit. */
function burdenOf(numbers: Numbers, before: readonly number[], draft: Draft): number {
  return follow(numbers, draft, before)?.burden ?? Infinity;
}

interface Followed {
  readonly burden: number;
}

/** Runs a plan through as a search grows its labels. @param onPart told of each part that is done */
function follow(
  numbers: Numbers,
  draft: Draft,
  before: readonly number[],
  onPart?: (part: Omit<Label, 'parent'>) => void,
): Followed | undefined {
  const { k, minutePrice } = numbers;
  const start = startLabel(numbers);
  let { strain, standing, minutes, burden, station } = start;
  let lags = start.lags;
  let done = 0;
  let worked = 0;
  for (const index of draft.order) {
    const step = numbers.steps[index];
    const need = before[index] ?? 0;
    if (!step || (done & need) !== need) return undefined;
    const next = draft.station[index] ?? 0;
    const way = numbers.change[station]?.[next] ?? 0;
    if (way > 0) {
      const after = strain * Math.exp(-k * way);
      burden += doseOf(strain, after, 0, way, k) + minutePrice * way;
      strain = after;
      minutes += way;
      if (lags.length > 0) lags = lags.map((l) => Math.max(0, l - way));
    }
    station = next;
    const pauses = draft.breaks[index] ?? [];
    for (let part = 0; part < step.parts; part++) {
      const pause = (pauses[part] ?? 0) * BREAK_STEP_MINUTES;
      if (pause > 0) {
        if (part === 0 && step.noBreakBefore && done !== 0) return undefined;
        const after = strain * Math.exp(-k * pause);
        burden += doseOf(strain, after, 0, pause, k) + minutePrice * pause;
        strain = after;
        minutes += pause;
        if (lags.length > 0) lags = lags.map((l) => Math.max(0, l - pause));
        standing = 0;
      } else if (part > 0 && step.restsBetween) return undefined;
      if (part === 0 && step.lagsIn.some((l) => (lags[l] ?? 0) > EPS)) return undefined;
      if (step.helper && !helperThere(numbers.problem, minutes, minutes + step.partMinutes)) return undefined;
      const tired = 1 + numbers.fatigue * worked;
      const after = strain * step.decay + step.gain * tired;
      if (Math.max(strain, after) > step.ceiling) return undefined;
      burden += doseOf(strain, after, step.ratePerMinute * tired, step.partMinutes, k) + minutePrice * step.partMinutes;
      strain = after;
      minutes += step.partMinutes;
      if (lags.length > 0) lags = lags.map((l) => Math.max(0, l - step.partMinutes));
      worked += step.partMinutes;
      standing = step.standing ? standing + step.partMinutes : 0;
      if (standing > numbers.continuousStanding + EPS || minutes > numbers.session + EPS) return undefined;
      if (part + 1 === step.parts && step.lagsOut.length > 0)
        lags = lags.map((l, at) => (step.lagsOut.includes(at) ? (numbers.lags[at]?.minutes ?? 0) : l));
      onPart?.({ strain, standing, minutes, burden, lags, step: index, pause, station });
    }
    done |= 1 << index;
  }
  return { burden };
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
  follow(numbers, draft, nothingBefore, (part) => (last = { ...part, parent: last }));
  return last;
}
