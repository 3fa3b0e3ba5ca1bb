import { zoneLabel, zonesOfGroup } from '../knowledge/anatomy/index.js';
import { ageWeeks, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { leftByLooks, lookedEffects, painfulWork, sayLooked } from '../knowledge/fit/index.js';
import { findFloorBreaches } from '../knowledge/floors/index.js';
import { vetOnly } from '../knowledge/hazards/index.js';
import { type Reason, reason } from '../reasons/index.js';
import { type Activity, SERVICE_ITEMS, type ServiceItem, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, BATHING, clipsInTwo, isFoundWork, sizeFactor } from '../work/index.js';
import { findMatWork, type MatWork } from './find-mat-work.js';
import { type BuiltStep, makeStep, type StepExtra } from './make-step.js';
import type { PlanInput } from './plan-input.js';
import { wishFor } from './wishes.js';

export type { BuiltStep } from './make-step.js';

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

/** Minutes of a body clip that was clipped roughly before, against one that was not. Our default. */
export const FINISH_AFTER_ROUGH = 0.65;

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
  const spared = leftByLooks(input.feelOver.looked);
  for (const e of lookedEffects(input.feelOver.looked).filter((x) => x.vet))
    notPlanned.push({ what: sayLooked(e), activity: undefined, zones: e.leaves, to: 'vet', reasons: [e.because] });
  const push = (activity: Activity, allZones: readonly ZoneId[], extra: StepExtra & { readonly after?: PlanInput } = {}): void => {
    const zones = allZones.filter((z) => !spared.includes(z));
    if (zones.length === 0) return;
    const carried = input.carriedOver?.find((c) => c.activity === activity);
    const because = [
      ...(carried && !input.asked.items.some((i) => i === activity) ? [reason('step.carried_over', { from: carried.from }, 0.8)] : []),
      ...(isFoundWork(activity) ? notFeltToday(input, zones) : []),
    ];
    const step = makeStep(activity, zones, extra.after ?? input, kinds, { ...extra, reasons: [...because, ...(extra.reasons ?? [])] });
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
    else if (wishFor(input.wishes, 'forbid', activity))
      notPlanned.push({ what: step.label, activity, zones, to: 'another_visit', reasons: [reason('wish.forbidden', {}, 1)] });
    else if (step.blade && step.blade.blade === undefined)
      notPlanned.push({ what: step.label, activity, zones, to: 'vet', reasons: step.blade.reasons });
    else steps.push(step);
  };
  const minutesOf = (list: readonly { minutes: number }[]): number => list.reduce((s, a) => s + a.minutes, 0);
  const reasonsOf = (list: readonly { reasons: readonly Reason[] }[]): Reason[] => list.flatMap((a) => a.reasons);

  const crusted = input.feelOver.zones.filter((z) => z.crust).map((z) => z.zone);
  if (crusted.length > 0) {
    const named = crusted.map(zoneLabel).join(', ');
    push('soak', crusted, { reasons: [reason('step.soak', { zones: named }, 0.8)] });
    push('crust', crusted, { reasons: [reason('step.crust', { zones: named }, 0.8)] });
  }
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
  const trim = (activity: Activity, zones: readonly ZoneId[], extra: StepExtra = {}): void => {
    const left = zones.filter((z) => !clippedOrLeft.has(z));
    if (left.length > 0) push(activity, left, { ...extra, after: afterMats });
  };
  for (const item of withCarriedOver(input)) {
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
      push('bath_head', zonesOfGroup('face'));
      if (hasKind(kinds, 'short_nose') || input.feelOver.looked?.folds === 'damp')
        push('rinse_folds', ['wrinkles'], { reasons: [reason('step.folds', {}, 0.7)] });
      push('towel', zonesOfGroup('body'));
      push('dry', zonesOfGroup('body'));
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
    else if (item === 'body_clip' && clipsInTwo({ kinds, input })) {
      trim('prep_clip', bodyZones(), { reasons: [reason('step.rough_clip', {}, 0.5)] });
      trim('body_clip', bodyZones(), { minutes: ACTIVITY_FACTS.body_clip.minutes * sizeFactor(input.dog.weightKg) * FINISH_AFTER_ROUGH });
    } else if (item === 'body_clip') trim('body_clip', bodyZones());
    else if (item === 'face')
      trim('face', ['topknot', 'cheek_left', 'cheek_right', 'eye_left', 'eye_right', 'stop', 'bridge', 'lips', 'chin']);
    else if (item === 'feet') trim('feet', ['fore_paw_left', 'fore_paw_right', 'hind_paw_left', 'hind_paw_right']);
    else if (item === 'ears' && spared.includes('ear_canal_left')) {
      // What is for a vet is not half done: the finding stands among what is not done.
    } else if (item === 'ears') push('ears', ['ear_leather_left', 'ear_leather_right', 'ear_canal_left', 'ear_canal_right']);
    else if (item === 'tidy') push('tidy', ['foreleg_left', 'foreleg_right', 'thigh_left', 'thigh_right', 'tail']);
    else
      push('nails', ['fore_nails_left', 'fore_nails_right', 'hind_nails_left', 'hind_nails_right'], {
        reasons: [reason('step.nails', {}, 0.3)],
      });
  }
  for (const { zone, because } of vetOnly({
    dog: input.dog,
    feelOver: input.feelOver,
    strangled: input.feelOver.zones.filter((z) => z.strangles).map((z) => z.zone),
  })) {
    if (notPlanned.some((n) => n.to === 'vet' && n.zones.includes(zone))) continue;
    notPlanned.push({ what: `the ${zoneLabel(zone)}`, activity: undefined, zones: [zone], to: 'vet', reasons: [because] });
  }
  const bearable = withinPain(steps, kinds);
  const left = [...notPlanned, ...bearable.beyond];
  const breaches = findFloorBreaches({ ...input, steps: bearable.steps, notToday: left });
  for (const b of breaches)
    left.push({
      what: b.step ?? (b.zone ? `the ${zoneLabel(b.zone)}` : 'a place'),
      activity: b.step,
      zones: b.zone ? [b.zone] : [],
      to: 'vet',
      reasons: [b.because],
    });
  return dropOrphans(
    bearable.steps.filter((s) => !breaches.some((b) => b.step === s.activity)),
    left,
    mats,
  );
}

