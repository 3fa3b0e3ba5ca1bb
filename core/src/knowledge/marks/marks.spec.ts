import fc from 'fast-check';
import { ENGLISH } from '../../locales/en/index.js';
import { sayReason } from '../../testing/english.js';
import { MARK_ADVICE } from '../../words/index.js';
import {
  adviseMark,
  daysBetween,
  doublingDays,
  growthPercentPerDay,
  markAreaMm2,
  type MarkMeasured,
  type MarkQuestion,
  markVolumeMm3,
  QUICK_DOUBLING_DAYS,
} from './index.js';

const seen = (on: string, lengthMm: number, widthMm: number, more: Partial<MarkMeasured> = {}): MarkMeasured => ({
  on,
  lengthMm,
  widthMm,
  border: 'regular',
  surface: 'smooth',
  ...more,
});
const ask = (list: readonly MarkMeasured[], more: Partial<MarkQuestion> = {}): MarkQuestion => ({
  zone: 'back',
  seen: list,
  seenByVet: true,
  ...more,
});
const rules = (q: MarkQuestion): string[] => adviseMark(q).reasons.map((r) => r.rule);

describe('size and growth', () => {
  // Ellipse πab/4 and LW²/2: closed forms.
  it('has the area of an ellipse and the usual volume', () => {
    expect(markAreaMm2({ lengthMm: 10, widthMm: 10 })).toBeCloseTo(78.53981634, 7);
    expect(markAreaMm2({ lengthMm: 12, widthMm: 8 })).toBeCloseTo(75.39822369, 7);
    expect(markVolumeMm3({ lengthMm: 12, widthMm: 8 })).toBe(384);
    expect(markVolumeMm3({ lengthMm: 8, widthMm: 12 })).toBe(384);
    expect(() => markAreaMm2({ lengthMm: 0, widthMm: 8 })).toThrowError(RangeError);
    expect(() => markVolumeMm3({ lengthMm: 8, widthMm: -1 })).toThrowError(RangeError);
  });
  // Schwartz 1961, Cancer 14:1272–1294: DT = Δt·ln 2 / ln(V₂/V₁); fixtures computed.
  it('has the published doubling times', () => {
    expect(doublingDays(1, 8, 90)).toBeCloseTo(30, 10);
    expect(doublingDays(10 ** 3, 20 ** 3, 300)).toBeCloseTo(100, 9);
    expect(doublingDays(10 ** 3, 12.6 ** 3, 100)).toBeCloseTo(99.97288724, 7);
    expect(doublingDays(8 ** 3, 10 ** 3, 28)).toBeCloseTo(28.99198138, 7);
    expect(doublingDays(10 ** 3, 8 ** 3, 28)).toBeCloseTo(-28.99198138, 7);
    expect(doublingDays(5, 5, 28)).toBe(Infinity);
  });
  // Mehrara et al. 2007, Cancer Research 67:3970–3975.
  it('has the published specific growth rate', () => expect(growthPercentPerDay(8 ** 3, 10 ** 3, 28)).toBeCloseTo(2.39082376, 7));
  it('doubles in area half as often again as in volume when it grows alike all round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 40, noNaN: true }),
        fc.double({ min: 1.05, max: 3, noNaN: true }),
        fc.integer({ min: 5, max: 400 }),
        (mm, times, days) => {
          const a = { lengthMm: mm * 1.5, widthMm: mm };
          const b = { lengthMm: mm * 1.5 * times, widthMm: mm * times };
          const area = doublingDays(markAreaMm2(a), markAreaMm2(b), days);
          const volume = doublingDays(markVolumeMm3(a), markVolumeMm3(b), days);
          expect(area / volume).toBeCloseTo(1.5, 6);
        },
      ),
    );
  });
  it('refuses what cannot be', () => {
    for (const [a, b, d] of [
      [0, 1, 1],
      [1, 0, 1],
      [1, 1, 0],
    ] as const) {
      expect(() => doublingDays(a, b, d)).toThrowError(RangeError);
      expect(() => growthPercentPerDay(a, b, d)).toThrowError(RangeError);
    }
    expect(daysBetween('2026-01-01', '2026-01-29')).toBe(28);
    expect(() => daysBetween('today', '2026-01-29')).toThrowError(RangeError);
    expect(() => adviseMark(ask([]))).toThrowError(RangeError);
  });
});

