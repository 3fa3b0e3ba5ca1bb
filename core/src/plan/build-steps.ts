import { zoneFacts, zoneLabel, zonesOfGroup, type ZoneId } from '../anatomy/index.js';
import { chooseBlade, type BladeChoice } from '../blades/index.js';
import { findingIn, hasKind, ageWeeks, type KindFound } from '../dogs/index.js';
import { chooseHold, type HoldChoice, type Reach } from '../holds/index.js';
import { reason, type Reason } from '../reasons/index.js';
import { cautionsFor } from '../cautions/index.js';
import { ACTIVITY_FACTS, sizeFactor, type Activity } from './activities.js';
import { findMatWork, type MatWork } from './find-mat-work.js';
import type { Post, Tier } from './model.js';
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
  readonly needsConsent: boolean;
  readonly cautions: readonly Reason[];
  readonly reasons: readonly Reason[];
}

/** Work that is not planned today, before any order is tried. */
export interface NotPlanned {
  readonly what: string;
  readonly activity: Activity | undefined;
  readonly zones: readonly ZoneId[];
  readonly to: 'vet' | 'another_visit' | 'left';
  readonly reasons: readonly Reason[];
}

export interface BuiltPlan {
  readonly steps: readonly BuiltStep[];
  readonly notPlanned: readonly NotPlanned[];
  readonly mats: MatWork;
}

/** A puppy gets no full body clip under this age, weeks ("from about 4 months"). Common practice, no source. */
export const PUPPY_BODY_CLIP_FROM_WEEKS = 17;

