import { ageWeeks, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { leftByLooks, lookedEffects, lookedFacts, painfulWork } from '../knowledge/fit/index.js';
import { findFloorBreaches } from '../knowledge/floors/index.js';
import { vetOnly } from '../knowledge/hazards/index.js';
import { type Activity, type Reason, reason, type Saying, saying, SERVICE_ITEMS, type ServiceItem, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, BATHING, BODY_COAT, clipsInTwo, isFoundWork, sizeFactor } from '../work/index.js';
import { findMatWork, type MatWork } from './find-mat-work.js';
import { type BuiltStep, floorStepOf, makeStep, type StepExtra } from './make-step.js';
import type { PlanInput } from './plan-input.js';
import { wishFor } from './wishes.js';

export type { BuiltStep } from './make-step.js';

/** Work that is not planned today, before any order is tried. */
export interface NotPlanned {
  readonly what: Saying;
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
const PUPPY_BODY_CLIP_FROM_WEEKS = 17;

/** Minutes of a body clip that was clipped roughly before, against one that was not. Our default. */
const FINISH_AFTER_ROUGH = 0.65;

/** The steps that this visit could have, from what was asked for and what the hands found. */
export function buildSteps(input: PlanInput, kinds: readonly KindFound[]): BuiltPlan {
  const mats = findMatWork(input, kinds);
  const steps: BuiltStep[] = [];
  const refusesClip = input.refused.includes('close_clip') || input.refused.includes('clip_off');
  const notPlanned: NotPlanned[] = mats.notHere.map((a) => ({
    what: saying('what.mat', { zone: a.zone }),
    activity: undefined,
    zones: [a.zone],
    to: a.way === 'vet' ? ('vet' as const) : ('left' as const),
    reasons: a.reasons,
  }));
  const spared = leftByLooks(input.feelOver.looked);
  for (const e of lookedEffects(input.feelOver.looked).filter((x) => x.vet))
    notPlanned.push({ what: saying('what.looked', lookedFacts(e)), activity: undefined, zones: e.leaves, to: 'vet', reasons: [e.because] });
  const push = (activity: Activity, allZones: readonly ZoneId[], extra: StepExtra & { readonly after?: PlanInput } = {}): void => {
    const zones = allZones.filter((z) => !spared.includes(z));
    if (zones.length === 0) return;
    const carried = input.carriedOver?.find((c) => c.activity === activity);
    const because = [
      ...(carried && !input.asked.items.some((i) => i === activity) ? [reason('step.carried_over', { since: carried.from }, 0.8)] : []),
      ...(isFoundWork(activity) ? notFeltToday(input, zones) : []),
    ];
    const step = makeStep(activity, zones, extra.after ?? input, kinds, { ...extra, reasons: [...because, ...(extra.reasons ?? [])] });
    if (extra.needsConsent && refusesClip)
      notPlanned.push({
        what: saying('what.step', { step: step.name }),
        activity,
        zones,
        to: 'left',
        reasons: [reason('step.consent_refused', {}, 1)],
      });
    else if (step.hold.also.includes('muzzle') && input.refused.includes('muzzle')) {
      notPlanned.push({
        what: saying('what.step', { step: step.name }),
        activity,
        zones,
        to: 'vet',
        reasons: [reason('step.muzzle_refused', { name: input.dog.name }, 1)],
      });
    } else if (step.hold.forVet)
      notPlanned.push({ what: saying('what.step', { step: step.name }), activity, zones, to: 'vet', reasons: step.hold.reasons });
    else if (wishFor(input.wishes, 'forbid', activity))
      notPlanned.push({
        what: saying('what.step', { step: step.name }),
        activity,
        zones,
        to: 'another_visit',
        reasons: [reason('wish.forbidden', {}, 1)],
      });
    else if (step.blade && step.blade.blade === undefined)
      notPlanned.push({ what: saying('what.step', { step: step.name }), activity, zones, to: 'vet', reasons: step.blade.reasons });
    else steps.push(step);
  };
  const minutesOf = (list: readonly { minutes: number }[]): number => list.reduce((s, a) => s + a.minutes, 0);
  const reasonsOf = (list: readonly { reasons: readonly Reason[] }[]): Reason[] => list.flatMap((a) => a.reasons);

  const crusted = input.feelOver.zones.filter((z) => z.crust).map((z) => z.zone);
  if (crusted.length > 0) {
    push('soak', crusted, { reasons: [reason('step.soak', { zones: crusted }, 0.8)] });
    push('crust', crusted, { reasons: [reason('step.crust', { zones: crusted }, 0.8)] });
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
    push('clip_tight_body', mats.clipOff ? BODY_COAT : mats.body.map((a) => a.zone), {
      minutes: mats.clipOff ? ACTIVITY_FACTS.body_clip.minutes * sizeFactor(input.dog.weightKg) * 1.3 : minutesOf(mats.body),
      needsConsent: true,
      reasons: [...(mats.clipOff ? [reason('step.clip_off_whole', {}, 1)] : []), ...reasonsOf(mats.body)],
      ...(mats.clipOff ? { name: 'clip_off_body' as const } : {}),
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
        what: saying('what.bath', {}),
        activity: 'bath',
        zones: ACTIVITY_FACTS.bath.zones,
        to: 'left',
        reasons: [reason('step.no_bath_on_mats', {}, 1)],
      });
    } else if (item === 'bath') {
      push('bath', ACTIVITY_FACTS.bath.zones);
      push('bath_head', ACTIVITY_FACTS.bath_head.zones);
      if (hasKind(kinds, 'short_nose') || input.feelOver.looked?.folds === 'damp')
        push('rinse_folds', ACTIVITY_FACTS.rinse_folds.zones, { reasons: [reason('step.folds', {}, 0.7)] });
      push('towel', ACTIVITY_FACTS.towel.zones);
      push('dry', ACTIVITY_FACTS.dry.zones);
    } else if (item === 'body_clip' && mats.clipOff) {
      notPlanned.push({
        what: saying('what.body_clip_length', {}),
        activity: 'body_clip',
        zones: BODY_COAT,
        to: 'left',
        reasons: [reason('step.length_not_possible', { wanted: input.asked.wantedMm }, 0.9)],
      });
    } else if (item === 'body_clip' && ageWeeks(input.dog.born, input.today) < PUPPY_BODY_CLIP_FROM_WEEKS) {
      notPlanned.push({
        what: saying('what.body_clip', {}),
        activity: 'body_clip',
        zones: BODY_COAT,
        to: 'another_visit',
        reasons: [reason('step.puppy_no_body_clip', { weeks: PUPPY_BODY_CLIP_FROM_WEEKS }, 0.9)],
      });
    } else if (item === 'sanitary') trim('sanitary', ACTIVITY_FACTS.sanitary.zones);
    else if (item === 'body_clip' && clipsInTwo({ kinds, input })) {
      trim('prep_clip', BODY_COAT, { reasons: [reason('step.rough_clip', {}, 0.5)] });
      trim('body_clip', BODY_COAT, { minutes: ACTIVITY_FACTS.body_clip.minutes * sizeFactor(input.dog.weightKg) * FINISH_AFTER_ROUGH });
    } else if (item === 'body_clip') trim('body_clip', BODY_COAT);
    else if (item === 'face') trim('face', ACTIVITY_FACTS.face.zones);
    else if (item === 'feet') trim('feet', ACTIVITY_FACTS.feet.zones);
    else if (item === 'ears' && spared.includes('ear_canal_left')) {
      // What is for a vet is not half done: the finding stands among what is not done.
    } else if (item === 'ears') push('ears', ACTIVITY_FACTS.ears.zones);
    else if (item === 'tidy') push('tidy', ACTIVITY_FACTS.tidy.zones);
    else
      push('nails', ACTIVITY_FACTS.nails.zones, {
        reasons: [reason('step.nails', {}, 0.3)],
      });
  }
  for (const { zone, because } of vetOnly({
    dog: input.dog,
    feelOver: input.feelOver,
    strangled: input.feelOver.zones.filter((z) => z.strangles).map((z) => z.zone),
  })) {
    if (notPlanned.some((n) => n.to === 'vet' && n.zones.includes(zone))) continue;
    notPlanned.push({ what: saying('what.zone', { zone }), activity: undefined, zones: [zone], to: 'vet', reasons: [because] });
  }
  const bearable = withinPain(steps, kinds);
  const left = [...notPlanned, ...bearable.beyond];
  const breaches = findFloorBreaches({ ...input, steps: bearable.steps.map(floorStepOf), notToday: left });
  for (const b of breaches)
    left.push({
      what: b.step ? saying('what.step', { step: b.step }) : b.zone ? saying('what.zone', { zone: b.zone }) : saying('what.somewhere', {}),
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
  return old[0] ? [reason('step.zone_carried', { zones: old.map((c) => c.finding.zone), since: old[0].from }, 0.9)] : [];
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
    if (work.beyond)
      beyond.push({ what: saying('what.step', { step: s.name }), activity: s.activity, zones: s.zones, to: 'vet', reasons: work.reasons });
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
            what: saying('what.step', { step: bath.name }),
            activity: bath.activity,
            zones: bath.zones,
            to: without.to,
            reasons: [reason('step.bath_whole', { without: without.what }, 0.9)],
          },
        ]
      : [];
  return { steps: steps.filter((s) => !alone.some((a) => a === s.activity)), notPlanned: [...notPlanned, ...fallsAway], mats };
}
