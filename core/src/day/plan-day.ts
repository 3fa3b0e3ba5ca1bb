import { randomLcg } from 'd3-random';
import { compareDays, LOAD_STEP } from './judge-day.js';
import { DAY_GOALS, type DayGoal, type DayProblem, type DaySchedule, type DayTerms } from './model.js';
import { type DayChoice, DayPlacer } from './place-day.js';

export interface DayOptions {
  /** Ms, from any beginning. Without it no time is kept, and `rounds` ends the search. */
  readonly clock?: () => number;
  readonly limitMs?: number;
  /** Changes tried at most. */
  readonly rounds?: number;
  /** 0 to 1; the same one finds the same day. */
  readonly seed?: number;
  /** What is kept small, the weightiest first. */
  readonly goals?: readonly DayGoal[];
  /** What is in hand: where it can stand, it is where the search begins, so that little changes. */
  readonly from?: DayChoice;
}

/** How sure it is that no day is better in a goal: the least that it can come to. */
export interface DayBound {
  readonly goal: DayGoal;
  readonly value: number;
  readonly least: number;
}

export interface DayPlan {
  readonly schedule: DaySchedule;
  readonly terms: DayTerms;
  readonly choice: DayChoice;
  /** Each goal against the least it can come to: equal is proven, as long as all before it are equal too. */
  readonly bounds: readonly DayBound[];
  /** Proven: no day is better. */
  readonly isProven: boolean;
  /** Changes that were tried. */
  readonly rounds: number;
}

const LIMIT_MS = 500;
const ROUNDS = 1_000_000;
/**
 * A change that makes a day worse by so much is taken about once in three times: at the beginning, from a day that is in hand, and at the end. In minutes of
 * waiting. Our defaults, by trying.
 */
const WARM = 20;
const WARM_FROM = 8;
const COLD = 0.5;
/** After this part of the time only what is no worse is taken, goal after goal. Our default, by trying. */
const ANNEALED = 0.9;
/** It cools so many times, each time from the best day so far: one long cooling now and then ends in a hollow that it does not leave. Our default, by trying. */
const COOLINGS = 5;
/** Of the changes of a turn or of a time, how many go only a little way, and how far in turns and slots. Our defaults, by trying. */
const NEAR_BY = 0.5;
const NEAR_TURNS = 3;
const NEAR_SLOTS = 4;
/** While the search is on its way goals are weighed against each other, for it has to pass over days that are worse in an earlier one: in minutes of waiting. */
const WORTH: DayTerms = { unplaced: 2_000, load: 60, waiting: 1, wishes: 1, overtime: 1, gaps: 0.1 };
/** And by their place. Our defaults, by trying. */
const BY_PLACE = [1, 3, 1, 0.3, 0.2, 0.2] as const;
/** Dogs and breaks of a day that is looked through by beginning again and again from near the best one. Our defaults, by trying. */
const SMALL_DAY = 6;
/** So many changes for each of them without a better day, and it begins again. */
const PATIENCE = 25;
/** How many things are otherwise then, at most. */
const KICK = 6;
/** How often two things are changed together. Our default. */
const TWO_AT_ONCE = 0.3;
/** The clock is looked at every so many changes. */
const LOOK = 16;
/** So far back is looked while something has no place. Our default. */
const MEMORY = 40;
/** While something finds no place, how often it is given an earlier turn. Our default. */
const EARLIER = 0.2;
/** How often what is changed is about a dog that waits. Our default. */
const ABOUT_WHO_WAITS = 0.3;

/**
 * Who takes which dog when: the best day that is found in the time given, with what it could be at best. It breaks no hard rule; a dog that finds no place
 * is told as such. It begins with a good day and changes one thing at a time, by simulated annealing (S. Kirkpatrick, C. D. Gelatt, M. P. Vecchi 1983, Science
 * 220: 671–680, from memory); of all days that it meets the best is kept, goal after goal.
 */
