import fc from 'fast-check';
import { gradeAfterDryer } from '../../findings/index.js';
import { aCoatQuestion, aMatQuestion } from '../../testing/coat-questions.js';
import { sayReason } from '../../testing/english.js';
import { DRYER_TESTS, MAT_GRADES, MAT_WAYS, SKIN_STATES, ZONE_IDS } from '../../words/index.js';
import { mirrorOf, permittedTools, zoneFacts } from '../anatomy/index.js';
import { houseRules } from '../house-rules/index.js';
import {
  adviseCoat,
  adviseMat,
  brushLimit,
  type CoatQuestion,
  extraPriceMinor,
  type MatQuestion,
  mattingSeason,
  mayTestByDryer,
  promiseLength,
} from './index.js';

const tight = (...zones: readonly (typeof ZONE_IDS)[number][]): CoatQuestion['zones'] =>
  zones.map((zone) => ({ zone, matGrade: 3 as const, skin: 'sound' as const }));

// Common practice, no source.
describe('the dryer test', () => {
  const sound = { matGrade: 2 as const, skin: 'sound' as const };
  const may = (zones: Parameters<typeof mayTestByDryer>[0]['zones'], highVelocityAllowed = true): string =>
    mayTestByDryer({ zones, highVelocityAllowed }).reasons[0]!.rule;
  it('is allowed on sound skin with at most two tight mats', () => {
    const tightOne = { matGrade: 3 as const, skin: 'sound' as const };
    expect(may([sound, tightOne, tightOne])).toBe('mat.dryer_may');
    expect(mayTestByDryer({ zones: [sound], highVelocityAllowed: true }).may).toBeTrue();
    expect(may([sound, tightOne, tightOne, tightOne])).toBe('mat.dryer_too_many');
  });
  it('is none on red skin, nor for a dog that bears no such dryer', () => {
    expect(may([sound, { matGrade: 0, skin: 'red' }])).toBe('mat.dryer_skin');
    expect(may([sound], false)).toBe('mat.dryer_not_for_this_dog');
    expect(mayTestByDryer({ zones: [sound], highVelocityAllowed: false }).may).toBeFalse();
  });
  it('opens an open mat or shuts it, and changes no other grade: a tight mat stays tight (floor)', () => {
    expect(gradeAfterDryer(2, 'parts')).toBe(1);
    expect(gradeAfterDryer(2, 'stays_shut')).toBe(3);
    for (const grade of [0, 1, 3, 4] as const) for (const t of DRYER_TESTS) expect(gradeAfterDryer(grade, t)).toBe(grade);
  });
  it('decides between brush and clipper, and is named in the reasons', () => {
    const parted = adviseMat(aMatQuestion({ dryer: 'parts' }));
    expect([parted.way, parted.grade]).toEqual(['brush', 1]);
    expect(parted.reasons.map((r) => r.rule)).toContain('mat.dryer_parted');
    const shut = adviseMat(aMatQuestion({ dryer: 'stays_shut' }));
    expect([shut.way, shut.grade]).toEqual(['clip_under', 3]);
    expect(shut.reasons.map((r) => r.rule)).toContain('mat.dryer_stayed');
  });
});

