/** What a salon does on a Saturday. */
export interface SaturdayWays {
  /** People at tables, each with one dog at a time. */
  readonly people: number;
  readonly dogsEach: number;
  readonly opensHour: number;
  readonly visitMinutes: number;
  /** How far a dog comes before or after its time, minutes (standard deviation). */
  readonly apartMinutes: number;
  readonly entriesOfVisit: number;
  /** Of them, what is tapped in the first quarter of an hour: what is felt, agreed, found. */
  readonly atFirst: number;
  readonly photographsOfVisit: number;
  /** Screens that follow along all day: a tablet each, one at the desk, one in the pocket of the lead. */
  readonly screens: number;
}

/** Our estimates, no source: a full day of the salon that the demo is. */
export const SATURDAY: SaturdayWays = {
  people: 4,
  dogsEach: 5,
  opensHour: 8,
  visitMinutes: 100,
  apartMinutes: 6,
  entriesOfVisit: 70,
  atFirst: 0.35,
  photographsOfVisit: 3,
  screens: 6,
};

/** What a server is asked for: an entry, what is new of today, who has a visit open, a photograph taken, one looked at. */
export const ASKED_KINDS = ['entry', 'news', 'here', 'photograph', 'picture'] as const;
export type AskedKind = (typeof ASKED_KINDS)[number];
export type Rates = Readonly<Record<AskedKind, number>>;

const DAY_S = 24 * 3600;
const BUCKET_S = 10;
const FIRST_S = 15 * 60;
/** How often a device says that it has a visit open, s: as the page does. */
const HERE_S = 10;
/** A dog is worked on until the next one is due, a few minutes short of it. */
const BETWEEN_MINUTES = 20;

/** A Saturday of many salons under one clock. */
export interface Saturday {
  /** Of the whole day, by kind. */
  readonly total: Rates;
  /** A second of its busiest ten seconds, by all that is asked. */
  readonly peak: Rates;
  /** When that was, seconds after midnight. */
  readonly peakAtS: number;
}

/**
 * Draws a Saturday: each dog comes about its time, and what is tapped is scattered over its visit, more of it at first. All salons have one clock,
 * which is the worst that can be: spread over the world they are busy one after the other.
 * @param chance from 0 up to 1
 */
export function saturdayOf(salons: number, chance: () => number, ways: SaturdayWays = SATURDAY): Saturday {
  const length = DAY_S / BUCKET_S;
  const [entries, photographs, here] = [new Float64Array(length), new Float64Array(length), new Float64Array(length)];
  const add = (to: Float64Array, atS: number, count = 1): void => {
    const i = Math.min(length - 1, Math.max(0, Math.floor(atS / BUCKET_S)));
    to[i] = (to[i] ?? 0) + count;
  };
  const lengthS = ways.visitMinutes * 60;
  for (let salon = 0; salon < salons; salon++)
    for (let person = 0; person < ways.people; person++)
      for (let dog = 0; dog < ways.dogsEach; dog++) {
        const due = ways.opensHour * 3600 + dog * (ways.visitMinutes + BETWEEN_MINUTES) * 60;
        const from = due + 60 * ways.apartMinutes * normal(chance);
        for (let i = 0; i < ways.entriesOfVisit; i++) add(entries, from + chance() * (chance() < ways.atFirst ? FIRST_S : lengthS));
        for (let i = 0; i < ways.photographsOfVisit; i++) add(photographs, from + chance() * lengthS);
        for (let s = 0; s < lengthS; s += BUCKET_S) add(here, from + s, BUCKET_S / HERE_S);
      }
  const at = (i: number): Rates => {
    const entry = entries[i] ?? 0;
    const photograph = photographs[i] ?? 0;
    // Every other screen asks what is new; the one at the desk and the next hands look at a photograph, small.
    return { entry, news: entry * (ways.screens - 1), here: here[i] ?? 0, photograph, picture: 2 * photograph };
  };
  const total: Record<AskedKind, number> = { entry: 0, news: 0, here: 0, photograph: 0, picture: 0 };
  let busiest = 0;
  for (let i = 0; i < length; i++) {
    const rates = at(i);
    for (const kind of ASKED_KINDS) total[kind] += rates[kind];
    if (sum(rates) > sum(at(busiest))) busiest = i;
  }
  const peak = at(busiest);
  return { total, peak: scaled(peak, 1 / BUCKET_S), peakAtS: busiest * BUCKET_S };
}

const sum = (rates: Rates): number => ASKED_KINDS.reduce((all, kind) => all + rates[kind], 0);

/** The same of more or fewer. */
export const scaled = (r: Rates, by: number): Rates => ({
  entry: r.entry * by,
  news: r.news * by,
  here: r.here * by,
  photograph: r.photograph * by,
  picture: r.picture * by,
});

/** Box and Muller's. */
const normal = (chance: () => number): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
