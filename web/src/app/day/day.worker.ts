/// <reference lib="webworker" />
import { choiceOf, clashingLocks, drawDay, followDay, letWait, otherDays, overWaitsIn, planForDay, planLive } from '@mansuet/core/day';
import { planVisit } from '@mansuet/core/plan';
import type { AskedOfDayWorker, DayAnswers, DayQuestion, ToldByDayWorker } from './day-talk';

const clock = (): number => performance.now();
/** A visit to come is planned in less time than one at the table: its minutes and posts are read, no order is taken from it. */
const EXPECTED_LIMIT_MS = 150;
/** Days that chances are drawn from: their own error is then at most two in a hundred. */
const DRAWN_DAYS = 600;

addEventListener('message', ({ data }: MessageEvent<AskedOfDayWorker>) => {
  try {
    tell({ id: data.id, ok: true, answer: answer(data.question) });
  } catch (error) {
    tell({ id: data.id, ok: false, message: error instanceof Error ? error.message : String(error) });
  }
});
const tell = (message: ToldByDayWorker): void => postMessage(message);

function answer(q: DayQuestion): DayAnswers[DayQuestion['kind']] {
  if (q.kind === 'expected') {
    const visit = planVisit(q.input, { clock, limitMs: EXPECTED_LIMIT_MS });
    return visit && planForDay(visit.plan);
  }
  if (q.kind === 'plan') {
    const from = q.from && choiceOf(q.problem, q.from);
    const { plan, problem, overWaits } = planLive(q.problem, q.here, { clock, limitMs: q.limitMs, ...(from ? { from } : {}) }, q.mustWait);
    return { plan, overWaits, odds: drawDay(problem, plan.schedule, { days: DRAWN_DAYS }) };
  }
  if (q.kind === 'follow') {
    // What was taken goes on as it can: who is here waits, and that is said.
    const schedule = followDay(letWait(q.problem, q.here), q.schedule);
    return { schedule, overWaits: overWaitsIn(q.problem, schedule), odds: drawDay(q.problem, schedule, { days: DRAWN_DAYS }) };
  }
  if (q.kind === 'clashes') return clashingLocks(q.problem);
  return otherDays(q.problem, q.plan, q.bookedWith, { clock, limitMs: q.limitMs });
}
