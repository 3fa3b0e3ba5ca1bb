import type { PlanInput } from '../plan/index.js';
import { type PlanContext, planInputOf, USUAL_ROOM_CELSIUS, type VisitState } from '../visit/index.js';

/**
 * What the planner reads of a visit that is still to come: as it would be with a dog that is well today. What is asked at the door may change it; until
 * then the day is planned with this.
 */
export function expectedInput(state: VisitState, context: PlanContext): PlanInput | undefined {
  const fit = state.fit ?? { signs: [], vetAgreed: false, told: [], roomCelsius: USUAL_ROOM_CELSIUS };
  return planInputOf({ ...state, fit }, context);
}
