import { DayGrid, lengthsOf, type PlacedSlots } from './day-grid.js';
import { whyNotTheirs } from './may-take.js';
import { DayTally, type DogTally, type RestSlots } from './tally-day.js';
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
  private readonly grid: DayGrid;
  private readonly helps: readonly (readonly (readonly number[])[])[];
  private readonly postsOf: readonly (readonly (readonly (readonly number[])[])[])[];
  private readonly lengths: readonly (readonly Int32Array[])[];
  private readonly rests: readonly (readonly number[])[];
  /** What everybody bore before each step of the trail. */
  private readonly loadsBefore: readonly Float64Array[];
  private readonly trail: Done[] = [];
  /** What was counted of each dog where it was placed last: most changes leave most dogs where they are. */
  private readonly counted: (DogTally | undefined)[] = [];
  private readonly tally: DayTally;
  private last: DayChoice | undefined;

  constructor(private readonly problem: DayProblem) {
    const { from, slot, people, posts, dogs } = problem;
    this.grid = new DayGrid(problem);
    this.tally = new DayTally(problem, this.grid.roomOf);
    this.may = dogs.map((d) =>
      d.blocks.map((b) => people.flatMap((p, i) => (whyNotTheirs(p, d, b).length === 0 && isTheirs(d, b, p.id) ? [i] : []))),
    );
    this.helps = dogs.map((d) => d.blocks.map((b) => people.flatMap((p, i) => (whyNotTheirs(p, d, b, true).length === 0 ? [i] : []))));
    this.postsOf = dogs.map((d) =>
      d.blocks.map((b) => b.stretches.map((s) => s.posts.flatMap((k) => posts.flatMap((p, i) => (p.kind === k ? [i] : []))))),
    );
    this.lengths = lengthsOf(problem);
    this.rests = dogs.map((d) => d.blocks.map((b) => Math.ceil(b.restBefore / slot)));
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
    this.loadsBefore = this.items.map(() => new Float64Array(people.length));
  }

  place(choice: DayChoice): DaySchedule {
    this.arrange(choice);
    return this.schedule();
  }

  /** What the arranged day comes to, and the items that found no place. */
  terms(): ReturnType<DayTally['ofDay']> & { readonly left: readonly number[]; readonly waits: readonly number[] } {
    const waits: number[] = [];
    const dogs: DogTally[] = [];
    const breaks: RestSlots[] = [];
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
    const before = this.trail.length;
    for (let at = this.trail.length - 1; at >= same; at--) this.takeBack(this.trail[at]);
    const loads = this.loadsBefore[same];
    if (loads && same < before) this.grid.load.set(loads);
    this.trail.length = same;
    this.last = choice;
    for (let at = same; at < choice.order.length; at++) {
      const nr = choice.order[at] ?? -1;
      const item = this.items[nr];
      if (!item) continue;
      this.loadsBefore[at]?.set(this.grid.load);
      this.trail.push(this.placeItem(nr, item, choice));
    }
  }

  /** The arranged day. */
  schedule(): DaySchedule {
    const stretches: PlacedStretch[] = [];
    const breaks: DaySchedule['breaks'][number][] = [];
    const unplaced: string[] = [];
    for (const done of this.trail) {
      if (done.tally) for (const p of done.tally.placed) stretches.push(this.stretchOf(done.tally.dog, p));
      const rest = done.rest;
      if (rest) breaks.push({ person: this.problem.people[rest.person]?.id ?? '', from: this.timeOf(rest.from), to: this.timeOf(rest.to) });
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
    const first = Math.min(Math.max(choice.start[nr] ?? -1, item.from), Math.max(item.from, item.to));
    if (item.dog < 0) {
      const at = this.breakAt(item, first);
      if (at < 0) return { unplaced: `break ${this.problem.people[item.person]?.id ?? ''}` };
      return { rest: { person: item.person, from: at, to: at + item.slots } };
    }
    const dog = this.problem.dogs[item.dog];
    const placed = dog && this.dogAt(item, dog, first, choice);
    if (!placed) return { unplaced: dog?.id ?? '' };
    this.grid.put(dog, placed);
    const before = this.counted[item.dog];
    const tally = before && isSamePlace(before.placed, placed) ? before : this.tally.ofDog(dog, placed);
    this.counted[item.dog] = tally;
    return { tally };
  }

  /** As if it had never been placed, but for the loads. */
  private takeBack(done: Done | undefined): void {
    if (done?.rest) this.grid.rest(done.rest.person, done.rest.from, done.rest.to, 0);
    if (done?.tally) this.grid.lift(done.tally.dog, done.tally.placed);
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
        if (s + item.slots > this.grid.slots || this.grid.busyAt(item.person, s, s + item.slots) >= 0) continue;
        this.grid.rest(item.person, s, s + item.slots, 1);
        return s;
      }
    return -1;
  }

  private dogAt(item: Item, dog: DayDog, first: number, choice: DayChoice): PlacedSlots[] | undefined {
    const waits = Math.floor(dog.waitsAtMost / this.problem.slot);
    const latest = Math.floor((dog.arrives.to - this.problem.from) / this.problem.slot);
    // From the wished slot on, then those before it.
    for (const [lo, hi] of [
      [first, item.to],
      [item.from, first - 1],
    ] as const)
      for (let s = lo; s <= hi; s += 1 + this.skip) {
        const placed: PlacedSlots[] = [];
        this.skip = 0;
        const waited = Math.max(0, s - latest);
        if (waited > waits) break;
        if (this.restAt(item.dog, dog, choice, s, waits - waited, placed)) return placed;
      }
    return undefined;
  }

  /** All blocks of a dog, the first at a slot, the others as soon as they can. @param waits slots that it may still wait */
  private restAt(nr: number, dog: DayDog, choice: DayChoice, first: number, waits: number, placed: PlacedSlots[]): boolean {
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
  private blockAt(nr: number, dog: DayDog, b: number, person: number, at: number, rather: number, placed: PlacedSlots[]): boolean {
    const block = dog.blocks[b];
    const lengths = this.lengths[nr]?.[b];
    const before = placed.length;
    if (!block || !lengths || !this.may[nr]?.[b]?.includes(person)) return false;
    let from = at;
    let last = placed.at(-1)?.post ?? -1;
    for (let k = 0; k < block.stretches.length; k++) {
      const stretch = block.stretches[k];
      const to = from + (lengths[k] ?? 1);
      if (!stretch || to > this.grid.slots) return forget(placed, before);
      if (stretch.hands > 0) {
        const busy = this.grid.busyAt(person, from, to);
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

  /** The least loaded of those who can be the second pair of hands. */
  private helperFor(nr: number, b: number, person: number, from: number, to: number): number {
    let best = -1;
    for (const h of this.helps[nr]?.[b] ?? []) {
      if (h === person || this.grid.busyAt(h, from, to) >= 0) continue;
      if (best < 0 || (this.grid.load[h] ?? 0) < (this.grid.load[best] ?? 0)) best = h;
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
    if (last >= 0 && posts.includes(last) && this.grid.isOpen(last, dog, stretch, from, to)) return last;
    for (let k = 0; k < posts.length; k++) {
      const p = posts[(k + rather) % posts.length] ?? -1;
      if (this.grid.isOpen(p, dog, stretch, from, to)) return p;
    }
    return -1;
  }

  private stretchOf(dog: DayDog, p: PlacedSlots): PlacedStretch {
    const { people, posts } = this.problem;
    return {
      dog: dog.id,
      block: p.block,
      stretch: p.stretch,
      from: this.timeOf(p.from),
      to: this.timeOf(p.to),
      person: people[p.person]?.id,
      helper: people[p.helper]?.id,
      post: posts[p.post]?.id,
    };
  }
}

/** What was done for one item: a dog or a break that is placed, or what found no place. */
interface Done {
  readonly unplaced?: string;
  readonly rest?: RestSlots;
  readonly tally?: DogTally;
}

/** Takes back what was tried. */
function forget(placed: PlacedSlots[], before: number): false {
  while (placed.length > before) placed.pop();
  return false;
}

const isTheirs = (dog: DayDog, block: DayBlock, person: string): boolean =>
  (dog.fixed.person ?? person) === person && (block.by ?? person) === person;

function isSamePlace(a: readonly PlacedSlots[], b: readonly PlacedSlots[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) {
    const [x, y] = [a[i], b[i]];
    if (!x || !y) return false;
    // Lengths of stretches are the same each time.
    if (x.from !== y.from || x.person !== y.person || x.helper !== y.helper || x.post !== y.post) return false;
  }
  return true;
}