export function planDay(problem: DayProblem, options: DayOptions = {}): DayPlan {
  const { clock, limitMs = LIMIT_MS, rounds = clock ? Infinity : ROUNDS, seed = 0.5, goals = DAY_GOALS } = options;
  const until = clock ? clock() + limitMs : Infinity;
  const random = randomLcg(seed);
  const placer = new DayPlacer(problem);
  const bounds = leastOf(goals);
  const judge = (choice: DayChoice): Found => {
    placer.arrange(choice);
    return { choice, ...placer.terms() };
  };
  const better = (a: Found, b: Found): boolean => compareDays(a.terms, b.terms, goals) < 0;
  const kicked = (from: DayChoice): DayChoice => {
    let choice = from;
    for (let i = Math.floor(random() * KICK); i >= 0; i--) choice = changed(choice, problem, placer, random);
    return choice;
  };
  let now = judge(options.from ?? firstChoice(problem, placer));
  if (options.from) {
    const fresh = judge(firstChoice(problem, placer));
    if (better(fresh, now)) now = fresh;
  }
  let best = now;
  const energyOf = energyFor(goals);
  // What is in hand is kept near: the search does not begin by shaking all of it.
  const warm = options.from === undefined ? WARM : WARM_FROM;
  const begun = clock?.() ?? 0;
  let temperature = warm;
  let energy = energyOf(now);
  let polishes = false;
  let cooling = 0;
  const isSmall = placer.items.length <= SMALL_DAY;
  let since = 0;
  const before = Array<Found>(MEMORY).fill(now);
  let tried = 0;
  const isBest = (): boolean => goals.every((g) => best.terms[g] <= (bounds.get(g) ?? -Infinity) + 1e-9);
  while (tried < rounds && !isBest()) {
    if (tried % LOOK === 0) {
      const gone = Math.max(tried / rounds, clock ? (clock() - begun) / Math.max(1e-9, until - begun) : 0);
      if (gone >= 1) break;
      const cooled = (Math.min(1, gone / ANNEALED) * COOLINGS) % 1;
      const coolings = Math.floor((gone / ANNEALED) * COOLINGS);
      temperature = warm * (COLD / warm) ** cooled;
      if (coolings > cooling) {
        [cooling, now, energy] = [coolings, best, energyOf(best)];
        polishes = gone >= ANNEALED;
      }
    }
    const stuck = now.left[Math.floor(random() * now.left.length)];
    const waits = random() < ABOUT_WHO_WAITS ? now.waits[Math.floor(random() * now.waits.length)] : undefined;
    const once =
      stuck !== undefined && random() < EARLIER ? earlier(now.choice, stuck, random) : changed(now.choice, problem, placer, random, waits);
    // Now and then two things at once: some hollows have no way out by one.
    const next = judge(random() < TWO_AT_ONCE ? changed(once, problem, placer, random) : once);
    tried++;
    if (isSmall || polishes || best.terms.unplaced > 0) {
      // No worse than what is in hand, or than what was so many changes ago: by that it leaves a hollow. At the end no worse at all.
      const old = before[tried % MEMORY] ?? now;
      if (!better(now, next) || ((isSmall || !polishes) && !better(old, next))) now = next;
      before[tried % MEMORY] = now;
      energy = energyOf(now);
      since++;
      if (better(now, best)) [best, since] = [now, 0];
      else if (!polishes && since > PATIENCE * placer.items.length) {
        now = judge(kicked(best.choice));
        before.fill(now);
        since = 0;
      }
      continue;
    }
    const by = energyOf(next) - energy;
    if (by > 0 && random() >= Math.exp(-by / temperature)) continue;
    now = next;
    energy += by;
    if (better(now, best)) best = now;
  }
  return {
    schedule: placer.place(best.choice),
    terms: best.terms,
    choice: best.choice,
    bounds: goals.map((goal) => ({ goal, value: best.terms[goal], least: bounds.get(goal) ?? 0 })),
    isProven: isBest(),
    rounds: tried,
  };
}

