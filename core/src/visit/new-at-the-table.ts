import { findingIn } from '../findings/index.js';
import { answerResistance } from '../knowledge/blades/index.js';
import type { DogFacts, KindFound } from '../knowledge/dogs/index.js';
import { activityOf, byWeight, type Reason, reason, type StepId } from '../words/index.js';
import { cautionsFor } from '../work/index.js';
import { plannedStep } from './stands.js';
import type { VisitState } from './state.js';

/** Whose dog it is, for what was found of it. */
export interface DogAtTable {
  readonly dog: DogFacts;
  readonly kinds: readonly KindFound[];
  /** The groomer is trained with #30 and closer. */
  readonly trained: boolean;
}

/** From this grade on a mat is not combed through. */
const MAT_FROM = 2;

/**
 * What was found since the plan was taken that matters for a step: marks, mats, red skin, what is in eyes, ears and coat, and where a tool
 * stopped. The plan’s own cautions stand beside it.
 * @returns the weightiest first; empty for a step without a plan
 */
export function newAtTheTable(state: VisitState, step: StepId, of: DogAtTable): Reason[] {
  const planned = plannedStep(state, step);
  const { planFrom: then, feelOver: now } = state;
  if (!planned || !then) return [];
  const { zones } = planned;
  const stops = state.toolStops
    .filter((s) => zones.includes(s.zone))
    .flatMap(({ zone, cause }) =>
      answerResistance({ zone, cause, blade: planned.blade ?? '10', competence: of.trained ? 'close_work' : 'groomer' }).reasons.slice(
        0,
        1,
      ),
    );
  if (then === now) return byWeight(unlike(stops, []));
  const asked = { activity: activityOf(step), zones, dog: of.dog, told: state.fit?.told ?? [], kinds: of.kinds, loop: 'none' as const };
  const found = zones.flatMap((zone) => {
    const [before, since] = [findingIn(then, zone), findingIn(now, zone)];
    return [
      ...(since.matGrade >= MAT_FROM && since.matGrade > before.matGrade ? [reason('caution.mat_now', { zone }, 0.94)] : []),
      ...(since.skin === 'red' && before.skin === 'sound' ? [reason('caution.red_now', { zone }, 0.93)] : []),
    ];
  });
  return byWeight([
    ...unlike(cautionsFor({ ...asked, feelOver: now }), cautionsFor({ ...asked, feelOver: then })),
    ...found,
    ...unlike(stops, []),
  ]);
}

/** Those that say something else than all of some others, each once. */
function unlike(reasons: readonly Reason[], others: readonly Reason[]): Reason[] {
  const said = new Set(others.map(saying));
  return reasons.filter((r) => !said.has(saying(r)) && said.add(saying(r)));
}
const saying = (r: Reason): string => JSON.stringify([r.rule, r.facts]);