describe('adviseMat, more of it', () => {
  it('sends a mat that strangles to a vet, whatever its grade', () => {
    for (const grade of MAT_GRADES) expect(adviseMat(aMatQuestion({ grade, strangles: true })).way).toBe('vet');
  });
  it('leaves tangles on red skin', () => {
    expect(adviseMat(aMatQuestion({ grade: 1, skin: 'red' })).way).toBe('leave');
    expect(adviseMat(aMatQuestion({ grade: 2, skin: 'red' })).way).toBe('clip_under');
  });
  it('goes by the house: brushed as agreed, or always clipped', () => {
    expect(adviseMat(aMatQuestion({ zone: 'back' })).way).toBe('clip_under');
    expect(adviseMat(aMatQuestion({ zone: 'back', house: houseRules({ brushOut: 'as_agreed' }) })).way).toBe('split');
    expect(adviseMat(aMatQuestion({ house: houseRules({ brushOut: 'always_clip' }) })).way).toBe('clip_under');
    expect(adviseMat(aMatQuestion({ house: houseRules({ brushOut: 'always_clip' }) })).reasons.map((r) => r.rule)).toContain(
      'mat.house_clips',
    );
    expect(adviseMat(aMatQuestion({ grade: 1, house: houseRules({ brushOut: 'always_clip' }) })).way).toBe('brush');
  });
  it('brushes 5 min in one place for puppies and seniors, 10 for others', () => {
    expect(adviseMat(aMatQuestion({ zone: 'side_left' })).way).toBe('split');
    expect(adviseMat(aMatQuestion({ zone: 'side_left', puppyOrSenior: true })).way).toBe('clip_under');
  });
  it('counts minutes and strain by way, size and place', () => {
    const side = adviseMat(aMatQuestion({ grade: 3 }));
    expect(side.minutes).toBe(5);
    expect(side.minutesRange).toEqual([3, 8]);
    expect(side.strainPoints).toBe(Math.round(5 * 2.2 * zoneFacts('side_left').strainFactor));
    expect(adviseMat(aMatQuestion({ grade: 4 })).minutes).toBe(7);
    expect(adviseMat(aMatQuestion({ zone: 'ear_canal_left', grade: 3 })).way).toBe('vet');
    expect(adviseMat(aMatQuestion({ zone: 'ear_canal_left', grade: 3 })).minutes).toBe(0);
    expect(adviseMat(aMatQuestion({ zone: 'eye_left', grade: 1 })).minutes).toBe(1);
  });
  it('warns of a swelling ear wherever ears are freed, and nowhere else', () => {
    expect(adviseMat(aMatQuestion({ zone: 'ear_base_left', grade: 4 })).reasons.map((r) => r.rule)).toContain('mat.ear_may_swell');
    expect(adviseMat(aMatQuestion({ zone: 'ear_base_left', grade: 2 })).reasons.map((r) => r.rule)).toContain('mat.ear_may_swell');
    expect(adviseMat(aMatQuestion({ zone: 'thigh_left', grade: 4 })).reasons.map((r) => r.rule)).not.toContain('mat.ear_may_swell');
  });
  it('splits only where a splitter may come', () => {
    for (const zone of ZONE_IDS)
      if (adviseMat(aMatQuestion({ zone })).way === 'split') expect(permittedTools(zone)).withContext(zone).toContain('mat_splitter');
  });
  it('never gets less careful when a finding gets worse', () => {
    const care = (q: MatQuestion): number => {
      const { way } = adviseMat(q);
      return way === 'leave' ? MAT_WAYS.indexOf('clip_under') : MAT_WAYS.indexOf(way);
    };
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONE_IDS),
        fc.constantFrom(...MAT_GRADES),
        fc.constantFrom(...SKIN_STATES),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (zone, grade, skin, puppyOrSenior, trained, intactMale) => {
          const q = aMatQuestion({ zone, grade, skin, puppyOrSenior, trained, intactMale });
          if (grade < 4) expect(care({ ...q, grade: (grade + 1) as typeof grade })).toBeGreaterThanOrEqual(care(q));
          if (grade > 0) {
            expect(care({ ...q, skin: 'sore' })).toBe(MAT_WAYS.indexOf('vet'));
            expect(care({ ...q, puppyOrSenior: true })).toBeGreaterThanOrEqual(care(q));
            expect(care({ ...q, trained: false })).toBeGreaterThanOrEqual(care(q));
            expect(care({ ...q, intactMale: true })).toBeGreaterThanOrEqual(care(q));
          }
          for (const r of adviseMat(q).reasons) expect(sayReason(r)).not.toContain('…');
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('promiseLength', () => {
  const promise = (...args: Parameters<typeof promiseLength>): [string, number] => {
    const p = promiseLength(...args);
    return [p.promise, p.atMostMm];
  };
  it('promises shears where the fine teeth pass, a guard where a comb does', () => {
    expect(promise('back', 0, 'brush', 'sound')).toEqual(['shears', Infinity]);
    expect(promise('back', 1, 'brush', 'sound')).toEqual(['guard', Infinity]);
    expect(promise('back', 2, 'split', 'sound')).toEqual(['after_brushing', Infinity]);
  });
  it('promises 1.5 mm under a mat, and nothing on what is left, a vet’s, or sore', () => {
    expect(promise('back', 3, 'clip_under', 'sound')).toEqual(['blade_only', 1.5]);
    expect(promise('back', 3, 'vet', 'sound')).toEqual(['none', 0]);
    expect(promise('back', 3, 'leave', 'sound')).toEqual(['none', 0]);
    expect(promise('back', 0, 'brush', 'sore')).toEqual(['none', 0]);
  });
});

describe('adviseCoat', () => {
  it('has nothing to do on a combed dog, and says so', () => {
    const a = adviseCoat(aCoatQuestion([{ zone: 'back', matGrade: 0, skin: 'sound' }]));
    expect([a.minutes, a.strainPoints, a.clipOff, a.consents]).toEqual([0, 0, false, []]);
    expect(a.reasons.map((r) => r.rule)).toEqual(['coat.no_mats']);
    expect(a.promised[0]!.promise).toBe('shears');
  });
  it('clips the body off whole from three tenths of its coat, and keeps a sound face', () => {
    const most = tight('back', 'rump', 'side_left');
    expect(adviseCoat(aCoatQuestion(tight('back', 'rump'))).clipOff).toBeFalse();
    const a = adviseCoat(
      aCoatQuestion([...most, { zone: 'cheek_left', matGrade: 0, skin: 'sound' }, { zone: 'lips', matGrade: 1, skin: 'sound' }]),
    );
    expect(a.clipOff).toBeTrue();
    expect(a.keeps).toEqual(['cheek_left']);
    expect(a.consents).toEqual(['clip_off']);
    expect(a.reasons.map((r) => r.rule)).toContain('coat.face_kept');
    expect(adviseCoat(aCoatQuestion(most)).reasons.map((r) => r.rule)).not.toContain('coat.face_kept');
  });
  it('counts what is clipped, not what is brushed, left or a vet’s, and says the share', () => {
    // Back 10, rump 4 and 2.2 more of 54: 16.2 of 54 is three tenths.
    const exact = adviseCoat(aCoatQuestion(tight('back', 'rump', 'carpal_left', 'carpal_right', 'hock_left', 'dewclaw_left')));
    expect(exact.zones.every((z) => z.way === 'clip_under')).toBeTrue();
    expect(exact.clipOff).toBeTrue();
    expect(sayReason(exact.reasons[0]!)).toContain('30 %');
    const brushed = adviseCoat(
      aCoatQuestion((['back', 'side_left', 'side_right', 'neck'] as const).map((zone) => ({ zone, matGrade: 1, skin: 'sound' }))),
    );
    expect([brushed.clipOff, brushed.consents]).toEqual([false, []]);
    const sore = adviseCoat(
      aCoatQuestion((['back', 'side_left', 'side_right'] as const).map((zone) => ({ zone, matGrade: 3, skin: 'sore' }))),
    );
    expect([sore.clipOff, sore.minutes, sore.strainPoints]).toEqual([false, 0, 0]);
    expect(sore.promised.map((p) => p.promise)).toEqual(['none', 'none', 'none']);
  });
  it('promises by what is done with each mat', () => {
    const a = adviseCoat(
      aCoatQuestion([
        ...tight('armpit_left'),
        { zone: 'side_left', matGrade: 2, skin: 'sound' },
        { zone: 'back', matGrade: 0, skin: 'sound' },
      ]),
    );
    expect(a.promised.map((p) => p.promise)).toEqual(['blade_only', 'after_brushing', 'shears']);
    expect(a.toCheck).toEqual(['armpit_right', 'side_right']);
    expect(a.reasons.map((r) => r.rule)).toEqual(['coat.sum']);
    expect(a.zones[1]!.minutesRange).toEqual([4, 11]);
  });
  it('does not count ears and paws as body coat', () =>
    expect(
      adviseCoat(aCoatQuestion(tight('ear_leather_left', 'ear_leather_right', 'fore_paw_left', 'hind_paw_left', 'belly'))).clipOff,
    ).toBeFalse());
  it('asks consent for any close clip, and names the other side that nobody has felt', () => {
    const a = adviseCoat(aCoatQuestion(tight('armpit_left')));
    expect(a.consents).toEqual(['close_clip']);
    expect(a.toCheck).toEqual(['armpit_right']);
    expect(adviseCoat(aCoatQuestion([...tight('armpit_left'), { zone: 'armpit_right', matGrade: 0, skin: 'sound' }])).toCheck).toEqual([]);
    expect(adviseCoat(aCoatQuestion(tight('back'))).toCheck).toEqual([]);
  });
  it('keeps brushing within 15 min a visit, 10 for puppies and seniors: past that the longest split is clipped', () => {
    const open: CoatQuestion['zones'] = (['side_left', 'side_right', 'shoulder_left'] as const).map((zone) => ({
      zone,
      matGrade: 2,
      skin: 'sound',
    }));
    const a = adviseCoat(aCoatQuestion(open));
    expect(a.zones.map((z) => z.way)).toEqual(['clip_under', 'split', 'split']);
    const brushed = a.zones.filter((z) => z.way === 'split').reduce((s, z) => s + z.minutes, 0);
    expect(brushed).toBeLessThanOrEqual(15);
    expect(a.zones[0]!.reasons[0]!.rule).toBe('mat.brush_visit_limit');
    expect(a.zones[0]!.needsConsent).toBeTrue();
    expect(a.zones[0]!.minutes).toBe(4);
    const agreed = adviseCoat(aCoatQuestion(open, { agreedBrushMinutes: 60, house: houseRules({ brushOut: 'as_agreed' }) }));
    expect(agreed.zones.map((z) => z.way)).toEqual(['split', 'split', 'split']);
  });
  it('takes the limit of the house, and ours where nothing was agreed', () => {
    expect(brushLimit(aCoatQuestion([]))).toBe(15);
    expect(brushLimit(aCoatQuestion([], { puppyOrSenior: true }))).toBe(10);
    expect(brushLimit(aCoatQuestion([], { agreedBrushMinutes: 60 }))).toBe(15);
    expect(brushLimit(aCoatQuestion([], { agreedBrushMinutes: 60, house: houseRules({ brushOut: 'as_agreed' }) }))).toBe(60);
    expect(brushLimit(aCoatQuestion([], { house: houseRules({ brushOut: 'as_agreed' }) }))).toBe(15);
  });
  it('brushes tangles whatever the limit, for they hurt nobody', () => {
    const tangles: CoatQuestion['zones'] = (['back', 'side_left', 'side_right', 'neck', 'chest', 'rump'] as const).map((zone) => ({
      zone,
      matGrade: 1,
      skin: 'sound',
    }));
    expect(adviseCoat(aCoatQuestion(tangles)).zones.every((z) => z.way === 'brush')).toBeTrue();
  });
  it('says when all of it is more than the dog can take', () => {
    const q = aCoatQuestion(tight('armpit_left', 'armpit_right', 'groin_left'));
    const points = adviseCoat(q).strainPoints;
    expect(points).toBe(adviseCoat(q).zones.reduce((s, z) => s + z.strainPoints, 0));
    expect(adviseCoat({ ...q, toleranceStrainPoints: points }).beyondTolerance).toBeFalse();
    const beyond = adviseCoat({ ...q, toleranceStrainPoints: points - 1 });
    expect(beyond.beyondTolerance).toBeTrue();
    expect(beyond.reasons[0]!.rule).toBe('coat.beyond_tolerance');
  });
  it('sums minutes and ranges of what is worked, not of what is left', () => {
    const a = adviseCoat(
      aCoatQuestion([...tight('armpit_left', 'ear_canal_left'), { zone: 'thigh_left', matGrade: 0, skin: 'sound', strangles: true }]),
    );
    const armpit = a.zones.find((z) => z.zone === 'armpit_left')!;
    expect(a.zones.map((z) => z.way)).toEqual(['clip_under', 'vet', 'vet']);
    expect(a.minutes).toBe(armpit.minutes);
    expect(a.minutesRange).toEqual(armpit.minutesRange);
  });
  it('promises no length where it was not asked, one for each zone where it was', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...ZONE_IDS), { maxLength: 12 }), fc.constantFrom(...MAT_GRADES), (zones, matGrade) => {
        const a = adviseCoat(aCoatQuestion(zones.map((zone) => ({ zone, matGrade, skin: 'sound' as const }))));
        expect(a.promised.map((p) => p.zone)).toEqual(zones);
        for (const z of a.toCheck) expect(zones).not.toContain(z);
        for (const z of a.zones) if (z.alsoCheck) expect(z.alsoCheck).toBe(mirrorOf(z.zone)!);
      }),
    );
  });
});

