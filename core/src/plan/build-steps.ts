import { ageWeeks, isIll, type KindFound } from '../knowledge/dogs/index.js';
import { type PainfulQuestion, painfulLimit } from '../knowledge/fit/index.js';
import { HOLDS } from '../knowledge/holds/index.js';
import { findFloorBreaches } from '../knowledge/floors/index.js';
import { type Activity, reason, saying } from '../words/index.js';
import { ACTIVITY_FACTS, BATHING, cannotDoWithout, isForEase, isFoundWork, type OrderContext } from '../work/index.js';
import type { MatWork } from './find-mat-work.js';
import { findPieces, tightMatsLeft } from './find-pieces.js';
import { floorStepOf } from './floor-step.js';
import { type BuiltStep, groupSteps, putOff } from './group-steps.js';
import { withinMuzzle, withinPain } from './painful-budget.js';
import { type NotPlanned, type Piece, whatOf } from './piece.js';
import type { PlanInput } from './plan-input.js';
import { toldOnly } from './told-only.js';
import { fixedByHand } from './wishes-on-steps.js';
import { wishFor } from './wishes.js';

export interface BuiltPlan {
  readonly steps: readonly BuiltStep[];
  /** Steps of a visit of their own: what hurts more than this visit may hold. */
  readonly later: readonly BuiltStep[];
  readonly notPlanned: readonly NotPlanned[];
  readonly mats: MatWork;
}

/** Steps of one plan at most; the search has a bit for each. What is beyond is for another day. */
const STEPS_AT_MOST = 26;

/** What decides how many painful minutes a dog is put through. */
export const painfulQuestion = (input: PlanInput, kinds: readonly KindFound[]): PainfulQuestion => ({
  kinds: kinds.map((k) => k.kind),
  frail: isIll(input.dog) || input.feelOver.looked?.ribs === 'thin',
  ageWeeks: ageWeeks(input.dog.born, input.today),
  afterStop: input.afterStop === true || input.told.includes('sore_after_last'),
  painfulBeforeStop: input.stopped?.painfulMinutes,
});

/** The steps that this visit could have, from what was asked for and what the hands found. */
export function buildSteps(input: PlanInput, kinds: readonly KindFound[]): BuiltPlan {
  const found = findPieces(input, kinds);
  const pain = withinPain(found.pieces, painfulLimit(painfulQuestion(input, kinds)));
  const muzzle = withinMuzzle(pain.today, HOLDS.muzzle.capMinutes);
  const notPlanned: NotPlanned[] = [...found.notPlanned, ...pain.notPlanned, ...muzzle.notPlanned];
  let pieces = withoutBathOverMats(input, muzzle.today, notPlanned);
  const breaches = findFloorBreaches({ ...input, steps: groupSteps(pieces).map(floorStepOf), notToday: notPlanned });
  for (const b of breaches)
    notPlanned.push({
      what: b.step ? saying('what.step', { step: b.step }) : b.zone ? saying('what.zone', { zone: b.zone }) : saying('what.somewhere', {}),
      activity: b.step,
      zones: b.zone ? [b.zone] : pieces.filter((p) => p.activity === b.step).flatMap((p) => p.zones),
      to: 'vet',
      withinDays: FLOOR_VET_DAYS,
      reasons: [b.because],
    });
  pieces = withoutForbidden(
    pieces.filter((p) => !breaches.some((b) => b.step === p.activity)),
    input,
    notPlanned,
  );
  const steps = within(
    fixedByHand(groupSteps(onItsGround(whole(pieces, notPlanned), { kinds, input }, notPlanned)), input, kinds),
    notPlanned,
  );
  const held = steps.flatMap((s) => s.pieces);
  notPlanned.push(...toldOnly(input, held, notPlanned));
  return { steps, later: groupSteps([...pain.later, ...muzzle.later]), notPlanned: merged(notPlanned), mats: found.mats };
}
const FLOOR_VET_DAYS = 7;

/** No bath over a tight mat that stays in, unless the groomer has decided it: wetting tightens it. */
function withoutBathOverMats(input: PlanInput, pieces: readonly Piece[], notPlanned: NotPlanned[]): readonly Piece[] {
  const stay = tightMatsLeft(input, pieces);
  if (stay.length === 0 || !pieces.some((p) => p.activity === 'bath')) return pieces;
  if (wishFor(input.wishes, 'require', 'bath'))
    return pieces.map((p) =>
      p.activity === 'bath' ? { ...p, reasons: [reason('step.bath_over_mat', { zones: stay }, 1), ...p.reasons] } : p,
    );
  const bathing = pieces.filter((p) => BATHING.includes(p.activity));
  const bath = bathing.find((p) => p.activity === 'bath');
  notPlanned.push({
    what: saying('what.bath', {}),
    activity: 'bath',
    zones: bath?.zones ?? [],
    to: 'another_visit',
    withinDays: undefined,
    reasons: [reason('step.no_bath_on_mats', { zones: stay }, 1)],
  });
  return pieces.filter((p) => !bathing.includes(p));
}

