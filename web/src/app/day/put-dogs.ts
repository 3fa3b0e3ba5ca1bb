import type { KeptDayPlan } from '@mansuet/core/contract';
import type { DayDog } from '@mansuet/core/day';

/** Dogs that were put somewhere by hand: with whom, and from when. */
export type PutDogs = ReadonlyMap<string, DayDog['fixed']>;

/** What was put by hand in a plan that was taken. */
export const putOf = (kept: Pick<KeptDayPlan, 'put'> | null): PutDogs =>
  new Map(
    kept?.put.map(({ visitId, person, from }) => [
      visitId,
      { ...(person === undefined ? {} : { person }), ...(from === undefined ? {} : { from }) },
    ]),
  );

const isSame = (a: DayDog['fixed'] | undefined, b: DayDog['fixed'] | undefined): boolean =>
  (a === undefined) === (b === undefined) && a?.person === b?.person && a?.from === b?.from;
export const isSamePut = (a: PutDogs, b: PutDogs): boolean => a.size === b.size && [...a].every(([id, fixed]) => isSame(fixed, b.get(id)));

/**
 * What is put by hand once somebody has taken another plan: that plan's, with what was changed here since the one before.
 * @param was of the plan before
 * @param now what stood here
 * @param next of the plan that was taken
 */
export function putSince(was: PutDogs, now: PutDogs, next: PutDogs): PutDogs {
  const out = new Map([...next].filter(([id]) => now.has(id) || !was.has(id)));
  for (const [id, fixed] of now) if (!isSame(fixed, was.get(id))) out.set(id, fixed);
  return out;
}
