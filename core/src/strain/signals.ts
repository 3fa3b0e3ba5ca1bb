import type { SignalId, SignalTier, StrainBand } from '../words/index.js';

export interface SignalFacts {
  readonly label: string;
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
  wag: { label: 'wags', tier: 'says_nothing', points: 0 },
  lies_down: { label: 'lies down or sleeps', tier: 'says_nothing', points: 0 },
  soft_body: { label: 'soft body, loose face', tier: 'good', points: -8 },
  takes_treat: { label: 'takes a treat', tier: 'good', points: -6 },
  leans_in: { label: 'leans in', tier: 'good', points: -8 },
  comes_back: { label: 'shakes off and comes back', tier: 'good', points: -6 },
  yawn: { label: 'yawn', tier: 'early', points: 4, rung: 1 },
  blink: { label: 'blinks', tier: 'early', points: 4, rung: 1 },
  lip_lick: { label: 'licks lips or nose', tier: 'early', points: 4, rung: 1 },
  head_away: { label: 'turns head away', tier: 'early', points: 5, rung: 2 },
  paw_lifted: { label: 'lifts a paw', tier: 'early', points: 5, rung: 3 },
  ears_back: { label: 'ears back', tier: 'early', points: 6, rung: 5 },
  shakes_off: { label: 'shakes itself off', tier: 'early', points: 5 },
  refuses_treat: { label: 'stops taking treats', tier: 'early', points: 7 },
  pulls_away: { label: 'pulls away', tier: 'rising', points: 9, rung: 4 },
  tail_tucked: { label: 'tail tucked', tier: 'rising', points: 10, rung: 6 },
  crouch: { label: 'crouches', tier: 'rising', points: 10, rung: 6 },
  trembling: { label: 'trembles', tier: 'rising', points: 11 },
  panting: { label: 'pants', tier: 'rising', points: 9 },
  dribbling: { label: 'dribbles', tier: 'rising', points: 9 },
  whale_eye: { label: 'whale eye', tier: 'rising', points: 12 },
  climbs: { label: 'climbs onto you', tier: 'rising', points: 10 },
  whine: { label: 'whines', tier: 'rising', points: 9 },
  yelp: { label: 'yelps', tier: 'rising', points: 14 },
  soiling: { label: 'soils', tier: 'rising', points: 14 },
  freeze: { label: 'freezes and stares', tier: 'hard', points: 18, sets: ['pause', 'stop'], rung: 8 },
  growl: { label: 'growls', tier: 'hard', points: 20, sets: ['pause', 'stop'], rung: 9 },
  scream: { label: 'screams', tier: 'hard', points: 25, sets: ['pause', 'stop'] },
  struggle: { label: 'struggles', tier: 'hard', points: 20, sets: ['pause', 'stop'] },
  snap: { label: 'snaps', tier: 'hard', points: 30, sets: ['stop', 'stop'], rung: 10 },
  bite: { label: 'bites', tier: 'hard', points: 40, sets: ['stop', 'stop'], rung: 11 },
  gums_colour: { label: 'gums blue, grey, white or brick red', tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  hard_breath: { label: 'noisy or laboured breath', tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  collapse: { label: 'collapses', tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  fit: { label: 'has a fit', tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
  bloat_retch: { label: 'retches, belly swollen', tier: 'body_alarm', points: 40, sets: ['stop', 'stop'] },
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
