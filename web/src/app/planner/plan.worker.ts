/// <reference lib="webworker" />
import {
  compareWith,
  inputFor,
  isWorthOffering,
  makePlan,
  type Odds,
  oddsOf,
  type PlanInput,
  planVisit,
  type VisitPlan,
  waysWorthTrying,
  whatIfEverywhere,
} from '@mansuet/core/plan';
import type { AskedOfWorker, NamedOdds, PlanAnswers, PlanQuestion, Planned, PlannedWay, ToldByWorker } from './plan-talk';

const KEPT = 12;
/** A way beside the one in hand is planned in less time: there are several, and they are compared, not taken yet. */
const WAY_LIMIT_MS = 700;
const clock = (): number => performance.now();
const kept = new Map<string, VisitPlan>();
const tell = (message: ToldByWorker): void => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<AskedOfWorker>) => {
  try {
    tell({ id: data.id, kind: 'done', answer: answer(data.id, data.question) });
  } catch (error: unknown) {
    tell({ id: data.id, kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});

function answer(id: number, q: PlanQuestion): PlanAnswers[PlanQuestion['kind']] {
  if (q.kind === 'plan') return plan(id, q.input);
  if (q.kind === 'odds') return odds(q.input);
  if (q.kind === 'ways') return ways(q.input, q.atMost);
  const visit = visitOf(q.input);
  return visit ? whatIfEverywhere(visit.problem, visit.solution.chosen, visit.built, q.step) : [];
}

function plan(id: number, input: PlanInput): Planned {
  const from = clock();
  const visit = planVisit(input, { clock }, (found) =>
    tell({ id, kind: 'found', planned: { plan: found, order: [], ms: clock() - from, searching: true } }),
  );
  keep(input, visit);
  return {
    plan: visit?.plan ?? makePlan(input),
    order: visit?.problem.order ?? [],
    ms: clock() - from,
    searching: false,
  };
}

function visitOf(input: PlanInput, limitMs?: number): VisitPlan | undefined {
  const known = kept.get(JSON.stringify(input));
  if (known) return known;
  const visit = planVisit(input, limitMs === undefined ? { clock } : { clock, limitMs });
  keep(input, visit);
  return visit;
}
function keep(input: PlanInput, visit: VisitPlan | undefined): void {
  if (!visit) return;
  kept.set(JSON.stringify(input), visit);
  const oldest = kept.keys().next();
  if (kept.size > KEPT && !oldest.done) kept.delete(oldest.value);
}

function drawn(visit: VisitPlan): Odds {
  return oddsOf({
    problem: visit.problem,
    chosen: visit.solution.chosen,
    spreads: visit.built.map((s) => ({ rateShape: s.rate.shape, minutesSpread: s.minutesSpread, work: s.activity })),
    halfLife: { middle: visit.plan.halfLifeLikely, range: visit.plan.halfLifeRange },
  });
}

function odds(input: PlanInput): NamedOdds | undefined {
  const from = clock();
  const visit = visitOf(input);
  if (!visit || visit.solution.chosen.length === 0) return undefined;
  const found = drawn(visit);
  return {
    odds: found,
    drivers: found.drivers.map(({ cause, share }) => ({
      step: cause.kind === 'day' ? undefined : visit.built[cause.step]?.name,
      share,
    })),
    ms: clock() - from,
  };
}

function ways(input: PlanInput, atMost: number): PlannedWay[] {
  const base = visitOf(input);
  if (!base) return [];
  const out: PlannedWay[] = [];
  for (const way of waysWorthTrying(input, base.plan)) {
    if (out.length >= atMost) break;
    const visit = visitOf(inputFor(way, input), WAY_LIMIT_MS);
    if (!visit || visit.solution.chosen.length === 0) continue;
    const like = [base.plan, ...out.map((o) => o.plan)];
    // Each must differ from the plan in hand and from those shown beside it.
    if (!like.every((p) => isWorthOffering(compareWith(p, visit.plan)))) continue;
    out.push({ way, plan: visit.plan, odds: drawn(visit) });
  }
  return out;
}
