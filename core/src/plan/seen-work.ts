import type { SeenWork } from '../strain/index.js';
import type { Activity, HoldId, Posture } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';

const LYING: readonly HoldId[] = ['lap_or_side', 'under_arm'];
const LEG_UP: readonly HoldId[] = ['leg_folded', 'foreleg_forward'];
const HEAD: readonly HoldId[] = ['chin_hair', 'cupped_chin', 'muzzle_steady', 'behind_jaw'];

/** How the dog is while a hold is on: `postureOf('nails', 'under_arm') // => 'lying'`. */
export function postureOf(activity: Activity, hold: HoldId): Posture {
  if (ACTIVITY_FACTS[activity].post === 'tub') return 'in_tub';
  if (LYING.includes(hold)) return 'lying';
  if (LEG_UP.includes(hold)) return 'leg_lifted';
  return HEAD.includes(hold) ? 'head_held' : 'standing';
}

/**
 * Minutes and points of some work as the learning reads them. A step lies in the group of zones that its activity is mainly about.
 * @example seenWork('nails', 'under_arm', 5, 12).tool // => 'nail_tool'
 */
export function seenWork(activity: Activity, hold: HoldId, minutes: number, points: number): SeenWork<Activity> {
  const facts = ACTIVITY_FACTS[activity];
  return { activity, group: facts.groups[0] ?? 'body', tool: facts.tool, posture: postureOf(activity, hold), minutes, points };
}
