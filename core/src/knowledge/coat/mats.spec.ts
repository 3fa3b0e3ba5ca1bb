import fc from 'fast-check';
import { gradeMat } from '../../findings/index.js';
import { aMatQuestion } from '../../testing/coat-questions.js';
import { COMB_TESTS, LIFT_TESTS, MAT_GRADES, ZONE_IDS } from '../../words/index.js';
import { adviseMat } from './index.js';

// Common practice, no source.
describe('gradeMat', () => {
  it('is 0 when the fine teeth pass', () => expect(gradeMat('fine_passes', 'no_gap')).toBe(0));
  it('is 1 when the wide teeth snag and it lifts freely', () => expect(gradeMat('wide_snags', 'lifts_freely')).toBe(1));
  it('is 2 when the wide teeth stop and a finger fits', () => expect(gradeMat('wide_stops', 'finger_fits')).toBe(2));
  it('is 3 when nothing passes and skin comes with it', () => expect(gradeMat('nothing_passes', 'skin_comes')).toBe(3));
  it('is 4 for one sheet without a gap', () => expect(gradeMat('nothing_passes', 'no_gap')).toBe(4));
  it('takes the worse of the two tests', () => expect(gradeMat('wide_stops', 'skin_comes')).toBe(3));

  it('never falls when a test gets worse', () => {
    COMB_TESTS.forEach((comb, i) =>
      LIFT_TESTS.forEach((lift, j) => {
        const worseComb = COMB_TESTS[i + 1];
        const worseLift = LIFT_TESTS[j + 1];
        if (worseComb) expect(gradeMat(worseComb, lift)).toBeGreaterThanOrEqual(gradeMat(comb, lift));
        if (worseLift) expect(gradeMat(comb, worseLift)).toBeGreaterThanOrEqual(gradeMat(comb, lift));
      }),
    );
  });
});

describe('adviseMat', () => {
  it('brushes tangles and splits mats where skin is safe', () => {
    expect(adviseMat(aMatQuestion({ grade: 1 })).way).toBe('brush');
    expect(adviseMat(aMatQuestion({ grade: 2 })).way).toBe('split');
  });

  it('never brushes out grade 3 or 4, in any zone, for anyone (floor)', () => {
    for (const zone of ZONE_IDS)
      for (const grade of [3, 4] as const) expect(['clip_under', 'leave', 'vet']).toContain(adviseMat(aMatQuestion({ zone, grade })).way);
  });

  for (const zone of ['ear_leather_left', 'armpit_right', 'groin_left', 'tuck_up_right'] as const) {
    it(`uses no splitter on the ${zone}`, () => expect(adviseMat(aMatQuestion({ zone, grade: 2 })).way).toBe('clip_under'));
  }

  it('sends sore skin and mats round the testicles to a vet', () => {
    expect(adviseMat(aMatQuestion({ skin: 'sore' })).way).toBe('vet');
    expect(adviseMat(aMatQuestion({ zone: 'sanitary', grade: 3, intactMale: true })).way).toBe('vet');
  });

  it('leaves a tight tuck-up to trained hands', () =>
    expect(adviseMat(aMatQuestion({ zone: 'tuck_up_left', grade: 3, trained: false })).way).toBe('leave'));
  it('asks for consent before clipping under', () => expect(adviseMat(aMatQuestion({ grade: 3 })).needsConsent).toBeTrue());
  it('asks to check the other side', () =>
    expect(adviseMat(aMatQuestion({ zone: 'armpit_left', grade: 3 })).alsoCheck).toBe('armpit_right'));
  it('warns of an ear that fills with blood', () =>
    expect(adviseMat(aMatQuestion({ zone: 'ear_leather_left', grade: 3 })).reasons.map((r) => r.rule)).toContain('mat.ear_may_swell'));
  it('brushes puppies and seniors for less long: a back of grade 2 is clipped', () => {
    expect(adviseMat(aMatQuestion({ zone: 'back', puppyOrSenior: true })).way).toBe('clip_under');
  });

  it('always answers with a way, a reason and a range round its minutes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONE_IDS),
        fc.constantFrom(...MAT_GRADES),
        fc.boolean(),
        fc.boolean(),
        (zone, grade, puppyOrSenior, trained) => {
          const a = adviseMat(aMatQuestion({ zone, grade, puppyOrSenior, trained }));
          expect(a.reasons.length).toBeGreaterThan(0);
          expect(a.minutesRange[0]).toBeLessThanOrEqual(a.minutes);
          expect(a.minutesRange[1]).toBeGreaterThanOrEqual(a.minutes);
        },
      ),
    );
  });
});
