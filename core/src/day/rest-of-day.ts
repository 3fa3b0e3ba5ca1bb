import type { DayDog, DayPerson, DayProblem, DayStretch } from './model.js';

/** How far a dog has come today. */
export interface DogNow {
  readonly dog: string;
  /** Gone home, or not coming: nothing of it is to be planned. */
  readonly over?: boolean;
  /** Blocks that are done. */
  readonly blocksDone?: number;
  /** In the middle of the next one: with whom, and how long it still takes. */
  readonly inHand?: { readonly person: string; readonly minutesLeft: number };
  /** In the salon, and waiting or resting since, minute of the day. */
  readonly waitsSince?: number;
  /** Not here yet: when it is expected now. */
  readonly expected?: number;
}

/** What somebody has done of their day, beside whom they have in hand. */
export interface HandsNow {
  readonly person: string;
  /** Load borne, points. */
  readonly borne: number;
  /** Breaks that were had. */
  readonly breaksHad?: number;
}

/**
 * The day that is left, from now on: what is done is gone from it, what is in hand stays in those hands and begins with what is left of it, who is here does not
 * begin to wait anew, and who is late comes when it is expected. It is planned like any other day.
 * @param now minute of the day
 */
export function restOfDay(problem: DayProblem, now: number, dogs: readonly DogNow[], hands: readonly HandsNow[] = []): DayProblem {
  const from = problem.from + Math.ceil((now - problem.from) / problem.slot) * problem.slot;
  const state = new Map(dogs.map((d) => [d.dog, d]));
  return {
    ...problem,
    from: Math.max(problem.from, from),
    people: problem.people.map((p) =>
      personNow(
        p,
        from,
        hands.find((h) => h.person === p.id),
      ),
    ),
    dogs: problem.dogs.flatMap((d) => {
      const left = dogNow(d, from, state.get(d.id));
      return left ? [left] : [];
    }),
  };
}

function personNow(person: DayPerson, now: number, had: HandsNow | undefined): DayPerson {
  const works = person.works.map((w) => ({ from: Math.max(w.from, now), to: w.to })).filter((w) => w.from < w.to);
  // A break whose time is over and that was not had is still owed: as soon as it can be.
  const breaks = person.breaks
    .slice(had?.breaksHad ?? 0)
    .map((b) => ({ ...b, from: Math.max(b.from, now), to: Math.max(b.to, now + OWED_WITHIN) }));
  return { ...person, works, breaks, borne: had?.borne ?? person.borne };
}
/** A break that is owed is had within this, minutes. Our default. */
const OWED_WITHIN = 60;

function dogNow(dog: DayDog, now: number, state: DogNow | undefined): DayDog | undefined {
  if (state?.over) return undefined;
  const left = dog.blocks.slice(state?.blocksDone ?? 0);
  const [first, ...rest] = left;
  if (!first) return undefined;
  // A time that was fixed and has gone by, or before which the dog cannot come any more, holds nothing.
  const { from: at, ...person } = dog.fixed;
  const soonest = Math.max(now, state?.expected ?? now);
  const fixed = at !== undefined && at >= soonest && (state?.blocksDone ?? 0) === 0 ? dog.fixed : person;
  if (state?.inHand) {
    const { person: by, minutesLeft } = state.inHand;
    const stretches = lastOf(first.stretches, minutesLeft);
    return {
      ...dog,
      blocks: [{ ...first, restBefore: 0, by, stretches }, ...rest],
      arrives: { from: now, to: now },
      fixed: { ...person, from: now },
    };
  }
  const since = state?.waitsSince;
  if (since !== undefined) {
    const rests = Math.max(0, first.restBefore - (now - since));
    const waited = Math.max(0, now - since - first.restBefore);
    const arrives = { from: now + rests, to: now + rests };
    return { ...dog, blocks: [{ ...first, restBefore: 0 }, ...rest], arrives, waitsAtMost: Math.max(0, dog.waitsAtMost - waited), fixed };
  }
  const { from, to } = state?.expected === undefined ? dog.arrives : { from: state.expected, to: state.expected };
  return { ...dog, blocks: left, arrives: { from: Math.max(from, now), to: Math.max(to, now) }, fixed };
}

/** The last minutes of a row of stretches; where more are left than it was thought to take, the last one is longer. */
function lastOf(all: readonly DayStretch[], minutesLeft: number): DayStretch[] {
  let done = Math.max(0, all.reduce((sum, s) => sum + s.minutes, 0) - minutesLeft);
  const left: DayStretch[] = [];
  for (const s of all) {
    const gone = Math.min(done, s.minutes);
    done -= gone;
    if (gone < s.minutes) left.push({ ...s, minutes: s.minutes - gone, load: (s.load * (s.minutes - gone)) / s.minutes });
  }
  const more = minutesLeft - left.reduce((sum, s) => sum + s.minutes, 0);
  const last = left.at(-1) ?? all.at(-1);
  return last && more > 0 ? [...left.slice(0, -1), { ...last, minutes: (left.length > 0 ? last.minutes : 0) + more }] : left;
}
