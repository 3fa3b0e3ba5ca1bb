import { HELPER_SHARE } from './hours-worked.js';
import { whyNotTheirs } from './may-take.js';
import { DayTally, type DogTally } from './tally-day.js';
import { type DayBlock, type DayDog, type DayProblem, type DaySchedule, type DayStretch, type PlacedStretch, slotsOf } from './model.js';

/** What is decided of a day: in which order its dogs and breaks look for their place, from when, and with whose hands. */
export interface DayChoice {
  /** Items in the order they are placed: dogs first, then breaks, by number. */
  readonly order: readonly number[];
  /** The slot from which each item looks for its place; -1: as early as it can. */
  readonly start: readonly number[];
  /** Whose each block of each dog is, by number. */
  readonly who: readonly (readonly number[])[];
  /** Slots that each block waits although it could begin, and which of the posts it takes first, by dog. */
  readonly later: readonly (readonly number[])[];
  readonly post: readonly (readonly number[])[];
}

interface Item {
  readonly dog: number;
  readonly person: number;
  readonly from: number;
  readonly to: number;
  readonly slots: number;
}

/**
 * Places the dogs and breaks of a day, one after the other: each begins at the first slot from its own on at which hands, posts and rooms are free
 * and no rule is broken, and goes on as soon as they are free again. Whatever it is asked, it breaks no hard rule: what finds no place is told.
 */
export class DayPlacer {
  readonly items: readonly Item[];
  /** People who may do each block, by dog and block. */
  readonly may: readonly (readonly (readonly number[])[])[];
  private readonly slots: number;
  private readonly works: readonly Uint8Array[];
  private readonly helps: readonly (readonly (readonly number[])[])[];
  private readonly postsOf: readonly (readonly (readonly (readonly number[])[])[])[];
  private readonly roomOf: readonly number[];
  private readonly lengths: readonly (readonly Int32Array[])[];
  private readonly rests: readonly (readonly number[])[];
  private readonly contact: number;
  private readonly busy: Uint8Array[];
  private readonly taken: Uint8Array[];
  private readonly anyIn: Uint8Array[];
  private readonly loudIn: Uint8Array[];
  private readonly fearIn: Uint8Array[];
  private readonly apartIn: Uint8Array[];
  /** By post, which dogs were there: asked only where one of the day is catching or kept apart. */
  private readonly used: { from: number; to: number; dog: DayDog }[][];
  private readonly isKeptApart: boolean;
  private readonly load: Float64Array;
  private readonly trail: Done[] = [];
  private readonly tally: DayTally;
  private last: DayChoice | undefined;

  constructor(private readonly problem: DayProblem) {
    const { from, to, slot, people, posts, dogs } = problem;
    this.tally = new DayTally(problem);
    this.slots = Math.floor((to - from) / slot);
    this.works = people.map((p) => {
      const free = new Uint8Array(this.slots);
      for (const w of p.works)
        for (let s = Math.ceil((w.from - from) / slot); s < Math.floor((w.to + problem.overtime - from) / slot); s++)
          if (s >= 0 && s < this.slots) free[s] = 1;
      return free;
    });
    this.may = dogs.map((d) =>
      d.blocks.map((b) => people.flatMap((p, i) => (whyNotTheirs(p, d, b).length === 0 && isTheirs(d, b, p.id) ? [i] : []))),
    );
    this.helps = dogs.map((d) => d.blocks.map((b) => people.flatMap((p, i) => (whyNotTheirs(p, d, b, true).length === 0 ? [i] : []))));
    const rooms = [...new Set(posts.map((p) => p.room))];
    this.roomOf = posts.map((p) => rooms.indexOf(p.room));
    this.postsOf = dogs.map((d) =>
      d.blocks.map((b) => b.stretches.map((s) => s.posts.flatMap((k) => posts.flatMap((p, i) => (p.kind === k ? [i] : []))))),
    );
    this.lengths = dogs.map((d) => d.blocks.map((b) => Int32Array.from(b.stretches, (s) => slotsOf(s, slot))));
    this.rests = dogs.map((d) => d.blocks.map((b) => Math.ceil(b.restBefore / slot)));
    this.contact = Math.ceil(problem.contactMinutes / slot);
    const grid = (n: number): Uint8Array[] => Array.from({ length: n }, () => new Uint8Array(this.slots));
    this.busy = grid(people.length);
    this.taken = grid(posts.length);
    this.anyIn = grid(rooms.length);
    this.loudIn = grid(rooms.length);
    this.fearIn = grid(rooms.length);
    this.apartIn = grid(rooms.length);
    this.used = posts.map(() => []);
    this.isKeptApart = dogs.some((d) => d.catching || d.apart);
    this.load = Float64Array.from(people, (p) => p.borne);
    this.items = [
      ...dogs.map((d, i) => {
        const at = d.fixed.from;
        return {
          dog: i,
          person: -1,
          // Put by hand before it has come, it finds no place.
          from: Math.max(0, Math.ceil((Math.max(at ?? d.arrives.from, d.arrives.from) - from) / slot)),
          to: at === undefined ? Math.floor((d.arrives.to + d.waitsAtMost - from) / slot) : Math.floor((at - from) / slot),
          slots: 0,
        };
      }),
      ...people.flatMap((p, i) =>
        p.breaks.map((b) => ({
          dog: -1,
          person: i,
          from: Math.max(0, Math.ceil((b.from - from) / slot)),
          to: Math.floor((b.to - from) / slot),
          slots: slotsOf(b, slot),
        })),
      ),
    ];
  }

