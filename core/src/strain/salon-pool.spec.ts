import { randomLcg, randomNormal } from 'd3-random';
import { drawDog, simulateVisit, type SimulatedDog } from '../testing/simulated-dogs.js';
import type { DogKind } from '../words/index.js';
import {
  type DogSeen,
  evidenceOf,
  kindThatCounts,
  learnDog,
  learnRate,
  type PooledWork,
  poolKindsOf,
  poolOf,
  type RateEvidence,
  shiftOf,
  type WholeEvidence,
} from './index.js';

const says = (logLikelihoods: readonly number[], more: Partial<RateEvidence> = {}): RateEvidence => ({
  work: 'nails',
  ratePerMinute: 2,
  kindPerMinute: 2,
  minutes: 10,
  logLikelihoods,
  ...more,
});
const HARDER = [-5, -1.6, 0];
const dogs = (n: number, evidence: readonly RateEvidence[]): DogSeen[] =>
  Array.from({ length: n }, (_, i) => ({ dogId: `dog ${i}`, evidence }));

describe('what a salon’s own dogs say', () => {
  it('is nothing without dogs, without minutes, and without what their kind was taken to have', () => {
    expect(poolOf([])).toEqual([]);
    expect(poolOf(dogs(3, [says(HARDER, { kindPerMinute: undefined }), says(HARDER, { minutes: 0 })]))).toEqual([]);
  });
  it('moves from our table as far as there are dogs, each counted once', () => {
    const of = (n: number): PooledWork => poolOf(dogs(n, [says(HARDER)]))[0]!;
    const [one, five, fifty] = [of(1), of(5), of(50)];
    expect([one.dogs, five.dogs, fifty.dogs]).toEqual([1, 5, 50]);
    expect(one.shift).toBeGreaterThan(0);
    expect(five.shift).toBeGreaterThan(one.shift);
    expect(fifty.shift).toBeGreaterThan(five.shift);
    expect([one.counts < 0.2, five.counts > one.counts, fifty.counts > 0.6]).toEqual([true, true, true]);
    // One dog that comes often is one dog.
    const often = poolOf(Array.from({ length: 50 }, () => ({ dogId: 'the same', evidence: [says(HARDER)] })))[0]!;
    expect(often.dogs).toBe(1);
    expect(often.counts).toBeLessThan(0.25);
  });
  // Beyond the shifts that were tried a visit says less than the parabola would: a tenth is left for that.
  it('agrees with the sum of normal distributions (Efron and Morris 1973, J. Am. Stat. Assoc. 68: 117, from memory)', () => {
    // Each dog says u = 0.4 by a parabola of which 0.6 counts; dogs lie round the middle with 0.4² + 0.35².
    const steep = 6;
    const seen = says([-1, 0, 1].map((u) => -steep * ((u - 0.4) ** 2 - 0.16)));
    const variance = 1 / (2 * 0.6 * steep) + 0.4 ** 2 + 0.35 ** 2;
    for (const n of [1, 4, 40]) {
      const precision = n / variance + 1 / 0.25 ** 2;
      const [pooled] = poolOf(dogs(n, [seen]));
      expect(Math.abs(pooled!.variance * precision - 1))
        .withContext(`${n} dogs`)
        .toBeLessThan(0.12);
      expect(Math.abs(pooled!.shift / ((0.4 * n) / variance / precision) - 1))
        .withContext(`${n} dogs`)
        .toBeLessThan(0.12);
    }
  });
  it('is where a dog begins of which nothing is known, and the table stays where the salon says nothing', () => {
    const pool: PooledWork[] = [{ work: 'nails', shift: 0.3, variance: 0.01, dogs: 40, counts: 0.84 }];
    const rate = (work: string, of: readonly PooledWork[]): number =>
      learnRate({ work, priorPerMinute: 2 }, [], learnDog([], [], shiftOf(of)), of).mean;
    expect(rate('nails', pool)).toBeCloseTo(2 * Math.exp(0.3), 2);
    expect(rate('nails', [])).toBe(2);
    // What they have in common holds for other work, too.
    expect(rate('bath', pool)).toBeCloseTo(2 * Math.exp(0.3), 2);
    const two: PooledWork[] = [...pool, { work: 'dry', shift: -0.3, variance: 0.01, dogs: 40, counts: 0.84 }];
    expect(rate('nails', two)).toBeCloseTo(2 * Math.exp(0.3), 2);
    expect(rate('dry', two)).toBeCloseTo(2 * Math.exp(-0.3), 2);
    expect(rate('bath', two)).toBeCloseTo(2, 2);
  });
  it('brings a new dog nearer the truth in a salon that is otherwise than our table', () => {
    const source = randomLcg(0.42);
    const gauss = randomNormal.source(source)(0, 1);
    // Works of this salon: each so much harder or easier on all its dogs.
    const ofSalon = Array.from({ length: 8 }, () => 0.3 + 0.25 * gauss());
    const inSalon = (dog: SimulatedDog): SimulatedDog => ({
      ...dog,
      works: dog.works.map((_, i) => ({ expected: 1.5, truly: 1.5 * Math.exp((ofSalon[i] ?? 0) + 0.3 * gauss()) })),
    });
    const seen: DogSeen[] = Array.from({ length: 60 }, (_, d) => {
      const dog = inSalon(drawDog(900 + d));
      return {
        dogId: `dog ${d}`,
        evidence: [0, 1].flatMap((v) => {
          const { seen: visit, minutes } = simulateVisit(40_000 + 10 * d + v, undefined, dog);
          const stretches = visit.stretches.map((s, i) => ({ ...s, work: `work ${i}`, kindPerMinute: 1.5 }));
          return evidenceOf({ ...visit, stretches }, minutes);
        }),
      };
    });
    const pool = poolOf(seen);
    const off = (of: readonly PooledWork[]): number =>
      Math.sqrt(
        ofSalon.reduce((sum, shift, i) => {
          const { mean } = learnRate({ work: `work ${i}`, priorPerMinute: 1.5 }, [], learnDog([], [], shiftOf(of)), of);
          return sum + (Math.log(mean / 1.5) - shift) ** 2;
        }, 0) / ofSalon.length,
      );
    expect(off(pool)).toBeLessThan(0.75 * off([]));
    for (const p of pool)
      expect([p.dogs > 40, p.counts > 0.2])
        .withContext(p.work)
        .toEqual([true, true]);
  });
});

