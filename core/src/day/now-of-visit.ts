import { clockOf, minuteOfDay, type Zone } from '../days/index.js';
import type { VisitState } from '../visit/index.js';
import { activityOf, type HandWear } from '../words/index.js';
import { addWear, NO_WEAR, wearOfWork } from './hand-wear.js';
import { hereSince } from './here-since.js';
import type { DayDog } from './model.js';
import { CLOSING_MINUTES } from './visit-of-day.js';
import type { DogNow, HandsNow } from './rest-of-day.js';

/** A dog that is due and of which nobody has heard is expected so soon. Our default, minutes. */
const SOON_MINUTES = 10;

/**
 * How far a visit has come on its day, from its log.
 * @param dog the same visit as the day sees it: of one that runs, what is left of it
 * @param nowMs the salon's clock
 */
export function nowOfVisit(state: VisitState, dog: DayDog, { nowMs, zone }: { readonly nowMs: number; readonly zone: Zone }): DogNow {
  const minute = (ms: number): number => minuteOfDay(clockOf(ms, zone));
  const id = state.visitId;
  if (state.off || state.ended || state.handedBack) return { dog: id, over: true };
  const by = state.handsId;
  // Hands are on it: they feel it over, or work.
  const isFelt = !state.feelOverDone && (state.moodFelt || state.fit !== undefined);
  if ((state.work || isFelt) && by !== undefined) {
    const left = (dog.blocks[0]?.stretches ?? []).reduce((sum, s) => sum + s.minutes, 0);
    return { dog: id, inHand: { person: by, minutesLeft: Math.max(CLOSING_MINUTES, left) } };
  }
  // It is here, and it waits for what comes next.
  const here = hereSince(state);
  if (here !== undefined) return { dog: id, waitsSince: Math.min(minute(here), minute(nowMs)) };
  if (state.expectedAt !== undefined) return { dog: id, expected: Math.max(minute(Date.parse(state.expectedAt)), minute(nowMs)) };
  const due = dog.arrives.to;
  const now = minute(nowMs);
  return now > due ? { dog: id, expected: now + SOON_MINUTES } : { dog: id };
}

/** What everybody has behind them of today: minutes with hands on, and what they wear. */
export function handsOfDay(states: readonly VisitState[]): { now: HandsNow[]; wear: Map<string, HandWear> } {
  const borne = new Map<string, number>();
  const wear = new Map<string, HandWear>();
  for (const s of states) {
    const by = s.handsId;
    if (!s.work || by === undefined) continue;
    let sum = NO_WEAR;
    let minutes = 0;
    for (const step of s.work.steps.values()) {
      const own = step.seconds / 60;
      minutes += own;
      sum = addWear(sum, wearOfWork(activityOf(step.step), own));
    }
    borne.set(by, (borne.get(by) ?? 0) + minutes);
    wear.set(by, addWear(wear.get(by), { ...sum, lifted: s.weightKg ?? 0 }));
  }
  return { now: [...borne].map(([person, points]) => ({ person, borne: points })), wear };
}
