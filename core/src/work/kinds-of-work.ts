import { ACTIVITIES, type Activity } from '../words/index.js';
import { ACTIVITY_FACTS, type ActivityFacts } from './activities.js';
/** Kinds of work by what is true of them: everything here follows from the one table of facts. */
const having = (is: (facts: ActivityFacts) => boolean): readonly Activity[] => ACTIVITIES.filter((a) => is(ACTIVITY_FACTS[a]));

/** A bath and what belongs to it: once the dog is wet, all of it is done. */
export const BATHING = having((f) => f.bath !== undefined);
/** A dog that goes home from these is rinsed first. */
export const LATHER = having((f) => f.bath === 'lather');
export const DRYING = having((f) => f.bath === 'dry');
/** A wet dog is not left to wait: all of a bath but its beginning. */
export const FOLLOWS_AT_ONCE = BATHING.slice(1);
/** Work that depends on what is found that day. `isFoundWork('crust') // => true` */
export const isFoundWork = (a: Activity): boolean => ACTIVITY_FACTS[a].found;
/** Mats are worked on. `isMatWork('nails') // => false` */
export const isMatWork = (a: Activity): boolean => ACTIVITY_FACTS[a].mats !== undefined;
/** What is done for the dog's ease: nobody asked for it, and nobody misses it when it was not done. */
export const isForEase = (a: Activity): boolean => a === 'meet_tool' || a === 'easy_end';
/** Tight mats are taken off close to the skin. */
export const CLOSE_WORK = having((f) => f.mats === 'clip');

/** Minutes against a dog of 15 to 30 kg. Our default. */
export function sizeFactor(weightKg: number): number {
  if (weightKg < 7) return 0.7;
  if (weightKg < 15) return 0.85;
  return weightKg < 30 ? 1 : 1.35;
}