/** The steps that this visit could have, from what was asked for and what the hands found. */
export function buildSteps(input: PlanInput, kinds: readonly KindFound[]): BuiltPlan {
  const mats = findMatWork(input, kinds);
  const steps: BuiltStep[] = [];
  const refusesClip = input.refused.includes('close_clip') || input.refused.includes('clip_off');
  const notPlanned: NotPlanned[] = mats.notHere.map((a) => ({
    what: `mat, ${zoneLabel(a.zone)}`,
    activity: undefined,
    zones: [a.zone],
    to: a.way === 'vet' ? ('vet' as const) : ('left' as const),
    reasons: a.reasons,
  }));
  const push = (
    activity: Activity,
    zones: readonly ZoneId[],
    extra: { minutes?: number; reasons?: readonly Reason[]; needsConsent?: boolean; label?: string; after?: PlanInput } = {},
  ): void => {
    const step = makeStep(activity, zones, extra.after ?? input, kinds, extra);
    if (extra.needsConsent && refusesClip)
      notPlanned.push({ what: step.label, activity, zones, to: 'left', reasons: [reason('step.consent_refused', {}, 1)] });
    else if (step.hold.also.includes('muzzle') && input.refused.includes('muzzle')) {
      notPlanned.push({
        what: step.label,
        activity,
        zones,
        to: 'vet',
        reasons: [reason('step.muzzle_refused', { name: input.dog.name }, 1)],
      });
    } else if (step.hold.forVet) notPlanned.push({ what: step.label, activity, zones, to: 'vet', reasons: step.hold.reasons });
    else if (step.blade && step.blade.blade === undefined)
      notPlanned.push({ what: step.label, activity, zones, to: 'vet', reasons: step.blade.reasons });
    else steps.push(step);
  };
  const minutesOf = (list: readonly { minutes: number }[]): number => list.reduce((s, a) => s + a.minutes, 0);
  const reasonsOf = (list: readonly { reasons: readonly Reason[] }[]): Reason[] => list.flatMap((a) => a.reasons);

  const crusted = input.feelOver.zones.filter((z) => z.crust).map((z) => z.zone);
  if (crusted.length > 0) push('crust', crusted, { reasons: [reason('step.crust', { zones: crusted.map(zoneLabel).join(', ') }, 0.8)] });
  for (const [activity, found] of [
    ['clip_tight_fragile', mats.fragile],
    ['clip_tight_head', mats.head],
  ] as const) {
    if (found.length > 0)
      push(
        activity,
        found.map((a) => a.zone),
        { minutes: minutesOf(found), reasons: reasonsOf(found), needsConsent: true },
      );
  }
  if (mats.body.length > 0) {
    push('clip_tight_body', mats.clipOff ? bodyZones() : mats.body.map((a) => a.zone), {
      minutes: mats.clipOff ? ACTIVITY_FACTS.body_clip.minutes * sizeFactor(input.dog.weightKg) * 1.3 : minutesOf(mats.body),
      needsConsent: true,
      reasons: [...(mats.clipOff ? [reason('step.clip_off_whole', {}, 1)] : []), ...reasonsOf(mats.body)],
      ...(mats.clipOff ? { label: 'Clip the matted coat off the body' } : {}),
    });
  }
  if (mats.brush.length > 0)
    push(
      'brush_mats',
      mats.brush.map((a) => a.zone),
      { minutes: minutesOf(mats.brush), reasons: reasonsOf(mats.brush) },
    );

  // The trims come after the mats: what is brushed out is combed by then, what is clipped under or left is not gone over again.
  const clippedOrLeft = new Set([...mats.fragile, ...mats.head, ...mats.body, ...mats.notHere].map((a) => a.zone));
  const combed = new Set(mats.brush.map((a) => a.zone));
  const afterMats: PlanInput = {
    ...input,
    feelOver: { ...input.feelOver, zones: input.feelOver.zones.map((z) => (combed.has(z.zone) ? { ...z, matGrade: 0 } : z)) },
  };
  const trim = (activity: Activity, zones: readonly ZoneId[]): void => {
    const left = zones.filter((z) => !clippedOrLeft.has(z));
    if (left.length > 0) push(activity, left, { after: afterMats });
  };
  for (const item of input.asked.items) {
    if (item === 'bath' && refusesClip && mats.fragile.length + mats.head.length + mats.body.length > 0) {
      notPlanned.push({
        what: 'bath and dry',
        activity: 'bath',
        zones: zonesOfGroup('body'),
        to: 'left',
        reasons: [reason('step.no_bath_on_mats', {}, 1)],
      });
    } else if (item === 'bath') {
      push('bath', zonesOfGroup('body'));
      push('dry', zonesOfGroup('body'), { reasons: dryReasons(kinds, input) });
    } else if (item === 'body_clip' && mats.clipOff) {
      notPlanned.push({
        what: 'body clip to the wanted length',
        activity: 'body_clip',
        zones: bodyZones(),
        to: 'left',
        reasons: [reason('step.length_not_possible', { wanted: input.asked.wantedMm }, 0.9)],
      });
    } else if (item === 'body_clip' && ageWeeks(input.dog.born, input.today) < PUPPY_BODY_CLIP_FROM_WEEKS) {
      notPlanned.push({
        what: 'body clip',
        activity: 'body_clip',
        zones: bodyZones(),
        to: 'another_visit',
        reasons: [reason('step.puppy_no_body_clip', { weeks: PUPPY_BODY_CLIP_FROM_WEEKS }, 0.9)],
      });
    } else if (item === 'sanitary') trim('sanitary', ['belly', 'sanitary', 'anus', 'groin_left', 'groin_right']);
    else if (item === 'body_clip') trim('body_clip', bodyZones());
    else if (item === 'face')
      trim('face', ['topknot', 'cheek_left', 'cheek_right', 'eye_left', 'eye_right', 'stop', 'bridge', 'lips', 'chin']);
    else if (item === 'feet') trim('feet', ['fore_paw_left', 'fore_paw_right', 'hind_paw_left', 'hind_paw_right']);
    else if (item === 'ears') push('ears', ['ear_leather_left', 'ear_leather_right', 'ear_canal_left', 'ear_canal_right']);
    else if (item === 'tidy') push('tidy', ['foreleg_left', 'foreleg_right', 'thigh_left', 'thigh_right', 'tail']);
    else
      push('nails', ['fore_paw_left', 'fore_paw_right', 'hind_paw_left', 'hind_paw_right'], { reasons: [reason('step.nails', {}, 0.3)] });
  }
  return dropOrphans(steps, notPlanned, mats);
}

/** A bath without its drying, or a drying without its bath, is not planned at all. */
function dropOrphans(steps: readonly BuiltStep[], notPlanned: readonly NotPlanned[], mats: MatWork): BuiltPlan {
  const has = (a: Activity): boolean => steps.some((s) => s.activity === a);
  if (has('bath') === has('dry')) return { steps, notPlanned, mats };
  return { steps: steps.filter((s) => s.activity !== 'bath' && s.activity !== 'dry'), notPlanned, mats };
}

function bodyZones(): ZoneId[] {
  return ['neck', 'back', 'rump', 'chest', 'shoulder_left', 'shoulder_right', 'side_left', 'side_right', 'thigh_left', 'thigh_right'];
}

