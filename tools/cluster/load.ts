import { uuidV7 } from '../../core/src/log/index.js';
import { seeded } from '../../demo/src/random.js';
import { wait } from '../faults/bad-network.js';
import { type Person, Tablet } from '../faults/tablet.js';
import { until } from './until.js';

/** What a tablet taps, in turn. */
const TAPS = ['lip_lick', 'yawn', 'panting', 'tail_tucked'] as const;
const TAP_EVERY_MS = 120;
const AGAIN_MS = 150;

interface Tapped {
  readonly id: string;
  readonly atMs: number;
  acknowledgedMs: number | undefined;
}

/** One tablet at a visit, which keeps what it was told and what came back. */
interface Hand {
  readonly tablet: Tablet;
  readonly tapped: Tapped[];
}

/** Tablets of a salon that tap on, whatever happens to the machines behind; each keeps what it has until the server says that it has it. */
export class Load {
  private goesOn = true;
  private resting = false;
  /** What was refused, which ends it. */
  private trouble: unknown;
  private readonly hands: readonly Hand[];
  private readonly running: Promise<unknown>;

  /**
   * @param url where the salon is reached
   * @param visits a visit for each tablet
   * @param seed another one for each load of a drill: ids are made of it
   */
  constructor(url: string, person: Person, visits: readonly string[], seed: number) {
    this.hands = visits.map((visitId, i) => {
      const chance = seeded(1000 * seed + i).next;
      return { tablet: new Tablet(url, person, `load-${seed}-${i}`, visitId, () => Date.now(), chance), tapped: [] };
    });
    this.running = Promise.all(this.hands.flatMap((hand) => [this.tapOn(hand), this.sendOn(hand)]));
    this.running.catch((error: unknown) => (this.trouble = error));
  }

  /** Everything that was tapped, by id. */
  get tapped(): readonly string[] {
    return this.hands.flatMap((h) => h.tapped.map((t) => t.id));
  }
  /** Of that, what the server said that it has. */
  get acknowledged(): readonly string[] {
    return this.hands.flatMap((h) => h.tapped.filter((t) => t.acknowledgedMs !== undefined).map((t) => t.id));
  }

  /** How long after a moment every tablet had something acknowledged that it tapped after it. @param sinceMs by the machine's clock */
  async storedAfter(sinceMs: number): Promise<number> {
    const first = (h: Hand): number | undefined => h.tapped.find((t) => t.atMs > sinceMs && t.acknowledgedMs !== undefined)?.acknowledgedMs;
    await this.come('entries stored again', () => this.hands.every((h) => first(h) !== undefined));
    return Math.max(...this.hands.map((h) => first(h) ?? sinceMs)) - sinceMs;
  }

  /** The longest that a tablet waited for an answer to what it tapped after a moment, ms. */
  longestMs(sinceMs: number): number {
    const waits = this.hands.flatMap((h) => h.tapped.filter((t) => t.atMs > sinceMs).map((t) => (t.acknowledgedMs ?? Date.now()) - t.atMs));
    return Math.max(0, ...waits);
  }

  /** How many of what was tapped after a moment are acknowledged. */
  acknowledgedAfter(sinceMs: number): number {
    return this.hands.flatMap((h) => h.tapped.filter((t) => t.atMs > sinceMs && t.acknowledgedMs !== undefined)).length;
  }

  /** Nobody taps, until all that waited is sent and `work` is done. */
  async rest<T>(work: () => Promise<T>): Promise<T> {
    this.resting = true;
    try {
      await this.sent();
      return await work();
    } finally {
      this.resting = false;
    }
  }

  /** Sends all that waits, and ends. @throws what was refused */
  async stop(): Promise<void> {
    this.resting = true;
    await this.sent();
    this.goesOn = false;
    await this.running;
  }

  private sent(): Promise<void> {
    return this.come('all that waits sent', () => this.hands.every((h) => h.tablet.waits === 0));
  }
  private async come(what: string, is: () => boolean): Promise<void> {
    await until(what, () => Promise.resolve(this.trouble !== undefined || is() || undefined), 180_000, 20);
    if (this.trouble !== undefined) throw this.trouble;
  }

  private async tapOn({ tablet, tapped }: Hand): Promise<void> {
    for (let i = 0; this.goesOn; i++) {
      if (!this.resting) {
        const { id } = tablet.tap({ type: 'signal_seen', body: { signal: TAPS[i % TAPS.length] ?? TAPS[0] } });
        tapped.push({ id, atMs: Date.now(), acknowledgedMs: undefined });
      }
      await wait(TAP_EVERY_MS);
    }
  }
  private async sendOn({ tablet, tapped }: Hand): Promise<void> {
    let told = 0;
    while (this.goesOn || tablet.waits > 0) {
      await tablet.send();
      const now = Date.now();
      // They are sent in order: what does not wait any more is what was tapped first.
      for (const until = tapped.length - tablet.waits; told < until; told++) {
        const one = tapped[told];
        if (one) one.acknowledgedMs = now;
      }
      await wait(tablet.waits === 0 ? 10 : AGAIN_MS);
    }
  }
}

const random = (into: Uint8Array): Uint8Array => crypto.getRandomValues(into);

/** Books a visit for a dog and begins it. @returns its id */
export async function visitAtTable(url: string, person: Person, dogId: string): Promise<string> {
  const visitId = uuidV7(Date.now(), random);
  const tablet = new Tablet(url, person, 'desk', visitId, () => Date.now(), Math.random);
  const asked = { items: ['nails' as const], wantedMm: 9, sessionMinutes: 60 };
  const body = { dogId, arrivesAt: new Date().toISOString(), groomerId: person.staffId, asked, helperThere: false };
  tablet.tap({ type: 'visit_booked', body });
  tablet.tap({ type: 'work_started', body: {} });
  await until('the visit booked', () => tablet.send().then((all) => all || undefined), 30_000);
  return visitId;
}
