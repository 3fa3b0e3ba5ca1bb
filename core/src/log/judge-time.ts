import type { VisitEvent } from './events.js';

/** Clocks that differ by less are taken for the same, ms. Our default: a tap is not timed more closely than that. */
const SAME_CLOCK_MS = 2000;
/** Ahead of the arrival at most when nothing is known of the device's clock, ms: two clocks that keep network time are closer. Our default. */
const AHEAD_MS = 60_000;
/** Nothing was recorded before, Unix ms. Our default. */
const EARLIEST_MS = Date.UTC(2000, 0, 1);

/**
 * The time of an event as the salon's clock has it. Nothing that was recorded is refused for a wrong clock: what the measured offset puts right
 * is put right, what is still past its own arrival (or before any salon used this) is timed by its arrival, and both are marked.
 * @param arrivedMs when the server got it, Unix ms
 * @param offsetMs the server's clock less the device's when it was sent; `undefined`: not measured
 * @param place its place among the events that came with it, from 0: those timed by arrival keep their order
 */
export function judgeTime(event: VisitEvent, arrivedMs: number, offsetMs: number | undefined, place: number): VisitEvent {
  const shift = offsetMs !== undefined && Math.abs(offsetMs) > SAME_CLOCK_MS ? offsetMs : 0;
  const at = Date.parse(event.at) + shift;
  const wallMs = event.stamp.wallMs + shift;
  const latest = arrivedMs + (offsetMs === undefined ? AHEAD_MS : SAME_CLOCK_MS);
  const within = (ms: number): boolean => ms >= EARLIEST_MS && ms <= latest;
  if (shift === 0 && within(at) && within(wallMs)) return event;
  const byArrival = !within(at) || !within(wallMs);
  return {
    ...event,
    at: new Date(within(at) ? at : arrivedMs).toISOString(),
    stamp: within(wallMs)
      ? { ...event.stamp, wallMs: Math.round(wallMs) }
      : { ...event.stamp, wallMs: Math.round(arrivedMs), counter: Math.min(MAX_COUNTER, place) },
    timed: byArrival ? 'by_arrival' : 'by_offset',
  };
}

const MAX_COUNTER = 2 ** 31 - 1;
