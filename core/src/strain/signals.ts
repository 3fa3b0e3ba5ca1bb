import type { SignalId, SignalTier, StrainBand } from '../words/index.js';

export interface SignalFacts {
  readonly tier: SignalTier;
  /** Points added to measured strain (negative: taken off). Our default, ordered as the ladder of aggression orders them. */
  readonly points: number;
  /** Bands that a hard sign sets by itself, the first and the second time. */
  readonly sets?: readonly [StrainBand, StrainBand];
  /** Rung of the canine ladder of aggression (K. Shepherd, BSAVA Manual of Canine and Feline Behavioural Medicine, 2nd ed. 2009), from memory. */
  readonly rung?: number;
}

export const SIGNALS: Readonly<Record<SignalId, SignalFacts>> = {
  // Friendly or calm to look at, and no measure of strain: they add nothing, lower nothing and unlock nothing.
  wag: { tier: 'says_nothing', points: 0 },
  lies_down: { tier: 'says_nothing', points: 0 },
  soft_body: { tier: 'good', points: -8 },
  takes_treat: { tier: 'good', points: -6 },
  leans_in: { tier: 'good', points: -8 },
  comes_back: { tier: 'good', points: -6 },
  yawn: { tier: 'early', points: 4, rung: 1 },
  blink: { tier: 'early', points: 4, rung: 1 },
  lip_lick: { tier: 'early', points: 4, rung: 1 },
  head_away: { tier: 'early', points: 5, rung: 2 },
  paw_lifted: { tier: 'early', points: 5, rung: 3 },
  ears_back: { tier: 'early', points: 6, rung: 5 },
  shakes_off: { tier: 'early', points: 5 },
  refuses_treat: { tier: 'early', points: 7 },
  pulls_away: { tier: 'rising', points: 9, rung: 4 },
  tail_tucked: { tier: 'rising', points: 10, rung: 6 },
  crouch: { tier: 'rising', points: 10, rung: 6 },
  trembling: { tier: 'rising', points: 11 },
  panting: { tier: 'rising', points: 9 },
  dribbling: { tier: 'rising', points: 9 },
  whale_eye: { tier: 'rising', points: 12 },
  climbs: { tier: 'rising', points: 10 },
  whine: { tier: 'rising', points: 9 },
  yelp: { tier: 'rising', points: 14 },
  soiling: { tier: 'rising', points: 14 },
  freeze: { tier: 'hard', points: 18, sets: ['pause', 'stop'], rung: 8 },
  growl: { tier: 'hard', points: 20, sets: ['pause', 'stop'], rung: 9 },
  scream: { tier: 'hard', points: 25, sets: ['pause', 'stop'] },
  struggle: { tier: 'hard', points: 20, sets: ['pause', 'stop'] },
  snap: { tier: 'hard', points: 30, sets: ['stop', 'stop'], rung: 10 },
  bite: { tier: 'hard', points: 40, sets: ['stop', 'stop'], rung: 11 },
  gums_colour: { tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  hard_breath: { tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  collapse: { tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  fit: { tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  bloat_retch: { tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
};

/** The eight buttons on the signal pad; the rest is one step behind. */
export const PAD_SIGNALS: readonly SignalId[] = [
  'soft_body',
  'lip_lick',
  'head_away',
  'pulls_away',
  'panting',
  'struggle',
  'growl',
  'snap',
];
