import { PAUSE_AT, STOP_AT, WATCH_AT, recoveryPerMinute } from '../strain/index.js';
import { grow, insert, restTable, type Label } from './label.js';
import { CHANGEOVER_MINUTES, POSTS, type PlanProblem, type Post } from './model.js';
import { mayFollow, shutOutBy, type Precedence } from './precedence.js';

const EPS = 1e-9;

export interface Search {
  readonly problem: PlanProblem;
  readonly p: Precedence;
  /** Point-minutes that a minute counts as, 0 to 25; see `best-of-set.ts` for why it is not always the model's own. */
  readonly perMinute: number;
  readonly keepMinutes: boolean;
  /** Labels kept in each state. */
  readonly width: number;
  /** How labels are ranked when a state has too many: by their best possible end, or by strain in hand alone. */
  readonly rank: 'bound' | 'strain';
  /** Only plans of less burden than this are looked for. */
  readonly below: number;
  /** The search gives up when it has looked at more labels than this. */
  readonly budget: number;
}

/** A way to have done all steps of the problem. */
export interface Found {
  readonly label: Label | undefined;
  /** Labels that were looked at: how much work the search was. */
  readonly looked: number;
  /** It gave up: no label says nothing. */
  readonly cut: boolean;
}

/** The label before the first step. */
export function startLabel(problem: PlanProblem): Label {
  return {
    strain: problem.startStrain,
    standing: problem.startStandingMinutes,
    minutes: 0,
    burden: 0,
    parent: undefined,
    step: -1,
    breaks: undefined,
  };
}

/** All steps of the problem, in the best order with the best breaks. */
export function search(s: Search): Found {
  const { problem, p } = s;
  const n = problem.steps.length;
  const full = 2 ** n - 1;
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  const table = restTable(k, s.perMinute);
  // States by the number of steps done, so that each is complete before it is left.
  const layers: Map<number, Label[]>[] = Array.from({ length: n + 1 }, () => new Map());
  layers[0]?.set(POSTS.indexOf(problem.startPost), [startLabel(problem)]);
  let looked = 0;
  for (let done = 0; done < n; done++) {
    for (const [state, found] of layers[done] ?? []) {
      const mask = Math.floor(state / POSTS.length);
      const post = POSTS[state % POSTS.length] ?? 'table';
      const labels = found.length > s.width ? mostPromising(s, found, mask, full, post, k).slice(0, s.width) : found;
      const g = { problem, rest: table, keepMinutes: s.keepMinutes, worked: minutesOf(problem, mask) };
      for (let next = 0; next < n; next++) {
        if (!mayFollow(p, mask, next)) continue;
        const after = mask | (1 << next);
        if (shutOutBy(p, after) !== 0) continue;
        const rest = restOf(problem, full & ~after, after, problem.steps[next]?.post ?? 'table');
        const nextState = after * POSTS.length + POSTS.indexOf(problem.steps[next]?.post ?? 'table');
        const bucket = layers[done + 1]?.get(nextState) ?? [];
        for (const label of labels) {
          if (looked > s.budget) return { label: undefined, looked, cut: true };
          for (const grown of grow(g, label, post, next)) {
            looked++;
            if (grown.minutes + rest.minutes > problem.sessionMinutes + EPS) continue;
            const left = problem.sessionMinutes - grown.minutes;
            if (grown.burden + leastBurden(rest, grown.strain, left, k, s.perMinute) >= s.below - 1e-6) continue;
            insert(bucket, grown, table, s.keepMinutes);
          }
        }
        if (bucket.length > 0) layers[done + 1]?.set(nextState, bucket);
      }
    }
    layers[done]?.clear();
  }
  const ends = [...(layers[n]?.values() ?? [])].flat();
  const label = ends.reduce<Label | undefined>((a, b) => (!a || b.burden < a.burden ? b : a), undefined);
  return { label, looked, cut: false };
}

/** Labels of one state, those first whose best possible end is best; strain in hand counts on top, for the bound hardly sees it. */
function mostPromising(
  { problem, rank, perMinute }: Search,
  labels: readonly Label[],
  mask: number,
  full: number,
  post: Post,
  k: number,
): Label[] {
  const rest = restOf(problem, full & ~mask, mask, post);
  const promise = (l: Label): number =>
    l.burden +
    (rank === 'bound' ? leastBurden(rest, l.strain, problem.sessionMinutes - l.minutes, k, perMinute) : 0) +
    STRAIN_IN_HAND * l.strain;
  return labels
    .map((label) => ({ label, at: promise(label) }))
    .sort((a, b) => a.at - b.at)
    .map((x) => x.label);
}
const STRAIN_IN_HAND = 2;

/** What is known of the work still to do, whatever its order. */
export interface Rest {
  readonly minutes: number;
  /** Points that the rest of the work adds before recovery. */
  readonly points: number;
  readonly endAt: number;
}

/** The shortest way into each place from any other. */
const LEAST_ENTRY_MINUTES: Readonly<Record<Post, number>> = {
  table: leastEntry('table'),
  lap: leastEntry('lap'),
  tub: leastEntry('tub'),
  dryer: leastEntry('dryer'),
};
function leastEntry(to: Post): number {
  return Math.min(...POSTS.filter((from) => from !== to).map((from) => CHANGEOVER_MINUTES[from][to]));
}

/** Work still to do, in the order that tires least: the higher rates first. */
export function restOf(problem: PlanProblem, mask: number, doneMask: number, post: Post): Rest {
  const steps = problem.steps.filter((_, i) => mask & (1 << i)).sort((a, b) => b.ratePerMinute - a.ratePerMinute);
  let worked = minutesOf(problem, doneMask);
  let points = 0;
  let minutes = 0;
  for (const s of steps) {
    points += s.minutes * s.ratePerMinute * (1 + problem.fatiguePerMinute * worked);
    worked += s.minutes;
    minutes += s.minutes;
  }
  // Each other place has to be entered at least once.
  for (const to of POSTS) if (to !== post && steps.some((s) => s.post === to)) minutes += LEAST_ENTRY_MINUTES[to];
  return { minutes, points, endAt: steps.some((s) => s.tier === 'welfare') ? STOP_AT : PAUSE_AT };
}

/**
 * A lower bound on the burden still to come. Strain obeys dS/dt = r − kS, so over the rest of the visit
 * `points = S_end − S_now + k·∫S dt`, and `∫S dt ≤ watch·T + dose`, so `dose ≥ area − watch·T`. A minute more saves at most
 * `watch` point-minutes of dose and costs its exchange, so the least is reached at no dose, or when the session is used up.
 */
export function leastBurden(rest: Rest, strainNow: number, minutesLeft: number, k: number, perMinute: number): number {
  if (rest.minutes === 0) return 0;
  const area = (rest.points + strainNow - rest.endAt) / k;
  const minutes = Math.max(rest.minutes, Math.min(area / WATCH_AT, minutesLeft));
  return perMinute * minutes + Math.max(0, area - WATCH_AT * minutes);
}

/** Minutes of work in a set of steps. */
export function minutesOf(problem: PlanProblem, mask: number): number {
  return problem.steps.reduce((sum, s, i) => (mask & (1 << i) ? sum + s.minutes : sum), 0);
}
