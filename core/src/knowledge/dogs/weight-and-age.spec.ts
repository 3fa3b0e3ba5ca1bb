import fc from 'fast-check';
import { NOTHING_FOUND } from '../../findings/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { sayReason } from '../../testing/english.js';
import { type Saying, SIZES } from '../../words/index.js';
import { dogKinds, readWeight, SIZE_KG, stagesPerhaps, weightChange, weightQuestion } from './index.js';

const asked = (q: Saying | undefined): string => (q ? sayReason(q) : '');

describe('a weight', () => {
  it('is read as people type it', () => {
    expect(readWeight('26,5 kg')).toBe(26.5);
    expect(readWeight(' 7.5')).toBe(7.5);
    expect(readWeight('850 g')).toBe(0.85);
    expect(readWeight('16 lb')).toBe(7.26);
    expect(readWeight('1 pound')).toBe(0.45);
    expect(readWeight('16', 'lb')).toBe(7.26);
    expect(readWeight('7.5 kg', 'lb')).toBe(7.5);
    for (const wrong of ['', 'heavy', '7.5.1', '-3', '12 st', '1e3', '12345']) expect(readWeight(wrong)).withContext(wrong).toBeUndefined();
  });

  // 1 lb = 0.45359237 kg exactly (international yard and pound agreement, 1959; from memory).
  it('survives pounds and back within the scale’s own step', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 200, noNaN: true }), (lb) => {
        const typed = Math.round(lb * 10) / 10;
        expect(Math.abs(readWeight(`${typed} lb`)! / 0.45359237 - typed)).toBeLessThan(0.012);
      }),
    );
  });

  it('is asked back about when size or build do not fit, never refused', () => {
    expect(asked(weightQuestion({ weightKg: 70, size: 'toy', build: 'light' }, undefined, true))).toContain('A toy dog of 70 kg?');
    expect(asked(weightQuestion({ weightKg: 4, size: 'giant', build: 'light' }, undefined, true))).toContain('A giant dog of 4 kg?');
    expect(weightQuestion({ weightKg: 4, size: 'giant', build: 'light' }, undefined, false)).toBeUndefined();
    expect(asked(weightQuestion({ weightKg: 70, size: null, build: 'light' }, undefined, true))).toContain('70 kg for a light dog');
    expect(weightQuestion({ weightKg: 70, size: 'giant', build: 'heavy' }, undefined, true)).toBeUndefined();
  });

  it('is asked back about when a grown dog changed by a third', () => {
    const dog = { weightKg: 12, size: null, build: 'light' } as const;
    expect(asked(weightQuestion(dog, 18, true))).toBe('It weighed 18 kg before: 33 % less now. Is that right?');
    expect(asked(weightQuestion(dog, 9, true))).toContain('33 % more');
    expect(weightQuestion(dog, 11, true)).toBeUndefined();
    expect(weightQuestion(dog, 5, false)).toBeUndefined();
  });

  it('is believed in the middle of every size', () => {
    for (const size of SIZES) {
      const [low, high] = SIZE_KG[size];
      expect(weightQuestion({ weightKg: (low + high) / 2, size, build: 'light' }, undefined, true))
        .withContext(size)
        .toBeUndefined();
    }
  });

  it('that was lost within months is for a vet; a gain or a slow loss is told', () => {
    const w = (on: string, kg: number) => ({ on, kg });
    expect(weightChange([w('2026-10-01', 20)])).toBeUndefined();
    expect(weightChange([w('2026-10-01', 20), w('2026-11-20', 17.9)])).toEqual(jasmine.objectContaining({ showVet: true }));
    expect(weightChange([w('2026-10-01', 20), w('2026-11-20', 18.2)])?.showVet).toBeFalse();
    expect(weightChange([w('2025-10-01', 20), w('2026-11-20', 17)])?.showVet).toBeFalse();
    expect(weightChange([w('2026-10-01', 20), w('2026-11-20', 24)])?.because.rule).toBe('weight.gained');
    // Lost in two steps, each below the line: together it counts. Order of entry does not matter.
    const steps = [w('2026-11-20', 17.8), w('2026-09-01', 20), w('2026-10-10', 18.8)];
    expect(weightChange(steps)?.showVet).toBeTrue();
    expect(weightChange([...steps].reverse())).toEqual(weightChange(steps));
  });
});

describe('an age that is only estimated', () => {
  it('names every stage it may be', () => {
    const dog = { born: '2026-03-25', weightKg: 12 };
    expect(stagesPerhaps({ ...dog, bornWithinMonths: 0 }, SPEC_DAY)).toEqual(['puppy']);
    expect(stagesPerhaps({ ...dog, bornWithinMonths: 6 }, SPEC_DAY)).toEqual(['young_adult', 'puppy']);
  });

  it('is planned for with the careful end: it may still be a puppy, it may already be a senior', () => {
    const kinds = (born: string, months: number): string[] =>
      dogKinds(aDog({ born, bornWithinMonths: months }), NOTHING_FOUND, SPEC_DAY).map((k) => k.kind);
    expect(kinds('2025-12-01', 0)).not.toContain('puppy');
    expect(kinds('2025-12-01', 6)).toContain('puppy');
    expect(kinds('2017-06-01', 0)).not.toContain('senior');
    expect(kinds('2017-06-01', 18)).toContain('senior');
    expect(kinds('2017-06-01', 18)).toContain('thin_skin');
  });

  it('never loses a protection by being less sure', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 6000 }), fc.integer({ min: 0, max: 24 }), fc.integer({ min: 0, max: 24 }), (days, a, b) => {
        const born = new Date(Date.parse(SPEC_DAY) - days * 86_400_000).toISOString().slice(0, 10);
        const kinds = (months: number): string[] =>
          dogKinds(aDog({ born, bornWithinMonths: months }), NOTHING_FOUND, SPEC_DAY).map((k) => k.kind);
        const less = kinds(Math.max(a, b));
        for (const kind of kinds(Math.min(a, b))) expect(less).withContext(`${born} ${a} ${b}`).toContain(kind);
      }),
    );
  });
});