  place(choice: DayChoice): DaySchedule {
    this.arrange(choice);
    return this.schedule();
  }

  /** What the arranged day comes to, and the items that found no place. */
  terms(): ReturnType<DayTally['ofDay']> & { readonly left: readonly number[]; readonly waits: readonly number[] } {
    const waits: number[] = [];
    const dogs: DogTally[] = [];
    const breaks: DaySchedule['breaks'][number][] = [];
    const left: number[] = [];
    for (const [at, done] of this.trail.entries()) {
      if (done.tally) {
        dogs.push(done.tally);
        if (done.tally.waiting > 0) waits.push(this.last?.order[at] ?? -1);
      }
      if (done.rest) breaks.push(done.rest);
      if (done.unplaced !== undefined) left.push(this.last?.order[at] ?? -1);
    }
    return { ...this.tally.ofDay(dogs, breaks, left.length), left, waits };
  }

  arrange(choice: DayChoice): void {
    // What comes before the first thing that is otherwise than the last time stands as it stood.
    const same = this.last ? this.sameUntil(this.last, choice) : 0;
    for (let at = this.trail.length - 1; at >= same; at--) this.takeBack(this.trail[at]);
    this.trail.length = same;
    this.last = choice;
    for (let at = same; at < choice.order.length; at++) {
      const nr = choice.order[at] ?? -1;
      const item = this.items[nr];
      if (item) this.trail.push(this.placeItem(nr, item, choice));
    }
  }

  /** The arranged day. */
  schedule(): DaySchedule {
    const stretches: PlacedStretch[] = [];
    const breaks: DaySchedule['breaks'][number][] = [];
    const unplaced: string[] = [];
    for (const done of this.trail) {
      if (done.stretches) for (const s of done.stretches) stretches.push(s);
      if (done.rest) breaks.push(done.rest);
      if (done.unplaced !== undefined) unplaced.push(done.unplaced);
    }
    return { stretches, breaks, unplaced };
  }

  /** How far two choices place the same items in the same way. */
  private sameUntil(a: DayChoice, b: DayChoice): number {
    const n = Math.min(a.order.length, b.order.length);
    for (let at = 0; at < n; at++) {
      const nr = b.order[at] ?? -1;
      const dog = this.items[nr]?.dog ?? -1;
      if (a.order[at] !== nr || a.start[nr] !== b.start[nr]) return at;
      if (dog >= 0 && (a.who[dog] !== b.who[dog] || a.later[dog] !== b.later[dog] || a.post[dog] !== b.post[dog])) return at;
    }
    return n;
  }

  private placeItem(nr: number, item: Item, choice: DayChoice): Done {
    const load = Float64Array.from(this.load);
    const first = Math.min(Math.max(choice.start[nr] ?? -1, item.from), Math.max(item.from, item.to));
    if (item.dog < 0) {
      const at = this.breakAt(item, first);
      const person = this.problem.people[item.person];
      if (at < 0 || !person) return { load, unplaced: `break ${person?.id ?? ''}` };
      const rest = { person: person.id, from: this.timeOf(at), to: this.timeOf(at + item.slots) };
      return { load, rest, busy: { person: item.person, from: at, to: at + item.slots } };
    }
    const dog = this.problem.dogs[item.dog];
    const placed = dog && this.dogAt(item, dog, first, choice);
    if (!placed) return { load, unplaced: dog?.id ?? '' };
    const stretches = this.keep(dog, placed);
    return { load, dog, placed, stretches, tally: this.tally.ofDog(dog, stretches) };
  }

