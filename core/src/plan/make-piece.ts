import { findingIn } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { chooseBlade } from '../knowledge/blades/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { isAbout, lookedEffects, lookedMinutesFactor } from '../knowledge/fit/index.js';
import { adviseLoop, chooseHold, gapsWithoutHold } from '../knowledge/holds/index.js';
import { type Activity, type HoldId, pieceId, reason, type Reason, type StepName, type ZoneId } from '../words/index.js';
import {
  ACTIVITY_FACTS,
  cautionsFor,
  clipsFirst,
  clipsInTwo,
  isMatWork,
  type Place,
  placesOf,
  reachOf,
  sizeFactor,
  urgencyOf,
} from '../work/index.js';
import { bladeQuestion } from './blade-for-step.js';
import { mannerOf, standsShort } from './manner.js';
import { learnMinutes } from './minutes.js';
import type { Piece } from './piece.js';
import type { PlanInput } from './plan-input.js';
import { lyingFor, posturesFor } from './postures-for.js';
import { stepRate } from './rates.js';

export interface PieceExtra {
  /** Minutes in this place, when what was found says them. */
  readonly minutes?: number;
  /** Against what this kind of work usually takes. */
  readonly minutesFactor?: number;
  readonly reasons?: readonly Reason[];
  readonly needsConsent?: boolean;
  readonly name?: StepName;
}

/** A blade that glides under a mat on whole skin hurts half as much as its minutes. Our default. */
const GLIDES_UNDER = 0.5;

/** One piece of work with its minutes, rate, hold, postures, blade, cautions and the reasons for each. */
export function makePiece(
  activity: Activity,
  { place, zones }: Place,
  input: PlanInput,
  kinds: readonly KindFound[],
  extra: PieceExtra,
): Piece {
  const facts = ACTIVITY_FACTS[activity];
  const senior = hasKind(kinds, 'senior');
  const findings = zones.map((z) => findingIn(input.feelOver, z));
  const skin = findings.some((f) => f.skin === 'sore') ? 'sore' : findings.some((f) => f.skin === 'red') ? 'red' : 'sound';
  const zoneFactor = isMatWork(activity) ? 0.6 + 0.4 * Math.max(1, ...zones.map((z) => zoneFacts(z).strainFactor)) : 1;
  const manner = mannerOf(activity, input, kinds);
  const rate = stepRate(activity, zones, input, kinds, zoneFactor * manner.rateFactor, skin);
  const whole = facts.minutes * manner.minutesFactor * sizeFactor(input.dog.weightKg) * (extra.minutesFactor ?? 1);
  const share = shareOf(activity, place, zones);
  const forThisDog = lookedMinutesFactor(input.feelOver, activity) * (hasKind(kinds, 'puppy') ? 0.6 : 1) * (senior ? 1.1 : 1);
  const planned = (extra.minutes ?? whole * share) * forThisDog;
  // Learned on the whole of this kind of work, of which this is a share.
  const learned = learnMinutes(
    activity,
    (extra.minutes ?? whole) * forThisDog,
    input.times ?? [],
    input.pace?.find((p) => p.activity === activity),
  );
  const minutes = planned * (learned.minutes / ((extra.minutes ?? whole) * forThisDog));
  const hold = chooseHold({
    reaches: [...new Set(zones.map((z) => reachOf(activity, z)))],
    dog: input.dog,
    kinds,
    joints: input.feelOver.joints,
    favours: input.feelOver.favours,
    sits: input.feelOver.looked?.rear_touch === 'sits',
    soreTail: TAIL.some((z) => findingIn(input.feelOver, z).skin !== 'sound'),
    brittleNails: input.feelOver.looked?.nails === 'brittle',
    painful: rate.painful,
    triggered: rate.triggered,
    fighting: false,
    mayBeSick: input.told.includes('just_fed') || input.told.includes('calming_by_vet'),
    helperThere: input.helperThere,
    minutes,
    standsShort: facts.post === 'table' && facts.standing && standsShort(input, kinds),
    house: input.house,
  });
  const otherSide = hold.hold === 'lap_or_side' ? onOtherSide(zones, input) : [];
  const blade = facts.bladed ? chooseBlade(bladeQuestion(place, activity, input, kinds, isClean(activity, input, kinds))) : undefined;
  const loop = adviseLoop({ dog: input.dog, kinds, fighting: false, house: input.house });
  const gently = isMatWork(activity) && facts.bladed && skin === 'sound' && rate.painfulBy === 'mat';
  return {
    id: pieceId(activity, place),
    activity,
    name: extra.name ?? activity,
    place,
    zones,
    tier: facts.tier,
    urgency: urgencyOf(activity, zones, input.feelOver),
    ...bodily(activity, zones, hold.hold, input, kinds),
    minutes,
    range: [learned.range[0] / learned.minutes, learned.range[1] / learned.minutes],
    spread: learned.spread,
    share,
    rate,
    // A joint is never taken beyond its ease, budget or not; water is not what hurts.
    painfulMinutes: rate.painfulBy === undefined || rate.painfulBy === 'joint' || facts.bath ? 0 : minutes * (gently ? GLIDES_UNDER : 1),
    hold,
    blade,
    dryer: manner.dryer,
    gaps: facts.bladed && facts.post === 'table' && !lies(hold.hold) ? gapsWithoutHold(zones, loop.loop) : [],
    marks: input.feelOver.marks.filter((m) => zones.includes(m.zone)),
    needsConsent: extra.needsConsent ?? false,
    cautions: cautionsFor({ activity, zones, feelOver: input.feelOver, dog: input.dog, told: input.told, kinds, loop: loop.loop }),
    reasons: [
      ...(extra.reasons ?? []),
      ...otherSide,
      ...lookedEffects(input.feelOver)
        .filter((e) => isAbout(e, activity, zones))
        .map((e) => e.because),
      ...manner.reasons,
      ...learned.reasons,
      ...rate.reasons,
    ],
  };
}

