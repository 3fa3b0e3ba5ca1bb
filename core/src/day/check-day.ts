import { waitingOf } from './judge-day.js';
import { whyNotTheirs, type NotTheirs } from './may-take.js';
import type { DayDog, DayPost, DayProblem, DaySchedule, PlacedStretch } from './model.js';

/** A hard rule of the day. */
export type DayRule =
  | NotTheirs
  | 'not_working'
  | 'two_at_once'
  | 'breaks_in'
  | 'post_taken'
  | 'no_post'
  | 'no_hands'
  | 'no_helper'
  | 'not_one_after_the_other'
  | 'too_early'
  | 'waits_too_long'
  | 'after_closing'
  | 'after_catching'
  | 'not_apart'
  | 'too_loud'
  | 'fixed_otherwise';

export interface BrokenRule {
  readonly rule: DayRule;
  readonly dog: string;
  /** Who else has to do with it: another dog, or somebody. */
  readonly other: string | undefined;
}

const meet = (a: { from: number; to: number }, b: { from: number; to: number }): boolean => a.from < b.to && b.from < a.to;

/**
 * Every hard rule that a day breaks: what is planned breaks none, and what is put somewhere by hand is told what it would break.
 * It reads times only, and knows nothing of how a day is found.
 * @param only one dog, and what it does to the others
 */
export function brokenRules(problem: DayProblem, schedule: DaySchedule, only?: string): BrokenRule[] {
  const out: BrokenRule[] = [];
  const dogs = new Map(problem.dogs.map((d) => [d.id, d]));
  const posts = new Map(problem.posts.map((p) => [p.id, p]));
  const all = schedule.stretches;
  const concerns = (...ids: (string | undefined)[]): boolean => only === undefined || ids.includes(only);
  for (const dog of problem.dogs) {
    if (!concerns(dog.id)) continue;
    const own = all.filter((s) => s.dog === dog.id).sort((a, b) => a.block - b.block || a.stretch - b.stretch);
    if (own.length > 0) out.push(...ofOne(problem, dog, own, posts));
  }
  for (const [i, s] of all.entries())
    for (const t of all.slice(i + 1)) {
      if (!concerns(s.dog, t.dog)) continue;
      const hands = handsOf(s).filter((h) => handsOf(t).includes(h));
      if (meet(s, t) && hands.length > 0) out.push({ rule: 'two_at_once', dog: s.dog, other: t.dog });
      if (s.dog !== t.dog) out.push(...ofTwo(problem, s, t, dogs, posts));
    }
  for (const b of schedule.breaks)
    for (const s of all)
      if (concerns(s.dog) && handsOf(s).includes(b.person) && meet(b, s)) out.push({ rule: 'breaks_in', dog: s.dog, other: b.person });
  return out;
}

const handsOf = (s: PlacedStretch): string[] => [s.person, s.helper].filter((h) => h !== undefined);

function ofOne(problem: DayProblem, dog: DayDog, own: readonly PlacedStretch[], posts: ReadonlyMap<string, DayPost>): BrokenRule[] {
  const out: BrokenRule[] = [];
  const broken = (rule: DayRule, other?: string): void => void out.push({ rule, dog: dog.id, other });
  const people = new Map(problem.people.map((p) => [p.id, p]));
  if (own.some((s) => s.from < Math.max(problem.from, dog.arrives.from))) broken('too_early');
  if (own.some((s) => s.to > problem.to)) broken('after_closing');
  if (waitingOf(dog, own) > dog.waitsAtMost) broken('waits_too_long');
  for (const [i, s] of own.entries()) {
    const before = own[i - 1];
    const atOnce = before?.block === s.block;
    const gap = before ? s.from - before.to : 0;
    if (before && (atOnce ? gap !== 0 || before.person !== s.person : gap < (dog.blocks[s.block]?.restBefore ?? 0)))
      if (!(atOnce && gap === 0 && (before.person === undefined || s.person === undefined))) broken('not_one_after_the_other');
    const block = dog.blocks[s.block];
    const stretch = block?.stretches[s.stretch];
    if (!block || !stretch) continue;
    if (block.by !== undefined && s.person !== undefined && s.person !== block.by) broken('fixed_otherwise', block.by);
    if (stretch.hands > 0 && s.person === undefined) broken('no_hands');
    if (stretch.hands > 1 && (s.helper === undefined || s.helper === s.person)) broken('no_helper');
    for (const [hand, helps] of [
      [s.person, false],
      [s.helper, true],
    ] as const) {
      const person = hand === undefined ? undefined : people.get(hand);
      if (!person) continue;
      for (const rule of whyNotTheirs(person, dog, block, helps)) broken(rule, person.id);
      if (!person.works.some((w) => w.from <= s.from && s.to <= w.to + problem.overtime)) broken('not_working', person.id);
    }
    const post = s.post === undefined ? undefined : posts.get(s.post);
    if (stretch.posts.length > 0 && !(post && stretch.posts.includes(post.kind))) broken('no_post');
  }
  const { person, from } = dog.fixed;
  if (person !== undefined && own.some((s) => s.person !== undefined && s.person !== person)) broken('fixed_otherwise', person);
  if (from !== undefined && own[0]?.from !== from) broken('fixed_otherwise');
  return out;
}

/** What two dogs do to each other: posts, rooms, noise, what is catching. */
function ofTwo(
  problem: DayProblem,
  s: PlacedStretch,
  t: PlacedStretch,
  dogs: ReadonlyMap<string, DayDog>,
  posts: ReadonlyMap<string, DayPost>,
): BrokenRule[] {
  const out: BrokenRule[] = [];
  const [p, q] = [s.post === undefined ? undefined : posts.get(s.post), t.post === undefined ? undefined : posts.get(t.post)];
  if (!p || !q) return out;
  const broken = (rule: DayRule, dog: string, other: string): void => void out.push({ rule, dog, other });
  const isLoud = (x: PlacedStretch): boolean => dogs.get(x.dog)?.blocks[x.block]?.stretches[x.stretch]?.loud === true;
  const meets = meet(s, t);
  if (p.id === q.id && meets) broken('post_taken', s.dog, t.dog);
  if (p.room === q.room && meets)
    for (const [a, b] of [
      [s, t],
      [t, s],
    ] as const) {
      if (dogs.get(a.dog)?.fearsLoud && isLoud(b)) broken('too_loud', a.dog, b.dog);
      if (dogs.get(a.dog)?.apart) broken('not_apart', a.dog, b.dog);
    }
  if (p.id === q.id) {
    const [first, then] = s.from <= t.from ? [s, t] : [t, s];
    const after = dogs.get(then.dog);
    if (dogs.get(first.dog)?.catching && (after?.apart || then.from < first.to + problem.contactMinutes))
      broken('after_catching', then.dog, first.dog);
    if (after?.apart && !dogs.get(first.dog)?.apart) broken('not_apart', then.dog, first.dog);
  }
  return out;
}
