import type { DogFacts } from '../dogs/index.js';
import { ageYears, expectedLifeYears } from '../dogs/index.js';
import { byWeight, reason, type Reason } from '../reasons/index.js';

export const FIT_SIGNS = [
  'collapse',
  'fit_today',
  'laboured_breath',
  'swollen_belly',
  'gums_colour',
  'fever_or_vomiting',
  'diarrhoea',
  'cough',
  'open_wound',
  'maggots',
  'sudden_lameness',
  'surgery_wound',
  'sedative_given',
  'fleas',
  'ringed_patches',
  'itchy_scabs',
  'strangled_limb',
  'painful_mouth',
] as const;
/** What is seen or told today, before anything is planned. */
export type FitSign = (typeof FIT_SIGNS)[number];

export const FIT_SIGN_LABELS: Readonly<Record<FitSign, string>> = {
  collapse: 'collapsed today',
  fit_today: 'fit today, or for the first time',
  laboured_breath: 'laboured or noisy breath',
  swollen_belly: 'swollen, hard belly',
  gums_colour: 'gums pale, blue or brick red',
  fever_or_vomiting: 'fever or vomiting',
  diarrhoea: 'diarrhoea',
  cough: 'cough',
  open_wound: 'open wound',
  maggots: 'maggots in a wound',
  sudden_lameness: 'sudden lameness or back pain',
  surgery_wound: 'wound from surgery',
  sedative_given: 'owner gave a sedative',
  fleas: 'fleas',
  ringed_patches: 'ringed bald patches',
  itchy_scabs: 'scabs that itch',
  strangled_limb: 'swollen limb or a mat that strangles one',
  painful_mouth: 'painful mouth',
};

export const FIT_VERDICTS = ['go', 'go_with_limits', 'ask_vet', 'not_today'] as const;
export type FitVerdict = (typeof FIT_VERDICTS)[number];
export const FIT_VERDICT_LABELS: Readonly<Record<FitVerdict, string>> = {
  go: 'Go',
  go_with_limits: 'Go, with limits',
  ask_vet: 'Ask the vet first',
  not_today: 'Not today',
};

export interface FitResult {
  readonly verdict: FitVerdict;
  /** Vet at once: a body alarm. */
  readonly vetNow: boolean;
  readonly reasons: readonly Reason[];
}

/** Room caution for dogs that bear heat badly, °C; and the limit for short noses. Our defaults. */
export const HEAT_CAUTION_CELSIUS = 22;
export const HEAT_NOT_TODAY_SHORT_NOSE_CELSIUS = 26;

const VET_NOW: readonly FitSign[] = ['collapse', 'fit_today', 'laboured_breath', 'swollen_belly', 'gums_colour', 'maggots'];
const NOT_TODAY: readonly FitSign[] = [
  'fever_or_vomiting',
  'diarrhoea',
  'cough',
  'open_wound',
  'sudden_lameness',
  'surgery_wound',
  'sedative_given',
];
const ASK_VET: readonly FitSign[] = ['strangled_limb', 'painful_mouth', 'ringed_patches'];
const LAST_PLACE: readonly FitSign[] = ['fleas', 'itchy_scabs', 'ringed_patches'];
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
  for (const sign of alarms) raise('not_today', reason('fit.vet_now', { sign: FIT_SIGN_LABELS[sign] }, 1));
  for (const sign of q.signs.filter((s) => NOT_TODAY.includes(s)))
    raise('not_today', reason('fit.not_today', { sign: FIT_SIGN_LABELS[sign] }, 0.95));
  for (const sign of q.signs.filter((s) => ASK_VET.includes(s)))
    raise('ask_vet', reason('fit.ask_vet_sign', { sign: FIT_SIGN_LABELS[sign] }, 0.9));
  for (const sign of q.signs.filter((s) => LAST_PLACE.includes(s)))
    raise('go_with_limits', reason('fit.last_of_day', { sign: FIT_SIGN_LABELS[sign] }, 0.7));
  for (const condition of q.dog.conditions) {
    const what = condition.replace('_', ' ');
    if (ASK_VET_CONDITIONS.includes(condition))
      raise(
        q.vetAgreed ? 'go_with_limits' : 'ask_vet',
        reason(q.vetAgreed ? 'fit.vet_agreed' : 'fit.ask_vet_condition', { condition: what }, 0.8),
      );
    if (LIMITING_CONDITIONS.includes(condition)) raise('go_with_limits', reason(`fit.limit_${condition}` as LimitRule, {}, 0.6));
  }
  for (const [to, because] of heat(q)) raise(to, because);
  if (reasons.length === 0) reasons.push(reason('fit.go', {}, 0.3));
  return { verdict, vetNow: alarms.length > 0, reasons: byWeight(reasons) };
}

type LimitRule =
  'fit.limit_blind' | 'fit.limit_deaf' | 'fit.limit_incontinent' | 'fit.limit_sore_back' | 'fit.limit_skin_allergy' | 'fit.limit_arthritis';

function heat(q: FitQuestion): [FitVerdict, Reason][] {
  const old = ageYears(q.dog.born, q.today) >= 0.75 * expectedLifeYears(q.dog.weightKg);
  const why = [
    q.dog.nose === 'short' ? 'short-nosed' : '',
    q.dog.build === 'heavy' ? 'heavy' : '',
    old ? 'old' : '',
    q.dog.coat === 'double' ? 'thick-coated' : '',
    q.dog.conditions.includes('heart') ? 'heart-sick' : '',
  ].filter((w) => w !== '');
  if (q.dog.nose === 'short' && q.roomCelsius > HEAT_NOT_TODAY_SHORT_NOSE_CELSIUS) {
    return [['not_today', reason('fit.heat_short_nose', { celsius: q.roomCelsius, limit: HEAT_NOT_TODAY_SHORT_NOSE_CELSIUS }, 1)]];
  }
  if (why.length > 0 && q.roomCelsius >= HEAT_CAUTION_CELSIUS) {
    return [['go_with_limits', reason('fit.heat_caution', { celsius: q.roomCelsius, why: why.join(', ') }, 0.7)]];
  }
  return [];
}