describe('extraPriceMinor', () => {
  it('is minutes × the rate, agreed first', () => {
    expect(extraPriceMinor(20, 120)).toBe(2400);
    expect(extraPriceMinor(0, 120)).toBe(0);
    // Five minutes that cost nothing; rounded up to whole fives.
    expect(extraPriceMinor(20, 120, { freeMinutes: 5, roundMinor: 500 })).toBe(2000);
    expect(extraPriceMinor(4, 120, { freeMinutes: 5, roundMinor: 500 })).toBe(0);
    expect(extraPriceMinor(6, 120, { freeMinutes: 5, roundMinor: 500 })).toBe(500);
    expect(() => extraPriceMinor(-1, 120)).toThrowError(RangeError);
    expect(() => extraPriceMinor(1, -120)).toThrowError(RangeError);
  });
});

describe('mattingSeason', () => {
  const visit = (on: string, mattedZones: number) => ({ on, mattedZones });
  it('finds the time of year when it mats', () => {
    const s = mattingSeason([
      visit('2024-04-10', 4),
      visit('2024-08-10', 0),
      visit('2024-11-10', 1),
      visit('2025-03-20', 5),
      visit('2025-09-01', 0),
      visit('2026-04-15', 6),
    ]);
    expect(s?.month).toBe(3);
    expect(s?.share).toBeGreaterThan(0.9);
    expect(sayReason(s!.reasons[0]!)).toContain('March');
  });
  it('crosses the turn of the year', () => {
    const s = mattingSeason([visit('2024-12-10', 4), visit('2025-01-20', 5), visit('2026-01-10', 5), visit('2025-06-01', 0)]);
    expect([1, 12]).toContain(s!.month);
    expect(s!.share).toBe(1);
  });
  it('says nothing after one year, after two visits, or when it mats all year', () => {
    expect(mattingSeason([visit('2025-03-01', 4), visit('2025-04-01', 4), visit('2025-05-01', 4)])).toBeUndefined();
    expect(mattingSeason([visit('2024-03-01', 4), visit('2025-04-01', 4)])).toBeUndefined();
    expect(
      mattingSeason(['01', '03', '05', '07', '09', '11'].flatMap((m) => [visit(`2024-${m}-01`, 3), visit(`2025-${m}-01`, 3)])),
    ).toBeUndefined();
    expect(mattingSeason([])).toBeUndefined();
  });
  it('takes no visit without mats for one with', () => {
    expect(mattingSeason([visit('2024-03-01', 4), visit('2025-03-01', 4), visit('2025-09-01', 0)])).toBeUndefined();
    expect(mattingSeason([visit('2024-03-01', 4), visit('2025-03-01', 4), visit('2025-04-01', 1)])).toBeDefined();
  });
  it('does not take many visits in a season for a season', () => {
    const spring = Array.from({ length: 9 }, (_, i) => visit(`202${4 + (i % 3)}-04-0${1 + (i % 9)}`, 1));
    const rest = ['01', '07', '10'].map((m) => visit(`2025-${m}-01`, 1));
    expect(mattingSeason([...spring, ...rest])).toBeUndefined();
  });
});
