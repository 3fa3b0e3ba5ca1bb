import { type BladeId, byWeight, type Reason, reason, type Stroke } from '../../words/index.js';
import { partOf, zoneFacts, zoneHandling } from '../anatomy/index.js';
import { BLADE_BANS } from './blade-bans.js';
import type { BladeQuestion } from './blade-question.js';
import { type Blade, familyOf, type Guard, isSkip, lengthLeftMm } from './blades.js';
import { longerFirst, stepDown } from './step-down.js';

export interface RejectedBlade {
  readonly blade: BladeId;
  readonly because: Reason;
}

export interface BladeChoice {
  /** `undefined`: no blade here; the reasons say what instead. */
  readonly blade: BladeId | undefined;
  /** Guard over a #30, when one is used. */
  readonly guard: Guard | undefined;
  readonly direction: 'with' | 'against';
  /** Which way the strokes run in this place. */
  readonly stroke: Stroke;
  /** Millimetres left; 0 when nothing is cut. */
  readonly lengthMm: number;
  /** Blades in the order of use: stepping down, the longer one comes first. */
  readonly sequence: readonly BladeId[];
  readonly reasons: readonly Reason[];
  readonly rejected: readonly RejectedBlade[];
}

/** A double coat is kept at least this long where a comb passes, mm: it is raked, not clipped short. Our default. */
const DOUBLE_COAT_LEAST_MM = 13;
/** A guard is offered from this wanted length, mm: the shortest guard leaves 3. */
const GUARD_FROM_MM = 2.9;

/**
 * The blade for one zone, with every other blade of the drawer and the rule that rejects it.
 * Danger is not a function of length: a #10 is safer than a longer #7 where skin is loose, and than a shorter #30 bare.
 * @throws RangeError when the wanted length is not positive
 */
export function chooseBlade(q: BladeQuestion): BladeChoice {
  if (!(q.wantedMm > 0)) throw new RangeError(`chooseBlade: wanted length ${q.wantedMm} mm is not positive`);
  const none = noBladeHere(q);
  if (none) return nothing([none], allOf(q.drawer, none));
  const rejected: RejectedBlade[] = [];
  const may: Blade[] = [];
  for (const blade of q.drawer) {
    const ban = banOn(blade, q);
    if (ban) rejected.push({ blade: blade.id, because: ban });
    else may.push(blade);
  }
  const wanted = wantedHere(q);
  const least = neverCloserThan(q, wanted);
  const allowed = may.filter((b) => b.lengthMm >= least);
  for (const { id } of may.filter((b) => !allowed.includes(b)))
    rejected.push({ blade: id, because: reason('blade.not_closer_for_it', { blade: id, mm: least }, 0.85) });
  const best = closest(allowed, wanted, mayGoAgainst(q));
  const guarded = guardFor(q, wanted);
  if (guarded && (!best || Math.abs(guarded.mm - wanted) < Math.abs(best.mm - wanted))) {
    const { guard, mm, under } = guarded;
    const because = [reason('blade.guard_comb_passes', { zone: q.zone, guard: guard.id, mm, blade: under }, 0.6)];
    return {
      blade: under,
      guard,
      direction: 'with',
      stroke: strokeHere(q),
      lengthMm: mm,
      sequence: [under],
      reasons: byWeight([...because, ...coatReasons(q)]),
      rejected: [...rejected.filter((r) => r.blade !== under), ...furtherFrom(allowed, undefined, wanted)],
    };
  }
  if (!best) return nothing([reason('blade.none_left', { zone: q.zone }, 1)], rejected);
  const sequence = stepDown(best.blade, allowed, q);
  // Burned here before: one pass with the longer blade, and close is given up.
  const longer = q.burnedHere === true ? allowed.find((b) => b.id === longerFirst(best.blade, allowed, q)[0]) : undefined;
  if (longer && longer.id !== best.blade.id)
    return {
      blade: longer.id,
      guard: undefined,
      direction: 'with',
      stroke: strokeHere(q),
      lengthMm: lengthLeftMm(longer, 'with'),
      sequence: [longer.id],
      reasons: byWeight(reasonsFor({ blade: longer, direction: 'with', mm: lengthLeftMm(longer, 'with') }, [longer.id], q)),
      rejected: [...rejected, ...furtherFrom(allowed, longer, wanted)],
    };
  return {
    blade: best.blade.id,
    guard: undefined,
    direction: best.direction,
    stroke: strokeHere(q),
    lengthMm: best.mm,
    sequence,
    reasons: byWeight(reasonsFor(best, sequence, q)),
    rejected: [...rejected, ...furtherFrom(allowed, best.blade, wanted)],
  };
}

