export const SIGNAL_TIERS = ['says_nothing', 'good', 'early', 'rising', 'hard', 'body_alarm'] as const;

export type SignalTier = (typeof SIGNAL_TIERS)[number];

export const SIGNAL_IDS = [
  'wag',
  'lies_down',
  'soft_body',
  'takes_treat',
  'leans_in',
  'comes_back',
  'yawn',
  'blink',
  'lip_lick',
  'head_away',
  'ears_back',
  'paw_lifted',
  'shakes_off',
  'refuses_treat',
  'tail_tucked',
  'crouch',
  'trembling',
  'panting',
  'dribbling',
  'whale_eye',
  'pulls_away',
  'climbs',
  'whine',
  'yelp',
  'soiling',
  'freeze',
  'growl',
  'scream',
  'struggle',
  'snap',
  'bite',
  'gums_colour',
  'hard_breath',
  'collapse',
  'fit',
  'bloat_retch',
] as const;

export type SignalId = (typeof SIGNAL_IDS)[number];

/** Signs that come of other things as often as of strain: heat, cold, pain, sickness, soap, a wet coat. They are asked about. */
export const ASKED_SIGNALS = [
  'blink',
  'paw_lifted',
  'shakes_off',
  'trembling',
  'panting',
  'dribbling',
  'yelp',
  'scream',
] as const satisfies readonly SignalId[];
export type AskedSignal = (typeof ASKED_SIGNALS)[number];

/** Whether such a sign is asked about. */
export function isAskedSignal(signal: SignalId): signal is AskedSignal {
  return ASKED_SIGNALS.some((s) => s === signal);
}

/** What such a sign was of; not sure counts as strain for the pause, and teaches nothing. */
export const SIGN_CAUSES = ['strain', 'something_else', 'unsure'] as const;
export type SignCause = (typeof SIGN_CAUSES)[number];

export const STRAIN_BANDS = ['settled', 'watch', 'pause', 'stop'] as const;

/** settled < 25 ≤ watch < 50 ≤ pause < 75 ≤ stop. */
export type StrainBand = (typeof STRAIN_BANDS)[number];

export const CALM_STATES = ['relaxed', 'still', 'tired_out', 'shut_down'] as const;

/** Four states that look alike and are not. */
export type CalmState = (typeof CALM_STATES)[number];

export const TRIGGER_VERDICTS = ['place', 'tool', 'both', 'only_together', 'neither', 'not_enough'] as const;

/** What the dog minds: the place whatever the tool, the tool wherever it is, both, only the two together, neither, or not known yet. */
export type TriggerVerdict = (typeof TRIGGER_VERDICTS)[number];
