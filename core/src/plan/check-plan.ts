import type { DrawnVisit } from './draw-visit.js';
import type { VisitPlan } from './handling-plan.js';
import { type PlanOptions, planVisit } from './make-plan.js';
import type { Odds } from './odds.js';
import { oddsOfPlan } from './odds-of-plan.js';
import type { PlanInput } from './plan-input.js';
import type { ChanceLimits } from './give-up-work.js';

/** A plan whose chances were drawn. */
export interface CheckedPlan {
  readonly visit: VisitPlan;
  /** Of that plan; `undefined` for a plan without steps. */
  readonly odds: Odds | undefined;
  /** Plans that were drawn, the last one included. */
  readonly checks: number;
}

/** Plans that are drawn, at most. Our default. */
const CHECKS_AT_MOST = 4;
/** A plan that failed is followed by one that is planned for this share of what it missed the limits by. Our default. */
const TIGHTER = 0.85;

/** Whether odds keep limits. */
export const keepsLimits = (odds: Pick<Odds, 'stop' | 'bite'>, limits: ChanceLimits): boolean =>
  odds.stop.chance <= limits.stop && odds.bite.chance <= limits.bite;

/**
 * Draws the chances of a plan that was found by reckoning, and plans anew with tighter limits where they do not hold, until they do. Where
 * reckoning left work out, a plan with more of it is drawn first: reckoning is careful, and what the drawn visits allow is not left. A plan
 * that takes the risk by hand, or has to, is drawn and left as it is; one that never keeps the limits says so.
 * @param visit the plan of this input
 */
export function checkPlan(input: PlanInput, visit: VisitPlan, options: PlanOptions = {}): CheckedPlan {
  const better = isHeldBack(visit) ? withLessHeldBack(input, visit, options) : { checks: 0, found: undefined };
  if (better.found) return { ...better.found, checks: better.checks };
  let [at, tighter] = [visit, 1];
  let failed = 0;
  for (let drawn = 1; ; drawn++) {
    const checks = better.checks + drawn;
    const { state, ...limits } = at.plan.chance;
    if (at.solution.chosen.length === 0) return { visit: at, odds: undefined, checks };
    const odds = drawLimited(at, state === 'kept' && drawn < CHECKS_AT_MOST);
    if (state !== 'kept') return { visit: at, odds, checks };
    if (keepsLimits(odds, limits)) {
      // Far below the limits, after a plan that failed: something between the two may do more, or ask for less rest.
      const between =
        failed > 0 && shareOf(odds, limits) < FAR_BELOW
          ? planVisit(input, { ...options, tighter: Math.sqrt(failed * tighter) })
          : undefined;
      if (!between || between.plan.chance.state !== 'kept' || !isBetter(between, at)) return { visit: at, odds, checks };
      const also = drawLimited(between, true);
      return keepsLimits(also, limits) ? { visit: between, odds: also, checks: checks + 1 } : { visit: at, odds, checks: checks + 1 };
    }
    if (drawn === CHECKS_AT_MOST) return { visit: notKept(at), odds, checks };
    failed = tighter;
    tighter *= TIGHTER * Math.min(1, limits.stop / odds.stop.chance, limits.bite / odds.bite.chance);
    at = planVisit(input, { ...options, tighter }) ?? at;
  }
}

/** Share of the limits below which a plan that was made tighter is held against one between. Our default. */
const FAR_BELOW = 0.6;
const shareOf = (odds: Odds, limits: ChanceLimits): number => Math.max(odds.stop.chance / limits.stop, odds.bite.chance / limits.bite);

/** Multiples of the limits by which is reckoned once more, the highest first: what is drawn is seldom below half of what is reckoned. Our defaults. */
const LOOSER = [2, 1.4] as const;
/** Minutes that a plan must save to be worth another look, beside the same work. Our default. */
const WORTH_A_LOOK = 10;

/** Whether the limits of chance made something of a plan: work that was left, or longer rests. */
const isHeldBack = ({ plan }: VisitPlan): boolean =>
  plan.chance.leftOut.length > 0 || plan.reasons.some((r) => r.rule === 'plan.chance_kept');

/** Less is left to keep the limits; or as much, in clearly less time. */
function isBetter(a: VisitPlan, b: VisitPlan): boolean {
  const [left, than] = [a.plan.chance.leftOut.length, b.plan.chance.leftOut.length];
  return left < than || (left === than && a.plan.minutes <= b.plan.minutes - WORTH_A_LOOK);
}

/** The first plan of more work, or of less rest, than the one in hand whose drawn visits keep the limits. */
function withLessHeldBack(
  input: PlanInput,
  visit: VisitPlan,
  options: PlanOptions,
): { readonly checks: number; readonly found: Omit<CheckedPlan, 'checks'> | undefined } {
  let checks = 0;
  let tried: VisitPlan | undefined;
  for (const tighter of LOOSER) {
    const more = planVisit(input, { ...options, tighter });
    if (!more || more.plan.chance.state !== 'kept' || more.solution.chosen.length === 0) continue;
    if (!isBetter(more, visit) || sameSteps(more, tried)) continue;
    checks++;
    tried = more;
    const odds = drawLimited(more, true);
    if (keepsLimits(odds, more.plan.chance)) return { checks, found: { visit: more, odds } };
  }
  return { checks, found: undefined };
}

const sameSteps = (a: VisitPlan, b: VisitPlan | undefined): boolean =>
  JSON.stringify(a.solution.chosen) === JSON.stringify(b?.solution.chosen);

/** @param stops whether it ends as soon as the limits are surely passed */
function drawLimited(visit: VisitPlan, stops: boolean): Odds {
  return oddsOfPlan(visit, stops ? { enough: (drawn) => fails(drawn, visit.plan.chance) } : {});
}

/** Whether a plan fails for all that the rest of the visits could say: no need to draw them. */
function fails(drawn: readonly DrawnVisit[], limits: ChanceLimits): boolean {
  const over = (is: (v: DrawnVisit) => boolean, limit: number): boolean => {
    const came = drawn.filter(is).length / drawn.length;
    return came > limit + SURELY * Math.sqrt((came * (1 - came)) / drawn.length);
  };
  return over((v) => v.stopped, limits.stop) || over((v) => v.snapped, limits.bite);
}
/** Standard errors above a limit from which it is not drawn to the end. Our default. */
const SURELY = 2.5;

function notKept(visit: VisitPlan): VisitPlan {
  return { ...visit, plan: { ...visit.plan, chance: { ...visit.plan.chance, state: 'over' } } };
}
