import type { KindFound } from '../knowledge/dogs/index.js';
import type { HoldChoice } from '../knowledge/holds/index.js';
import { type HoldId, reason } from '../words/index.js';
import { type BuiltStep, roundHalf } from './group-steps.js';
import { bodily } from './make-piece.js';
import type { PlanInput } from './plan-input.js';
import { wishFor } from './wishes.js';

/** Steps with the minutes and holds that the groomer has fixed. */
export function fixedByHand(steps: readonly BuiltStep[], input: PlanInput, kinds: readonly KindFound[]): BuiltStep[] {
  return steps.map((s) => withHold(withMinutes(s, input), input, kinds));
}

function withMinutes(s: BuiltStep, input: PlanInput): BuiltStep {
  const fixed = wishFor(input.wishes, 'minutes', s.id);
  if (!fixed) return s;
  const minutes = roundHalf(fixed.minutes);
  const share = minutes / s.minutes;
  return {
    ...s,
    minutes,
    minutesRange: [roundHalf(s.minutesRange[0] * share), roundHalf(s.minutesRange[1] * share)],
    reasons: [reason('wish.minutes', { minutes: fixed.minutes, instead: s.minutes }, 0.9), ...s.reasons],
  };
}

function withHold(s: BuiltStep, input: PlanInput, kinds: readonly KindFound[]): BuiltStep {
  const wanted = wishFor(input.wishes, 'hold', s.id)?.hold;
  const hold = holdAsWished(s.hold, wanted);
  return hold === s.hold ? s : { ...s, hold, ...bodily(s.activity, s.zones, hold.hold, input, kinds) };
}

/** The hold that the groomer wants, unless it was refused for this dog: then the reason stays. */
function holdAsWished(chosen: HoldChoice, wanted: HoldId | undefined): HoldChoice {
  if (wanted === undefined || wanted === chosen.hold || chosen.forVet) return chosen;
  const refused = chosen.rejected.find((r) => r.hold === wanted);
  if (refused) return { ...chosen, reasons: [refused.because, reason('wish.hold_refused', { hold: wanted }, 1), ...chosen.reasons] };
  const instead = reason('wish.hold', { hold: wanted, instead_hold: chosen.hold }, 0.9);
  return { ...chosen, hold: wanted, also: chosen.also.filter((h) => h !== wanted), reasons: [instead, ...chosen.reasons] };
}
