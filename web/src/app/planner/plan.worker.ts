/// <reference lib="webworker" />
import {
  type Beside,
  besideParts,
  checkPlan,
  compareWith,
  inputFor,
  isWorthOffering,
  makePlan,
  type Odds,
  type PlanInput,
  planVisit,
  type VisitPlan,
  waysWorthTrying,
  whatIfEverywhere,
} from '@mansuet/core/plan';
import type { AskedOfWorker, Checked, PlanAnswers, PlanQuestion, Planned, PlannedWay, ToldByWorker } from './plan-talk';

const KEPT = 12;
/** A way beside the one in hand is planned in less time: there are several, and they are compared, not taken yet. */
const WAY_LIMIT_MS = 700;
const clock = (): number => performance.now();
const kept = new Map<string, VisitPlan>();
/** Odds of plans that were checked. */
const drawn = new WeakMap<VisitPlan, Odds>();
const tell = (message: ToldByWorker): void => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<AskedOfWorker>) => {
  answer(data.id, data.question).then(
    (given) => tell({ id: data.id, kind: 'done', answer: given }),
    (error: unknown) => tell({ id: data.id, kind: 'failed', message: error instanceof Error ? error.message : String(error) }),
  );
});

/** Lets what was asked meanwhile be answered. */
const breath = (): Promise<void> => new Promise((go) => setTimeout(go));

async function answer(id: number, q: PlanQuestion): Promise<PlanAnswers[PlanQuestion['kind']]> {
  if (q.kind === 'plan') return plan(id, q.input);
  if (q.kind === 'check') return check(q.input);
  if (q.kind === 'beside') return beside(q.input);
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
  return planned(input, visit, from);
}
function planned(input: PlanInput, visit: VisitPlan | undefined, from: number): Planned {
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

/** Draws the chances of a plan; where they pass the house's limits, another one is planned and takes its place. */
function check(input: PlanInput): Checked {
  const from = clock();
  const first = visitOf(input);
  if (!first) return { planned: planned(input, first, from), odds: undefined };
  const { visit, odds } = checkPlan(input, first, { clock });
  if (visit !== first) keep(input, visit);
  if (odds) drawn.set(visit, odds);
  return {
    planned: planned(input, visit, from),
    odds: odds && {
      odds,
      drivers: odds.drivers.map(({ cause, share }) => ({
        step: cause.kind === 'day' ? undefined : visit.built[cause.step]?.name,
        share,
      })),
      ms: clock() - from,
    },
  };
}

/** What could be done instead of the plan in hand: it stands below it, so that what somebody asks by hand goes between its parts. */
async function beside(input: PlanInput): Promise<readonly Beside[]> {
  const visit = visitOf(input);
  if (!visit) return [];
  const out: Beside[] = [];
  for (const part of besideParts(input, { visit, odds: drawn.get(visit) }, { clock, limitMs: WAY_LIMIT_MS })) {
    await breath();
    out.push(...part());
  }
  return out;
}

function ways(input: PlanInput, atMost: number): PlannedWay[] {
  const base = visitOf(input);
  if (!base) return [];
  const out: PlannedWay[] = [];
  for (const way of waysWorthTrying(input, base.plan)) {
    if (out.length >= atMost) break;
    const asked = inputFor(way, input);
    const found = visitOf(asked, WAY_LIMIT_MS);
    if (!found || found.solution.chosen.length === 0) continue;
    const { visit, odds } = checkPlan(asked, found, { clock, limitMs: WAY_LIMIT_MS });
    if (!odds) continue;
    const like = [base.plan, ...out.map((o) => o.plan)];
    // Each must differ from the plan in hand and from those shown beside it.
    if (!like.every((p) => isWorthOffering(compareWith(p, visit.plan)))) continue;
    out.push({ way, plan: visit.plan, odds });
  }
  return out;
}
