import { HELPER_SHARE, hoursOf } from './hours-worked.js';
import type { PlacedSlots } from './day-grid.js';
import { AFTER_HARD, AT_THE_END, LOAD_STEP, NOISE_MINUTE, OTHER_HANDS, SENSITIVE_TIMES } from './judge-day.js';
import { leastLoad } from './least-load.js';
import type { DayDog, DayProblem, DayTerms } from './model.js';

/** What one dog adds to its day wherever the others are: counted once when it is placed. Slots, but for waiting, wishes and overtime, which are minutes. */
export interface DogTally {
  readonly dog: DayDog;
  readonly placed: readonly PlacedSlots[];
  readonly waiting: number;
  readonly wishes: number;
  readonly overtime: number;
  readonly isLoud: boolean;
  readonly isHelped: boolean;
  /** By block: whose it is, from when, its points. */
  readonly blocks: readonly { readonly person: number; readonly from: number; readonly points: number }[];
}
/** A break where it is placed, in slots. */
export interface RestSlots {
  readonly person: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Counts a day from what was counted of each dog: the same terms as `judgeDay`, which says what they mean and is what a day is held against; this one is for a
 * search that asks thousands of times.
 */
export class DayTally {
  private readonly hours: readonly number[];
  private readonly least: number;
  private readonly first: Float64Array;
  private readonly last: Float64Array;
  private readonly busy: Float64Array;

  /** @param roomOf the room of each post, by number */
  constructor(
    private readonly problem: DayProblem,
    private readonly roomOf: readonly number[],
  ) {
    const n = problem.people.length;
    this.hours = problem.people.map((p) => hoursOf(p.works));
    this.least = leastLoad(problem);
    [this.first, this.last, this.busy] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  }

  /** @param placed its stretches, in order */
  ofDog(dog: DayDog, placed: readonly PlacedSlots[]): DogTally {
    const { from: begin, slot, people } = this.problem;
    let [changes, overtime, hands] = [0, 0, -1];
    let [isLoud, isHelped] = [false, false];
    const first = placed[0];
    let waits = first ? Math.max(0, begin + first.from * slot - dog.arrives.to) : 0;
    let wishes = 0;
    const blocks: { person: number; from: number; points: number }[] = [];
    let block = -1;
    for (let i = 0; i < placed.length; i++) {
      const s = placed[i];
      const before = placed[i - 1];
      if (!s) continue;
      const stretch = dog.blocks[s.block]?.stretches[s.stretch];
      if (before && before.block !== s.block) waits += Math.max(0, (s.from - before.to) * slot - (dog.blocks[s.block]?.restBefore ?? 0));
      if (stretch?.loud === true && s.post >= 0) isLoud = true;
      if (s.helper >= 0) isHelped = true;
      overtime += this.beyond(s, s.person) + this.beyond(s, s.helper);
      if (s.person < 0) continue;
      if (hands >= 0 && hands !== s.person) changes++;
      // What its owner thinks of each pair of hands counts once.
      if (!hadBefore(placed, i, s.person)) wishes += dog.wishes[people[s.person]?.id ?? ''] ?? 0;
      hands = s.person;
      const last = blocks[blocks.length - 1];
      if (last && block === s.block) last.points += stretch?.load ?? 0;
      else blocks.push({ person: s.person, from: s.from, points: stretch?.load ?? 0 });
      block = s.block;
    }
    const end = begin + (placed[placed.length - 1]?.to ?? 0) * slot;
    if (dog.wishedBy) wishes += dog.wishedBy.weight * Math.max(0, end - dog.wishedBy.at);
    const waiting = (dog.sensitive ? SENSITIVE_TIMES : 1) * (waits + OTHER_HANDS * changes);
    return { dog, placed, waiting, wishes, overtime, isLoud, isHelped, blocks };
  }

  /** Minutes of a stretch beyond somebody's hours. */
  private beyond({ from, to }: PlacedSlots, person: number): number {
    if (person < 0) return 0;
    const { from: begin, slot, people } = this.problem;
    const [a, b] = [begin + from * slot, begin + to * slot];
    let minutes = b - a;
    for (const w of people[person]?.works ?? []) minutes -= Math.max(0, Math.min(w.to, b) - Math.max(w.from, a));
    return minutes;
  }

