import { clockOfMinute } from '../days/index.js';
import { type Reason, reason } from '../words/index.js';

/** A stretch of a day that is taken, minutes from midnight. */
export interface Taken {
  readonly from: number;
  readonly to: number;
}

/** The steps in which hours are proposed. Our default. */
const STEP = 15;

export interface HourProposed {
  /** `HH:MM`; the opening hour where nothing is free, none where nobody works. */
  readonly at: string;
  readonly free: boolean;
  readonly because: Reason;
}

/**
 * The first hour of a day at which a visit fits between what is booked with the same hands.
 * @param minutes it takes, > 0
 * @param open when these hands work on that day; `undefined`: not at all
 * @example proposeHour([{ from: 540, to: 600 }], 60, { from: 540, to: 1020 }).at // => '10:00'
 */
export function proposeHour(taken: readonly Taken[], minutes: number, open: Taken | undefined): HourProposed {
  if (!open) return { at: '', free: false, because: reason('hour.shut', {}, 0.9) };
  for (let from = open.from; from + minutes <= open.to; from += STEP) {
    if (taken.some((t) => t.from < from + minutes && from < t.to)) continue;
    const next = Math.min(open.to, ...taken.filter((t) => t.from >= from).map((t) => t.from));
    return {
      at: clockOfMinute(from),
      free: true,
      because: reason('hour.free', { text: clockOfMinute(from), from: minutes, to: next - from }, 0.4),
    };
  }
  return { at: clockOfMinute(open.from), free: false, because: reason('hour.full', { text: clockOfMinute(open.from) }, 0.8) };
}
