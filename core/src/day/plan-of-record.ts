import type { PlanRecord } from '../log/index.js';
import type { VisitState } from '../visit/index.js';
import { activityOf } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { PlanOfDay } from './blocks-of-plan.js';

/** Both ends of a 90 % interval lie so many standard deviations from the middle. */
const Z90 = 1.645;

/** A plan that was taken to the table, as the salon's day reads it: what is over is left out, and of what was begun what is left. */
export function planOfRecord(record: PlanRecord, work: VisitState['work']): PlanOfDay {
  const steps = record.steps.flatMap((s) => {
    const progress = work?.steps.get(s.id);
    if (progress && progress.status !== 'running') return [];
    const minutes = Math.max(progress ? 1 : 0.5, s.minutes - (progress?.seconds ?? 0) / 60);
    const [low, high] = s.minutesRange;
    const activity = activityOf(s.id);
    return [
      {
        activity,
        post: s.posture === 'lap' ? ('lap' as const) : ACTIVITY_FACTS[activity].post,
        minutes,
        minutesSpread: low > 0 && high > low ? Math.log(high / low) / (2 * Z90) : 0,
        from: s.from,
        to: s.to,
        hold: { hold: s.hold, also: s.also },
        dryer: undefined,
        // Which of its breaks were had is not told apart: those of a step that runs are taken as had.
        breaks: progress ? [] : s.breakMinutes.map((m, i) => ({ minutes: m, after: s.breakAfter?.[i] ?? 0 })),
      },
    ];
  });
  return { steps, curve: record.curve };
}
