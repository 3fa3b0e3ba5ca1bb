import fc from 'fast-check';
import { AS_MODELLED, drawDog, simulateVisit, type SimulatedDog } from '../testing/simulated-dogs.js';
import {
  type BreakSeen,
  type DogFactor,
  evidenceFromPoints,
  evidenceOf,
  learnDog,
  learnRate,
  type RateEvidence,
  SHIFTS,
  type StrainEntry,
  type WatchedVisit,
  watchedBreaks,
  type WholeEvidence,
  wholeEvidenceOf,
} from './index.js';

const ask = { work: 'nails', priorPerMinute: 4 } as const;
const says = (ratePerMinute: number, logLikelihoods: readonly number[], work = 'nails', minutes = 8): RateEvidence => ({
  work,
  ratePerMinute,
  minutes,
  logLikelihoods,
});
const NEAR = says(4, [-1.2, 0, -0.8]);
const HIGHER = says(2, [-3.5, -1.2, 0]);
const LOWER = says(4, [0, -0.6, -4]);

describe('learnRate', () => {
  it('is what its kind has until something was seen, and says so', () => {
    const r = learnRate(ask, [says(4, [0, 0, 0], 'bath')]);
    expect([r.mean, r.visits, r.minutes]).toEqual([4, 0, 0]);
    expect(r.reasons.map((x) => x.rule)).toEqual(['rate.prior_only']);
    // A log-normal with σ 0.5.
    r.interval90.forEach((x, i) => expect(x / (4 * Math.exp((i === 0 ? -1.645 : 1.645) * 0.5))).toBeCloseTo(1, 2));
  });
  it('agrees with a fine sum in another language (Python, 9,600 cells)', () => {
    const cases: readonly (readonly [readonly RateEvidence[], readonly number[]])[] = [
      [[], [4.0, 1.758, 9.1, 3.521]],
      [[NEAR], [4.087, 1.967, 8.468, 4.527]],
      [
        [NEAR, HIGHER],
        [4.472, 2.276, 8.831, 5.354],
      ],
      [
        [LOWER, LOWER, LOWER],
        [2.652, 1.48, 4.629, 7.754],
      ],
      [
        [NEAR, HIGHER, LOWER],
        [3.724, 2.047, 6.728, 7.037],
      ],
    ];
    for (const [evidence, [mean, low, high, shape]] of cases) {
      const r = learnRate(ask, evidence);
      for (const [is, was] of [
        [r.mean, mean],
        [r.interval90[0], low],
        [r.interval90[1], high],
        [r.shape, shape],
      ] as const)
        expect(Math.abs(is / (was ?? 0) - 1)).toBeLessThan(0.01);
    }
  });
  it('counts minutes and visits of its own work, and says what they made of it', () => {
    const r = learnRate(ask, [NEAR, HIGHER, says(1, [0, -1, -2], 'bath')]);
    expect([r.minutes, r.visits]).toEqual([16, 2]);
    expect(r.reasons.map((x) => x.rule)).toEqual(['rate.learned']);
    expect(r.reasons[0]!.facts).toEqual({ minutes: 16, visits: 2, from: 4, to: r.mean });
  });
  it('stays where it is when a visit could come from any rate, and does not ask in which order visits came', () => {
    expect(learnRate(ask, [says(9, [0, 0, 0])]).mean).toBeCloseTo(4, 6);
    expect(learnRate(ask, [NEAR, HIGHER, LOWER]).mean).toBeCloseTo(learnRate(ask, [LOWER, NEAR, HIGHER]).mean, 9);
  });
  it('keeps its middle in its interval, and goes up with what speaks for more', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(NEAR, HIGHER, LOWER), { maxLength: 12 }), (seen) => {
        const r = learnRate(ask, seen);
        expect(r.interval90[0]).toBeLessThan(r.mean);
        expect(r.mean).toBeLessThan(r.interval90[1]);
        expect(learnRate(ask, [...seen, LOWER]).mean).toBeLessThan(r.mean);
        expect(learnRate(ask, [...seen, says(40, [-4, -1, 0])]).mean).toBeGreaterThan(r.mean);
      }),
      { numRuns: 40 },
    );
  });
});