  /** As if it had never been placed. */
  private takeBack(done: Done | undefined): void {
    if (!done) return;
    this.load.set(done.load);
    if (done.busy) this.busy[done.busy.person]?.fill(0, done.busy.from, done.busy.to);
    const { dog } = done;
    if (!dog) return;
    for (const p of done.placed ?? []) {
      for (const h of [p.person, p.helper]) if (h >= 0) this.busy[h]?.fill(0, p.from, p.to);
      if (p.post < 0) continue;
      this.taken[p.post]?.fill(0, p.from, p.to);
      this.markRoom(dog, p, -1);
      this.used[p.post]?.pop();
    }
  }

  private timeOf(slot: number): number {
    return this.problem.from + slot * this.problem.slot;
  }

  private breakAt(item: Item, first: number): number {
    // From the wished slot on, then those before it.
    for (const [lo, hi] of [
      [first, item.to],
      [item.from, first - 1],
    ] as const)
      for (let s = lo; s <= hi; s++) {
        if (s + item.slots > this.slots || this.busyAt(item.person, s, s + item.slots) >= 0) continue;
        this.busy[item.person]?.fill(1, s, s + item.slots);
        return s;
      }
    return -1;
  }

  private dogAt(item: Item, dog: DayDog, first: number, choice: DayChoice): Placed[] | undefined {
    const waits = Math.floor(dog.waitsAtMost / this.problem.slot);
    const latest = Math.floor((dog.arrives.to - this.problem.from) / this.problem.slot);
    // From the wished slot on, then those before it.
    for (const [lo, hi] of [
      [first, item.to],
      [item.from, first - 1],
    ] as const)
      for (let s = lo; s <= hi; s += 1 + this.skip) {
        const placed: Placed[] = [];
        this.skip = 0;
        const waited = Math.max(0, s - latest);
        if (waited > waits) break;
        if (this.restAt(item.dog, dog, choice, s, waits - waited, placed)) return placed;
      }
    return undefined;
  }

  /** All blocks of a dog, the first at a slot, the others as soon as they can. @param waits slots that it may still wait */
  private restAt(nr: number, dog: DayDog, choice: DayChoice, first: number, waits: number, placed: Placed[]): boolean {
    const who = choice.who[nr] ?? [];
    const later = choice.later[nr];
    const post = choice.post[nr];
    if (!this.blockAt(nr, dog, 0, who[0] ?? -1, first, post?.[0] ?? 0, placed)) return false;
    let left = waits;
    for (let b = 1; b < dog.blocks.length; b++) {
      const due = (placed.at(-1)?.to ?? first) + (this.rests[nr]?.[b] ?? 0);
      let begun = due + Math.min(left, later?.[b] ?? 0);
      this.skip = 0;
      while (!this.blockAt(nr, dog, b, who[b] ?? -1, begun, post?.[b] ?? 0, placed)) {
        begun += 1 + this.skip;
        this.skip = 0;
        if (begun > due + left) return false;
      }
      left -= begun - due;
    }
    return true;
  }

  /** Slots after the one that was looked at which cannot be either: hands are busy in all of them. */
  private skip = 0;

  /** Adds all stretches of a block from a slot on; none when one of them does not fit. */
  private blockAt(nr: number, dog: DayDog, b: number, person: number, at: number, rather: number, placed: Placed[]): boolean {
    const block = dog.blocks[b];
    const lengths = this.lengths[nr]?.[b];
    const before = placed.length;
    if (!block || !lengths || !this.may[nr]?.[b]?.includes(person)) return false;
    let from = at;
    let last = placed.at(-1)?.post ?? -1;
    for (let k = 0; k < block.stretches.length; k++) {
      const stretch = block.stretches[k];
      const to = from + (lengths[k] ?? 1);
      if (!stretch || to > this.slots) return forget(placed, before);
      if (stretch.hands > 0) {
        const busy = this.busyAt(person, from, to);
        if (busy >= 0) {
          this.skip = busy - from;
          return forget(placed, before);
        }
      }
      let helper = -1;
      if (stretch.hands > 1) {
        helper = this.helperFor(nr, b, person, from, to);
        if (helper < 0) return forget(placed, before);
      }
      let post = -1;
      if (stretch.posts.length > 0) {
        post = this.postFor(this.postsOf[nr]?.[b]?.[k] ?? [], dog, stretch, from, to, last, rather);
        if (post < 0) return forget(placed, before);
        last = post;
      }
      placed.push({ block: b, stretch: k, from, to, person: stretch.hands > 0 ? person : -1, helper, post });
      from = to;
    }
    return true;
  }

