import { findingIn } from '../findings/index.js';
import { ageWeeks, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { leftByLooks, lookedEffects, lookedFacts } from '../knowledge/fit/index.js';
import { vetOnly } from '../knowledge/hazards/index.js';
import { type Activity, type Reason, reason, saying, SERVICE_ITEMS, type ServiceItem, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, clipsInTwo, inNaturalOrder, isFoundWork, type Place, placesOf } from '../work/index.js';
import { findMatWork, type MatWork } from './find-mat-work.js';
import { makePiece, type PieceExtra } from './make-piece.js';
import { brushedThrough } from './manner.js';
import { vetWithinDays, whyNotHere } from './not-here.js';
import type { NotPlanned, Piece } from './piece.js';
import type { PlanInput } from './plan-input.js';
import { PUPPY_BODY_CLIP_FROM_WEEKS, puppyProgramme } from './puppy-programme.js';
import { openMarks, openMarksTold } from './told-only.js';

export interface FoundPieces {
  readonly pieces: readonly Piece[];
  readonly notPlanned: readonly NotPlanned[];
  readonly mats: MatWork;
}

/** The whole coat is brushed for its sake, not because of a mat. */
const BRUSHED: readonly Activity[] = ['brush_through', 'deshed'];
/** Minutes of a body clip that was clipped roughly before, against one that was not. Our default. */
const FINISH_AFTER_ROUGH = 0.65;
/** Clipping a whole matted body off takes this much longer than its mats one by one: it is done slowly. Our default. */
const CLIP_OFF_SLOWER = 1.3;
/** A vet sees skin that is red or weeping under caked dirt within this many days. Common practice, no source; the number is our default. */
const DIRT_OVER_SORE_DAYS = 1;
/** Crusts at both eyes take what the table says; one takes half of it. */
const ONE_OF_TWO = 0.5;

/** Every piece of work that this visit could have, from what the hands found and what was asked for; and what is not for today. */
export function findPieces(input: PlanInput, kinds: readonly KindFound[]): FoundPieces {
  const mats = findMatWork(input, kinds);
  const pieces: Piece[] = [];
  const notPlanned: NotPlanned[] = openMarksTold(input);
  const spared = new Set([...leftByLooks(input.feelOver), ...openMarks(input).map((m) => m.zone)]);
  const add = (activity: Activity, places: readonly Place[], extra: (at: Place) => PieceExtra, as: PlanInput = input): void => {
    for (const whole of places) {
      // Water and air spare what is for a vet.
      const at = ACTIVITY_FACTS[activity].bath ? { ...whole, zones: whole.zones.filter((z) => !spared.has(z)) } : whole;
      if (at.zones.length === 0) continue;
      // No brush for looks goes over red or sore skin; what becomes of that place is said with it.
      if (BRUSHED.includes(activity) && at.zones.some((z) => findingIn(input.feelOver, z).skin !== 'sound')) {
        if (activity === 'deshed' && !at.zones.some((z) => spared.has(z)))
          notPlanned.push({
            what: saying('what.piece', { step: activity, zone: at.place }),
            activity,
            zones: at.zones,
            to: 'left',
            withinDays: undefined,
            reasons: [reason('step.red_not_raked', {}, 0.8)],
          });
        continue;
      }
      // What was seen there is for a vet: it is told once, with the finding.
      if (at.zones.some((z) => spared.has(z))) continue;
      const more = extra(at);
      const because = [...carriedOver(input, activity, at), ...(isFoundWork(activity) ? notFeltToday(input, at.zones) : [])];
      const piece = makePiece(activity, at, as, kinds, { ...more, reasons: [...because, ...(more.reasons ?? [])] });
      const against = whyNotHere(piece, input);
      if (against) notPlanned.push(against);
      else pieces.push(piece);
    }
  };
  const plain = (): PieceExtra => ({});

  for (const a of mats.notHere)
    notPlanned.push({
      what: saying('what.mat', { zone: a.zone }),
      activity: undefined,
      zones: [a.zone],
      to: a.way === 'vet' ? 'vet' : 'left',
      withinDays: a.way === 'vet' ? vetWithinDays(a.reasons[0]) : undefined,
      reasons: a.reasons,
    });
  for (const e of lookedEffects(input.feelOver).filter((x) => x.vet))
    notPlanned.push({
      what: saying('what.looked', lookedFacts(e)),
      activity: undefined,
      zones: [...new Set([...e.leaves, ...e.at])],
      to: 'vet',
      withinDays: vetWithinDays(e.because),
      reasons: [e.because],
    });

  const dirty = input.feelOver.looked?.anal === 'dirty';
  const sore = findingIn(input.feelOver, 'anus').skin !== 'sound';
  // Dirt over red or weeping skin: no comb and no blade over it.
  if (dirty && sore) {
    spared.add('anus');
    notPlanned.push({
      what: saying('what.zone', { zone: 'anus' }),
      activity: undefined,
      zones: ['anus'],
      to: 'vet',
      withinDays: DIRT_OVER_SORE_DAYS,
      reasons: [reason('step.dirt_over_sore', {}, 1)],
    });
  }
  const dirt: ZoneId[] = dirty && !sore ? ['anus'] : [];
  const crusted = inNaturalOrder([...input.feelOver.zones.filter((z) => z.crust).map((z) => z.zone), ...dirt]);
  const ofDirt = (at: Place): boolean => at.place === 'anus';
  add('soak', placesOf('soak', crusted), (at) => ({
    minutes: ACTIVITY_FACTS.soak.minutes / new Set(crusted).size,
    reasons: [ofDirt(at) ? reason('step.soak_dirt', {}, 0.8) : reason('step.soak', { zones: crusted.filter((z) => z !== 'anus') }, 0.8)],
    ...(ofDirt(at) ? { name: 'soak_dirt' as const } : {}),
  }));
  add('crust', placesOf('crust', crusted), (at) => ({
    minutes: ACTIVITY_FACTS.crust.minutes * ONE_OF_TWO,
    reasons: [ofDirt(at) ? reason('step.loosen_dirt', {}, 0.8) : reason('step.crust', { zones: crusted.filter((z) => z !== 'anus') }, 0.8)],
    ...(ofDirt(at) ? { name: 'loosen_dirt' as const } : {}),
  }));
  const ofMats = [
    ['clip_tight_fragile', mats.fragile],
    ['clip_tight_head', mats.head],
    ['clip_tight_body', mats.body],
    ['brush_mats', mats.brush],
  ] as const;
  for (const [activity, advice] of ofMats) {
    const whole = activity === 'clip_tight_body' && mats.clipOff;
    add(
      activity,
      placesOf(
        activity,
        advice.map((a) => a.zone),
      ),
      ({ place }) => {
        const found = advice.find((a) => a.zone === place);
        return {
          minutes: (found?.minutes ?? 1) * (whole ? CLIP_OFF_SLOWER : 1),
          needsConsent: activity !== 'brush_mats',
          reasons: [...(whole ? [reason('step.clip_off_whole', {}, 1)] : []), ...(found?.reasons ?? [])],
          ...(whole ? { name: 'clip_off_body' as const } : {}),
        };
      },
    );
  }

  // The trims come after the mats: what is brushed out is combed by then, what is clipped under or left is not gone over again.
  const clippedOrLeft = new Set([...mats.fragile, ...mats.head, ...mats.body, ...mats.notHere].map((a) => a.zone));
  const combed = new Set(mats.brush.map((a) => a.zone));
  const afterMats: PlanInput = {
    ...input,
    feelOver: { ...input.feelOver, zones: input.feelOver.zones.map((z) => (combed.has(z.zone) ? { ...z, matGrade: 0 } : z)) },
  };
  const trim = (activity: Activity, zones: readonly ZoneId[], extra: () => PieceExtra = plain): void =>
    add(
      activity,
      placesOf(
        activity,
        zones.filter((z) => !clippedOrLeft.has(z)),
      ),
      extra,
      afterMats,
    );
  const apart = puppyProgramme(input, kinds, ageWeeks(input.dog.born, input.today))?.apart ?? [];
  for (const { item, zones } of askedPlaces(input)) {
    if (apart.includes(item)) notPlanned.push(ofAnotherVisit(item, zones));
    else if (item === 'bath') bathe();
    else if (item === 'body_clip') clipBody(zones);
    else if (item === 'ears' || item === 'nails')
      add(item, placesOf(item, zones), () => (item === 'nails' ? { reasons: [reason('step.nails', {}, 0.3)] } : {}));
    else trim(item, zones);
  }
  const isNew = whyMeetTool(input, kinds);
  if (isNew && pieces.some((p) => ACTIVITY_FACTS[p.activity].bladed))
    add('meet_tool', placesOf('meet_tool', ACTIVITY_FACTS.meet_tool.zones), () => ({ reasons: [isNew] }));
  if (pieces.length > 0)
    add('easy_end', placesOf('easy_end', ACTIVITY_FACTS.easy_end.zones), () => ({
      reasons: [
        reason(
          input.dog.treatsAllowed && input.house.rewards === 'food' && !input.dog.guards.includes('food')
            ? 'step.easy_end_treat'
            : 'step.easy_end',
          {},
          0.5,
        ),
      ],
    }));
  for (const { zone, because } of vetOnly({
    dog: input.dog,
    feelOver: input.feelOver,
    strangled: input.feelOver.zones.filter((z) => z.strangles).map((z) => z.zone),
  })) {
    if (notPlanned.some((n) => n.to === 'vet' && n.zones.includes(zone))) continue;
    notPlanned.push({
      what: saying('what.zone', { zone }),
      activity: undefined,
      zones: [zone],
      to: 'vet',
      withinDays: vetWithinDays(because),
      reasons: [because],
    });
  }
  return { pieces, notPlanned, mats };

  function bathe(): void {
    const all = (activity: Activity): Place[] => placesOf(activity, ACTIVITY_FACTS[activity].zones);
    if (brushedThrough(input, kinds) && input.dog.coat !== 'smooth' && !mats.clipOff)
      trim('brush_through', ACTIVITY_FACTS.brush_through.zones, () => ({ reasons: [reason('step.brush_before_bath', {}, 0.3)] }));
    add('bath', all('bath'), plain);
    add('bath_head', all('bath_head'), plain);
    if (hasKind(kinds, 'short_nose') || input.feelOver.looked?.folds === 'damp')
      add('rinse_folds', all('rinse_folds'), () => ({ reasons: [reason('step.folds', {}, 0.7)] }));
    add('towel', all('towel'), plain);
    add('dry', all('dry'), plain);
  }

  function clipBody(zones: readonly ZoneId[]): void {
    if (ageWeeks(input.dog.born, input.today) < PUPPY_BODY_CLIP_FROM_WEEKS) {
      notPlanned.push({
        what: saying('what.body_clip', {}),
        activity: 'body_clip',
        zones,
        to: 'another_visit',
        // Not before then; no day by which it must be.
        withinDays: undefined,
        reasons: [reason('step.puppy_no_body_clip', { weeks: PUPPY_BODY_CLIP_FROM_WEEKS }, 0.9)],
      });
      return;
    }
    if (mats.clipOff)
      notPlanned.push({
        what: saying('what.body_clip_length', {}),
        activity: 'body_clip',
        // The coat is off there all the same: it is the length that is left.
        zones: [],
        to: 'left',
        withinDays: undefined,
        reasons: [reason('step.length_not_possible', { wanted: input.asked.wantedMm }, 0.9)],
      });
    const two = clipsInTwo({ kinds, input });
    if (two) trim('prep_clip', zones, () => ({ reasons: [reason('step.rough_clip', {}, 0.5)] }));
    trim('body_clip', zones, () => (two ? { minutesFactor: FINISH_AFTER_ROUGH } : {}));
  }
}

/** Asked for, and more than a puppy meets in one visit. */
const ofAnotherVisit = (item: ServiceItem, zones: readonly ZoneId[]): NotPlanned => ({
  what: saying('what.step', { step: item }),
  activity: item,
  zones,
  to: 'another_visit',
  withinDays: undefined,
  reasons: [item === 'body_clip' ? reason('step.puppy_face_alone', {}, 0.9) : reason('step.puppy_body_alone', {}, 0.9)],
});

/** Why the tool is met before it works: a puppy, a first visit, a first clipper, or one that hurt before. Common practice, no source. */
function whyMeetTool(input: PlanInput, kinds: readonly KindFound[]): Reason | undefined {
  if (hasKind(kinds, 'puppy')) return reason('step.meet_tool_puppy', {}, 0.7);
  const hurt = input.dog.injuries.find((i) => i.kind === 'burn' || i.kind === 'cut');
  if (hurt) return reason('step.meet_tool_hurt', { injury: hurt.kind }, 0.7);
  if (input.dog.groomedBy === 'never') return reason('step.meet_tool_never', {}, 0.7);
  if (hasKind(kinds, 'first_visit')) return reason('step.meet_tool_first', {}, 0.7);
  const clipped = input.history.some((h) => h.tool === 'clipper' && h.minutes > 0);
  return input.history.length > 0 && !clipped ? reason('step.meet_tool_new', {}, 0.7) : undefined;
}

/** Zones whose mat or crust is known from the last visit only. */
function notFeltToday(input: PlanInput, zones: readonly ZoneId[]): Reason[] {
  const old = (input.carriedZones ?? []).filter((c) => zones.includes(c.finding.zone));
  return old[0] ? [reason('step.zone_carried', { zones: old.map((c) => c.finding.zone), since: old[0].from }, 0.9)] : [];
}

function carriedOver(input: PlanInput, activity: Activity, at: Place): Reason[] {
  const carried = input.carriedOver?.find((c) => c.activity === activity && (c.place === undefined || at.zones.includes(c.place)));
  return carried && !input.asked.items.some((i) => i === activity) ? [reason('step.carried_over', { since: carried.from }, 0.8)] : [];
}

/** What is asked for, everywhere; and what the last visit left that can be asked for again, where it was left. */
function askedPlaces(input: PlanInput): { item: ServiceItem; zones: readonly ZoneId[] }[] {
  return SERVICE_ITEMS.flatMap((item) => {
    const zones = ACTIVITY_FACTS[item].zones;
    if (input.asked.items.includes(item)) return [{ item, zones }];
    const carried = (input.carriedOver ?? []).filter((c) => c.activity === item);
    if (carried.length === 0) return [];
    if (carried.some((c) => c.place === undefined)) return [{ item, zones }];
    const left = placesOf(item, zones).filter((at) => carried.some((c) => c.place !== undefined && at.zones.includes(c.place)));
    return left.length > 0 ? [{ item, zones: left.flatMap((at) => at.zones) }] : [];
  });
}

/** Tight mats that stay in: a place that nobody works on today, or that waits for another day. */
export function tightMatsLeft(input: PlanInput, planned: readonly Piece[]): ZoneId[] {
  return input.feelOver.zones
    .map((z) => z.zone)
    .filter(
      (zone) =>
        findingIn(input.feelOver, zone).matGrade >= 3 &&
        !planned.some((p) => p.zones.includes(zone) && ACTIVITY_FACTS[p.activity].mats === 'clip'),
    );
}