/** Zones whose mat or crust is known from the last visit only. */
function notFeltToday(input: PlanInput, zones: readonly ZoneId[]): Reason[] {
  const old = (input.carriedZones ?? []).filter((c) => zones.includes(c.finding.zone));
  const named = old.map((c) => zoneLabel(c.finding.zone)).join(', ');
  return old[0] ? [reason('step.zone_carried', { zones: named, from: old[0].from }, 0.9)] : [];
}

/** What is asked for, and what the last visit left that can be asked for again. */
function withCarriedOver(input: PlanInput): ServiceItem[] {
  const carried = (input.carriedOver ?? []).flatMap((c) => SERVICE_ITEMS.filter((item) => item === c.activity));
  return SERVICE_ITEMS.filter((item) => input.asked.items.includes(item) || carried.includes(item));
}

/** Work that hurts, up to what this dog can take: what matters most stays, the rest is for a vet. */
function withinPain(steps: readonly BuiltStep[], kinds: readonly KindFound[]): { steps: BuiltStep[]; beyond: NotPlanned[] } {
  const ofKinds = kinds.map((k) => k.kind);
  const painful = steps.filter((s) => s.rate.painful).sort((a, b) => b.worth - a.worth || a.minutes - b.minutes);
  const beyond: NotPlanned[] = [];
  let minutes = 0;
  for (const s of painful) {
    const work = painfulWork(minutes + s.minutes, ofKinds);
    if (work.beyond) beyond.push({ what: s.label, activity: s.activity, zones: s.zones, to: 'vet', reasons: work.reasons });
    else minutes += s.minutes;
  }
  return { steps: steps.filter((s) => !beyond.some((b) => b.activity === s.activity)), beyond };
}

/** What only makes sense together is planned together: a bath with its drying, a comb with its soak. A bath that falls away with it is said. */
function dropOrphans(steps: readonly BuiltStep[], notPlanned: readonly NotPlanned[], mats: MatWork): BuiltPlan {
  const has = (a: Activity): boolean => steps.some((s) => s.activity === a);
  const whole = has('bath') && has('dry');
  const alone = [...(whole ? [] : BATHING), ...(has('soak') && has('crust') ? [] : (['soak', 'crust'] as const))];
  const without = notPlanned.find((n) => n.activity === 'bath' || n.activity === 'dry');
  const bath = steps.find((s) => s.activity === 'bath') ?? steps.find((s) => s.activity === 'dry');
  const fallsAway: NotPlanned[] =
    !whole && bath && without
      ? [
          {
            what: bath.label,
            activity: bath.activity,
            zones: bath.zones,
            to: without.to,
            reasons: [reason('step.bath_whole', { without: without.what }, 0.9)],
          },
        ]
      : [];
  return { steps: steps.filter((s) => !alone.some((a) => a === s.activity)), notPlanned: [...notPlanned, ...fallsAway], mats };
}

function bodyZones(): ZoneId[] {
  return ['neck', 'back', 'rump', 'chest', 'shoulder_left', 'shoulder_right', 'side_left', 'side_right', 'thigh_left', 'thigh_right'];
}
