import { findingIn } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import type { BladeChoice } from '../knowledge/blades/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { lookedEffects, lookedMinutesFactor } from '../knowledge/fit/index.js';
import type { FloorStep } from '../knowledge/floors/index.js';
import { adviseLoop, chooseHold, gapsWithoutHold, type GapWithoutHold, type HoldChoice } from '../knowledge/holds/index.js';
import type { DryerChoice } from '../knowledge/tools/index.js';
import {
  type Activity,
  type HoldId,
  type Post,
  type Reach,
  type Reason,
  reason,
  type StepName,
  type Tier,
  type ZoneId,
} from '../words/index.js';
import { ACTIVITY_FACTS, cautionsFor, clipsFirst, clipsInTwo, isMatWork, sizeFactor } from '../work/index.js';
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
  /** What it is called. */
  readonly name: StepName;
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
  readonly name?: StepName;
}

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
  const withStops = learned.minutes + (facts.bladed ? BLADE_STOP_MINUTES * bladeStopsIn(learned.minutes) : 0);
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
    name: extra.name ?? activity,
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
    blade: facts.bladed ? hardestBlade(zones, activity, input, kinds, isClean(activity, input, kinds)) : undefined,
    dryer: manner.dryer,
    gaps: facts.bladed && facts.post === 'table' && !lies ? gapsWithoutHold(zones, loop.loop) : [],
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
  if (refused) return { ...chosen, reasons: [refused.because, reason('wish.hold_refused', { hold: wanted }, 1), ...chosen.reasons] };
  const instead = reason('wish.hold', { hold: wanted, instead_hold: chosen.hold }, 0.9);
  return { ...chosen, hold: wanted, also: chosen.also.filter((h) => h !== wanted), reasons: [instead, ...chosen.reasons] };
}

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

/** A step as the floors see it. */
export function floorStepOf(step: BuiltStep): FloorStep {
  const { tool, post } = ACTIVITY_FACTS[step.activity];
  return { activity: step.activity, name: step.name, zones: step.zones, tool, workPost: post, hold: step.hold };
}