/**
 * The least length that skin like this may be left, mm: what the same dog would get if nothing was delicate about it. A ban on a longer
 * blade never leads to a closer one; where a mat decides which blades go under it, that is exempt. Common practice, no source.
 */
function neverCloserThan(q: BladeQuestion, wantedMm: number): number {
  const delicate =
    q.skin !== 'sound' || !q.skinKnown || q.thinSkin || q.markHere || q.faceCare || q.burnedHere === true || q.movement !== 'still';
  if (!delicate || q.matGrade >= 2) return 0;
  const plain: BladeQuestion = {
    ...q,
    skin: 'sound',
    skinKnown: true,
    thinSkin: false,
    markHere: false,
    faceCare: false,
    burnedHere: false,
    movement: 'still',
  };
  const blades = q.drawer.filter((b) => banOn(b, plain) === undefined);
  return closest(blades, wantedMm, mayGoAgainst(plain))?.mm ?? 0;
}

function nothing(reasons: readonly Reason[], rejected: readonly RejectedBlade[]): BladeChoice {
  return { blade: undefined, guard: undefined, direction: 'with', stroke: 'none', lengthMm: 0, sequence: [], reasons, rejected };
}

const allOf = (drawer: readonly Blade[], because: Reason): RejectedBlade[] => drawer.map((b) => ({ blade: b.id, because }));

/** What keeps every blade away. */
function noBladeHere(q: BladeQuestion): Reason | undefined {
  const zone = q.zone;
  if (q.skin === 'sore') return reason('blade.sore_skin', { zone }, 1);
  if (partOf(q.zone) === 'tuck_up' && q.matGrade >= 3 && q.competence !== 'close_work') return reason('blade.tuck_up_leave', { zone }, 1);
  if (partOf(q.zone) === 'eye' && q.movement === 'jerks') return reason('blade.eye_jerks', { zone }, 1);
  if (zoneHandling(q.zone).forbids.includes('clipper')) return reason('blade.no_coat_here', { zone }, 1);
  return undefined;
}

/** The rule that forbids a bare blade here; `undefined` when it is allowed. */
export function banOn(blade: Blade, q: BladeQuestion): Reason | undefined {
  const ban = BLADE_BANS.find((b) => b.when(blade, q));
  return ban && reason(ban.rule, { blade: blade.id, zone: q.zone }, ban.weight);
}

/** A double coat that a comb goes through is not cut short, whatever was asked for. */
function wantedHere(q: BladeQuestion): number {
  return keptLong(q) ? Math.max(q.wantedMm, DOUBLE_COAT_LEAST_MM) : q.wantedMm;
}

const keptLong = (q: BladeQuestion): boolean =>
  q.coat === 'double' && q.matGrade <= 1 && ['body', 'neck', 'legs'].includes(zoneFacts(q.zone).group) && q.wantedMm < DOUBLE_COAT_LEAST_MM;

/**
 * Against the grain about half the length is left, and skin is met by the edge: only on the sound, known skin of a still, clean
 * dog's body, in hands that are past learning. Common practice, no source.
 */
export function mayGoAgainst(q: BladeQuestion): boolean {
  return (
    q.skin === 'sound' &&
    q.burnedHere !== true &&
    q.skinKnown &&
    !q.thinSkin &&
    !q.markHere &&
    q.matGrade === 0 &&
    q.cleanliness === 'clean' &&
    q.movement === 'still' &&
    q.competence !== 'learning' &&
    zoneHandling(q.zone).stroke === 'with_grain' &&
    !zoneFacts(q.zone).closeToothOnly
  );
}

interface Candidate {
  readonly blade: Blade;
  readonly direction: 'with' | 'against';
  readonly mm: number;
}

/** The allowed blade closest to the wanted length; between equals with the grain, then full teeth, then the longer. */
function closest(allowed: readonly Blade[], wantedMm: number, against: boolean): Candidate | undefined {
  const directions = against ? (['with', 'against'] as const) : (['with'] as const);
  const candidates = allowed.flatMap((blade) =>
    directions
      // Against the grain is for a finish shorter than the safe blades leave; never with the family that cuts.
      .filter((direction) => direction === 'with' || familyOf(blade.id) === 'close_teeth')
      .map((direction) => ({ blade, direction, mm: lengthLeftMm(blade, direction) })),
  );
  return candidates.sort(
    (a, b) =>
      Math.abs(a.mm - wantedMm) - Math.abs(b.mm - wantedMm) ||
      Number(a.direction === 'against') - Number(b.direction === 'against') ||
      Number(isSkip(a.blade)) - Number(isSkip(b.blade)) ||
      b.mm - a.mm,
  )[0];
}