  /** @returns the terms, and how much less even the load is than it could be, as a share */
  ofDay(dogs: readonly DogTally[], breaks: readonly RestSlots[], unplaced: number): { readonly terms: DayTerms; readonly uneven: number } {
    let [waiting, wishes, overtime, isLoud] = [0, 0, 0, false];
    for (const d of dogs) {
      waiting += d.waiting;
      wishes += d.wishes;
      overtime += d.overtime;
      isLoud ||= d.isLoud;
    }
    if (isLoud) waiting += NOISE_MINUTE * this.problem.slot * this.besideLoud(dogs);
    const uneven = this.unevenOf(dogs);
    const load = Math.floor(uneven / LOAD_STEP + 1e-9);
    return { terms: { unplaced, load, waiting, wishes, overtime, gaps: this.gapsOf(dogs, breaks) }, uneven };
  }

  /** Slots of sensitive dogs in a room with something loud that is another dog's. */
  private besideLoud(dogs: readonly DogTally[]): number {
    let slots = 0;
    for (const d of dogs) {
      if (!d.isLoud) continue;
      for (const at of d.placed) {
        if (at.post < 0 || d.dog.blocks[at.block]?.stretches[at.stretch]?.loud !== true) continue;
        for (const other of dogs) {
          if (other === d || !other.dog.sensitive) continue;
          for (const s of other.placed)
            if (s.post >= 0 && this.roomOf[s.post] === this.roomOf[at.post])
              slots += Math.max(0, Math.min(s.to, at.to) - Math.max(s.from, at.from));
        }
      }
    }
    return slots;
  }

  private unevenOf(dogs: readonly DogTally[]): number {
    if (this.least <= 0) return 0;
    const { people } = this.problem;
    const loads = people.map((p) => p.borne);
    const blocks: { readonly dog: DayDog; readonly from: number; readonly points: number }[][] = people.map(() => []);
    for (const d of dogs) {
      for (const b of d.blocks) blocks[b.person]?.push({ dog: d.dog, from: b.from, points: b.points });
      if (d.isHelped)
        for (const s of d.placed)
          if (s.helper >= 0)
            loads[s.helper] = (loads[s.helper] ?? 0) + HELPER_SHARE * (d.dog.blocks[s.block]?.stretches[s.stretch]?.load ?? 0);
    }
    let sum = 0;
    for (let p = 0; p < people.length; p++) {
      const own = blocks[p] ?? [];
      own.sort((x, y) => x.from - y.from);
      let bears = loads[p] ?? 0;
      for (let at = 0; at < own.length; at++) {
        const b = own[at];
        if (!b) continue;
        const before = own[at - 1]?.dog;
        let times = b.dog.hard && before?.hard === true && before !== b.dog ? AFTER_HARD : 1;
        if (b.dog.hard && at === own.length - 1) times *= AT_THE_END;
        bears += b.points * times;
      }
      sum += bears ** 2 / (this.hours[p] ?? 1);
    }
    return Math.max(0, sum / this.least - 1);
  }

  /** Minutes between the first and the last hand of everybody's day in which they neither work nor have their break. */
  private gapsOf(dogs: readonly DogTally[], breaks: readonly RestSlots[]): number {
    const { first, last, busy } = this;
    first.fill(Infinity);
    last.fill(-Infinity);
    busy.fill(0);
    for (const d of dogs)
      for (const s of d.placed)
        for (let hand = 0; hand < 2; hand++) {
          const p = hand === 0 ? s.person : s.helper;
          if (p < 0) continue;
          first[p] = Math.min(first[p] ?? Infinity, s.from);
          last[p] = Math.max(last[p] ?? -Infinity, s.to);
          busy[p] = (busy[p] ?? 0) + s.to - s.from;
        }
    let gaps = 0;
    for (let p = 0; p < first.length; p++) {
      const [from, to] = [first[p] ?? Infinity, last[p] ?? -Infinity];
      if (to > from) gaps += to - from - (busy[p] ?? 0);
    }
    for (const b of breaks)
      gaps -= Math.max(0, Math.min(last[b.person] ?? -Infinity, b.to) - Math.max(first[b.person] ?? Infinity, b.from));
    return gaps * this.problem.slot;
  }
}

function hadBefore(placed: readonly PlacedSlots[], until: number, person: number): boolean {
  for (let i = 0; i < until; i++) if (placed[i]?.person === person) return true;
  return false;
}
