import { leastLoad } from './least-load.js';
import type { DayDog, DayProblem, DaySchedule, DayStretch, DayTerms, PlacedStretch } from './model.js';
import { HELPER_SHARE, hoursOf } from './hours-worked.js';

/** A hard dog right after another weighs more on the hands, and so does one at the end of the day. Our defaults. */
export const AFTER_HARD = 1.5;
export const AT_THE_END = 1.25;
/** A sensitive dog's minutes count so many times. Our default. */
export const SENSITIVE_TIMES = 2;
/** A minute of a sensitive dog beside something loud, in minutes of waiting. Our default. */
export const NOISE_MINUTE = 3;
/** Another pair of hands within a visit, in minutes of waiting. Our default. */
export const OTHER_HANDS = 10;

/** Blocks of one person, in the order of the day. */
interface Block {
  readonly dog: string;
  readonly from: number;
  points: number;
}

/** What everybody bears of a day: points of load, with what a hard dog adds after another or at the end. */
export function loadsOf(problem: DayProblem, stretches: readonly PlacedStretch[]): Map<string, number> {
  const dogs = dogsOf(problem);
  const out = new Map(problem.people.map((p) => [p.id, p.borne]));
  const add = (person: string, points: number): void => void out.set(person, (out.get(person) ?? 0) + points);
  const blocks = new Map<string, Map<string, Block>>(problem.people.map((p) => [p.id, new Map()]));
  for (const s of stretches) {
    const load = stretchOf(dogs, s)?.load ?? 0;
    if (s.helper !== undefined) add(s.helper, HELPER_SHARE * load);
    const own = s.person === undefined ? undefined : blocks.get(s.person);
    if (!own) continue;
    const key = `${s.dog} ${s.block}`;
    const block = own.get(key);
    if (block) block.points += load;
    else own.set(key, { dog: s.dog, from: s.from, points: load });
  }
  for (const [person, own] of blocks) {
    const inOrder = [...own.values()].sort((x, y) => x.from - y.from);
    inOrder.forEach((b, at) => {
      const dog = dogs.get(b.dog);
      const before = at > 0 ? dogs.get(inOrder[at - 1]?.dog ?? '') : undefined;
      let times = 1;
      if (dog?.hard && before?.hard && before.id !== dog.id) times *= AFTER_HARD;
      if (dog?.hard && at === inOrder.length - 1) times *= AT_THE_END;
      add(person, b.points * times);
    });
  }
  return out;
}

const known = new WeakMap<DayProblem, ReadonlyMap<string, DayDog>>();
/** Dogs by their ids: asked for with every change that is tried. */
function dogsOf(problem: DayProblem): ReadonlyMap<string, DayDog> {
  const there = known.get(problem);
  if (there) return there;
  const dogs = new Map(problem.dogs.map((d) => [d.id, d]));
  known.set(problem, dogs);
  return dogs;
}
const stretchOf = (dogs: ReadonlyMap<string, DayDog>, s: PlacedStretch): DayStretch | undefined =>
  dogs.get(s.dog)?.blocks[s.block]?.stretches[s.stretch];

/** How good a day is: what each goal comes to. The lower the better. */
export function judgeDay(problem: DayProblem, schedule: DaySchedule): DayTerms {
  const { stretches } = schedule;
  const loads = loadsOf(problem, stretches);
  const sum = problem.people.reduce((all, p) => all + (loads.get(p.id) ?? 0) ** 2 / hoursOf(p.works), 0);
  const least = leastLoad(problem);
  const dogs = dogsOf(problem);
  const byDog = new Map<string, PlacedStretch[]>();
  for (const s of stretches) {
    const own = byDog.get(s.dog);
    if (own) own.push(s);
    else byDog.set(s.dog, [s]);
  }
  const loud = stretches.filter((s) => s.post !== undefined && stretchOf(dogs, s)?.loud === true);
  let waiting = 0;
  let wishes = 0;
  for (const [id, own] of byDog) {
    const dog = dogs.get(id);
    if (!dog) continue;
    own.sort((a, b) => a.from - b.from || a.stretch - b.stretch);
    const times = dog.sensitive ? SENSITIVE_TIMES : 1;
    waiting += times * (waitingOf(dog, own) + OTHER_HANDS * changesOfHands(own));
    if (dog.sensitive && loud.length > 0) waiting += NOISE_MINUTE * minutesBeside(problem, own, loud);
    const end = own.reduce((last, s) => Math.max(last, s.to), 0);
    if (dog.wishedBy) wishes += dog.wishedBy.weight * Math.max(0, end - dog.wishedBy.at);
    for (const h of new Set(own.map((s) => s.person))) wishes += h === undefined ? 0 : (dog.wishes[h] ?? 0);
  }
  return {
    unplaced: schedule.unplaced.length,
    load: least > 0 ? Math.floor(Math.max(0, sum / least - 1) / LOAD_STEP + 1e-9) : 0,
    waiting,
    wishes,
    ...ofHands(problem, schedule),
  };
}
/** How much less even a day’s load is than it could be, in steps that hands can feel. Our default. */
export const LOAD_STEP = 0.02;

