import { findingIn } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import type { BladeChoice } from '../knowledge/blades/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { lookedEffects, lookedMinutesFactor } from '../knowledge/fit/index.js';
import { adviseLoop, chooseHold, gapsWithoutHold, type GapWithoutHold, type HoldChoice, HOLDS } from '../knowledge/holds/index.js';
import type { DryerChoice } from '../knowledge/tools/index.js';
import { type Reason, reason } from '../reasons/index.js';
import type { Activity, HoldId, Post, Reach, Tier, ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, cautionsFor, clipsFirst, clipsInTwo, sizeFactor } from '../work/index.js';
import { hardestBlade } from './blade-for-step.js';
import { BLADE_STOP_MINUTES, bladeStopsIn } from './blade-stops.js';
import { mannerOf } from './manner.js';
import { learnMinutes } from './minutes.js';
import type { PlanInput } from './plan-input.js';
import { type StepRate, stepRate } from './rates.js';
import { wishFor } from './wishes.js';

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
  /** Standard deviation of the logarithm of the minutes. */
  readonly minutesSpread: number;
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
  const planned =
    (extra.minutes ?? usual) *
    lookedMinutesFactor(input.feelOver.looked, activity) *
    (hasKind(kinds, 'puppy') ? 0.6 : 1) *
    (senior ? 1.1 : 1);
  const learned = learnMinutes(
    activity,
    planned,
    input.times ?? [],
    input.pace?.find((p) => p.activity === activity),
  );
  const fixed = wishFor(input.wishes, 'minutes', activity);
  const withStops = learned.minutes + (BLADED.includes(activity) ? BLADE_STOP_MINUTES * bladeStopsIn(learned.minutes) : 0);
  const minutes = roundHalf(fixed?.minutes ?? withStops);
  const reaches = isMatWork(activity) ? reachesOfMats(activity, zones) : facts.reaches;
  const chosen = chooseHold({
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
  const hold = withHoldWish(chosen, wishFor(input.wishes, 'hold', activity)?.hold);
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
    minutesRange: [roundHalf(minutes * (learned.range[0] / learned.minutes)), roundHalf(minutes * (learned.range[1] / learned.minutes))],
    minutesSpread: learned.spread,
    rate,
    hold,
    blade: BLADED.includes(activity) ? hardestBlade(zones, activity, input, kinds, isClean(activity, input, kinds)) : undefined,
    dryer: manner.dryer,
    gaps: BLADED.includes(activity) && facts.post === 'table' && !lies ? gapsWithoutHold(zones, loop.loop) : [],
    needsConsent: extra.needsConsent ?? false,
    cautions: cautionsFor({ activity, zones, feelOver: input.feelOver, dog: input.dog, kinds, loop: loop.loop }),
    reasons: [
      ...(fixed ? [reason('wish.minutes', { minutes: fixed.minutes, instead: roundHalf(learned.minutes) }, 0.9)] : []),
      ...(extra.reasons ?? []),
      ...looks.map((e) => e.because),
      ...manner.reasons,
      ...learned.reasons,
      ...rate.reasons,
    ],
  };
}

/** The hold that the groomer wants, unless it was refused for this dog: then the reason stays. */
function withHoldWish(chosen: HoldChoice, wanted: HoldId | undefined): HoldChoice {
  if (wanted === undefined || wanted === chosen.hold || chosen.forVet) return chosen;
  const refused = chosen.rejected.find((r) => r.hold === wanted);
  if (refused)
    return { ...chosen, reasons: [refused.because, reason('wish.hold_refused', { hold: HOLDS[wanted].label }, 1), ...chosen.reasons] };
  const instead = reason('wish.hold', { hold: HOLDS[wanted].label, instead: HOLDS[chosen.hold].label }, 0.9);
  return { ...chosen, hold: wanted, also: chosen.also.filter((h) => h !== wanted), reasons: [instead, ...chosen.reasons] };
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
