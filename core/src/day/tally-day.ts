import { HELPER_SHARE, hoursOf } from './hours-worked.js';
import { AFTER_HARD, AT_THE_END, LOAD_STEP, NOISE_MINUTE, OTHER_HANDS, SENSITIVE_TIMES, waitingOf } from './judge-day.js';
import { leastLoad } from './least-load.js';
import type { DayDog, DayProblem, DaySchedule, DayTerms, PlacedStretch } from './model.js';

/** A stretch of one dog by the numbers of its person, helper, post and room; -1: none. Times are minutes. */
interface Counted {
  readonly from: number;
  readonly to: number;
  readonly person: number;
  readonly helper: number;
  readonly room: number;
  readonly loud: boolean;
}

/** What one dog adds to its day wherever the others are: counted once when it is placed. */
export interface DogTally {
  readonly dog: DayDog;
  readonly waiting: number;
  readonly wishes: number;
  readonly stretches: readonly Counted[];
  /** By block: whose it is, from when, its points. */
  readonly blocks: readonly { readonly person: number; readonly from: number; readonly points: number }[];
}

/**
 * Counts a day from what was counted of each dog: the same terms as `judgeDay`, which says what they mean and is what a day is held against; this one is for a
 * search that asks thousands of times.
 */
export class DayTally {
  private readonly people: ReadonlyMap<string, number>;
  private readonly rooms: ReadonlyMap<string, number>;
  private readonly hours: readonly number[];
  private readonly least: number;

  constructor(private readonly problem: DayProblem) {
    this.people = new Map(problem.people.map((p, i) => [p.id, i]));
    const rooms = [...new Set(problem.posts.map((p) => p.room))];
    this.rooms = new Map(problem.posts.map((p) => [p.id, rooms.indexOf(p.room)]));
    this.hours = problem.people.map((p) => hoursOf(p.works));
    this.least = leastLoad(problem);
  }

  /** @param own its stretches, in order */
  ofDog(dog: DayDog, own: readonly PlacedStretch[]): DogTally {
    const number = (id: string | undefined): number => (id === undefined ? -1 : (this.people.get(id) ?? -1));
    let [changes, end] = [0, 0];
    let hands: string | undefined;
    const all = new Set<string>();
    const blocks: { person: number; from: number; points: number }[] = [];
    let block = -1;
    const stretches = own.map((s): Counted => {
      const stretch = dog.blocks[s.block]?.stretches[s.stretch];
      end = Math.max(end, s.to);
      if (s.person !== undefined) {
        if (hands !== undefined && hands !== s.person) changes++;
        hands = s.person;
        all.add(s.person);
        const last = blocks.at(-1);
        if (last && block === s.block) last.points += stretch?.load ?? 0;
        else blocks.push({ person: number(s.person), from: s.from, points: stretch?.load ?? 0 });
        block = s.block;
      }
      const room = s.post === undefined ? -1 : (this.rooms.get(s.post) ?? -1);
      return { from: s.from, to: s.to, person: number(s.person), helper: number(s.helper), room, loud: stretch?.loud === true };
    });
    let wishes = dog.wishedBy ? dog.wishedBy.weight * Math.max(0, end - dog.wishedBy.at) : 0;
    for (const h of all) wishes += dog.wishes[h] ?? 0;
    const waiting = (dog.sensitive ? SENSITIVE_TIMES : 1) * (waitingOf(dog, own) + OTHER_HANDS * changes);
    return { dog, waiting, wishes, stretches, blocks };
  }

  /** @returns the terms, and how much less even the load is than it could be, as a share */
  ofDay(dogs: readonly DogTally[], breaks: DaySchedule['breaks'], unplaced: number): { readonly terms: DayTerms; readonly uneven: number } {
    let [waiting, wishes] = [0, 0];
    const loud: { readonly dog: DayDog; readonly at: Counted }[] = [];
    for (const d of dogs) {
      waiting += d.waiting;
      wishes += d.wishes;
      for (const at of d.stretches) if (at.loud && at.room >= 0) loud.push({ dog: d.dog, at });
    }
    if (loud.length > 0)
      for (const d of dogs)
        if (d.dog.sensitive)
          for (const s of d.stretches)
            for (const { dog, at } of loud)
              if (dog !== d.dog && at.room === s.room)
                waiting += NOISE_MINUTE * Math.max(0, Math.min(s.to, at.to) - Math.max(s.from, at.from));
    const uneven = this.unevenOf(dogs);
    const load = Math.floor(uneven / LOAD_STEP + 1e-9);
    return { terms: { unplaced, load, waiting, wishes, ...this.ofHands(dogs, breaks) }, uneven };
  }

  private unevenOf(dogs: readonly DogTally[]): number {
    if (this.least <= 0) return 0;
    const { people } = this.problem;
    const loads = people.map((p) => p.borne);
    const blocks: { readonly dog: DayDog; readonly from: number; readonly points: number }[][] = people.map(() => []);
    for (const d of dogs) {
      for (const b of d.blocks) blocks[b.person]?.push({ dog: d.dog, from: b.from, points: b.points });
      if (d.stretches.some((s) => s.helper >= 0)) this.addHelp(d, loads);
    }
    for (const [p, own] of blocks.entries()) {
      own.sort((x, y) => x.from - y.from);
      for (let at = 0; at < own.length; at++) {
        const b = own[at];
        if (!b) continue;
        const before = own[at - 1]?.dog;
        let times = b.dog.hard && before?.hard === true && before !== b.dog ? AFTER_HARD : 1;
        if (b.dog.hard && at === own.length - 1) times *= AT_THE_END;
        loads[p] = (loads[p] ?? 0) + b.points * times;
      }
    }
    const sum = loads.reduce((all, load, p) => all + load ** 2 / (this.hours[p] ?? 1), 0);
    return Math.max(0, sum / this.least - 1);
  }

  private addHelp({ dog, stretches }: DogTally, loads: number[]): void {
    let k = 0;
    for (const block of dog.blocks)
      for (const stretch of block.stretches) {
        const helper = stretches[k++]?.helper ?? -1;
        if (helper >= 0) loads[helper] = (loads[helper] ?? 0) + HELPER_SHARE * stretch.load;
      }
  }

  private ofHands(dogs: readonly DogTally[], breaks: DaySchedule['breaks']): { overtime: number; gaps: number } {
    const { people } = this.problem;
    const first = people.map(() => Infinity);
    const last = people.map(() => -Infinity);
    const busy = people.map(() => 0);
    let [overtime, gaps] = [0, 0];
    for (const d of dogs)
      for (const s of d.stretches)
        for (let hand = 0; hand < 2; hand++) {
          const p = hand === 0 ? s.person : s.helper;
          if (p < 0) continue;
          first[p] = Math.min(first[p] ?? Infinity, s.from);
          last[p] = Math.max(last[p] ?? -Infinity, s.to);
          busy[p] = (busy[p] ?? 0) + s.to - s.from;
          overtime += s.to - s.from;
          for (const w of people[p]?.works ?? []) overtime -= Math.max(0, Math.min(w.to, s.to) - Math.max(w.from, s.from));
        }
    for (let p = 0; p < people.length; p++) {
      const [from, to] = [first[p] ?? Infinity, last[p] ?? -Infinity];
      if (to > from) gaps += to - from - (busy[p] ?? 0);
    }
    for (const b of breaks) {
      const p = this.people.get(b.person);
      if (p !== undefined) gaps -= Math.max(0, Math.min(last[p] ?? -Infinity, b.to) - Math.max(first[p] ?? Infinity, b.from));
    }
    return { overtime, gaps };
  }
}
