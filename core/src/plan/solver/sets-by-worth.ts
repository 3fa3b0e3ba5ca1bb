import { recoveryPerMinute, STOP_AT, WATCH_AT } from '../../strain/index.js';
import { type Post, POSTS, TIERS } from '../../words/index.js';
import { BREAK_STEP_MINUTES, CHANGEOVER_MINUTES, type PlanProblem, STRAIN_CEILING } from '../model.js';
import type { Precedence } from '../precedence.js';

/** Worth by tier: welfare, asked, looks. */
export type Worth = readonly [number, number, number];

const SAME = 1e-9;
const EPS = 1e-9;

/** Above 0 when `a` is worth more than `b`, compared tier by tier. */
export function compareWorth(a: Worth, b: Worth): number {
  for (let t = 0; t < a.length; t++) {
    const difference = (a[t] ?? 0) - (b[t] ?? 0);
    if (Math.abs(difference) > SAME) return difference;
  }
  return 0;
}

/** Worth of a set of steps, given as a bit mask. */
export function worthOfSet(problem: PlanProblem, mask: number): Worth {
  const worth: [number, number, number] = [0, 0, 0];
  problem.steps.forEach((s, i) => {
    if (mask & (1 << i)) worth[TIERS.indexOf(s.tier)] = (worth[TIERS.indexOf(s.tier)] ?? 0) + s.worth;
  });
  return worth;
}

/** Branches that are looked at for one worth, and sets of one worth that are kept, at most. Our defaults: about a tenth of a second. */
const BRANCHES_AT_MOST = 1_000_000;
const SETS_AT_MOST = 5000;
const BRANCHES_PER_LOOK = 4096;

/**
 * Sets of steps that could be done within the limits, the most worth first; of equal worth the shortest first. What is checked here is
 * quick and never wrong about a set that can be done: the rules of what needs what, sums of minutes, the shortest ways between places,
 * and the rest that strain asks for. Whether an order exists is asked later.
 *
 * All sets of the next lower worth are found at once by branch and bound: steps are taken or left, the most worth for their minutes
 * first, and a branch ends when even all that is still open and fits by minutes would not reach the best found.
 */
export class SetsByWorth {
  /** It gave up somewhere: a set of more worth, or of the same, may be missing. */
  cut = false;
  private queue: number[] = [];
  private last: Worth | undefined;
  private readonly order: readonly number[];
  /** Whether the worths of a tier are whole numbers: then so is what can be had. */
  private readonly whole: readonly boolean[];

  /**
   * @param usable mask of the steps that may be in a set
   * @param required mask of those that must be
   * @param ended asked now and then; when it says so the rest is not looked at
   */
  constructor(
    private readonly problem: PlanProblem,
    private readonly precedence: Precedence,
    private readonly usable: number,
    private readonly required: number,
    private readonly ended: () => boolean = () => false,
  ) {
    this.order = problem.steps
      .map((s, i) => ({ i, tier: TIERS.indexOf(s.tier), worth: s.worth, minutes: s.minutes }))
      .sort((a, b) => a.tier - b.tier || b.worth / b.minutes - a.worth / a.minutes || a.i - b.i)
      .map((x) => x.i);
    this.whole = TIERS.map((tier) => problem.steps.every((s) => s.tier !== tier || Number.isInteger(s.worth)));
  }

  /** The next set, or `undefined` when there is none left. */
  next(): number | undefined {
    if (this.queue.length === 0) this.fill();
    return this.queue.shift();
  }

  /** Sets of the same worth as the last one that are still to come. */
  get alike(): number {
    return this.queue.length;
  }