// Common practice, no source.
describe('adviseMark', () => {
  it('watches a stable, round one that a vet has seen', () => {
    const a = adviseMark(ask([seen('2026-01-01', 8, 7), seen('2026-06-01', 8, 7)]));
    expect(a.verdict).toBe('watch');
    expect(a.reasons[0]!.rule).toBe('mark.stable');
    expect(a.growth.areaDoublingDays).toBe(Infinity);
  });
  it('watches a new, small, smooth one', () => {
    const a = adviseMark(ask([seen('2026-01-01', 4, 3)], { seenByVet: false }));
    expect([a.verdict, a.reasons[0]!.rule]).toEqual(['watch', 'mark.new_small']);
    expect(a.growth).toEqual({
      areaMm2: markAreaMm2({ lengthMm: 4, widthMm: 3 }),
      days: 0,
      areaDoublingDays: undefined,
      volumeDoublingDays: undefined,
    });
  });
  it('takes a millimetre for the hand that measures, and more for growth', () => {
    expect(adviseMark(ask([seen('2026-01-01', 8, 7), seen('2026-12-01', 9, 8)])).verdict).toBe('watch');
    expect(rules(ask([seen('2026-01-01', 8, 7), seen('2026-12-01', 9.5, 7)]))).toEqual(['mark.bigger']);
    expect(rules(ask([seen('2026-01-01', 8, 5), seen('2026-12-01', 8, 6.5)]))).toEqual(['mark.bigger']);
  });
  it('sees slow growth that no two visits show', () => {
    const slow = ['2026-01-01', '2026-03-01', '2026-05-01', '2026-07-01'].map((on, i) => seen(on, 6 + i * 0.9, 6));
    expect(rules(ask(slow))).toContain('mark.bigger');
  });
  it('does not mind in which order it is told, or which side was called the length', () => {
    const list = [seen('2026-05-01', 12, 8), seen('2026-01-01', 8, 7)];
    expect(adviseMark(ask(list)).verdict).toBe('show_vet');
    expect(adviseMark(ask([seen('2026-01-01', 8, 6), seen('2026-05-01', 6, 8)])).verdict).toBe('watch');
  });
  it('shows any change of surface or border', () => {
    for (const surface of ['lumpy', 'scabbed', 'flaky'] as const)
      expect(rules(ask([seen('2026-01-01', 8, 7), seen('2026-03-01', 8, 7, { surface })]))).toEqual(['mark.surface_changed']);
    expect(rules(ask([seen('2026-01-01', 8, 7), seen('2026-03-01', 8, 7, { border: 'irregular' })]))).toEqual(['mark.border_changed']);
    expect(rules(ask([seen('2026-01-01', 8, 7, { surface: 'lumpy' }), seen('2026-03-01', 8, 7)]))).toEqual(['mark.stable']);
  });
  it('shows within days what oozes or bleeds, what doubles quickly, and a swelling beside the anus', () => {
    for (const surface of ['oozing', 'bleeding'] as const)
      expect(adviseMark(ask([seen('2026-01-01', 4, 4, { surface })])).verdict).toBe('show_vet_now');
    expect(adviseMark(ask([seen('2026-01-01', 6, 6)], { zone: 'anus' })).verdict).toBe('show_vet_now');
    const quick = adviseMark(ask([seen('2026-01-01', 8, 8), seen('2026-01-29', 11, 11)]));
    expect(quick.verdict).toBe('show_vet_now');
    expect(quick.growth.areaDoublingDays).toBeLessThan(QUICK_DOUBLING_DAYS);
    expect(adviseMark(ask([seen('2026-01-01', 8, 8), seen('2026-07-01', 10, 10)])).verdict).toBe('show_vet');
  });
  it('does not take a shrinking one for quick growth', () =>
    expect(adviseMark(ask([seen('2026-01-01', 12, 12), seen('2026-01-29', 6, 6)])).verdict).toBe('watch'));
  it('shows one that no vet has seen at 1 cm, after a month, or when it is not smooth and round', () => {
    const no = { seenByVet: false };
    expect(rules(ask([seen('2026-01-01', 9.9, 9)], no))).toEqual(['mark.new_small']);
    expect(rules(ask([seen('2026-01-01', 9, 10)], no))).toEqual(['mark.one_centimetre']);
    expect(rules(ask([seen('2026-01-01', 4, 4), seen('2026-01-28', 4, 4)], no))).toEqual(['mark.new_small']);
    expect(rules(ask([seen('2026-01-01', 4, 4), seen('2026-01-29', 4, 4)], no))).toEqual(['mark.stays']);
    expect(rules(ask([seen('2026-01-01', 4, 4, { border: 'irregular' })], no))).toEqual(['mark.irregular']);
    expect(rules(ask([seen('2026-01-01', 4, 4, { surface: 'flaky' })], no))).toEqual(['mark.surface']);
  });
  it('never names what it is, in any of its sentences', () => {
    const own = Object.entries(ENGLISH.sentences).filter(([code]) => code.startsWith('mark.'));
    expect(own.length).toBeGreaterThan(10);
    for (const [, text] of own) expect(text).not.toMatch(/cancer|tumou?r|benign|malignan|cyst|lipoma|melanoma|harmless|infect/i);
  });
  it('is never less careful when it is bigger, worse to look at, or unseen by a vet', () => {
    const level = (q: MarkQuestion): number => MARK_ADVICE.indexOf(adviseMark(q).verdict);
    const mm = fc.double({ min: 2, max: 30, noNaN: true });
    fc.assert(
      fc.property(
        mm,
        mm,
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 300 }),
        fc.boolean(),
        (a, b, more, days, seenByVet) => {
          const later = new Date(Date.parse('2026-01-01') + days * 86_400_000).toISOString().slice(0, 10);
          const q = ask([seen('2026-01-01', a, a), seen(later, b, b)], { seenByVet });
          const list = [seen('2026-01-01', a, a), seen(later, b + more, b + more)];
          expect(level({ ...q, seen: list })).toBeGreaterThanOrEqual(level(q));
          expect(level({ ...q, seenByVet: false })).toBeGreaterThanOrEqual(level(q));
          expect(level({ ...q, seen: [q.seen[0]!, { ...q.seen[1]!, surface: 'oozing' }] })).toBe(2);
          for (const r of adviseMark(q).reasons) expect(sayReason(r)).not.toContain('…');
        },
      ),
    );
  });
});