/** One number for a day on the way, in minutes of waiting. */
function energyFor(goals: readonly DayGoal[]): (found: Found) => number {
  const weights = goals.map((g, i) => [g, WORTH[g] * (BY_PLACE[i] ?? 0.2)] as const);
  // Below a step of load nobody feels a difference; above it the way down is seen.
  const load = (uneven: number): number => Math.max(0, uneven / LOAD_STEP - WITHIN_STEP);
  return ({ terms, uneven }) => weights.reduce((sum, [g, weight]) => sum + weight * (g === 'load' ? load(uneven) : terms[g]), 0);
}
const WITHIN_STEP = 0.9;

interface Found {
  readonly choice: DayChoice;
  readonly terms: DayTerms;
  readonly uneven: number;
  /** Items without a place. */
  readonly left: readonly number[];
  /** Dogs that wait, by number. */
  readonly waits: readonly number[];
}

/** What each goal can come to at best. Nothing waits less than not at all, and so on. */
function leastOf(goals: readonly DayGoal[]): ReadonlyMap<DayGoal, number> {
  return new Map(goals.map((g) => [g, 0]));
}

/** Breaks in the middle of their time, dogs in the order they come, each with whoever bears least for their hours so far. */
function firstChoice(problem: DayProblem, placer: DayPlacer): DayChoice {
  const { dogs, people, from, slot } = problem;
  const load = people.map((p) => p.borne);
  const hours = people.map((p) =>
    Math.max(
      1,
      p.works.reduce((sum, w) => sum + w.to - w.from, 0),
    ),
  );
  const heavy = dogs.map((_, i) => i).sort((a, b) => weightOf(b) - weightOf(a));
  function weightOf(i: number): number {
    return (dogs[i]?.blocks ?? []).flatMap((b) => b.stretches).reduce((sum, s) => sum + s.load, 0);
  }
  const who: number[][] = dogs.map(() => []);
  for (const d of heavy) {
    const may = placer.may[d] ?? [];
    // One pair of hands for all of it, if anybody may do all of it.
    const all = people.map((_, p) => p).filter((p) => may.every((m) => m.includes(p)));
    who[d] = may.map((m) => {
      const from = all.length > 0 ? all : m;
      return from.reduce((least, p) => (ratio(p) < ratio(least) ? p : least), from[0] ?? -1);
    });
    (dogs[d]?.blocks ?? []).forEach((b, k) => {
      const p = who[d]?.[k] ?? -1;
      if (p >= 0) load[p] = (load[p] ?? 0) + b.stretches.reduce((sum, s) => sum + s.load, 0);
    });
  }
  function ratio(p: number): number {
    return (load[p] ?? 0) / (hours[p] ?? 1);
  }
  const breaks = placer.items.map((_, i) => i).slice(dogs.length);
  const order = [
    ...breaks,
    ...dogs
      .map((d, i) => ({ i, first: d.catching ? 1 : d.apart ? -1 : 0, at: d.fixed.from ?? d.arrives.to }))
      .sort((a, b) => a.first - b.first || a.at - b.at || a.i - b.i)
      .map(({ i }) => i),
  ];
  const start = placer.items.map((item) => (item.dog < 0 ? Math.floor((item.from + item.to) / 2) : -1));
  for (const [i, d] of dogs.entries()) if (d.fixed.from !== undefined) start[i] = Math.floor((d.fixed.from - from) / slot);
  const none = dogs.map((d) => d.blocks.map(() => 0));
  return { order, start, who, later: none, post: none };
}

/** What finds no place looks for it before some that found one. */
function earlier(choice: DayChoice, nr: number, random: () => number): DayChoice {
  const order = choice.order.filter((i) => i !== nr);
  order.splice(Math.floor(random() * (choice.order.indexOf(nr) + 1)), 0, nr);
  return { ...choice, order };
}

