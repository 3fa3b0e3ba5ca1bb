import { PROTECTIONS, type StoppedPlan } from '../plan/index.js';
import { SIGNALS } from '../strain/index.js';
import { activityOf } from '../words/index.js';
import { breaksOfStep } from './plan-record.js';
import type { VisitState } from './state.js';
import type { VisitSummary } from './summary.js';
import { workNow } from './work-clock.js';

/** The plan of a visit that was stopped, for the next one to be lighter than it. */
export function stoppedPlanOf(state: VisitState): StoppedPlan | undefined {
  const { plan, work, ended } = state;
  if (ended?.outcome !== 'stopped' || !plan || !work) return undefined;
  const known = plan.steps.every((s) => s.pieces.every((p) => p.painfulMinutes !== undefined));
  const painful = plan.steps.reduce((sum, s) => {
    const share = Math.min(1, (work.steps.get(s.id)?.seconds ?? 0) / 60 / Math.max(0.01, s.minutes));
    return sum + share * s.pieces.reduce((all, p) => all + (p.painfulMinutes ?? 0), 0);
  }, 0);
  return {
    on: state.day ?? '',
    minutes: workNow(state, work.clockMs)?.minute ?? 0,
    painfulMinutes: known ? Math.round(2 * painful) / 2 : undefined,
    protections: PROTECTIONS.filter((p) => plan.steps.some((s) => s.also.includes(p))),
    steps: plan.steps.map((s) => ({
      id: s.id,
      activity: activityOf(s.id),
      minutes: s.minutes,
      ratePerMinute: s.ratePerMinute,
      breaks: breaksOfStep(s).map(({ minutes, after }) => ({ minutes, after })),
    })),
  };
}

/** Whether a good sign was seen in a visit. */
export const sawGoodSign = (state: VisitState): boolean =>
  state.work?.strain.some((e) => e.kind === 'signal' && SIGNALS[e.signal].tier === 'good') ?? false;

/** Visits after a stop that are planned lighter, at least, and visits with good signs that end it. Our defaults. */
const LIGHTER_VISITS = 2;
const GOOD_VISITS = 2;

/**
 * The latest visit that was stopped for the dog's sake, while the plans after it are lighter: for two visits, and until two have gone by with
 * good signs. Visits of earlier versions, which did not keep their signs, count as good when they were finished.
 * @param summaries past visits, the latest first
 */
export function afterStopOf(summaries: readonly VisitSummary[]): { afterStop: boolean; stopped?: StoppedPlan } {
  const ended = summaries.filter((s) => s.outcome === 'finished' || s.outcome === 'stopped');
  const at = ended.findIndex((s) => s.outcome === 'stopped');
  if (at < 0) return { afterStop: false };
  const good = ended.slice(0, at).filter((s) => s.goodSign ?? true).length;
  if (at >= LIGHTER_VISITS && good >= GOOD_VISITS) return { afterStop: false };
  const stopped = ended[at]?.stopped;
  return { afterStop: true, ...(stopped ? { stopped } : {}) };
}