const TAIL: readonly ZoneId[] = ['tail', 'tail_root'];

/** A place that is reached only with the dog on the side that it does not lie on willingly. */
function onOtherSide(zones: readonly ZoneId[], input: PlanInput): Reason[] {
  const { liesOn } = input.dog;
  if (liesOn !== 'left' && liesOn !== 'right') return [];
  const zone = zones.find((z) => lyingFor(z) === (liesOn === 'left' ? 'lying_right' : 'lying_left'));
  return zone ? [reason('hold.lies_on_other_side', { zone }, 0.8)] : [];
}

const lies = (hold: HoldId): boolean => hold === 'lap_or_side' || hold === 'under_arm';

/** Where and how the dog is under a hold: on its feet, sitting, lying, on the lap. */
export function bodily(
  activity: Activity,
  zones: readonly ZoneId[],
  hold: HoldId,
  input: PlanInput,
  kinds: readonly KindFound[],
): Pick<Piece, 'post' | 'postures' | 'standing'> {
  const facts = ACTIVITY_FACTS[activity];
  const rests = activity === 'dry' && (hasKind(kinds, 'senior') || hasKind(kinds, 'sore_joints') || hasKind(kinds, 'puppy'));
  // The whole coat is brushed as the dog lies, turned in the middle of it: one step, not one for each side.
  const sides = activity === 'brush_through' ? [] : zones;
  const postures = posturesFor({
    zones: sides,
    hold,
    post: facts.post,
    standing: facts.standing,
    rests,
    weightKg: input.dog.weightKg,
    liesOn: input.dog.liesOn,
  });
  return {
    post: postures.includes('lap') ? 'lap' : facts.post,
    postures,
    standing: facts.standing && !lies(hold) && !rests,
  };
}

/** How much of its kind of work is done in one place: by coat for a body, alike for feet, ears and faces. */
function shareOf(activity: Activity, place: ZoneId, zones: readonly ZoneId[]): number {
  const facts = ACTIVITY_FACTS[activity];
  if (facts.found || facts.bath) return 1;
  const all = placesOf(activity, facts.zones);
  const byCoat = facts.zones.every((z) => zoneFacts(z).workShare > 0) && ['body', 'legs'].includes(zoneFacts(place).group);
  if (!byCoat) return 1 / Math.max(1, all.length);
  const coat = (list: readonly ZoneId[]): number => list.reduce((sum, z) => sum + zoneFacts(z).workShare, 0);
  return coat(zones) / coat(facts.zones);
}

/** Face and body are clipped washed, unless this dog is clipped before its bath; mats and trims before the bath meet a coat as it came. */
const isClean = (activity: Activity, input: PlanInput, kinds: readonly KindFound[]): boolean =>
  activity === 'face' || (activity === 'body_clip' && (!clipsFirst({ kinds, input }) || clipsInTwo({ kinds, input })));
