/** A clock that the caller hands in; core has none of its own. Milliseconds. */
export type Clock = () => number;

/** What a search may spend: labels, and time when a clock is given. The same labels give the same plan; time does not. */
export class Budget {
  looked = 0;
  private stopped = false;
  private nextLook = 0;

  constructor(
    private readonly labels: number,
    private readonly clock?: Clock,
    private readonly untilMs = Infinity,
    private readonly parent?: Budget,
  ) {}

  /** A part of this budget: what is spent from it is spent from both. */
  part(labels: number): Budget {
    return new Budget(labels, undefined, Infinity, this);
  }

  /** An equal share of what is left, in labels and in time, when this many need one. */
  share(among: number): Budget {
    const now = this.clock?.() ?? 0;
    return new Budget((this.labels - this.looked) / among, this.clock, now + (this.untilMs - now) / among, this);
  }

  /** All of its labels, and this share of the time that is left: the rest is for what comes after. */
  before(share: number): Budget {
    const now = this.clock?.() ?? 0;
    return new Budget(this.labels - this.looked, this.clock, now + share * (this.untilMs - now), this);
  }

  /** A budget of its own, for what has to be found even when this one is used up. @param ms by the same clock */
  beside(labels: number, ms: number): Budget {
    return new Budget(labels, this.clock, this.clock ? this.clock() + ms : Infinity);
  }

  /** Counts labels. @returns whether there is something left to spend */
  spend(labels: number): boolean {
    this.looked += labels;
    const above = this.parent?.spend(labels) ?? true;
    if (this.looked > this.labels) this.stopped = true;
    // The clock is read now and then: it is slower than a label.
    if (this.looked >= this.nextLook) {
      this.nextLook = this.looked + LABELS_PER_LOOK;
      this.lookAtClock();
    }
    return above && !this.stopped;
  }

  empty(): boolean {
    this.lookAtClock();
    return this.stopped || (this.parent?.empty() ?? false);
  }

  private lookAtClock(): void {
    if (this.clock && this.clock() > this.untilMs) this.stopped = true;
  }
}

const LABELS_PER_LOOK = 256;
/** Labels that a search may look at when it is not told: about a second or two. Our default. */
export const LABEL_BUDGET = 1_000_000;
