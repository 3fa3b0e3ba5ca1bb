import { type DogKind, SIGNAL_IDS, type SignalId } from '../words/index.js';
import { SIGNALS } from './signals.js';
import { COARSE_STEP_MINUTES, LEARNED_SILENCE } from './process.js';
import { type Grain, StrainFilter } from './strain-filter.js';
import type { WatchedVisit, WorkStretch } from './watched-visit.js';

/** What one visit says of one kind of work. */
export interface RateEvidence<A extends string = string> {
  readonly work: A;
  /** Points a minute that the plan believed of it on a day on which nothing ails the dog. */
  readonly ratePerMinute: number;
  /** What dogs of its kind were taken to have then; not in what earlier versions kept. */
  readonly kindPerMinute?: number | undefined;
  /** Minutes of it. */
  readonly minutes: number;
  /** For each of {@link SHIFTS}, logarithm of how likely the visit is if the rate is e to the shift times what was believed; the best is 0. */
  readonly logLikelihoods: readonly number[];
  /** Half-life that was believed then; not in what earlier versions kept. */
  readonly halfLifeMinutes?: number | undefined;
}

/** What one visit says of the dog as a whole: how likely it is if all its rates are e to a shift times what was believed. */
export interface WholeEvidence {
  /** Logarithm of what was believed over what dogs of its kind have, as a mean over the minutes of work. */
  readonly believed: number;
  readonly minutes: number;
  /** For each of {@link SHIFTS}; the best is 0. */
  readonly logLikelihoods: readonly number[];
  /** Kinds of dog that it was then; not in what earlier versions kept. */
  readonly kinds?: readonly DogKind[] | undefined;
  /** The same, over the same best, if the half-life is not what was believed; not in what earlier versions kept. */
  readonly halfLives?: OtherHalfLives | undefined;
}
export interface OtherHalfLives {
  /** Minutes. */
  readonly believed: number;
  /** By {@link HALF_LIFE_SHIFT} less, and more, of its logarithm. */
  readonly quicker: readonly number[];
  readonly slower: readonly number[];
}
/** Logarithm of true over believed half-life at which a whole visit is weighed, both ways. */
export const HALF_LIFE_SHIFT = 0.6;

/** Logarithms of true over believed rate at which a visit is weighed. */
export const SHIFTS = [-1, 0, 1] as const;
/** What a stretch of work did to the dog is seen so long after its end, minutes: a half-life and a half. Our default. */
const SEEN_AFTER_MINUTES = 9;

/**
 * Good signs say how strain is now, but teach no rate: nobody enters all of them, and the minutes in which none was entered would have to
 * speak, too.
 */
const GOOD_SIGNS: readonly SignalId[] = SIGNAL_IDS.filter((s) => SIGNALS[s].tier === 'good');

/** Coarse, and as if the dog showed its strain: a quiet dog's signs teach too little of its rates either way. */
const GRAIN: Grain = { stepMinutes: COARSE_STEP_MINUTES, quietShare: 0, silenceCounts: LEARNED_SILENCE };

/**
 * How likely a visit is at other rates than were believed, kind of work by kind of work, the others as they were believed. What the day
 * does to all rates is in the filter's temper, so that one bad day is not taken for a bad kind of work.
 * @param end minutes from the start to the end of the work
 */
