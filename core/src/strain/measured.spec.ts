import fc from 'fast-check';
import { goOn, looks, readMeter, rest, sign, visitOf } from '../testing/read-meter.js';
import { MOODS, SIGNAL_IDS, STRAIN_BANDS } from '../words/index.js';
import {
  NOT_OBSERVED_AFTER_MINUTES,
  PAUSE_AT,
  SIGNALS,
  StandingFilter,
  StandingMeter,
  STOP_AT,
  type StrainEntry,
  StrainFilter,
} from './index.js';

const minutes = (max = 40): fc.Arbitrary<number> => fc.double({ min: 0, max, noNaN: true });
const anySign = fc.record({ kind: fc.constant('signal' as const), minute: minutes(), signal: fc.constantFrom(...SIGNAL_IDS) });
const anyLook = fc.record({ kind: fc.constant('state_seen' as const), minute: minutes(), mood: fc.constantFrom(...MOODS) });
const inOrder = (entries: readonly StrainEntry[]): StrainEntry[] => [...entries].sort((a, b) => a.minute - b.minute);
const rank = (band: (typeof STRAIN_BANDS)[number]): number => STRAIN_BANDS.indexOf(band);

describe('the meter', () => {
  it('says where strain lies and how sure it is: the middle, and nine of ten around it', () => {
    const { strain, range90 } = readMeter([], 10, { ratePerMinute: 2 });
    expect(range90[0]).toBeLessThan(strain - 4);
    expect(range90[1]).toBeGreaterThan(strain + 8);
    // What the day does is not known yet: it widens as the work goes on.
    const width = (now: number): number => readMeter([], now, { ratePerMinute: 2 }).range90.reduce((low, high) => high - low);
    expect(width(12)).toBeGreaterThan(1.5 * width(1));
  });
  it('rises with the work that is hard on the dog, less with what is easy', () => {
    const after = (ratePerMinute: number): number => readMeter([], 12, { ratePerMinute }).strain;
    expect(after(3)).toBeGreaterThan(after(1) + 8);
    expect(after(1)).toBeGreaterThan(after(0.2));
  });
  it('rises with a sign of strain, the graver the more, and falls with a good one, as far as the model has it', () => {
    const before = readMeter([], 6, { ratePerMinute: 2 }).strain;
    const after = (signal: (typeof SIGNAL_IDS)[number]): number => readMeter([sign(5.8, signal)], 6, { ratePerMinute: 2 }).strain;
    expect([after('lip_lick') > before, after('whale_eye') > after('lip_lick'), after('growl') > after('whale_eye')]).toEqual([
      true,
      true,
      true,
    ]);
    expect(after('soft_body')).toBeLessThan(before);
    expect(after('wag')).toBeCloseTo(before, 9);
  });
  it('falls in a break by its half-life', () => {
    const before = readMeter([], 10, { ratePerMinute: 4 }).strain;
    expect(Math.abs(readMeter([rest(10)], 16, { ratePerMinute: 4 }).strain - before / 2)).toBeLessThan(2.5);
  });
  it('reads nothing that comes later than now', () => {
    const entries = [sign(1, 'yawn'), sign(5, 'bite')];
    expect(readMeter(entries, 4).hardSigns).toEqual([]);
    expect(readMeter(entries, 5).hardSigns).toEqual(['bite']);
  });
  it('draws a curve: a point each half minute, and one at each entry', () => {
    const { points } = readMeter([sign(1.2, 'yawn')], 2);
    expect(points.map((p) => p.minute)).toEqual([0, 0.5, 1, 1.5, 1.5, 2, 2]);
  });
  it('remembers the peak', () => {
    const { peak, points } = readMeter([sign(1, 'yelp'), sign(1.4, 'yelp'), rest(2), goOn(30)], 31);
    expect(peak).toBe(Math.max(...points.map((p) => p.strain)));
    expect(peak).toBeGreaterThan(readMeter([], 2).strain + 20);
  });
  it('says "not observed" after 5 minutes of work without an entry, never in a break', () => {
    expect(readMeter([sign(1, 'yawn')], 1 + NOT_OBSERVED_AFTER_MINUTES).observed).toBeTrue();
    expect(readMeter([sign(1, 'yawn')], 1.01 + NOT_OBSERVED_AFTER_MINUTES).observed).toBeFalse();
    expect(readMeter([rest(1)], 40).observed).toBeTrue();
    expect(readMeter([rest(1), goOn(20)], 26).minutesUnobserved).toBe(6);
    expect(readMeter([looks(8, 'still')], 10).observed).toBeTrue();
    expect(readMeter([looks(2, 'still')], 10).observed).toBeFalse();
  });
  it('stays between 0 and 100, and the peak is never below it', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...SIGNAL_IDS), { maxLength: 30 }), (seen) => {
        const m = readMeter(
          seen.map((s, i) => sign(i, s)),
          40,
        );
        expect(m.range90[0]).toBeGreaterThanOrEqual(0);
        expect(m.range90[1]).toBeLessThanOrEqual(100);
        expect(m.peak).toBeGreaterThanOrEqual(m.strain);
      }),
      { numRuns: 30 },
    );
  });
});