/** Work on the skin with a blade; the others use comb, shears, water or nail tools. */
const BLADED: readonly Activity[] = ['clip_tight_fragile', 'clip_tight_head', 'clip_tight_body', 'sanitary', 'body_clip', 'feet', 'face'];

function makeStep(
  activity: Activity,
  zones: readonly ZoneId[],
  input: PlanInput,
  kinds: readonly KindFound[],
  extra: { minutes?: number; reasons?: readonly Reason[]; needsConsent?: boolean; label?: string },
): BuiltStep {
  const facts = ACTIVITY_FACTS[activity];
  const senior = hasKind(kinds, 'senior');
  const findings = zones.map((z) => findingIn(input.feelOver, z));
  const skin = findings.some((f) => f.skin === 'sore') ? 'sore' : findings.some((f) => f.skin === 'red') ? 'red' : 'sound';
  const zoneFactor = isMatWork(activity) ? Math.max(1, ...zones.map((z) => zoneFacts(z).strainFactor)) : 1;
  const rate = stepRate(activity, input, kinds, isMatWork(activity) ? 0.6 + 0.4 * zoneFactor : 1, skin);
  const minutes = roundHalf(
    (extra.minutes ?? facts.minutes * sizeFactor(input.dog.weightKg)) * (hasKind(kinds, 'puppy') ? 0.6 : 1) * (senior ? 1.1 : 1),
  );
  const reaches = isMatWork(activity) ? reachesOfMats(activity, zones) : facts.reaches;
  const hold = chooseHold({
    reaches,
    dog: input.dog,
    kinds,
    joints: input.feelOver.joints,
    painful: rate.painful,
    triggered: rate.triggered,
    helperThere: input.helperThere,
    minutes,
  });
  const lies = hold.hold === 'lap_or_side' || hold.hold === 'under_arm';
  const restsWhileDrying = activity === 'dry' && (senior || hasKind(kinds, 'sore_joints') || hasKind(kinds, 'puppy'));
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
    blade: BLADED.includes(activity) ? hardestBlade(zones, input, kinds, activity) : undefined,
    needsConsent: extra.needsConsent ?? false,
    cautions: cautionsFor({ activity, zones, feelOver: input.feelOver, dog: input.dog, kinds }),
    reasons: [...(extra.reasons ?? []), ...rate.reasons],
  };
}

const isMatWork = (a: Activity): boolean =>
  a === 'brush_mats' || a === 'clip_tight_fragile' || a === 'clip_tight_head' || a === 'clip_tight_body';
const roundHalf = (x: number): number => Math.max(0.5, Math.round(x * 2) / 2);

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

/** The blade for the zone that allows least; a step is done with one blade where it can be. */
function hardestBlade(zones: readonly ZoneId[], input: PlanInput, kinds: readonly KindFound[], activity: Activity): BladeChoice {
  const thinSkin = hasKind(kinds, 'thin_skin');
  const choices = zones.map((zone) => {
    const f = findingIn(input.feelOver, zone);
    const wanted = activity === 'body_clip' ? input.asked.wantedMm : activity === 'face' ? Math.min(input.asked.wantedMm, 6) : 1.5;
    return chooseBlade({
      zone,
      matGrade: f.matGrade,
      skin: f.skin,
      wantedMm: wanted,
      trained: input.trained,
      thinSkin,
      markHere: input.feelOver.marks.some((m) => m.zone === zone),
    });
  });
  // Sore zones are left out; the step falls only when no zone can be clipped.
  const possible = choices.filter((c) => c.blade !== undefined);
  const pool = possible.length > 0 ? possible : choices;
  const least = pool.reduce((a, b) => (b.lengthMm < a.lengthMm ? b : a));
  const withReasons = pool.find((c) => c.blade === least.blade && c.reasons.some((r) => r.weight >= 0.6));
  return withReasons ?? least;
}

function dryReasons(kinds: readonly KindFound[], input: PlanInput): Reason[] {
  if (hasKind(kinds, 'short_nose')) return [reason('step.dry_cool_short_nose', {}, 0.8)];
  if (hasKind(kinds, 'senior')) return [reason('step.dry_senior', {}, 0.7)];
  return input.dog.triggers.some((t) => t.cause === 'dryer') ? [reason('step.dry_towel_first', {}, 0.7)] : [];
}