describe('learnDog', () => {
  const visit = (believed: number, logLikelihoods: readonly number[]): WholeEvidence => ({ believed, minutes: 60, logLikelihoods });
  const hard = visit(0, [-6, -1, 0]);
  const asTold = visit(0.3, [-2, 0, -1]);
  it('is any dog of its kind until a visit was seen', () => {
    const any = learnDog([]);
    expect(any.middle).toBeCloseTo(0, 9);
    expect(any.variance).toBeCloseTo(0.16, 3);
    expect(any.visits).toBe(0);
    expect(learnRate(ask, [], learnDog([]))).toEqual(learnRate(ask, []));
  });
  it('agrees with a fine sum in another language (Python, 9,600 cells), and so do rates of that dog', () => {
    const { middle, variance, visits } = learnDog([hard, asTold]);
    expect(middle).toBeCloseTo(0.1572, 2);
    expect(variance).toBeCloseTo(0.1216, 2);
    expect(visits).toBe(2);
    const r = learnRate(ask, [NEAR], learnDog([hard, asTold]));
    [r.mean, r.interval90[0], r.interval90[1], r.shape].forEach((is, i) =>
      expect(Math.abs(is / [4.637, 2.35, 9.173, 5.299][i]! - 1)).toBeLessThan(0.015),
    );
  });
  it('makes all work of a hard dog harder, the work that nobody has seen too', () => {
    const dog = learnDog([hard, hard, hard]);
    expect(learnRate(ask, [], dog).mean).toBeGreaterThan(4.5);
    expect(learnDog([hard, hard]).middle).toBeLessThan(dog.middle);
  });
  /** Signs that a harder dog shows, or one that comes down more slowly. */
  const either: WholeEvidence = {
    ...{ believed: 0, minutes: 60, logLikelihoods: [-8, -2, -0.2] },
    halfLives: { believed: 6, quicker: [-9, -3, -0.3], slower: [-4, -0.4, -1.5] },
  };
  it('weighs a harder dog against a slower one as a fine sum in another language does (Python, 161 half-lives)', () => {
    const dog = learnDog([either, either, either, either]);
    expect(dog.middle).toBeCloseTo(0.3329, 1.5);
    expect(dog.variance).toBeCloseTo(0.1088, 2);
    expect(dog.ifHalfLife.reduce((sum, f) => sum + f.chance, 0)).toBeCloseTo(1, 9);
    expect(Math.exp(dog.ifHalfLife.reduce((sum, f) => sum + f.chance * Math.log(f.minutes), 0)) / 6.976).toBeCloseTo(1, 1.5);
    const r = learnRate(ask, [{ ...says(4, [-3.5, -1.2, 0]), halfLifeMinutes: 6 }], dog);
    [r.mean, r.interval90[0], r.interval90[1], r.shape].forEach((is, i) =>
      expect(Math.abs(is / [6.292, 3.121, 12.633, 5.047][i]! - 1)).toBeLessThan(0.03),
    );
  });
  it('tells the two apart by the breaks: one that is tense at their ends is slow, one that is relaxed minds the work', () => {
    const after = (mood: 'tense' | 'relaxed'): DogFactor => {
      const visits = [either, either, either, either];
      return learnDog(
        visits,
        visits.map(() => ({ strainBefore: 40, spread: 5, minutes: 6, mood })),
      );
    };
    expect(after('relaxed').middle).toBeGreaterThan(after('tense').middle + 0.05);
    const slow = ({ ifHalfLife }: DogFactor): number => ifHalfLife.reduce((sum, f) => sum + f.chance * Math.log(f.minutes / 6), 0);
    expect(slow(after('tense'))).toBeGreaterThan(slow(after('relaxed')) + 0.3);
    // If it is slow, the same signs speak of easier work.
    const nodes = learnDog([either, either]).ifHalfLife;
    expect(nodes.at(-1)!.middle).toBeLessThan(nodes[0]!.middle);
  });
  it('is not asked to be harder by visits that came as it was believed', () => {
    expect(Math.abs(learnDog([visit(0, [-2, 0, -2])]).middle)).toBeLessThan(0.05);
    expect(learnDog([visit(0.6, [-2, 0, -2])]).middle).toBeGreaterThan(0.05);
  });
});

describe('a visit that was kept by minutes and points', () => {
  it('says what its points say, in bursts of eight', () => {
    const many = learnRate(
      ask,
      Array.from({ length: 60 }, () => evidenceFromPoints('nails', 10, 80)),
    );
    expect(many.mean).toBeGreaterThan(6.5);
    expect(many.mean).toBeLessThan(8.2);
    expect(learnRate(ask, [evidenceFromPoints('nails', 10, 80)]).mean).toBeLessThan(6);
    expect(learnRate(ask, [evidenceFromPoints('nails', 40, 0)]).mean).toBeLessThan(4);
    expect(Math.max(...evidenceFromPoints('nails', 10, 80).logLikelihoods)).toBe(0);
  });
});