describe('silence is not calm', () => {
  const work = { ratePerMinute: 3 };
  it('watched minutes without a sign change nothing by themselves', () => {
    expect(readMeter([looks(10, 'still')], 14, work).strain).toBeCloseTo(readMeter([], 14, work).strain, 9);
  });
  it('a good sign lets the silent minutes before it speak: it falls further than the sign alone', () => {
    const watched = readMeter([looks(10, 'still'), sign(14, 'soft_body')], 14.2, work).strain;
    const alone = readMeter([sign(14, 'soft_body')], 14.2, work).strain;
    expect(watched).toBeLessThan(alone - 1);
  });
  it('minutes never lower the band, watched or not', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(anySign, anyLook), { maxLength: 8 }), fc.constantFrom(0, 1, 3), (entries, ratePerMinute) => {
        const at = (now: number): number => rank(readMeter(inOrder(entries), now, { ratePerMinute }).band);
        const then = at(41);
        for (const now of [43, 50, 75]) expect(at(now)).toBeGreaterThanOrEqual(then);
      }),
      { numRuns: 60 },
    );
  });
  it('rising signs that cease without a good one read "unclear"; a good one ends it, an early one goes on with it', () => {
    const unclear = (now: number, ...more: StrainEntry[]): boolean => readMeter([sign(2, 'panting'), ...more], now).unclear;
    expect([unclear(4), unclear(5), unclear(40)]).toEqual([false, true, true]);
    expect(unclear(6, sign(4, 'soft_body'))).toBeFalse();
    expect(unclear(6, looks(4, 'relaxed'))).toBeFalse();
    expect(unclear(6, looks(4, 'still'))).toBeTrue();
    expect([unclear(6, sign(4, 'yawn')), unclear(7, sign(4, 'yawn'))]).toEqual([false, true]);
    expect(readMeter([sign(2, 'yawn')], 30).unclear).toBeFalse();
  });
});

describe('floors on top of the model', () => {
  it('a rising sign sets watch until a good one, however low the number', () => {
    const m = readMeter([sign(1, 'panting')], 2, { ratePerMinute: 0.3 });
    expect([m.band, m.bandHolds]).toEqual(['watch', true]);
    expect(readMeter([sign(1, 'panting'), sign(3, 'soft_body')], 4, { ratePerMinute: 0.3 }).band).toBe('settled');
    expect(readMeter([sign(1, 'yawn')], 2, { ratePerMinute: 0.3 }).band).toBe('settled');
  });
  for (const s of ['growl', 'freeze', 'struggle', 'scream'] as const)
    it(`a first ${s} sets pause, a second hard sign sets stop, whatever the number`, () => {
      expect(readMeter([sign(1, s)], 2).band).toMatch(/pause|stop/);
      expect(readMeter([sign(1, s)], 2).strain).toBeGreaterThanOrEqual(PAUSE_AT);
      const second = readMeter([sign(1, s), rest(2), goOn(40), sign(41, 'growl')], 42);
      expect([second.band, second.strain >= STOP_AT]).toEqual(['stop', true]);
    });
  for (const s of ['snap', 'bite', 'collapse', 'fit', 'gums_colour', 'hard_breath', 'bloat_retch'] as const)
    it(`${s} sets stop at once, and a break does not lift it`, () => {
      const m = readMeter([sign(1, s), rest(2), looks(30, 'relaxed'), goOn(60)], 61);
      expect([m.band, m.strain >= STOP_AT]).toEqual(['stop', true]);
    });
  it('a hard sign never falls below its floor but by a break that counts, whatever else is seen', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(anySign, anyLook), { maxLength: 10 }),
        minutes(20),
        fc.constantFrom('growl', 'snap'),
        (entries, at, hard) => {
          const m = readMeter(inOrder([...entries, sign(at, hard)]), 41);
          expect(rank(m.band)).toBeGreaterThanOrEqual(rank(hard === 'growl' ? 'pause' : 'stop'));
          expect(m.strain).toBeGreaterThanOrEqual(hard === 'growl' ? PAUSE_AT : STOP_AT);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('a pause is held until a break of five minutes with a good sign at its end is over', () => {
    const band = (...entries: StrainEntry[]): string => readMeter([sign(1, 'growl'), ...entries], 60, { ratePerMinute: 0.3 }).band;
    expect(band()).toBe('pause');
    expect(band(rest(2))).toBe('pause');
    expect(band(rest(2), looks(20, 'relaxed'))).toBe('pause');
    expect(band(rest(2), looks(20, 'relaxed'), goOn(30))).toBe('settled');
    expect(band(rest(2), looks(6, 'relaxed'), goOn(6.9))).toBe('pause');
    expect(band(rest(2), goOn(30))).toBe('pause');
    expect(band(rest(2), looks(4, 'relaxed'), goOn(30))).toBe('pause');
    expect(band(rest(2), looks(9, 'relaxed'), looks(12, 'tense'), goOn(30))).toBe('pause');
    expect(band(rest(2), looks(20, 'still'), goOn(30))).toBe('pause');
    expect(band(rest(2), looks(9, 'relaxed'), sign(10, 'yawn'), goOn(30))).toBe('pause');
  });
  it('a band that was reached falls in a break only after two minutes and with a good sign', () => {
    const band = (...entries: StrainEntry[]): string => readMeter([sign(1, 'whale_eye'), ...entries], 30, { ratePerMinute: 0.3 }).band;
    const reached = readMeter([sign(1, 'whale_eye')], 2, { ratePerMinute: 0.3 }).band;
    expect(reached).toBe('watch');
    expect(band()).toBe(reached);
    expect(band(rest(2))).toBe(reached);
    expect(readMeter([sign(1, 'whale_eye'), rest(2)], 30).bandHolds).toBeTrue();
    expect(band(rest(2), sign(9, 'takes_treat'))).toBe('settled');
    expect(band(rest(2), looks(9, 'relaxed'), goOn(10))).toBe('settled');
    expect(band(rest(2), looks(9, 'tired_out'), goOn(10))).toBe('watch');
    expect(band(rest(2), sign(2, 'soft_body'))).toBe('settled');
  });
  it('a break lowers no band before it counts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 40 }), fc.boolean(), (start, long, hard) => {
        const first = hard ? [sign(1, 'growl')] : [];
        const before = readMeter(first, 2, { start }).band;
        expect(readMeter([...first, rest(2), goOn(2 + long)], 2 + long, { start }).band).toBe(before);
      }),
      { numRuns: 40 },
    );
  });
  it('what a dog looks like holds its band until somebody looks again', () => {
    const band = (...entries: StrainEntry[]): string => readMeter(entries, 10, { ratePerMinute: 0.3 }).band;
    expect(band(looks(1, 'still'))).toBe('settled');
    expect(band(looks(1, 'tired_out'))).toBe('watch');
    expect(band(looks(1, 'shut_down'))).toBe('pause');
    expect(band(looks(1, 'shut_down'), looks(2, 'relaxed'))).toBe('settled');
    expect(band(looks(1, 'tired_out'), sign(2, 'growl'))).toBe('pause');
  });
});