/** Minutes that a dog waits beyond its own rests: before its first hand and between two blocks. @param own its stretches in order */
export function waitingOf(dog: DayDog, own: readonly PlacedStretch[]): number {
  const first = own[0];
  if (!first) return 0;
  let waits = Math.max(0, first.from - dog.arrives.to);
  for (let i = 1; i < own.length; i++) {
    const [a, b] = [own[i - 1], own[i]];
    if (!a || !b || a.block === b.block) continue;
    waits += Math.max(0, b.from - a.to - (dog.blocks[b.block]?.restBefore ?? 0));
  }
  return waits;
}

function changesOfHands(own: readonly PlacedStretch[]): number {
  const hands = own.flatMap((s) => (s.person === undefined ? [] : [s.person]));
  return hands.filter((h, i) => i > 0 && h !== hands[i - 1]).length;
}

function minutesBeside(problem: DayProblem, own: readonly PlacedStretch[], loud: readonly PlacedStretch[]): number {
  const rooms = roomsOf(problem);
  let minutes = 0;
  for (const s of own)
    for (const other of loud)
      if (other.dog !== s.dog && s.post !== undefined && rooms.get(other.post ?? '') === rooms.get(s.post))
        minutes += Math.max(0, Math.min(s.to, other.to) - Math.max(s.from, other.from));
  return minutes;
}
const knownRooms = new WeakMap<DayProblem, ReadonlyMap<string, string>>();
function roomsOf(problem: DayProblem): ReadonlyMap<string, string> {
  const there = knownRooms.get(problem);
  if (there) return there;
  const rooms = new Map(problem.posts.map((p) => [p.id, p.room]));
  knownRooms.set(problem, rooms);
  return rooms;
}

/** Minutes beyond their hours, and minutes between the first and the last hand of everybody’s day in which they neither work nor have their break. */
function ofHands(problem: DayProblem, { stretches, breaks }: DaySchedule): { overtime: number; gaps: number } {
  const people = new Map(problem.people.map((p) => [p.id, { works: p.works, from: Infinity, to: -Infinity, busy: 0 }]));
  let overtime = 0;
  for (const s of stretches)
    for (const id of [s.person, s.helper]) {
      const p = id === undefined ? undefined : people.get(id);
      if (!p) continue;
      p.from = Math.min(p.from, s.from);
      p.to = Math.max(p.to, s.to);
      p.busy += s.to - s.from;
      overtime += s.to - s.from;
      for (const w of p.works) overtime -= Math.max(0, Math.min(w.to, s.to) - Math.max(w.from, s.from));
    }
  let gaps = 0;
  for (const p of people.values()) if (p.to > p.from) gaps += p.to - p.from - p.busy;
  for (const b of breaks) {
    const p = people.get(b.person);
    if (p) gaps -= Math.max(0, Math.min(p.to, b.to) - Math.max(p.from, b.from));
  }
  return { overtime, gaps };
}

/** Compares two days by their goals in order. @returns < 0 when the first is better */
export function compareDays(a: DayTerms, b: DayTerms, goals: readonly (keyof DayTerms)[]): number {
  for (const g of goals) {
    const by = a[g] - b[g];
    if (Math.abs(by) > 1e-9 * Math.max(1, Math.abs(a[g]))) return by;
  }
  return 0;
}