/** One thing otherwise. @param about the dog that it is about, by number; any when it is not given */
function changed(choice: DayChoice, problem: DayProblem, placer: DayPlacer, random: () => number, about?: number): DayChoice {
  const pick = (n: number): number => Math.min(n - 1, Math.floor(random() * n));
  const aLittle = (most: number): number => (1 + pick(most)) * (random() < 0.5 ? -1 : 1);
  const { order, start, who, later, post } = choice;
  const dogs = problem.dogs.length;
  const what = random();
  if (dogs > 0 && what < 0.25) {
    // Another pair of hands, for all of a dog where that can be.
    const d = about ?? pick(dogs);
    const may = placer.may[d] ?? [];
    const any = may[pick(may.length)] ?? [];
    const p = any[pick(any.length)] ?? -1;
    return { ...choice, who: replaced(who, d, (own) => own.map((was, k) => (may[k]?.includes(p) ? p : was))) };
  }
  if (dogs > 0 && what < 0.35) {
    const d = about ?? pick(dogs);
    const may = placer.may[d] ?? [];
    const k = pick(may.length);
    const p = may[k]?.[pick(may[k].length)] ?? -1;
    return { ...choice, who: replaced(who, d, (own) => own.map((was, i) => (i === k ? p : was))) };
  }
  if (dogs > 1 && what < 0.5) {
    // Two dogs change hands, as far as the others may.
    const [a, b] = [about ?? pick(dogs), pick(dogs)];
    const [pa, pb] = [who[a]?.[0] ?? -1, who[b]?.[0] ?? -1];
    const give = (d: number, p: number) => (own: readonly number[]) => own.map((was, k) => (placer.may[d]?.[k]?.includes(p) ? p : was));
    return { ...choice, who: replaced(replaced(who, a, give(a, pb)), b, give(b, pa)) };
  }
  if (what < 0.75) {
    // Another turn: one item looks for its place earlier or later than others, or two change turns.
    const next = [...order];
    const [a, b] = [about === undefined ? pick(next.length) : next.indexOf(about), pick(next.length)];
    if (random() < NEAR_BY) next.splice(Math.max(0, Math.min(next.length - 1, a + aLittle(NEAR_TURNS))), 0, ...next.splice(a, 1));
    else if (random() < 0.5) next.splice(b, 0, ...next.splice(a, 1));
    else [next[a], next[b]] = [next[b] ?? 0, next[a] ?? 0];
    return { ...choice, order: next };
  }
  if (dogs > 0 && what < 0.85) {
    // A block waits although it could begin, or takes another post first.
    const d = about ?? pick(dogs);
    const k = pick(who[d]?.length ?? 0);
    if (random() < 0.5) {
      const at = random() < 0.5 ? 0 : 1 + pick(Math.floor((problem.dogs[d]?.waitsAtMost ?? 0) / problem.slot) + 1);
      return { ...choice, later: replaced(later, d, (own) => own.map((was, i) => (i === k ? at : was))) };
    }
    return { ...choice, post: replaced(post, d, (own) => own.map((was, i) => (i === k ? pick(problem.posts.length) : was))) };
  }
  // Another time.
  const nr = about ?? pick(placer.items.length);
  const item = placer.items[nr];
  if (!item) return choice;
  const before = start[nr] ?? -1;
  const isNear = before >= 0 && random() < NEAR_BY;
  const anywhere = random() < 0.3 ? -1 : item.from + pick(Math.max(1, item.to - item.from + 1));
  const at = isNear ? Math.max(item.from, Math.min(item.to, before + aLittle(NEAR_SLOTS))) : anywhere;
  return { ...choice, start: start.map((was, i) => (i === nr ? at : was)) };
}

const replaced = (who: DayChoice['who'], d: number, by: (own: readonly number[]) => readonly number[]): DayChoice['who'] =>
  who.map((own, i) => (i === d ? by(own) : own));
