import { HELPER_SHARE } from './hours-worked.js';
import { type DayDog, type DayProblem, type DayStretch, slotsOf } from './model.js';

/** A stretch where it is placed, by the numbers of its block and stretch, slots, people and post; -1: none. */
export interface PlacedSlots {
  readonly block: number;
  readonly stretch: number;
  readonly from: number;
  readonly to: number;
  readonly person: number;
  readonly helper: number;
  readonly post: number;
}

/** Who is busy, which posts are taken, and what is heard in each room, slot by slot of a day; what was put on it can be lifted again. */
export class DayGrid {
  readonly slots: number;
  /** The room of each post, by number. */
  readonly roomOf: readonly number[];
  /** What everybody bears by now, points. */
  readonly load: Float64Array;
  private readonly works: readonly Uint8Array[];
  private readonly busy: Uint8Array[];
  private readonly taken: Uint8Array[];
  private readonly anyIn: Uint8Array[];
  private readonly loudIn: Uint8Array[];
  private readonly fearIn: Uint8Array[];
  private readonly apartIn: Uint8Array[];
  /** By post, which dogs were there: asked only where one of the day is catching or kept apart. */
  private readonly used: { from: number; to: number; dog: DayDog }[][];
  private readonly isKeptApart: boolean;
  private readonly contact: number;

  constructor({ from, to, slot, overtime, contactMinutes, people, posts, dogs }: DayProblem) {
    this.slots = Math.floor((to - from) / slot);
    this.works = people.map((p) => {
      const free = new Uint8Array(this.slots);
      for (const w of p.works)
        for (let s = Math.ceil((w.from - from) / slot); s < Math.floor((w.to + overtime - from) / slot); s++)
          if (s >= 0 && s < this.slots) free[s] = 1;
      return free;
    });
    const rooms = [...new Set(posts.map((p) => p.room))];
    this.roomOf = posts.map((p) => rooms.indexOf(p.room));
    const grid = (n: number): Uint8Array[] => Array.from({ length: n }, () => new Uint8Array(this.slots));
    this.busy = grid(people.length);
    this.taken = grid(posts.length);
    this.anyIn = grid(rooms.length);
    this.loudIn = grid(rooms.length);
    this.fearIn = grid(rooms.length);
    this.apartIn = grid(rooms.length);
    this.used = posts.map(() => []);
    this.isKeptApart = dogs.some((d) => d.catching || d.apart);
    this.contact = Math.ceil(contactMinutes / slot);
    this.load = Float64Array.from(people, (p) => p.borne);
  }

  /** The last slot of a stretch in which somebody is not free; -1: they are free in all of it. */
  busyAt(person: number, from: number, to: number): number {
    const [busy, works] = [this.busy[person], this.works[person]];
    if (!busy || !works) return to - 1;
    for (let s = to - 1; s >= from; s--) if (busy[s] !== 0 || works[s] !== 1) return s;
    return -1;
  }

  /** Whether a dog can be at a post, for what is heard there and who else is. */
  isOpen(post: number, dog: DayDog, stretch: DayStretch, from: number, to: number): boolean {
    const room = this.roomOf[post] ?? 0;
    const [taken, any, loud, fear, apart] = [this.taken[post], this.anyIn[room], this.loudIn[room], this.fearIn[room], this.apartIn[room]];
    if (!taken || !any || !loud || !fear || !apart) return false;
    for (let s = from; s < to; s++) {
      if (taken[s] !== 0 || apart[s] !== 0) return false;
      if (dog.apart && any[s] !== 0) return false;
      if (dog.fearsLoud && loud[s] !== 0) return false;
      if (stretch.loud && fear[s] !== 0) return false;
    }
    return !this.isKeptApart || this.mayShare(post, dog, from, to);
  }

  /** Where a catching dog was, the product acts first; one that is kept apart is the first there, but for its like. */
  private mayShare(post: number, dog: DayDog, from: number, to: number): boolean {
    for (const u of this.used[post] ?? []) {
      if (u.dog === dog) continue;
      const own = { from, to, dog };
      const [first, then] = u.from <= from ? [u, own] : [own, u];
      if (first.dog.catching && (then.dog.apart || then.from < first.to + this.contact)) return false;
      if (then.dog.apart && !first.dog.apart) return false;
    }
    return true;
  }

  /** Somebody has their break, or has it no more. */
  rest(person: number, from: number, to: number, is: 0 | 1): void {
    this.busy[person]?.fill(is, from, to);
  }

  put(dog: DayDog, placed: readonly PlacedSlots[]): void {
    for (const p of placed) {
      const stretch = dog.blocks[p.block]?.stretches[p.stretch];
      if (!stretch) continue;
      this.hold(p, 1);
      if (p.person >= 0) this.load[p.person] = (this.load[p.person] ?? 0) + stretch.load;
      if (p.helper >= 0) this.load[p.helper] = (this.load[p.helper] ?? 0) + HELPER_SHARE * stretch.load;
      if (p.post < 0) continue;
      this.markRoom(dog, p, 1);
      if (this.isKeptApart) this.used[p.post]?.push({ from: p.from, to: p.to, dog });
    }
  }

  /** As if the last dog that was put had never been there; loads are for whoever put it to restore. */
  lift(dog: DayDog, placed: readonly PlacedSlots[]): void {
    for (const p of placed) {
      this.hold(p, 0);
      if (p.post < 0) continue;
      this.markRoom(dog, p, -1);
      if (this.isKeptApart) this.used[p.post]?.pop();
    }
  }

  private hold(p: PlacedSlots, is: 0 | 1): void {
    if (p.person >= 0) this.busy[p.person]?.fill(is, p.from, p.to);
    if (p.helper >= 0) this.busy[p.helper]?.fill(is, p.from, p.to);
    if (p.post >= 0) this.taken[p.post]?.fill(is, p.from, p.to);
  }

  /** Who is in a room, and what is heard there. */
  private markRoom(dog: DayDog, p: PlacedSlots, by: 1 | -1): void {
    const room = this.roomOf[p.post] ?? 0;
    bump(this.anyIn[room], p, by);
    if (dog.blocks[p.block]?.stretches[p.stretch]?.loud === true) bump(this.loudIn[room], p, by);
    if (dog.fearsLoud) bump(this.fearIn[room], p, by);
    if (dog.apart) bump(this.apartIn[room], p, by);
  }
}

function bump(row: Uint8Array | undefined, { from, to }: PlacedSlots, by: 1 | -1): void {
  if (row) for (let s = from; s < to; s++) row[s] = (row[s] ?? 0) + by;
}

/** Slots of each stretch, by dog and block. */
export const lengthsOf = ({ dogs, slot }: DayProblem): Int32Array[][] =>
  dogs.map((d) => d.blocks.map((b) => Int32Array.from(b.stretches, (s) => slotsOf(s, slot))));
