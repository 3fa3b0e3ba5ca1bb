import type { StrainEntry, WatchedVisit, WorkStretch } from './watched-visit.js';

/** A visit as far as it was gone through: until a minute, with so many of its entries. */
export interface GoneThrough {
  readonly visit: WatchedVisit;
  readonly minute: number;
  readonly taken: number;
}

/** Whether a visit is the same as far as it was gone through, so that it can be gone on with from there. */
export function goesOnFrom({ visit: old, minute, taken }: GoneThrough, visit: WatchedVisit, now: number): boolean {
  const sameDog = old.start === visit.start && old.halfLifeMinutes === visit.halfLifeMinutes;
  const nothingLate =
    (visit.entries[taken]?.minute ?? Infinity) >= minute && old.entries.slice(0, taken).every((e, i) => isSame(e, visit.entries[i]));
  const uncounted = visit.uncounted ?? [];
  const sameSigns = (old.uncounted ?? []).length === uncounted.length && (old.uncounted ?? []).every((s) => uncounted.includes(s));
  const before = (of: WatchedVisit): WorkStretch[] => of.stretches.filter((s) => s.fromMinute < minute);
  const until = (s: WorkStretch): number => Math.min(minute, s.toMinute ?? minute);
  const done = before(visit);
  const was = before(old);
  const sameWork =
    was.length === done.length &&
    was.every((s, i) => {
      const other = done[i];
      return other && s.fromMinute === other.fromMinute && s.ratePerMinute === other.ratePerMinute && until(s) === until(other);
    });
  return now >= minute && sameDog && nothingLate && sameSigns && sameWork;
}

function isSame(a: StrainEntry, b: StrainEntry | undefined): boolean {
  if (!b || a.kind !== b.kind || a.minute !== b.minute) return false;
  if (a.kind === 'signal' && b.kind === 'signal') return a.signal === b.signal && a.teachesNothing === b.teachesNothing;
  return a.kind === 'state_seen' && b.kind === 'state_seen' ? a.mood === b.mood : true;
}