/** What only makes sense together is planned together: a bath with its drying, a comb with its soak. A bath that falls away with it is said. */
function whole(pieces: readonly Piece[], notPlanned: NotPlanned[]): Piece[] {
  const at = (activity: Piece['activity'], place: Piece['place']): boolean =>
    pieces.some((p) => p.activity === activity && p.place === place);
  const bath = pieces.find((p) => p.activity === 'bath');
  const dry = pieces.find((p) => p.activity === 'dry');
  const without = notPlanned.find((n) => n.activity === 'bath' || n.activity === 'dry');
  const alone = bath ?? dry;
  if (alone && !(bath && dry) && without)
    notPlanned.push({
      what: saying('what.step', { step: alone.name }),
      activity: alone.activity,
      zones: alone.zones,
      to: without.to,
      withinDays: without.withinDays,
      reasons: [reason('step.bath_whole', { without: without.what }, 0.9)],
    });
  // Crust whose soak falls away stays in, and it is said.
  for (const p of pieces.filter((x) => x.activity === 'crust' && !at('soak', x.place))) {
    const soak = notPlanned.find((n) => n.activity === 'soak' && n.zones.includes(p.place));
    notPlanned.push({
      what: whatOf(p),
      activity: 'crust',
      zones: p.zones,
      to: soak?.to ?? 'another_visit',
      withinDays: soak?.withinDays,
      reasons: [reason('left.needs_other', { other: 'soak' }, 0.9)],
    });
  }
  const kept = pieces.filter((p) => {
    if (BATHING.includes(p.activity)) return bath !== undefined && dry !== undefined;
    if (p.activity === 'brush_through') return bath !== undefined && dry !== undefined;
    if (p.activity === 'soak') return at('crust', p.place);
    return p.activity !== 'crust' || at('soak', p.place);
  });
  // Nothing to end, no tool to meet.
  const bladed = kept.some((p) => ACTIVITY_FACTS[p.activity].bladed);
  const work = kept.some((p) => !isForEase(p.activity));
  return kept.filter((p) => (p.activity !== 'easy_end' || work) && (p.activity !== 'meet_tool' || bladed));
}

/** What the groomer has left out. */
function withoutForbidden(pieces: readonly Piece[], input: PlanInput, notPlanned: NotPlanned[]): Piece[] {
  if (!input.wishes?.some((w) => w.kind === 'forbid')) return [...pieces];
  const steps = groupSteps(pieces);
  const forbidden = steps.filter((s) => wishFor(input.wishes, 'forbid', s.id));
  notPlanned.push(...forbidden.map((s) => putOff(s, steps, [reason('wish.forbidden', {}, 1)])));
  return pieces.filter((p) => !forbidden.some((s) => s.pieces.includes(p)));
}

/** No blade or shears where the mat or crust that should be out before stays in: what was put off takes with it what needs it there. */
function onItsGround(pieces: readonly Piece[], at: OrderContext, notPlanned: NotPlanned[]): Piece[] {
  const left = notPlanned.flatMap((n) => (n.activity && isFoundWork(n.activity) ? [{ activity: n.activity, zones: n.zones }] : []));
  const needs = (p: Piece): Activity | undefined =>
    BATHING.includes(p.activity) ? undefined : left.find((l) => cannotDoWithout(p, l, at))?.activity;
  for (const p of pieces) {
    const other = needs(p);
    if (other)
      notPlanned.push({
        what: whatOf(p),
        activity: p.activity,
        zones: p.zones,
        to: 'another_visit',
        withinDays: undefined,
        reasons: [reason('left.needs_other', { other }, 0.9)],
      });
  }
  return pieces.filter((p) => needs(p) === undefined);
}

/** As many steps as one visit's search can hold; what matters least is for another day, and it is said. */
function within(steps: readonly BuiltStep[], notPlanned: NotPlanned[]): BuiltStep[] {
  if (steps.length <= STEPS_AT_MOST) return [...steps];
  const urgency = (s: BuiltStep): number => Math.max(...s.pieces.map((p) => p.urgency));
  const beyond = [...steps]
    .filter((s) => !BATHING.includes(s.activity))
    .sort((a, b) => urgency(a) - urgency(b) || b.minutes - a.minutes)
    .slice(0, steps.length - STEPS_AT_MOST);
  notPlanned.push(...beyond.map((s) => putOff(s, steps, [reason('left.more_than_a_visit', { count: STEPS_AT_MOST }, 0.9)])));
  return steps.filter((s) => !beyond.includes(s));
}

/** Places that share work, fate and reason are told in one line. */
function merged(list: readonly NotPlanned[]): NotPlanned[] {
  const out = new Map<string, NotPlanned>();
  for (const n of list) {
    const piece = n.what.rule === 'what.piece';
    const rules = [...new Set(n.reasons.map((r) => r.rule))].join(' ');
    const key = piece
      ? JSON.stringify([n.activity, n.what.facts.step, n.to, n.withinDays, rules])
      : JSON.stringify([n.what, n.to, n.zones, rules]);
    const known = out.get(key);
    if (!known) out.set(key, n);
    else if (piece) {
      const zones = [...new Set([...known.zones, ...n.zones])];
      const step = known.what.facts.step;
      out.set(key, { ...known, zones, what: step ? saying('what.pieces', { step, zones }) : known.what });
    }
  }
  return [...out.values()];
}
