import type { Taken } from './propose-hour.js';

/** Somebody on a day: when they work, and what is booked with them; minutes from midnight. */
export interface HandsOnDay {
  readonly staffId: string;
  readonly works: Taken | undefined;
  readonly taken: readonly Taken[];
}
export interface DayToPropose {
  /** ISO date. */
  readonly day: string;
  readonly hands: readonly HandsOnDay[];
}
export interface ProposedTime {
  readonly day: string;
  /** Minutes from midnight. */
  readonly at: number;
  readonly staffId: string;
}
export interface TimesAsked {
  /** Minutes that the visit takes, > 0. */
  readonly minutes: number;
  /** With whom rather; others only where they have no time. */
  readonly with?: string | undefined;
  /** Nothing before it on the first day, minutes from midnight. */
  readonly notBefore?: number;
  readonly count?: number;
}

/** The steps in which times are proposed. Our default. */
const STEP = 15;
/** From here on it is the afternoon. */
const NOON = 12 * 60;
const COUNT = 3;

/**
 * Times that an owner may choose from: each on a day of its own, apart from each other as far as the days go, and in turn in the morning and in the afternoon,
 * for who can never come in the morning is not helped by three mornings. With whom it is rather, wherever they have time on that day.
 * @param days in order
 * @returns in order; fewer where there are not so many
 */
export function proposeTimes(
  days: readonly DayToPropose[],
  { minutes, with: rather, notBefore = 0, count = COUNT }: TimesAsked,
): ProposedTime[] {
  const open = days
    .map((d, i) => ({ day: d.day, free: freeOn(d, minutes, rather, i === 0 ? notBefore : 0) }))
    .filter((d) => d.free.length > 0);
  const wanted = Math.min(count, open.length);
  return Array.from({ length: wanted }, (_, k) => {
    // The middle of the k-th part of the days.
    const { day, free } = open[Math.floor(((k + 0.5) * open.length) / wanted)] ?? { day: '', free: [] };
    const half = free.filter((f) => (k % 2 === 0 ? f.at < NOON : f.at >= NOON));
    const [first] = half.length > 0 ? half : free;
    return first ? [{ day, at: first.at, staffId: first.staffId }] : [];
  }).flat();
}

/** Whether somebody works from a minute of the day on for so long, and nothing is booked with them in it. */
export function isFreeAt({ works, taken }: HandsOnDay, at: number, minutes: number): boolean {
  if (!works || at < works.from || at + minutes > works.to) return false;
  return !taken.some((t) => t.from < at + minutes && at < t.to);
}

/** Every time of a day with its hands, those with whom it is rather before all others. */
function freeOn(day: DayToPropose, minutes: number, rather: string | undefined, notBefore: number): { at: number; staffId: string }[] {
  const of = (h: HandsOnDay): { at: number; staffId: string }[] => {
    if (!h.works) return [];
    const out: { at: number; staffId: string }[] = [];
    for (let at = Math.ceil(Math.max(h.works.from, notBefore) / STEP) * STEP; at + minutes <= h.works.to; at += STEP)
      if (isFreeAt(h, at, minutes)) out.push({ at, staffId: h.staffId });
    return out;
  };
  const theirs = day.hands.filter((h) => h.staffId === rather).flatMap(of);
  return theirs.length > 0 ? theirs : day.hands.flatMap(of).sort((a, b) => a.at - b.at);
}
