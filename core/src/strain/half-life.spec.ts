import { randomLcg, randomLogNormal } from 'd3-random';
import fc from 'fast-check';
import { sayReason } from '../testing/english.js';
import { AS_MODELLED, drawDog, simulateVisit } from '../testing/simulated-dogs.js';
import { type BreakSeen, HALF_LIFE_RANGE, learnHalfLife, StrainFilter, strainQuantile } from './index.js';

const seen = (strainBefore: number, spread: number, minutes: number, mood: BreakSeen['mood']): BreakSeen => ({
  strainBefore,
  spread,
  minutes,
  mood,
});
const many = (count: number, b: BreakSeen): BreakSeen[] => Array.from({ length: count }, () => b);

describe('learnHalfLife', () => {
  it('is most likely 6 min until a break was watched; a plan counts with more', () => {
    const h = learnHalfLife([]);
    expect([Math.round(10 * h.middle) / 10, Math.round(10 * h.minutes) / 10, h.breaks]).toEqual([6, 9.8, 0]);
    expect(h.reasons.map(sayReason)).toEqual([
      'Strain is taken to halve in about 6 min of rest. Until breaks of this dog were seen, the plan counts with 9.8, so that breaks are not too short.',
    ]);
  });
  it('agrees with a fine sum in another language (Python, 1,500 half-lives, 201 strains before each break)', () => {
    const cases: readonly (readonly [readonly BreakSeen[], readonly number[]])[] = [
      [[], [2.796, 6.054, 9.768, 13.667]],
      [many(3, seen(60, 8, 4, 'relaxed')), [2.125, 3.149, 4.593, 6.403]],
      [
        [seen(60, 8, 10, 'tense'), seen(45, 10, 6, 'frantic'), seen(70, 6, 8, 'tense')],
        [4.719, 9.287, 13.891, 18.476],
      ],
      [
        [seen(40, 9, 5, 'relaxed'), seen(55, 7, 3, 'tense'), seen(50, 10, 6, 'shut_down')],
        [3.06, 6.759, 10.906, 15.121],
      ],
    ];
    for (const [breaks, wanted] of cases) {
      const { middle, minutes, range } = learnHalfLife(breaks);
      [range[0], middle, minutes, range[1]].forEach((minute, i) => expect(Math.abs(minute / (wanted[i] ?? 0) - 1)).toBeLessThan(0.02));
    }
  });
  it('says how many breaks told it, how sure it is, and what plans count with', () =>
    expect(learnHalfLife(many(5, seen(55, 8, 6, 'tense'))).reasons.map(sayReason)).toEqual([
      jasmine.stringMatching(
        /^From 5 watched breaks and the signs of its visits: strain halves in [\d.]+ to [\d.]+ min, most likely about [\d.]+\. Plans count with [\d.]+,/,
      ),
    ]));
  it('learns nothing from a breath of a break, from no strain, or from a dog that is still', () => {
    for (const b of [seen(60, 8, 0.9, 'relaxed'), seen(4, 6, 10, 'relaxed'), seen(60, 8, 10, 'still')])
      expect(learnHalfLife([b])).toEqual(learnHalfLife([]));
  });
  it('takes no recovery from a dog that is tired out or has shut down', () => {
    for (const mood of ['tired_out', 'shut_down'] as const)
      expect(learnHalfLife([seen(60, 8, 10, mood)]).minutes).toBeGreaterThan(learnHalfLife([]).minutes);
  });
  it('is never shorter for a dog that looks worse, nor for one that was lower before and looks relaxed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 90 }), fc.integer({ min: 1, max: 20 }), (before, minutes) => {
        const of = (mood: BreakSeen['mood'], strain = before): number => learnHalfLife([seen(strain, 8, minutes, mood)]).minutes;
        expect(of('tense')).toBeGreaterThanOrEqual(of('relaxed'));
        expect(of('frantic')).toBeGreaterThanOrEqual(of('relaxed'));
        const { minutes: careful, middle, range } = learnHalfLife([seen(before, 8, minutes, 'tense')]);
        expect(range[0]).toBeLessThan(middle);
        expect(middle).toBeLessThan(careful);
        expect(careful).toBeLessThan(range[1]);
      }),
      { numRuns: 60 },
    );
  });
  it('narrows with breaks and stays within what is believed', () => {
    const width = (breaks: readonly BreakSeen[]): number => Math.log(learnHalfLife(breaks).range[1] / learnHalfLife(breaks).range[0]);
    const both = [seen(50, 6, 6, 'relaxed'), seen(60, 6, 5, 'tense')];
    expect(width([...both, ...both, ...both, ...both])).toBeLessThan(0.7 * width([]));
    expect(learnHalfLife(many(60, seen(90, 5, 2, 'relaxed'))).range[0]).toBeGreaterThanOrEqual(HALF_LIFE_RANGE[0]);
    expect(learnHalfLife(many(60, seen(60, 5, 30, 'frantic'))).range[1]).toBeLessThanOrEqual(HALF_LIFE_RANGE[1]);
  });

  describe('on dogs whose half-life is known', () => {
    /** Breaks of some visits as the filter saw them, which knows nothing of this dog's half-life. */
    const breaksOf = (dog: ReturnType<typeof drawDog>, from: number, visits: number): BreakSeen[] =>
      Array.from({ length: visits }, (_, v) => simulateVisit(from + v, AS_MODELLED, dog).seen).flatMap((visit) => {
        const filter = new StrainFilter(visit);
        let begun: { before: readonly [number, number, number]; minute: number } | undefined;
        return visit.entries.flatMap((e): BreakSeen[] => {
          if (e.kind === 'break_started') {
            const belief = filter.at(e.minute);
            begun = { before: [strainQuantile(belief, 0.16), strainQuantile(belief, 0.5), strainQuantile(belief, 0.84)], minute: e.minute };
          } else if (e.kind === 'state_seen' && begun) {
            const [low, middle, high] = begun.before;
            const told = seen(middle, (high - low) / 2, e.minute - begun.minute, e.mood);
            begun = undefined;
            return [told];
          }
          return [];
        });
      });
    const draw = randomLogNormal.source(randomLcg(0.123))(Math.log(6), 0.5);
    const dogs = Array.from({ length: 120 }, (_, d) => ({
      ...drawDog(d + 1),
      halfLifeMinutes: Math.min(HALF_LIFE_RANGE[1], Math.max(HALF_LIFE_RANGE[0], draw())),
    }));
    for (const visits of [1, 3, 8])
      it(`covers and is careful after ${visits} visits`, () => {
        const learned = dogs.map((dog, d) => ({ truly: dog.halfLifeMinutes, ...learnHalfLife(breaksOf(dog, 100 * d + 1, visits)) }));
        const share = (is: (l: (typeof learned)[number]) => boolean): number => learned.filter(is).length / learned.length;
        const covered = share((l) => l.range[0] <= l.truly && l.truly <= l.range[1]);
        expect(covered).withContext('90 % intervals').toBeGreaterThan(0.83);
        expect(share((l) => l.minutes < 0.8 * l.truly))
          .withContext('over a fifth too optimistic')
          .toBeLessThan(0.1);
        const error = (of: (l: (typeof learned)[number]) => number): number =>
          Math.sqrt(learned.reduce((sum, l) => sum + Math.log(of(l) / l.truly) ** 2, 0) / learned.length);
        expect(error((l) => l.middle))
          .withContext('error of the middle')
          .toBeLessThan(error(() => 6) * 1.02);
      });
  });
});
