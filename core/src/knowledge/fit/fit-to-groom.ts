import type { FoundAt, Looked } from '../../findings/index.js';
import { byWeight, FIT_VERDICTS, type FitSign, type FitVerdict, type Reason, reason, type ToldItem } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';
import { type Contagion, contagion } from './contagion.js';
import { type HeatLoad, heatLoad } from './heat-load.js';
import { lookedEffects, lookedFacts } from './looked-effects.js';
import { answerTold } from './medicines.js';
import { hoursMissing, type ToldHours, toldWithHours } from './told-hours.js';

export interface FitResult {
  readonly verdict: FitVerdict;
  /** Vet at once: a body alarm. */
  readonly vetNow: boolean;
  /** Heat that this dog carries, and its limit for the room. */
  readonly heat: HeatLoad;
  /** Its place in the day, and the time between it and the next. */
  readonly contagion: Contagion;
  readonly reasons: readonly Reason[];
}

const VET_NOW: readonly FitSign[] = [
  'collapse',
  'fit_today',
  'laboured_breath',
  'swollen_belly',
  'gums_colour',
  'maggots',
  'retching',
  'wobbly',
  'faint',
];
const NOT_TODAY: readonly FitSign[] = [
  'fever_or_vomiting',
  'diarrhoea',
  'cough',
  'open_wound',
  'sudden_lameness',
  'surgery_wound',
  'sedative_given',
];
const ASK_VET: readonly FitSign[] = ['strangled_limb', 'painful_mouth'];
const ASK_VET_CONDITIONS: readonly DogFacts['conditions'][number][] = [
  'heart',
  'airway',
  'fits',
  'diabetes',
  'addisons',
  'cushings',
  'blood_thinner',
  'steroids',
  'pregnant',
  'ear_trouble',
  'bad_teeth',
  'breath_head_up',
];
const LIMITING_CONDITIONS: readonly DogFacts['conditions'][number][] = [
  'blind',
  'deaf',
  'incontinent',
  'sore_back',
  'skin_allergy',
  'arthritis',
];

export interface FitQuestion {
  readonly dog: Pick<DogFacts, 'born' | 'weightKg' | 'nose' | 'build' | 'coat' | 'conditions'>;
  readonly signs: readonly FitSign[];
  /** The vet has agreed to grooming with the conditions told; then they limit, and no longer hold the visit up. */
  readonly vetAgreed: boolean;
  /** Meals and medicines, as the owner tells them today. */
  readonly told: readonly ToldItem[];
  /** Eyes, ears, mouth …: what was seen on the table. */
  readonly looked?: Looked | undefined;
  /** Where a grass seed or a tick is. */
  readonly foundAt?: FoundAt | undefined;
  /** Hours of the last meal and of today's medicines, as the owner tells them. */
  readonly hours?: ToldHours | undefined;
  /** Sores were felt somewhere. */
  readonly sores?: boolean;
  /** The coat is one sheet somewhere. */
  readonly pelted: boolean;
  /** Contact time of the salon's disinfectant, minutes. */
  readonly contactMinutes: number;
  /** Room, °C. */
  readonly roomCelsius: number;
  /** ISO date. */
  readonly today: string;
}

/**
 * Fit to groom today? The most careful finding decides. Common practice, no source; a vet's word comes before ours, except
 * that a body alarm is for a vet now whatever was agreed.
 */
export function fitToGroom(q: FitQuestion): FitResult {
  let verdict: FitVerdict = 'go';
  const reasons: Reason[] = [];
  const raise = (to: FitVerdict, because: Reason): void => {
    if (FIT_VERDICTS.indexOf(to) > FIT_VERDICTS.indexOf(verdict)) verdict = to;
    reasons.push(because);
  };
  const alarms = q.signs.filter((s) => VET_NOW.includes(s));
  for (const sign of alarms) raise('not_today', reason('fit.vet_now', { sign }, 1));
  // Of what its own vet gave for the day the owner tells name and hour: that is answered below.
  const ownVets = (s: FitSign): boolean => s === 'sedative_given' && q.told.includes('calming_by_vet');
  for (const sign of q.signs.filter((s) => NOT_TODAY.includes(s) && !ownVets(s)))
    raise('not_today', reason('fit.not_today', { sign }, 0.95));
  for (const sign of q.signs.filter((s) => ASK_VET.includes(s))) raise('ask_vet', reason('fit.ask_vet_sign', { sign }, 0.9));
  const spread = contagion(q.signs, q.contactMinutes, { sores: q.sores === true, told: q.told });
  if (spread.place === 'last_of_day') for (const because of spread.reasons) raise('go_with_limits', because);
  else if (spread.place === 'not_today') for (const because of spread.reasons) raise('not_today', because);
  for (const item of toldWithHours(q.told, q.hours)) {
    const { verdict: to, because } = answerTold(item, q.dog.conditions, q.hours);
    // A vet who has agreed knows of the medicines; what makes today unsafe stays unsafe.
    raise(to === 'ask_vet' && q.vetAgreed ? 'go_with_limits' : to, because);
  }
  for (const because of hoursMissing(q.dog.conditions, q.hours)) raise('go_with_limits', because);
  for (const condition of q.dog.conditions) {
    if (ASK_VET_CONDITIONS.includes(condition))
      raise(
        q.vetAgreed ? 'go_with_limits' : 'ask_vet',
        !q.vetAgreed && condition === 'breath_head_up'
          ? reason('fit.breath_head_up', {}, 0.95)
          : reason(q.vetAgreed ? 'fit.vet_agreed' : 'fit.ask_vet_condition', { condition }, 0.8),
      );
    if (LIMITING_CONDITIONS.includes(condition)) raise('go_with_limits', reason(`fit.limit_${condition}` as LimitRule, {}, 0.6));
  }
  for (const effect of lookedEffects(q).filter((e) => e.vet)) raise('go_with_limits', reason('fit.looked', lookedFacts(effect), 0.7));
  // Who is heavy under the coat warms up like a heavy dog.
  const built = q.looked?.ribs === 'heavy' ? { ...q.dog, build: 'heavy' as const } : q.dog;
  const heat = heatLoad({ dog: built, pelted: q.pelted, warmDryer: false, roomCelsius: q.roomCelsius, today: q.today });
  if (heat.verdict !== 'go') for (const because of heat.reasons) raise(heat.verdict, because);
  if (reasons.length === 0) reasons.push(reason('fit.go', {}, 0.3));
  return { verdict, vetNow: alarms.length > 0, heat, contagion: spread, reasons: byWeight(reasons) };
}

type LimitRule =
  'fit.limit_blind' | 'fit.limit_deaf' | 'fit.limit_incontinent' | 'fit.limit_sore_back' | 'fit.limit_skin_allergy' | 'fit.limit_arthritis';
