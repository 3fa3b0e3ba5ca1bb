import { zoneFacts, type ZoneId } from '../anatomy/index.js';
import type { BladeChoice } from '../blades/index.js';
import { cautionsFor } from '../cautions/index.js';
import { findingIn, hasKind, type KindFound } from '../dogs/index.js';
import { lookedEffects, lookedMinutesFactor } from '../feel-over/index.js';
import { adviseLoop, chooseHold, gapsWithoutHold, type GapWithoutHold, type HoldChoice, type Reach } from '../holds/index.js';
import type { Reason } from '../reasons/index.js';
import type { DryerChoice } from '../tools/index.js';
import { ACTIVITY_FACTS, sizeFactor, type Activity } from './activities.js';
import { hardestBlade } from './blade-for-step.js';
import { mannerOf } from './manner.js';
import type { Post, Tier } from './model.js';
import { clipsFirst, clipsInTwo } from './order-rules.js';
import type { PlanInput } from './plan-input.js';
import { stepRate, type StepRate } from './rates.js';

/** A step ready to be ordered. */
export interface BuiltStep {
  readonly id: Activity;
  readonly activity: Activity;
  readonly label: string;
  readonly zones: readonly ZoneId[];
  readonly tier: Tier;
  readonly worth: number;
  readonly post: Post;
  readonly standing: boolean;
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  readonly rate: StepRate;
  readonly hold: HoldChoice;
  readonly blade: BladeChoice | undefined;
  readonly dryer: DryerChoice | undefined;
  /** Moments in which nothing holds the dog. */
  readonly gaps: readonly GapWithoutHold[];
  readonly needsConsent: boolean;
  readonly cautions: readonly Reason[];
  readonly reasons: readonly Reason[];
}

export interface StepExtra {
  readonly minutes?: number;
  readonly reasons?: readonly Reason[];
  readonly needsConsent?: boolean;
  readonly label?: string;
}

/** Work on the skin with a blade; the others use comb, shears, water or nail tools. */
const BLADED: readonly Activity[] = [
  'clip_tight_fragile',
  'clip_tight_head',
  'clip_tight_body',
  'prep_clip',
  'sanitary',
  'body_clip',
  'feet',
  'face',
];

/** One step with its minutes, rate, hold, blade, cautions and the reasons for each. */
export function makeStep(
  activity: Activity,
  zones: readonly ZoneId[],
  input: PlanInput,
  kinds: readonly KindFound[],
  extra: StepExtra,
): BuiltStep {
  const facts = ACTIVITY_FACTS[activity];
  const senior = hasKind(kinds, 'senior');
  const findings = zones.map((z) => findingIn(input.feelOver, z));
  const skin = findings.some((f) => f.skin === 'sore') ? 'sore' : findings.some((f) => f.skin === 'red') ? 'red' : 'sound';
  const zoneFactor = isMatWork(activity) ? Math.max(1, ...zones.map((z) => zoneFacts(z).strainFactor)) : 1;
  const manner = mannerOf(activity, input, kinds);
  const rate = stepRate(activity, input, kinds, (isMatWork(activity) ? 0.6 + 0.4 * zoneFactor : 1) * manner.rateFactor, skin);
  const usual = (facts.minutes - manner.minutesLess) * manner.minutesFactor * sizeFactor(input.dog.weightKg);
  const looks = lookedEffects(input.feelOver.looked).filter((e) => e.activities.includes(activity));
  const minutes = roundHalf(
    (extra.minutes ?? usual) *
      lookedMinutesFactor(input.feelOver.looked, activity) *
      (hasKind(kinds, 'puppy') ? 0.6 : 1) *
      (senior ? 1.1 : 1),
  );
  const reaches = isMatWork(activity) ? reachesOfMats(activity, zones) : facts.reaches;
  const hold = chooseHold({
    reaches,
    dog: input.dog,
    kinds,
    joints: input.feelOver.joints,
    favours: input.feelOver.favours,
    painful: rate.painful,
    triggered: rate.triggered,
    fighting: false,
    mayBeSick: input.told.includes('just_fed'),
    helperThere: input.helperThere,
    minutes,
    house: input.house,
  });
  const lies = hold.hold === 'lap_or_side' || hold.hold === 'under_arm';
  const restsWhileDrying = activity === 'dry' && (senior || hasKind(kinds, 'sore_joints') || hasKind(kinds, 'puppy'));
  const loop = adviseLoop({ dog: input.dog, kinds, fighting: false, house: input.house });
  return {
    id: activity,
    activity,
    label: extra.label ?? facts.label,
    zones,
    tier: facts.tier,
    worth: facts.worth,
    post: lies ? 'lap' : facts.post,
    standing: facts.standing && !lies && !restsWhileDrying,
    minutes,
    minutesRange: [roundHalf(minutes * 0.7), roundHalf(minutes * 1.5)],
    rate,
    hold,
    blade: BLADED.includes(activity) ? hardestBlade(zones, activity, input, kinds, isClean(activity, input, kinds)) : undefined,
    dryer: manner.dryer,
    gaps: BLADED.includes(activity) && facts.post === 'table' && !lies ? gapsWithoutHold(zones, loop.loop) : [],
    needsConsent: extra.needsConsent ?? false,
    cautions: cautionsFor({ activity, zones, feelOver: input.feelOver, dog: input.dog, kinds, loop: loop.loop }),
    reasons: [...(extra.reasons ?? []), ...looks.map((e) => e.because), ...manner.reasons, ...rate.reasons],
  };
}

export const isMatWork = (a: Activity): boolean =>
  a === 'brush_mats' || a === 'clip_tight_fragile' || a === 'clip_tight_head' || a === 'clip_tight_body';
const roundHalf = (x: number): number => Math.max(0.5, Math.round(x * 2) / 2);

/** Face and body are clipped washed, unless this dog is clipped before its bath; mats and trims before the bath meet a coat as it came. */
const isClean = (activity: Activity, input: PlanInput, kinds: readonly KindFound[]): boolean =>
  activity === 'face' || (activity === 'body_clip' && (!clipsFirst({ kinds, input }) || clipsInTwo({ kinds, input })));

/** Where the hands must go for mats: only the places that are matted. */
function reachesOfMats(activity: Activity, zones: readonly ZoneId[]): Reach[] {
  if (activity === 'clip_tight_head') return ['head'];
  if (activity !== 'clip_tight_fragile') return ['body'];
  const groups = new Set(zones.map((z) => zoneFacts(z).group));
  const armpit = zones.some((z) => z.startsWith('armpit'));
  const under = zones.some((z) => zoneFacts(z).group === 'underside' && !z.startsWith('armpit'));
  return [
    ...(armpit ? ['armpits' as const] : []),
    ...(under ? ['underside' as const] : []),
    ...(groups.has('rear') ? ['rear' as const] : []),
    ...(groups.has('feet') ? ['fore_feet' as const] : []),
  ];
}
