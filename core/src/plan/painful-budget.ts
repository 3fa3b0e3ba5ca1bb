import { painfulLimit } from '../knowledge/fit/index.js';
import { reason, type RuleId } from '../words/index.js';
import { type NotPlanned, type Piece, whatOf } from './piece.js';

/** Days within which what hurts is done here or seen by a vet. Our default. */
const HURTS_WITHIN_DAYS = 7;

export interface Bearable {
  readonly today: readonly Piece[];
  /** For a short visit of its own. */
  readonly later: readonly Piece[];
  readonly notPlanned: readonly NotPlanned[];
}

/**
 * What hurts, up to what this dog can take in one visit: what hurts most when it is left comes first. The rest is split over short
 * visits; a vet's is only what is more in itself than a visit may hold.
 */
export function withinPain(pieces: readonly Piece[], budget: ReturnType<typeof painfulLimit>): Bearable {
  const hurts = pieces.filter((p) => p.painfulMinutes > 0).sort((a, b) => b.urgency - a.urgency || a.painfulMinutes - b.painfulMinutes);
  const later = new Set<Piece>();
  const vet = new Set<Piece>();
  let minutes = 0;
  for (const p of hurts) {
    if (p.painfulMinutes > budget) vet.add(p);
    else if (minutes + p.painfulMinutes > budget) later.add(p);
    else minutes += p.painfulMinutes;
  }
  const left = (p: Piece, to: 'vet' | 'another_visit'): NotPlanned => ({
    what: whatOf(p),
    activity: p.activity,
    zones: p.zones,
    to,
    withinDays: HURTS_WITHIN_DAYS,
    reasons: [
      to === 'vet'
        ? reason('fit.painful_alone', { minutes: Math.round(p.painfulMinutes), limit: budget }, 0.95)
        : reason('fit.painful_later', { limit: budget, days: HURTS_WITHIN_DAYS }, 0.95),
    ],
  });
  return {
    today: pieces.filter((p) => !later.has(p) && !vet.has(p)),
    later: [...later],
    notPlanned: [...[...vet].map((p) => left(p, 'vet')), ...[...later].map((p) => left(p, 'another_visit'))],
  };
}

/** Under a muzzle for the house alone: nothing in it is known to bring out the teeth of this dog. */
const forTheHouse = (p: Piece): boolean =>
  p.hold.reasons.some((r) => r.rule === 'hold.house_muzzle_whole_visit') && !p.rate.painful && !p.rate.triggered;

/**
 * Work under a muzzle, up to what one fitting may last: fitting it again is the moment that bites. What needs it most comes first; what a
 * house would only like to do under it is done without it when its minutes are used, the rest is for a visit of its own.
 * @param capMinutes of one fitting
 */
export function withinMuzzle(pieces: readonly Piece[], capMinutes: number): Bearable {
  const muzzled = pieces
    .filter((p) => p.hold.also.includes('muzzle'))
    .sort((a, b) => Number(forTheHouse(a)) - Number(forTheHouse(b)) || b.urgency - a.urgency || a.minutes - b.minutes);
  const later = new Set<Piece>();
  const without = new Set<Piece>();
  let minutes = 0;
  for (const p of muzzled) {
    if (minutes + p.minutes <= capMinutes) minutes += p.minutes;
    else (forTheHouse(p) ? without : later).add(p);
  }
  return {
    today: pieces.filter((p) => !later.has(p)).map((p) => (without.has(p) ? unmuzzled(p, capMinutes) : p)),
    later: [...later],
    notPlanned: [...later].map((p) => ({
      what: whatOf(p),
      activity: p.activity,
      zones: p.zones,
      to: 'another_visit' as const,
      withinDays: p.painfulMinutes > 0 ? HURTS_WITHIN_DAYS : undefined,
      reasons: [reason('hold.muzzle_minutes', { minutes: capMinutes }, 0.9)],
    })),
  };
}

function unmuzzled(p: Piece, capMinutes: number): Piece {
  const reasons = p.hold.reasons.filter((r) => !MUZZLE_REASONS.includes(r.rule));
  return {
    ...p,
    hold: {
      ...p.hold,
      also: p.hold.also.filter((h) => h !== 'muzzle'),
      reasons: [reason('hold.muzzle_used_up', { minutes: capMinutes }, 0.7), ...reasons],
    },
  };
}
const MUZZLE_REASONS: readonly RuleId[] = [
  'hold.house_muzzle_whole_visit',
  'hold.muzzle_before_first_tool',
  'hold.muzzle_without_food',
  'hold.muzzle_not_used',
  'hold.muzzle_not_asked',
];
