import { zoneFacts } from '../knowledge/anatomy/index.js';
import { brushingsAWeek } from '../knowledge/coat/index.js';
import { type DogFacts, lifeStage } from '../knowledge/dogs/index.js';
import { leavesWound } from '../incidents/index.js';
import { type VisitState, workNow } from '../visit/index.js';
import { type Activity, activityOf, JOINTS, type Reason, reason } from '../words/index.js';
import { CLOSE_WORK } from '../work/index.js';
import { type AccountLine, line } from './account-line.js';

/** Peak from which a quiet day is advised, points. Our default: the band `pause`. */
const CALM_ADVICE_FROM = 50;

export interface HomeCareFacts {
  readonly dog: Pick<DogFacts, 'name' | 'born' | 'weightKg' | 'coat'>;
  /** ISO date. */
  readonly today: string;
}

/** Whether a kind of work was done, or begun. */
const did = (state: VisitState, a: Activity): boolean =>
  [...(state.work?.steps.values() ?? [])].some((s) => activityOf(s.step) === a && ['done', 'part'].includes(s.status));

/** What was done today that is watched tonight: a close clip, mats off the ears, a hurt place, a hard day. Handbook 12; common practice, no source. */
export function watchTonight(state: VisitState, name: string): AccountLine[] {
  const out: AccountLine[] = [];
  const add = (key: string, says: Reason, stands?: AccountLine['stands']): void => void out.push(line('watch', key, says, stands));
  if (CLOSE_WORK.some((a) => did(state, a))) add('close_clip', reason('care.close_clip', { name }, 0.8));
  const earMats = state.feelOver.zones.some((z) => z.matGrade >= 2 && zoneFacts(z.zone).group === 'ears');
  if (earMats && did(state, 'clip_tight_head')) add('ear_mats', reason('care.ear_mats', {}, 0.9));
  if (state.incidents.some(leavesWound)) add('injury', reason('care.injury', {}, 0.9));
  else if (
    state.incidents.some((i) =>
      ['fall_or_jump', 'loop', 'joint_or_muscle_strain', 'water_inhaled', 'overheating', 'collapse_or_fit'].includes(i.kind),
    )
  )
    add('shaken', reason('care.shaken', { name }, 0.9));
  if (state.feelOver.looked?.ticks === 'tick') {
    const at = state.feelOver.foundAt?.ticks ?? [];
    add('tick', reason('care.tick', at.length > 0 ? { zones: at } : {}, 0.8));
  }
  const now = workNow(state, state.work?.clockMs ?? 0);
  if (now && !state.writtenAfter && now.strain.peak >= CALM_ADVICE_FROM) add('calm', reason('care.calm', { name }, 0.5));
  if (state.work) add('after_any', reason('care.after_any', {}, 0.3));
  return out;
}

/** What the owner does at home until the next visit, for this dog. Common practice, no source. */
export function homeCare(state: VisitState, { dog, today }: HomeCareFacts): AccountLine[] {
  const { zones, marks, favours, joints, looked } = state.feelOver;
  const { name } = dog;
  const out: AccountLine[] = [];
  const add = (key: string, says: Reason | readonly Reason[]): void => void out.push(line('home', key, says));
  const matted = zones.filter((z) => z.matGrade >= 1).map((z) => z.zone);
  if (matted.length > 0) {
    const week = brushingsAWeek(dog.coat, state.asked.wantedMm);
    add('brush', [reason('care.mats', { zones: matted }, 0.6), ...(week > 0 ? [reason('care.brushings', { count: week }, 0.5)] : [])]);
  }
  if (matted.includes('neck')) add('collar', reason('care.collar', {}, 0.5));
  if (looked?.ears === 'waxy') add('ears', reason('care.ears', {}, 0.4));
  if (looked?.folds === 'damp' || looked?.folds === 'sore') add('folds', reason('care.folds', {}, 0.5));
  if (looked?.nails === 'long' || looked?.nails === 'brittle') add('nails', reason('care.nails', {}, 0.4));
  if (marks.length > 0) add('marks', reason('care.marks', {}, 0.7));
  if (favours && favours !== 'none') add('spare_leg', reason('care.spare_leg', { name, weak: favours }, 0.8));
  const stiff = JOINTS.find((j) => (joints[j] ?? 'free') !== 'free');
  if (stiff) add('stiff', reason('care.stiff', { name, joint: stiff }, 0.7));
  if (looked?.grease === 'greasy') add('greasy', reason('care.greasy', {}, 0.5));
  if (lifeStage(dog, today) === 'puppy') add('puppy', reason('care.puppy', { name }, 0.6));
  return out;
}
