import type { DayOdds } from '@mansuet/core/day';
import { clockOf, minuteOfDay, type Zone } from '@mansuet/core/days';
import { saying, type Saying } from '@mansuet/core/words';
import type { Tag } from '../today/today.service';
import { clockOf as sayClock } from '../wording/formats';

/** A dog that will probably be ready later than its owner was told. */
export interface LateDog {
  readonly visitId: string;
  readonly name: string;
  readonly by: number;
  /** Minute of the day, on the grid of what is told. */
  readonly ready: number;
  /** What its owner can be told. */
  readonly message: Saying;
}

/** Less is not worth a message. Our default, minutes. */
const WORTH_TELLING = 10;
/** What is told is on this grid, rather later than earlier, minutes. Our default. */
const TOLD_STEP = 5;

/** The dogs that will be late, the latest first: later than their owners come, or than they were told last. */
export function lateDogs(tags: readonly Tag[], odds: DayOdds, zone: Zone): LateDog[] {
  const ends = new Map(odds.dogs.map((d) => [d.dog, d]));
  return tags
    .flatMap((t): LateDog[] => {
      const end = ends.get(t.visit.visitId)?.end;
      const { state } = t;
      if (end === undefined || state.ended || state.off || state.arrivesAt === undefined) return [];
      const booked = minuteOfDay(clockOf(state.arrivesAt, zone)) + state.asked.sessionMinutes;
      const told = state.readyToldAt === undefined ? booked : minuteOfDay(clockOf(state.readyToldAt, zone));
      if (end - told < WORTH_TELLING) return [];
      const ready = Math.ceil(end / TOLD_STEP) * TOLD_STEP;
      const by = Math.round((ready - told) / TOLD_STEP) * TOLD_STEP;
      const { name } = t.visit.dog;
      const message = saying('day.tell_later', { name, text: sayClock(ready), minutes: by });
      return [{ visitId: t.visit.visitId, name, by, ready, message }];
    })
    .sort((a, b) => b.by - a.by);
}