function furtherFrom(allowed: readonly Blade[], best: Blade | undefined, wanted: number): RejectedBlade[] {
  return allowed
    .filter((b) => b !== best)
    .map((b) => ({ blade: b.id, because: reason('blade.further_from_wanted', { blade: b.id, mm: b.lengthMm, wanted }, 0.1) }));
}

/** What a guard sits on: a #30 for the trained, a #10 for everyone else. Common practice, no source. */
const UNDER_GUARD: readonly { readonly blade: BladeId; readonly trained: boolean }[] = [
  { blade: '30', trained: true },
  { blade: '10', trained: false },
];

/**
 * A guard goes only through coat that a comb goes through, on sound skin, never over folds or a mark that nobody has looked for; on the belly
 * it is the barrier. Guards are named by what they leave over a #30; over a #10 it is longer by what the blades differ.
 */
function guardFor(q: BladeQuestion, wantedMm: number): { guard: Guard; mm: number; under: BladeId } | undefined {
  const facts = zoneFacts(q.zone);
  if (q.matGrade > 0 || q.skin !== 'sound' || q.markUnseen === true || q.inFold === true) return undefined;
  if (facts.closeToothOnly && partOf(q.zone) !== 'belly') return undefined;
  if (facts.group === 'feet' || wantedMm < GUARD_FROM_MM) return undefined;
  const sharp = (id: BladeId): Blade | undefined => q.drawer.find((b) => b.id === id && b.dull !== true);
  const under = UNDER_GUARD.find((u) => (!u.trained || q.competence === 'close_work') && sharp(u.blade))?.blade;
  const blade = under && sharp(under);
  if (!blade) return undefined;
  const more = Math.max(0, blade.lengthMm - UNDER_NOMINAL_MM);
  const options = q.guards.map((guard) => ({ guard, mm: guard.lengthMm + more, under: blade.id }));
  return options.sort((x, y) => Math.abs(x.mm - wantedMm) - Math.abs(y.mm - wantedMm))[0];
}
/** A #30 leaves 0.5 mm: what the length of a guard is named over. */
const UNDER_NOMINAL_MM = 0.5;

/** Side to side and down under a tail, unless the house lets trained hands go a little upwards on a dog that stands still. */
function strokeHere(q: BladeQuestion): Stroke {
  const { stroke } = zoneHandling(q.zone);
  const mayGoUp =
    q.house.underTail === 'little_up_trained' && q.competence === 'close_work' && q.movement === 'still' && q.skin === 'sound';
  return stroke === 'sideways_and_down' && mayGoUp && q.matGrade === 0 ? 'with_grain' : stroke;
}

function coatReasons(q: BladeQuestion): Reason[] {
  const out: Reason[] = [];
  if (keptLong(q)) out.push(reason('blade.double_coat_raked', { wanted: q.wantedMm, mm: DOUBLE_COAT_LEAST_MM }, 0.8));
  return out;
}

function reasonsFor(best: Candidate, sequence: readonly BladeId[], q: BladeQuestion): Reason[] {
  const zone = q.zone;
  const name = best.blade.id;
  const reasons: Reason[] = coatReasons(q);
  if (q.matGrade >= 3) reasons.push(reason('blade.starts_under_tight_mat', { blade: name, zone }, 0.9));
  if (zoneFacts(q.zone).closeToothOnly) reasons.push(reason('blade.close_teeth_here', { blade: name, zone }, 0.8));
  if (q.thinSkin) reasons.push(reason('blade.thin_skin_light_hand', { zone }, 0.7));
  if (q.markHere) reasons.push(reason('blade.mark_here', { zone }, 0.8));
  if (!q.skinKnown && q.matGrade < 2) reasons.push(reason('blade.unknown_skin', { zone }, 0.5));
  if (best.direction === 'against') reasons.push(reason('blade.against_grain', { blade: name, mm: best.mm }, 0.6));
  if (sequence.length > 1 && q.overgrown === true)
    reasons.push(reason('blade.overgrown_longer_first', { first_blade: sequence[0] ?? name, blade: name, weeks: q.overgrownWeeks }, 0.7));
  else if (sequence.length > 1) reasons.push(reason('blade.step_down', { first_blade: sequence[0] ?? best.blade.id, blade: name }, 0.5));
  if (Math.abs(best.mm - q.wantedMm) > 1) reasons.push(reason('blade.length_not_possible', { wanted: q.wantedMm, mm: best.mm, zone }, 0.6));
  if (q.burnedHere === true) reasons.push(reason('blade.burned_one_pass', { zone, on: q.burnedOn }, 0.95));
  if (q.greasy === true) reasons.push(reason('blade.greasy_clean', {}, 0.4));
  if (reasons.length === 0) reasons.push(reason('blade.default', { blade: name, mm: best.mm }, 0.3));
  return reasons;
}
