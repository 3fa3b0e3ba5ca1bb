import {
  type BladeId,
  byWeight,
  type Competence,
  type MatGrade,
  type Reason,
  reason,
  RESISTANCE_CAUSES,
  type ResistanceCause,
  type ZoneId,
} from '../../words/index.js';
import { partOf, zoneFacts } from '../anatomy/index.js';

export type ResistanceAction = 'closer_blade' | 'stop_and_look' | 'let_go_tension' | 'leave_or_vet';

export interface ResistanceAnswer {
  readonly action: ResistanceAction;
  /** The blade to take instead, when there is one. */
  readonly next: BladeId | undefined;
  readonly reasons: readonly Reason[];
}

export interface Resistance {
  readonly cause: ResistanceCause;
  readonly zone: ZoneId;
  readonly blade: BladeId;
  readonly competence: Competence;
}

/** From the longest to the closest; a tight mat steps down by one. #30 and #40 between pads only, in trained hands. */
const CLOSER: Readonly<Partial<Record<BladeId, BladeId>>> = {
  '3F': '10',
  '4F': '10',
  '4': '10',
  '5F': '10',
  '5': '10',
  '7F': '10',
  '7': '10',
  '8.5': '10',
  '9': '10',
  '10': '15',
};
const CLOSER_ON_PADS: Readonly<Partial<Record<BladeId, BladeId>>> = { '10': '30', '15': '30', '30': '40' };

/**
 * What to do when the blade does not go on. Never push.
 * @example answerResistance({ cause: 'growth', zone: 'back', blade: '10', competence: 'groomer' }).action // => 'stop_and_look'
 */
export function answerResistance(r: Resistance): ResistanceAnswer {
  const zone = r.zone;
  if (r.cause === 'growth') return { action: 'stop_and_look', next: undefined, reasons: [reason('resist.growth', { zone }, 1)] };
  if (r.cause === 'skin_drawn_in') {
    const folded = zoneFacts(r.zone).fragile.some((f) => f === 'fold' || f === 'flap' || f === 'web');
    const because = [reason('resist.skin', { zone }, 1), ...(folded ? [reason('resist.fold_inside_out', { zone }, 0.8)] : [])];
    return { action: 'let_go_tension', next: undefined, reasons: byWeight(because) };
  }
  const next = closerBlade(r);
  if (next) return { action: 'closer_blade', next, reasons: [reason('resist.mat', { blade: next, zone }, 1)] };
  return { action: 'leave_or_vet', next: undefined, reasons: [reason('resist.leave', { blade: r.blade, zone }, 1)] };
}

function closerBlade({ zone, blade, competence }: Resistance): BladeId | undefined {
  const pads = partOf(zone) === 'fore_paw' || partOf(zone) === 'hind_paw';
  if (pads && competence === 'close_work' && CLOSER_ON_PADS[blade]) return CLOSER_ON_PADS[blade];
  return CLOSER[blade];
}

/**
 * The likeliest cause first, from what is known of the place: it is still asked, never assumed.
 * @example likelyCauses({ zone: 'back', matGrade: 0, markHere: true })[0] // => 'growth'
 */
export function likelyCauses(at: { readonly zone: ZoneId; readonly matGrade: MatGrade; readonly markHere: boolean }): ResistanceCause[] {
  const loose = zoneFacts(at.zone).fragile.some((f) => f === 'fold' || f === 'flap' || f === 'web' || f === 'thin_skin');
  const score: Readonly<Record<ResistanceCause, number>> = {
    // What cannot be undone is thought of first: a growth that is known, then skin where it is loose, then the mat.
    growth: at.markHere ? 4 : 1,
    skin_drawn_in: loose ? 3 : 0,
    tight_mat: at.matGrade >= 3 ? 3.5 : at.matGrade === 2 ? 2 : 0.5,
  };
  return [...RESISTANCE_CAUSES].sort((a, b) => score[b] - score[a]);
}
