import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { type Activity, type Reason, reason } from '../words/index.js';
import type { PlanInput } from './plan-input.js';

/** What a puppy meets once, in the order of what is easiest to bear. Common practice, no source; the order is our default. */
export const PUPPY_PARTS = ['nails', 'feet', 'face', 'bath', 'dry', 'ears', 'sanitary', 'body_clip'] as const satisfies readonly Activity[];
export type PuppyPart = (typeof PUPPY_PARTS)[number];
/** Every part is met once over about so many visits. Common practice, no source. */
export const PUPPY_VISITS = 4;
/** A puppy gets no full body clip under this age, weeks ("from about 4 months"). Common practice, no source. */
export const PUPPY_BODY_CLIP_FROM_WEEKS = 16;
/** Beside a body clip these would be a second visit's worth to a puppy. Common practice, no source. */
const FACE_FEET_EARS: readonly Activity[] = ['face', 'feet', 'ears', 'sanitary', 'tidy'];

export interface PuppyProgramme {
  /** This visit's place in the programme, from 1. */
  readonly visit: number;
  readonly met: readonly PuppyPart[];
  /** Not met yet and to be met now, as the rest of the programme leaves time for it. */
  readonly dueNow: readonly PuppyPart[];
  /** Not met yet; a later visit's. */
  readonly later: readonly PuppyPart[];
  /** Asked for, and for a visit of its own: the body clip beside face, feet and ears, or the other way round. */
  readonly apart: readonly Activity[];
}

type Question = Pick<PlanInput, 'asked' | 'history' | 'carriedOver'> & { readonly dog: Pick<PlanInput['dog'], 'visitsBefore'> };

/**
 * What a puppy has met, what is due to be met today, and what of the asked work has a visit of its own; `undefined` for other dogs.
 * The body goes first; face, feet and ears that it put off have the visit after it.
 * @param weeksOld age, weeks
 */
export function puppyProgramme(input: Question, kinds: readonly KindFound[], weeksOld: number): PuppyProgramme | undefined {
  if (!hasKind(kinds, 'puppy')) return undefined;
  const open = PUPPY_PARTS.filter((p) => p !== 'body_clip' || weeksOld >= PUPPY_BODY_CLIP_FROM_WEEKS);
  const met = PUPPY_PARTS.filter((p) => input.history.some((h) => h.activity === p && h.minutes > 0));
  const missing = open.filter((p) => !met.includes(p));
  const visit = input.dog.visitsBefore + 1;
  const share = Math.ceil(missing.length / Math.max(1, PUPPY_VISITS - visit + 1));
  const apart = workApart(input, weeksOld);
  // What is asked for today is met today; what is put off is not due.
  const asked = missing.filter((p) => isAsked(input, p) && !apart.includes(p));
  const others = missing.filter((p) => !asked.includes(p) && !apart.includes(p) && p !== 'body_clip');
  const dueNow = [...asked, ...others.slice(0, Math.max(0, share - asked.length))];
  return { visit, met, dueNow, later: PUPPY_PARTS.filter((p) => !met.includes(p) && !dueNow.includes(p)), apart };
}

/** A bath is asked for with its drying. */
const isAsked = (input: Question, part: PuppyPart): boolean =>
  input.asked.items.some((i) => i === part || (part === 'dry' && i === 'bath'));

function workApart(input: Question, weeksOld: number): readonly Activity[] {
  const wanted = (a: Activity): boolean => input.asked.items.some((i) => i === a) || carried(input, a);
  if (weeksOld < PUPPY_BODY_CLIP_FROM_WEEKS || !wanted('body_clip')) return [];
  const beside = FACE_FEET_EARS.filter(wanted);
  if (beside.length === 0) return [];
  // The last visit did the body and put these off: it is their turn.
  const theirTurn = beside.some((a) => carried(input, a)) && !carried(input, 'body_clip');
  return theirTurn ? ['body_clip'] : beside;
}

const carried = (input: Question, activity: Activity): boolean => input.carriedOver?.some((c) => c.activity === activity) ?? false;

/** The programme in sentences: where it stands, and what to offer of what nobody asked for. */
export function sayProgramme(programme: PuppyProgramme, input: Question): Reason[] {
  const { visit, met, dueNow, later } = programme;
  if (dueNow.length + later.length === 0) return [reason('plan.puppy_all_met', {}, 0.4)];
  const offer = dueNow.filter((p) => !isAsked(input, p));
  return [
    met.length === 0
      ? reason('plan.puppy_begins', { visits: PUPPY_VISITS }, 0.6)
      : reason('plan.puppy_programme', { count: visit, visits: PUPPY_VISITS, works: met }, 0.6),
    ...(offer.length > 0 ? [reason('plan.puppy_offer', { works: offer }, 0.6)] : []),
    ...(later.length > 0 ? [reason('plan.puppy_later', { works: later }, 0.4)] : []),
  ];
}