describe('what a visit says of its kinds of work', () => {
  const stretch = (work: string, fromMinute: number, toMinute: number) => ({ work, fromMinute, toMinute, ratePerMinute: 2 });
  const sign = (minute: number, signal: 'whale_eye' | 'soft_body'): StrainEntry => ({ kind: 'signal', minute, signal });
  const visit = (...entries: StrainEntry[]): WatchedVisit => ({
    entries,
    stretches: [stretch('nails', 0, 10), stretch('bath', 10, 20)],
    start: 10,
    halfLifeMinutes: 6,
  });
  const of = (work: string, v: WatchedVisit): readonly number[] => evidenceOf(v, 30).find((e) => e.work === work)?.logLikelihoods ?? [];
  const bestOf = (logs: readonly number[]): number => SHIFTS[logs.indexOf(0)] ?? NaN;
  const upset = [2, 4, 6, 8].map((m) => sign(m, 'whale_eye'));

  it('speaks for a higher rate where signs came, and for a lower one where somebody watched and none came', () => {
    expect(bestOf(of('nails', visit(...upset)))).toBeGreaterThan(0);
    const watched: StrainEntry[] = [2, 6, 10, 14, 18].map((minute) => ({ kind: 'state_seen', minute, mood: 'relaxed' }));
    expect(bestOf(of('nails', visit(...watched)))).toBeLessThan(0);
    expect(evidenceOf(visit(...upset), 30).map((e) => [e.work, e.ratePerMinute.toFixed(6), e.minutes])).toEqual([
      ['nails', '2.000000', 10],
      ['bath', '2.000000', 10],
    ]);
  });
  it('says nothing of minutes nobody watched, and learns nothing from good signs', () => {
    for (const log of of('nails', visit())) expect(log).toBeCloseTo(0, 9);
    const still: StrainEntry[] = [2, 6].map((minute) => ({ kind: 'state_seen', minute, mood: 'still' }));
    const good = [2, 6].map((minute) => sign(minute, 'soft_body'));
    of('nails', visit(...good)).forEach((log, i) => expect(log).toBeCloseTo(of('nails', visit(...still))[i]!, 9));
  });
  it('takes out what ailed the dog that day', () => {
    const sore = visit(...upset);
    const stretches = sore.stretches.map((s) => ({ ...s, lastingPerMinute: 1.25 }));
    expect(evidenceOf({ ...sore, stretches }, 30)[0]!.ratePerMinute).toBeCloseTo(1.25, 9);
  });
  it('blames a bad day on the day: signs in all work speak less against one of them than signs in it alone', () => {
    const before = visit(...upset);
    const all = visit(...upset, ...[12, 14, 16, 18].map((m) => sign(m, 'whale_eye')));
    const rise = (logs: readonly number[]): number => (logs[2] ?? 0) - (logs[1] ?? 0);
    expect(rise(of('bath', all))).toBeGreaterThan(rise(of('bath', before)));
    // The bath begins high already, and the nails told that it is such a day.
    const alone = { ...visit(...[12, 14, 16, 18].map((m) => sign(m, 'whale_eye'))) };
    expect(rise(of('bath', all))).toBeLessThan(rise(of('bath', alone)));
  });
  it('leaves out work that did not happen', () => {
    expect(evidenceOf(visit(...upset), 10).map((e) => e.work)).toEqual(['nails']);
    expect(evidenceOf({ ...visit(), stretches: [{ ...stretch('nails', 0, 10), ratePerMinute: 0 }] }, 10)).toEqual([]);
  });
});

describe('rates of dogs that are known', () => {
  // All come down alike: a dog that comes down more slowly shows it as harder work, and a rate that says so is no error.
  const EVEN = { ...AS_MODELLED, halfLife: 1e-6 };
  interface Learned {
    readonly truly: number;
    readonly mean: number;
    readonly within: boolean;
    readonly expected: number;
  }
  /** Visits one after the other, each planned with what those before have taught. */
  function learn(dog: SimulatedDog, seed: number, at: readonly number[]): Map<number, Learned[]> {
    const evidence: RateEvidence[] = [];
    const whole: WholeEvidence[] = [];
    const breaks: BreakSeen[] = [];
    const out = new Map<number, Learned[]>();
    const rates = () =>
      dog.works.map((w, i) => learnRate({ work: String(i), priorPerMinute: w.expected }, evidence, learnDog(whole, breaks)));
    for (let v = 1; v <= Math.max(...at); v++) {
      const { seen, minutes } = simulateVisit(
        seed + v,
        undefined,
        dog,
        rates().map((r) => r.mean),
      );
      const stretches = seen.stretches.map((s, i) => ({ ...s, work: String(i), kindPerMinute: dog.works[i]?.expected }));
      evidence.push(...evidenceOf({ ...seen, stretches }, minutes));
      whole.push(...[wholeEvidenceOf({ ...seen, stretches }, minutes)].flatMap((w) => w ?? []));
      breaks.push(...watchedBreaks(seen));
      if (at.includes(v))
        out.set(
          v,
          rates().flatMap((r, i) => {
            const work = dog.works[i];
            if (!work || r.visits === 0) return [];
            const within = r.interval90[0] <= work.truly && work.truly <= r.interval90[1];
            return [{ truly: work.truly, expected: work.expected, mean: r.mean, within }];
          }),
        );
    }
    return out;
  }
  const dogs = Array.from({ length: 14 }, (_, d) => learn(drawDog(d + 1, EVEN), 100 * d, [1, 3, 8]));
  for (const visits of [1, 3, 8])
    it(`are covered after ${visits} visits, and told no worse than by their kind`, () => {
      const all = dogs.flatMap((d) => d.get(visits) ?? []);
      expect(all.length).toBeGreaterThan(90);
      expect(all.filter((l) => l.within).length / all.length).toBeGreaterThan(0.85);
      const error = (of: (l: Learned) => number): number =>
        Math.sqrt(all.reduce((sum, l) => sum + Math.log(of(l) / l.truly) ** 2, 0) / all.length);
      expect(error((l) => l.mean)).toBeLessThan(1.05 * error((l) => l.expected));
    });
});
