import { painfulLimit } from '../knowledge/fit/index.js';
import { reason } from '../words/index.js';
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

/**
 * Work under a muzzle, up to what one fitting may last: fitting it again is the moment that bites. What matters most comes first, the
 * rest is for a visit of its own.
 * @param capMinutes of one fitting
 */
export function withinMuzzle(pieces: readonly Piece[], capMinutes: number): Bearable {
  const muzzled = pieces.filter((p) => p.hold.also.includes('muzzle')).sort((a, b) => b.urgency - a.urgency || a.minutes - b.minutes);
  const later = new Set<Piece>();
  let minutes = 0;
  for (const p of muzzled) {
    if (minutes + p.minutes > capMinutes) later.add(p);
    else minutes += p.minutes;
  }
  return {
    today: pieces.filter((p) => !later.has(p)),
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