  /** All sets of the best worth below the last one. */
  private fill(): void {
    const { problem } = this;
    const steps = problem.steps;
    const last = this.last;
    let best: Worth | undefined;
    let found: { mask: number; minutes: number }[] = [];
    let branches = 0;
    const visit = (at: number, mask: number, minutes: number, standing: number, worth: Worth): void => {
      if (this.cut) return;
      if (++branches > BRANCHES_AT_MOST || found.length > SETS_AT_MOST || (branches % BRANCHES_PER_LOOK === 0 && this.ended())) {
        this.cut = true;
        return;
      }
      const index = this.order[at];
      if (index === undefined) {
        if ((mask & this.required) !== this.required || !this.couldBeDone(mask, minutes)) return;
        if (last && compareWorth(worth, last) >= 0) return;
        const better = best ? compareWorth(worth, best) : 1;
        if (better > 0) {
          best = worth;
          found = [];
        }
        if (better >= 0) found.push({ mask, minutes });
        return;
      }
      if (best && compareWorth(this.reach(at, minutes, standing, worth), best) < 0) return;
      const step = steps[index];
      if (!step) return;
      const longer = minutes + step.minutes;
      const stands = standing + (step.standing ? step.minutes : 0);
      if (this.usable & (1 << index) && longer <= this.limit() + EPS && stands <= problem.totalStandingMinutes + EPS) {
        const more: [number, number, number] = [worth[0], worth[1], worth[2]];
        const tier = TIERS.indexOf(step.tier);
        more[tier] = (more[tier] ?? 0) + step.worth;
        visit(at + 1, mask | (1 << index), longer, stands, more);
      }
      if (!(this.required & (1 << index))) visit(at + 1, mask, minutes, standing, worth);
    };
    visit(0, 0, 0, 0, [0, 0, 0]);
    this.last = best;
    this.queue = found.sort((a, b) => a.minutes - b.minutes || a.mask - b.mask).map((f) => f.mask);
  }

  private limit(): number {
    return Math.min(this.problem.sessionMinutes, this.problem.workMinutes);
  }

  /** Worth that can still be had: what is taken, and of the open steps what fits by minutes, the last one in part. */
  private reach(at: number, minutes: number, standing: number, worth: Worth): Worth {
    const { problem } = this;
    const most: [number, number, number] = [worth[0], worth[1], worth[2]];
    const left = [this.limit() - minutes, this.limit() - minutes, this.limit() - minutes];
    for (let i = at; i < this.order.length; i++) {
      const index = this.order[i] ?? 0;
      const step = problem.steps[index];
      if (!step || !(this.usable & (1 << index))) continue;
      if (step.standing && standing + step.minutes > problem.totalStandingMinutes + EPS) continue;
      const tier = TIERS.indexOf(step.tier);
      const room = left[tier] ?? 0;
      if (room <= 0) continue;
      const share = Math.min(1, (room + EPS) / step.minutes);
      most[tier] = (most[tier] ?? 0) + share * step.worth;
      left[tier] = room - step.minutes;
    }
    // The order goes by worth for minutes, so what fits in part is the most that fits.
    this.whole.forEach((whole, tier) => {
      if (whole) most[tier] = Math.floor((most[tier] ?? 0) + SAME);
    });
    return most;
  }

  private couldBeDone(mask: number, minutes: number): boolean {
    const { requires, mustFollow } = this.precedence;
    for (let i = 0; i < requires.length; i++) {
      if (!(mask & (1 << i))) continue;
      const need = (requires[i] ?? 0) | (mustFollow[i] ?? 0);
      if ((mask & need) !== need) return false;
    }
    return leastMinutes(this.problem, mask, minutes) <= this.problem.sessionMinutes + EPS;
  }
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

/**
 * Minutes that no order of a set can be below: the work, one way into each place, the breaks that standing asks for where no other work
 * lets the dog rest, and the time that strain needs to go. Strain obeys
 * dS/dt = r − kS, so `points + start − end = k·∫S dt`, and strain is never above the highest ceiling.
 */
function leastMinutes(problem: PlanProblem, mask: number, work: number): number {
  const steps = problem.steps.filter((_, i) => mask & (1 << i));
  let minutes = work;
  for (const post of POSTS) if (post !== problem.startPost && steps.some((s) => s.post === post)) minutes += LEAST_ENTRY_MINUTES[post];
  const standing = steps.reduce((sum, s) => sum + (s.standing ? s.minutes : 0), 0);
  const stretches = Math.ceil(standing / problem.continuousStandingMinutes - EPS);
  const rests = steps.filter((s) => !s.standing).length;
  if (Number.isFinite(stretches)) minutes += Math.max(0, stretches - 1 - rests) * BREAK_STEP_MINUTES;
  const ceiling = steps.reduce((top, s) => Math.max(top, STRAIN_CEILING[s.tier]), WATCH_AT);
  const points = steps.reduce((sum, s) => sum + s.minutes * s.ratePerMinute, 0);
  const k = recoveryPerMinute(problem.halfLifeMinutes);
  return Math.max(
    minutes,
    (points + Math.min(problem.startStrain, ceiling) - Math.min(STOP_AT, ceiling)) / (k * Math.max(ceiling, problem.startStrain)),
  );
}