describe('what a salon’s own dogs of a kind say', () => {
  const whole = (logLikelihoods: readonly number[], kinds?: readonly DogKind[], believed = 0): WholeEvidence => ({
    ...{ believed, minutes: 60, logLikelihoods },
    ...(kinds ? { kinds } : {}),
  });
  const hard = (kinds?: readonly DogKind[]): WholeEvidence => whole([-12, -3, 0], kinds);
  const puppies = Array.from({ length: 20 }, (_, d) => ({ dogId: `dog ${d}`, whole: hard(['puppy', 'first_visit']) }));

  it('is nothing without dogs of a kind, and nothing from visits that did not keep their kinds', () => {
    expect(poolKindsOf([], [])).toEqual([]);
    expect(poolKindsOf([{ dogId: 'a', whole: hard() }], [])).toEqual([]);
    expect(poolKindsOf([{ dogId: 'a', whole: hard(['thin_skin']) }], [])).toEqual([]);
  });
  it('moves that kind, the more dogs the surer, and each dog counts once', () => {
    const [puppy, first] = poolKindsOf(puppies, []);
    expect([puppy?.kind, first?.kind, puppy?.dogs]).toEqual(['puppy', 'first_visit', 20]);
    expect(puppy!.shift).toBeGreaterThan(0.1);
    const [few] = poolKindsOf(puppies.slice(0, 2), []);
    expect(few!.shift).toBeLessThan(puppy!.shift);
    expect(few!.counts).toBeLessThan(puppy!.counts);
    const often = poolKindsOf(
      Array.from({ length: 20 }, () => puppies[0]!),
      [],
    )[0]!;
    expect(often.dogs).toBe(1);
    expect(often.shift).toBeLessThan(puppy!.shift);
  });
  it('is told over what all of the salon’s dogs have in common', () => {
    const all: PooledWork[] = [{ work: 'nails', shift: 0.3, variance: 0.01, dogs: 40, counts: 0.84 }];
    expect(poolKindsOf(puppies, all)[0]!.shift).toBeLessThan(poolKindsOf(puppies, [])[0]!.shift);
  });
  it('agrees with a fine sum in another language (Python, 2,401 cells)', () => {
    const [puppy] = poolKindsOf(puppies.slice(0, 3), []);
    expect(puppy!.shift).toBeCloseTo(0.2098, 2);
    expect(puppy!.variance).toBeCloseTo(0.0501, 3);
  });
  it('counts for a dog by the kind that is known best, never by two', () => {
    const pool = [
      { kind: 'senior' as const, shift: 0.2, variance: 0.02, dogs: 5, counts: 0.5 },
      { kind: 'reactive' as const, shift: -0.1, variance: 0.01, dogs: 9, counts: 0.8 },
    ];
    expect(kindThatCounts(['reactive', 'senior'], pool)?.kind).toBe('reactive');
    expect(kindThatCounts(['senior', 'matted'], pool)?.kind).toBe('senior');
    expect(kindThatCounts(['puppy'], pool)).toBeUndefined();
    expect(kindThatCounts(['senior'], [])).toBeUndefined();
  });
});
