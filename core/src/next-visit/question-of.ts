import { leftOver } from '../hand-back/index.js';
import type { MatSeason } from '../knowledge/coat/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import type { VisitState } from '../visit/index.js';
import { activityOf, type HouseRules } from '../words/index.js';
import type { NextVisitQuestion } from './next-visit.js';

/** When work was left and no plan says when, weeks. Our default. */
const LEFT_WEEKS = 2;

/** What the dates of the next visit are asked with, from the log of this one. */
export function nextVisitQuestion(
  state: VisitState,
  known: { readonly dog: DogFacts; readonly house: HouseRules; readonly season: MatSeason | undefined; readonly today: string },
): NextVisitQuestion {
  return {
    ...known,
    done: [...(state.work?.steps.values() ?? [])].filter((s) => s.status === 'done').map((s) => activityOf(s.step)),
    clipOff: state.plan?.steps.some((s) => s.name === 'clip_off_body') ?? false,
    leftWeeks: leftOver(state).length > 0 ? (state.plan?.secondVisitWeeks ?? LEFT_WEEKS) : undefined,
    stoppedEarly: state.ended?.outcome === 'stopped',
    newMarks: state.feelOver.marks.filter((m) => m.isNew).map((m) => m.zone),
    returnWeeks: state.asked.returnWeeks,
  };
}
