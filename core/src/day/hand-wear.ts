import { type Activity, HAND_LIMITS, HAND_WORK, type HandWear, type HandWork } from '../words/index.js';
import { ACTIVITY_FACTS, BATHING } from '../work/index.js';
import type { DayProblem, DaySchedule } from './model.js';

export const NO_WEAR: HandWear = { clip: 0, brush: 0, bent: 0, lifted: 0 };

/** The wrist turns a clipper. Common practice, no source. */
const CLIPPED: readonly Activity[] = [
  'prep_clip',
  'clip_tight_fragile',
  'clip_tight_head',
  'clip_tight_body',
  'body_clip',
  'sanitary',
  'feet',
  'face',
];
/** The arm pulls against a coat. Common practice, no source. */
const BRUSHED: readonly Activity[] = ['brush_mats', 'brush_through', 'deshed'];
/** The back is bent beside a dog's feet. Common practice, no source. */
const BENT_AT_TABLE: readonly Activity[] = ['nails', 'feet', 'sanitary'];

/** What so many minutes of a kind of work wear. @param minutes ≥ 0 */
export function wearOfWork(activity: Activity, minutes: number): HandWear {
  const bent = BENT_AT_TABLE.includes(activity) || (BATHING.includes(activity) && ACTIVITY_FACTS[activity].post === 'tub');
  return {
    clip: CLIPPED.includes(activity) ? minutes : 0,
    brush: BRUSHED.includes(activity) ? minutes : 0,
    bent: bent ? minutes : 0,
    lifted: 0,
  };
}

/** Both together; what nobody knows is nothing. */
export function addWear(a: HandWear | undefined, b: HandWear | undefined): HandWear {
  const of = (w: HandWork): number => (a?.[w] ?? 0) + (b?.[w] ?? 0);
  return { clip: of('clip'), brush: of('brush'), bent: of('bent'), lifted: of('lifted') };
}

/**
 * What a day asks of everybody's hands, by person: what is planned and what is already done. The second pair of hands holds and lifts; it neither clips nor
 * brushes.
 * @param done by person, what is behind them today
 */
export function wearOfDay(problem: DayProblem, schedule: DaySchedule, done: ReadonlyMap<string, HandWear>): Map<string, HandWear> {
  const dogs = new Map(problem.dogs.map((d) => [d.id, d]));
  const out = new Map(problem.people.map((p) => [p.id, addWear(done.get(p.id), undefined)]));
  for (const s of schedule.stretches) {
    const wear = dogs.get(s.dog)?.blocks[s.block]?.stretches[s.stretch]?.wear;
    if (!wear) continue;
    if (s.person !== undefined) out.set(s.person, addWear(out.get(s.person), wear));
    if (s.helper !== undefined) out.set(s.helper, addWear(out.get(s.helper), { ...NO_WEAR, lifted: wear.lifted }));
  }
  return out;
}

/** A limit of somebody's own: `null` where the house's is theirs. */
export type OwnLimits = Readonly<Record<HandWork, number | null>>;

/** What somebody does in a day at most: the house's limits, and their own where those are lower. */
export function limitsOf(house: HandWear, own: OwnLimits | null | undefined): HandWear {
  const of = (w: HandWork): number => Math.min(house[w], own?.[w] ?? Infinity);
  return { clip: of('clip'), brush: of('brush'), bent: of('bent'), lifted: of('lifted') };
}

/** In what a day goes beyond the limits. */
export const overLimits = (wear: HandWear, limits: HandWear = HAND_LIMITS): HandWork[] =>
  HAND_WORK.filter((w) => wear[w] > limits[w] + 1e-9);