  /** The last slot of a stretch in which somebody is not free; -1: they are free in all of it. */
  private busyAt(person: number, from: number, to: number): number {
    const [busy, works] = [this.busy[person], this.works[person]];
    if (!busy || !works) return to - 1;
    for (let s = to - 1; s >= from; s--) if (busy[s] !== 0 || works[s] !== 1) return s;
    return -1;
  }

  /** The least loaded of those who can be the second pair of hands. */
  private helperFor(nr: number, b: number, person: number, from: number, to: number): number {
    let best = -1;
    for (const h of this.helps[nr]?.[b] ?? []) {
      if (h === person || this.busyAt(h, from, to) >= 0) continue;
      if (best < 0 || (this.load[h] ?? 0) < (this.load[best] ?? 0)) best = h;
    }
    return best;
  }

  /** A dog stays where it is, if it can. */
  private postFor(
    posts: readonly number[],
    dog: DayDog,
    stretch: DayStretch,
    from: number,
    to: number,
    last: number,
    rather: number,
  ): number {
    if (last >= 0 && posts.includes(last) && this.isOpen(last, dog, stretch, from, to)) return last;
    for (let k = 0; k < posts.length; k++) {
      const p = posts[(k + rather) % posts.length] ?? -1;
      if (this.isOpen(p, dog, stretch, from, to)) return p;
    }
    return -1;
  }

  private isOpen(post: number, dog: DayDog, stretch: DayStretch, from: number, to: number): boolean {
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

  /** Who is in a room, and what is heard there. */
  private markRoom(dog: DayDog, p: Placed, by: 1 | -1): void {
    const room = this.roomOf[p.post] ?? 0;
    const loud = dog.blocks[p.block]?.stretches[p.stretch]?.loud === true;
    for (let s = p.from; s < p.to; s++) {
      bump(this.anyIn[room], s, by);
      if (loud) bump(this.loudIn[room], s, by);
      if (dog.fearsLoud) bump(this.fearIn[room], s, by);
      if (dog.apart) bump(this.apartIn[room], s, by);
    }
  }

  private keep(dog: DayDog, placed: readonly Placed[]): PlacedStretch[] {
    const { people, posts } = this.problem;
    for (const p of placed) {
      const stretch = dog.blocks[p.block]?.stretches[p.stretch];
      if (!stretch) continue;
      for (const h of [p.person, p.helper]) if (h >= 0) this.busy[h]?.fill(1, p.from, p.to);
      if (p.person >= 0) this.load[p.person] = (this.load[p.person] ?? 0) + stretch.load;
      if (p.helper >= 0) this.load[p.helper] = (this.load[p.helper] ?? 0) + HELPER_SHARE * stretch.load;
      if (p.post < 0) continue;
      this.taken[p.post]?.fill(1, p.from, p.to);
      this.markRoom(dog, p, 1);
      this.used[p.post]?.push({ from: p.from, to: p.to, dog });
    }
    return placed.map((p) => ({
      dog: dog.id,
      block: p.block,
      stretch: p.stretch,
      from: this.timeOf(p.from),
      to: this.timeOf(p.to),
      person: people[p.person]?.id,
      helper: people[p.helper]?.id,
      post: posts[p.post]?.id,
    }));
  }
}

/** What was done for one item, and the loads before it. */
interface Done {
  readonly load: Float64Array;
  readonly unplaced?: string;
  readonly rest?: DaySchedule['breaks'][number];
  readonly busy?: { readonly person: number; readonly from: number; readonly to: number };
  readonly dog?: DayDog;
  readonly placed?: readonly Placed[];
  readonly stretches?: readonly PlacedStretch[];
  readonly tally?: DogTally;
}
interface Placed {
  readonly block: number;
  readonly stretch: number;
  readonly from: number;
  readonly to: number;
  readonly person: number;
  readonly helper: number;
  readonly post: number;
}

/** Takes back what was tried. */
function forget(placed: Placed[], before: number): false {
  placed.length = before;
  return false;
}

const isTheirs = (dog: DayDog, block: DayBlock, person: string): boolean =>
  (dog.fixed.person ?? person) === person && (block.by ?? person) === person;

function bump(row: Uint8Array | undefined, at: number, by: 1 | -1): void {
  if (row) row[at] = (row[at] ?? 0) + by;
}