describe('whatever order it comes in', () => {
  it('one more sign of strain never lowers the number; long after, a fright may explain it instead of the day, by no more than a cell', () => {
    const strains = SIGNAL_IDS.filter((s) => SIGNALS[s].points > 0);
    fc.assert(
      fc.property(
        fc.array(fc.oneof(anySign, anyLook), { maxLength: 10 }),
        minutes(),
        fc.constantFrom(...strains),
        fc.constantFrom(0.5, 2, 5),
        (entries, minute, signal, ratePerMinute) => {
          // At a moment that was watched already: a sign that is entered also says that somebody looks.
          const seen = [...entries, looks(minute, 'still')];
          const number = (all: readonly StrainEntry[], now: number): number => readMeter(inOrder(all), now, { ratePerMinute }).strain;
          const with1 = [...seen, sign(minute, signal)];
          expect(number(with1, minute)).toBeGreaterThanOrEqual(number(seen, minute) - 1e-9);
          expect(number(with1, 40)).toBeGreaterThanOrEqual(number(seen, 40) - 2);
        },
      ),
      { numRuns: 80 },
    );
  });
  it('a meter and a filter that stand read the same as those that begin anew, also when something comes in late', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(anySign, anyLook), { maxLength: 8 }),
        fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6, 7]),
        (entries, arrival) => {
          const standing = new StandingMeter();
          const filter = new StandingFilter();
          let arrived: StrainEntry[] = [];
          let now = 10;
          for (const i of arrival) {
            const entry = entries[i];
            if (entry) arrived = inOrder([...arrived, entry]);
            now += 3.7;
            expect(standing.read(visitOf(arrived), now)).toEqual(readMeter(arrived, now));
            expect(filter.at(visitOf(arrived), now)).toEqual(new StrainFilter(visitOf(arrived)).at(now));
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  it('a meter and a filter that stand begin anew with another dog, start, or work', () => {
    const standing = new StandingMeter();
    const filter = new StandingFilter();
    standing.read(visitOf([sign(1, 'growl')], { start: 30 }), 20);
    filter.at(visitOf([sign(1, 'growl')], { start: 30 }), 20);
    for (const other of [{ start: 12 }, { start: 30, ratePerMinute: 3 }, { start: 30, uncounted: ['growl' as const] }]) {
      const visit = visitOf([sign(1, 'growl')], other);
      expect(standing.read(visit, 20)).toEqual(readMeter([sign(1, 'growl')], 20, other));
      expect(filter.at(visit, 20)).toEqual(new StrainFilter(visit).at(20));
    }
    expect(standing.read(visitOf([]), 3)).toEqual(readMeter([], 3));
  });
});