export function evidenceOf<A extends string>(visit: WatchedVisit<A>, end: number): RateEvidence<A>[] {
  const kinds = [...new Set(visit.stretches.flatMap((s) => s.work ?? []))];
  const over = (s: WorkStretch<A>): number => Math.max(0, Math.min(end, s.toMinute ?? end) - s.fromMinute);
  const read = { ...visit, uncounted: [...(visit.uncounted ?? []), ...GOOD_SIGNS] };
  const asBelieved = logLikelihoodsOf(new StrainFilter(read, GRAIN), end);
  const along = new StrainFilter(read, GRAIN);
  return kinds
    .map((work) => ({ work, own: visit.stretches.filter((s) => s.work === work && s.ratePerMinute > 0 && over(s) > 0) }))
    .filter(({ own }) => own.length > 0)
    .map((k) => ({ ...k, from: Math.floor(Math.min(...k.own.map((s) => s.fromMinute)) / COARSE_STEP_MINUTES) * COARSE_STEP_MINUTES }))
    .sort((a, b) => a.from - b.from)
    .map(({ work, own, from }) => {
      along.at(from);
      const until = Math.floor(Math.min(end, Math.max(...own.map((s) => s.fromMinute + over(s))) + SEEN_AFTER_MINUTES));
      const logs = SHIFTS.map((shift) => {
        if (shift === 0) return asBelieved[until] ?? 0;
        const otherwise = visit.stretches.map((s) => (own.includes(s) ? { ...s, ratePerMinute: s.ratePerMinute * Math.exp(shift) } : s));
        const filter = along.fork({ ...read, stretches: otherwise });
        filter.at(until);
        return filter.logLikelihood;
      });
      const best = Math.max(...logs);
      const minutes = own.reduce((sum, s) => sum + over(s), 0);
      const meanOf = (rate: (s: WorkStretch<A>) => number): number =>
        Math.exp(own.reduce((sum, s) => sum + over(s) * Math.log(rate(s)), 0) / minutes);
      const ofKind = own.every((s) => (s.kindPerMinute ?? 0) > 0);
      return {
        work,
        ratePerMinute: meanOf((s) => s.lastingPerMinute ?? s.ratePerMinute),
        kindPerMinute: ofKind ? meanOf((s) => s.kindPerMinute ?? 1) : undefined,
        minutes,
        logLikelihoods: logs.map((x) => x - best),
        halfLifeMinutes: visit.halfLifeMinutes,
      };
    });
}

/** Logarithm of how likely all was that was seen until each whole minute. */
function logLikelihoodsOf(filter: StrainFilter, end: number): number[] {
  return Array.from({ length: Math.floor(end) + 1 }, (_, minute) => {
    filter.at(minute);
    return filter.logLikelihood;
  });
}

/**
 * How likely a visit is if all its rates, and the half-life, are otherwise than was believed.
 * @returns `undefined` when nothing was done, or it is not known what its kind has
 */
export function wholeEvidenceOf(visit: WatchedVisit, end: number): WholeEvidence | undefined {
  const read = { ...visit, uncounted: [...(visit.uncounted ?? []), ...GOOD_SIGNS] };
  const known = visit.stretches.flatMap((s) => {
    const minutes = Math.max(0, Math.min(end, s.toMinute ?? end) - s.fromMinute);
    const lasting = s.lastingPerMinute ?? s.ratePerMinute;
    return minutes > 0 && lasting > 0 && (s.kindPerMinute ?? 0) > 0 ? [{ minutes, log: Math.log(lasting / (s.kindPerMinute ?? 1)) }] : [];
  });
  const minutes = known.reduce((sum, k) => sum + k.minutes, 0);
  if (minutes === 0) return undefined;
  const at = (longer: number): number[] =>
    SHIFTS.map((shift) => {
      const stretches = visit.stretches.map((s) => ({ ...s, ratePerMinute: s.ratePerMinute * Math.exp(shift) }));
      const filter = new StrainFilter({ ...read, stretches, halfLifeMinutes: visit.halfLifeMinutes * Math.exp(longer) }, GRAIN);
      filter.at(end);
      return filter.logLikelihood;
    });
  const logs = at(0);
  const best = Math.max(...logs);
  const over = (of: readonly number[]): number[] => of.map((x) => x - best);
  return {
    believed: known.reduce((sum, k) => sum + k.minutes * k.log, 0) / minutes,
    minutes,
    logLikelihoods: over(logs),
    halfLives: { believed: visit.halfLifeMinutes, quicker: over(at(-HALF_LIFE_SHIFT)), slower: over(at(HALF_LIFE_SHIFT)) },
  };
}
