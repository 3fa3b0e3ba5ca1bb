import { type Condition, type Reason, reason, type ToldItem } from '../../words/index.js';
import { medicinesInWords, type ToldHours } from './told-hours.js';

export interface ToldAnswer {
  readonly verdict: 'go' | 'go_with_limits' | 'ask_vet' | 'not_today';
  readonly because: Reason;
}

/** Illness where a missed medicine is for the vet before any strain. */
const LIVES_BY_MEDICINE: readonly Condition[] = ['heart', 'fits', 'diabetes', 'addisons', 'airway'];

/** What one told item means for today. Common practice, no source. */
export function answerTold(item: ToldItem, conditions: readonly Condition[], hours?: ToldHours): ToldAnswer {
  const say = (verdict: ToldAnswer['verdict'], rule: Parameters<typeof reason>[0], weight: number): ToldAnswer => ({
    verdict,
    because: reason(rule, {}, weight),
  });
  switch (item) {
    case 'insulin_without_meal':
      return say('not_today', 'told_today.insulin_without_meal', 1);
    case 'insulin_due':
      return say('ask_vet', 'told_today.insulin_due', 0.9);
    case 'medicine_missed':
      return conditions.some((c) => LIVES_BY_MEDICINE.includes(c))
        ? say('ask_vet', 'told_today.medicine_missed_vet', 0.9)
        : say('go_with_limits', 'told_today.medicine_missed', 0.5);
    case 'just_fed':
      return say('go_with_limits', 'told_today.just_fed', 0.6);
    case 'new_medicine':
      return say('ask_vet', 'told_today.new_medicine', 0.7);
    case 'pain_relief_by_vet':
      return say('go_with_limits', 'told_today.pain_relief', 0.6);
    case 'calming_by_vet': {
      const given = medicinesInWords(hours);
      return given === undefined
        ? say('not_today', 'told_today.calming_unknown', 0.95)
        : { verdict: 'go_with_limits', because: reason('told_today.calming', { text: given }, 0.9) };
    }
    case 'spot_on_fresh':
      return say('go_with_limits', 'told_today.spot_on', 0.5);
    case 'vaccination_not_stated':
      return say('go_with_limits', 'told_today.vaccination', 0.5);
    case 'vaccination_incomplete':
      return say('go_with_limits', 'told_today.vaccination_incomplete', 0.6);
    case 'household_marks':
      return say('go_with_limits', 'told_today.household_marks', 0.7);
    case 'in_season':
      return say('go_with_limits', 'told_today.in_season', 0.4);
    case 'surgery_lately':
      return say('ask_vet', 'told_today.surgery', 0.9);
    case 'injection_lately':
      return say('go_with_limits', 'told_today.injection', 0.5);
    case 'sore_after_last':
      return say('go_with_limits', 'told_today.sore_after_last', 0.7);
    case 'not_let_out':
      return say('go_with_limits', 'told_today.not_let_out', 0.4);
  }
}
