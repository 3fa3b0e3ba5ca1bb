import type { FitSign, FitVerdict, HeatFactor, ToldItem } from '../../../words/index.js';
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
  retching: 'retching',
  wobbly: 'wobbly on its legs',
  faint: 'faint or weak',
};

export const FIT_VERDICT_LABELS: Readonly<Record<FitVerdict, string>> = {
  go: 'Go',
  go_with_limits: 'Go, with limits',
  ask_vet: 'Ask the vet first',
  not_today: 'Not today',
};

export const TOLD_LABELS: Readonly<Record<ToldItem, string>> = {
  insulin_without_meal: 'insulin given, meal not eaten',
  insulin_due: 'insulin or its meal is due during the visit',
  medicine_missed: 'a daily medicine was missed',
  just_fed: 'fed within the last hour',
  new_medicine: 'a new medicine this week',
  pain_relief_by_vet: 'pain relief for today, from the vet',
  calming_by_vet: 'something calming for today, from the vet',
  spot_on_fresh: 'a spot-on put on within two days',
  vaccination_not_stated: 'vaccination not stated',
  vaccination_incomplete: 'vaccination not complete',
  household_marks: 'marks on the skin of people at home',
  in_season: 'in season',
  surgery_lately: 'surgery in the last weeks',
  injection_lately: 'an injection in the last days',
  sore_after_last: 'sore or upset in the days after the last visit',
  not_let_out: 'not let out before',
};

export const HEAT_FACTOR_LABELS: Readonly<Record<HeatFactor, string>> = {
  short_nose: 'short-nosed',
  heart: 'heart-sick',
  airway: 'airway disease',
  heavy: 'heavy',
  old: 'old',
  thick_coat: 'thick-coated',
  pelted: 'pelted',
  warm_dryer: 'a warm dryer',
};
