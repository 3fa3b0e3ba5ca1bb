import { findingIn } from '../findings/index.js';
import { isAbout, type LookedEffect, lookedEffects, lookedFacts } from '../knowledge/fit/index.js';
import { reason, type Reason, saying, type ZoneId } from '../words/index.js';
import type { NotPlanned, Piece } from './piece.js';
import type { PlanInput } from './plan-input.js';

/** A mark that bleeds or oozes is seen by a vet within this many days; one that nothing passes over is looked at again. Our defaults. */
const OPEN_MARK_DAYS = 3;
const MARK_AGAIN_DAYS = 28;
/** Red skin that nobody works on is looked at again. Our default. */
const RED_AGAIN_DAYS = 14;

/** Marks that are open: nothing passes over them. */
export const openMarks = (input: Pick<PlanInput, 'feelOver'>): PlanInput['feelOver']['marks'] =>
  input.feelOver.marks.filter((m) => m.surface === 'oozing' || m.surface === 'bleeding' || m.kind === 'sore');

const leftAt = (
  what: NotPlanned['what'],
  zones: readonly ZoneId[],
  to: NotPlanned['to'],
  days: number | undefined,
  reasons: readonly Reason[],
): NotPlanned => ({
  what,
  activity: undefined,
  zones,
  to,
  withinDays: days,
  reasons,
});

/** What is for a vet because of an open mark. */
export function openMarksTold(input: PlanInput): NotPlanned[] {
  return openMarks(input).map((m) =>
    leftAt(saying('what.mark', { zone: m.zone, size: [m.lengthMm, m.widthMm] }), [m.zone], 'vet', OPEN_MARK_DAYS, [
      m.kind === 'sore' ? reason('mark.sore', { zone: m.zone }, 1) : reason('mark.open', { zone: m.zone, surface: m.surface }, 1),
    ]),
  );
}

/**
 * What nobody works on today and is told all the same: a mark that no tool passes, red skin in a place that was not asked for, a finding
 * of the eyes without work that belongs to it. Nothing that was found is forgotten.
 */
export function toldOnly(input: PlanInput, pieces: readonly Piece[], notPlanned: readonly NotPlanned[]): NotPlanned[] {
  const touched = (zone: ZoneId): boolean => pieces.some((p) => p.zones.includes(zone)) || notPlanned.some((n) => n.zones.includes(zone));
  const marks = input.feelOver.marks
    .filter((m) => !touched(m.zone))
    .map((m) =>
      leftAt(saying('what.mark', { zone: m.zone, size: [m.lengthMm, m.widthMm] }), [m.zone], 'left', MARK_AGAIN_DAYS, [
        reason('mark.nothing_passes', { days: MARK_AGAIN_DAYS }, 0.5),
      ]),
    );
  const red = input.feelOver.zones
    .filter((z) => findingIn(input.feelOver, z.zone).skin === 'red' && !touched(z.zone))
    .map((z) =>
      leftAt(saying('what.red_skin', { zone: z.zone }), [z.zone], 'left', RED_AGAIN_DAYS, [
        reason('skin.red_again', { days: RED_AGAIN_DAYS }, 0.5),
      ]),
    );
  const worked = (e: LookedEffect): boolean =>
    pieces.some((p) => isAbout(e, p.activity, p.zones)) ||
    notPlanned.some((n) => n.activity !== undefined && isAbout(e, n.activity, n.zones));
  const looked = lookedEffects(input.feelOver)
    .filter((e) => !e.vet && !worked(e))
    .map((e) => leftAt(saying('what.looked', lookedFacts(e)), [], 'left', undefined, [e.because, reason('looked.not_asked', {}, 0.4)]));
  return [...marks, ...red, ...looked];
}
