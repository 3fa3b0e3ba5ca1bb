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
  'retching',
  'wobbly',
  'faint',
] as const;

/** What is seen or told today, before anything is planned. */
export type FitSign = (typeof FIT_SIGNS)[number];

export const TOLD_ITEMS = [
  'insulin_without_meal',
  'insulin_due',
  'medicine_missed',
  'just_fed',
  'new_medicine',
  'pain_relief_by_vet',
  'calming_by_vet',
  'spot_on_fresh',
  'vaccination_not_stated',
  'vaccination_incomplete',
  'household_marks',
  'in_season',
  'surgery_lately',
  'injection_lately',
  'sore_after_last',
  'not_let_out',
] as const;

/** What the owner tells of meals and medicines today. We give no drug, no dose and no advice on either. */
export type ToldItem = (typeof TOLD_ITEMS)[number];

export const FIT_VERDICTS = ['go', 'go_with_limits', 'ask_vet', 'not_today'] as const;

export type FitVerdict = (typeof FIT_VERDICTS)[number];

/** What makes a dog bear heat badly. */
export const HEAT_FACTORS = ['short_nose', 'heart', 'airway', 'heavy', 'old', 'thick_coat', 'pelted', 'warm_dryer'] as const;
export type HeatFactor = (typeof HEAT_FACTORS)[number];
