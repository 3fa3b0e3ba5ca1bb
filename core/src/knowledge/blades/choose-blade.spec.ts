import fc from 'fast-check';
import { aBladeQuestion, bladeOf } from '../../testing/blade-questions.js';
import { BLADE_IDS, CLEANLINESS, COATS, COMPETENCES, MAT_GRADES, MOVEMENTS, SKIN_STATES, ZONE_IDS } from '../../words/index.js';
import { zoneFacts, zonesOfGroup } from '../anatomy/index.js';
import { HOUSE_DEFAULTS, houseRules } from '../house-rules/index.js';
import { type BladeQuestion, BLADES, chooseBlade, GUARDS, lengthLeftMm } from './index.js';

const ask = aBladeQuestion;

describe('blades', () => {
  // Common practice, no source.
  const LENGTHS = {
    '3F': 13,
    '4F': 9.5,
    '5F': 6.3,
    '7F': 3.2,
    '8.5': 2.8,
    '9': 2,
    '10': 1.5,
    '15': 1.2,
    '30': 0.5,
    '40': 0.25,
    '50': 0.2,
  } as const;
  for (const [id, mm] of Object.entries(LENGTHS)) {
    it(`#${id} leaves ${mm} mm with the grain and half of it against`, () => {
      const blade = BLADES.find((b) => b.id === id)!;
      expect(lengthLeftMm(blade, 'with')).toBe(mm);
      expect(lengthLeftMm(blade, 'against')).toBe(mm / 2);
    });
  }

  it('leave strictly less from 3F to 50', () => {
    const mm = ['3F', '4F', '5F', '7F', '8.5', '9', '10', '15', '30', '40', '50'].map((id) => BLADES.find((b) => b.id === id)!.lengthMm);
    for (let i = 1; i < mm.length; i++) expect(mm[i]!).toBeLessThan(mm[i - 1]!);
  });

  it('take guards that all leave more than a bare #30', () => {
    for (const g of GUARDS) expect(g.lengthMm).toBeGreaterThan(bladeOf('30').lengthMm);
  });
});

describe('chooseBlade', () => {
  it('takes the one nearest to the wanted length on a sound back', () => {
    expect(chooseBlade(ask({ wantedMm: 9.5 })).blade).toBe('4F');
    expect(chooseBlade(ask({ wantedMm: 3 })).blade).toBe('7F');
  });

  it('names every other blade with its rule', () => {
    const c = chooseBlade(ask({}));
    expect([...c.rejected.map((r) => r.blade), c.blade].sort()).toEqual([...BLADE_IDS].sort());
  });

  for (const zone of ['armpit_left', 'groin_right', 'sanitary', 'tuck_up_left', 'ear_leather_left', 'anus'] as const) {
    it(`never takes a #7 or 7F to the ${zone}`, () => {
      const c = chooseBlade(ask({ zone, wantedMm: 3.2, competence: 'close_work' }));
      expect(c.blade).not.toMatch(/^7/);
      expect(c.rejected.find((r) => r.blade === '7')?.because.rule).toBe('blade.loose_skin_close_teeth');
    });
  }

  it('is not led by length: #10 goes where the longer #5 and the shorter #30 are banned', () => {
    const c = chooseBlade(ask({ zone: 'armpit_left', wantedMm: 6.3, competence: 'close_work' }));
    expect(c.blade).toBe('10');
    expect(c.rejected.map((r) => r.blade)).toContain('5F');
    expect(c.rejected.map((r) => r.blade)).toContain('30');
  });

  it('starts tight mats at #10', () => {
    expect(chooseBlade(ask({ matGrade: 3, wantedMm: 13 })).blade).toBe('10');
    expect(chooseBlade(ask({ matGrade: 4, wantedMm: 13 })).lengthMm).toBeLessThanOrEqual(1.5);
  });

  it('keeps a bare #30 off the belly and allows it under a guard in trained hands', () => {
    const c = chooseBlade(ask({ zone: 'belly', wantedMm: 3, competence: 'close_work' }));
    expect(c.blade).toBe('30');
    expect(c.guard).toBeDefined();
    expect(chooseBlade(ask({ zone: 'belly', wantedMm: 3, competence: 'groomer' })).blade).toBe('10');
  });

  it('puts no guard through coat that a comb does not pass', () => {
    expect(chooseBlade(ask({ matGrade: 1, wantedMm: 13, competence: 'close_work' })).guard).toBeUndefined();
  });

  it('puts no blade on sore skin, on the nose leather, or into a tight tuck-up in untrained hands', () => {
    expect(chooseBlade(ask({ skin: 'sore' })).blade).toBeUndefined();
    expect(chooseBlade(ask({ zone: 'nose' })).blade).toBeUndefined();
    expect(chooseBlade(ask({ zone: 'tuck_up_left', matGrade: 3 })).blade).toBeUndefined();
    expect(chooseBlade(ask({ zone: 'tuck_up_left', matGrade: 3, competence: 'close_work' })).blade).toBe('10');
  });

  it('gives #30 and #40 to trained hands between tight pads, #10 otherwise, #50 to nobody', () => {
    const pads = zonesOfGroup('feet')[0]!;
    expect(chooseBlade(ask({ zone: pads, matGrade: 3, wantedMm: 0.3, competence: 'close_work' })).blade).toBe('40');
    expect(chooseBlade(ask({ zone: pads, matGrade: 3, wantedMm: 0.3 })).lengthMm).toBeGreaterThan(1);
    for (const zone of ZONE_IDS)
      expect(chooseBlade(ask({ zone, matGrade: 3, wantedMm: 0.1, competence: 'close_work' })).blade).not.toBe('50');
  });

  it('takes no skip teeth to thin, red or marked skin, and treats unknown teeth as skip', () => {
    for (const change of [{ thinSkin: true }, { skin: 'red' as const }, { markHere: true }]) {
      const banned = chooseBlade(ask(change))
        .rejected.filter((r) => r.because.rule === 'blade.skip_on_fragile_skin')
        .map((r) => r.blade);
      expect(banned).toEqual(['4', '5', '7']);
    }
  });

  it('refuses a length that is not positive', () => {
    expect(() => chooseBlade(ask({ wantedMm: 0 }))).toThrowError(RangeError);
  });

  const question = fc.record({
    zone: fc.constantFrom(...ZONE_IDS),
    matGrade: fc.constantFrom(...MAT_GRADES),
    skin: fc.constantFrom(...SKIN_STATES),
    wantedMm: fc.double({ min: 0.2, max: 30, noNaN: true }),
    competence: fc.constantFrom(...COMPETENCES),
    movement: fc.constantFrom(...MOVEMENTS),
    cleanliness: fc.constantFrom(...CLEANLINESS),
    skinKnown: fc.boolean(),
    faceCare: fc.boolean(),
    coat: fc.constantFrom(...COATS),
    drawer: fc.constant(BLADES),
    guards: fc.constant(GUARDS),
    house: fc.constantFrom(
      HOUSE_DEFAULTS,
      houseRules({ pads: 'close_when_trained', bodyClip: 'straight', underTail: 'little_up_trained' }),
    ),
    thinSkin: fc.boolean(),
    markHere: fc.boolean(),
  });

  it('is never less careful for a worse finding: nothing banned before is chosen after', () => {
    const hard = (q: BladeQuestion): Set<string> => {
      const c = chooseBlade(q);
      const soft = ['blade.further_from_wanted'];
      const banned = new Set<string>(c.rejected.filter((r) => !soft.includes(r.because.rule)).map((r) => r.blade));
      // Under a guard a blade is not bare: bare it stays banned.
      if (c.guard) for (const bare of ['30', '10']) banned.add(bare);
      return banned;
    };
    fc.assert(
      fc.property(question, (q) => {
        const before = hard(q);
        const worse: BladeQuestion[] = [
          { ...q, skin: q.skin === 'sound' ? 'red' : 'sore' },
          { ...q, thinSkin: true },
          { ...q, markHere: true },
          { ...q, competence: q.competence === 'close_work' ? 'groomer' : 'learning' },
          { ...q, movement: q.movement === 'still' ? 'shifts' : 'jerks' },
          { ...q, cleanliness: 'dirty' },
          { ...q, skinKnown: false },
          { ...q, faceCare: true },
        ];
        for (const w of worse)
          for (const id of before)
            expect(hard(w).has(id))
              .withContext(`${JSON.stringify(w)} unlocks ${id}`)
              .toBeTrue();
      }),
      { numRuns: 300 },
    );
  });

  it('always says why, and answers with a blade or an explicit “none here”', () => {
    fc.assert(
      fc.property(question, (q) => {
        const c = chooseBlade(q);
        expect(c.reasons.length).toBeGreaterThan(0);
        if (c.blade === undefined) expect(c.lengthMm).toBe(0);
        else if (zoneFacts(q.zone).closeToothOnly && !c.guard) expect(['10', '15']).toContain(c.blade);
      }),
      { numRuns: 300 },
    );
  });
});

describe('why this blade', () => {
  const why = (change: Partial<BladeQuestion>): Map<string, object> =>
    new Map(chooseBlade(ask(change)).reasons.map((r) => [r.rule, r.facts]));

  it('says one plain reason when nothing speaks for another blade, and no other', () => {
    expect([...why({ guards: [] })]).toEqual([['blade.default', { blade: '5F', mm: 6.3 }]]);
    expect(why({ guards: [], greasy: true }).has('blade.default')).toBeFalse();
  });
  it('says what was burned, and when; that greasy blades are cleaned; nothing of that otherwise', () => {
    const burned = why({ guards: [], burnedHere: true, burnedOn: '2026-01-10' });
    expect(burned.get('blade.burned_one_pass')).toEqual({ zone: 'back', on: '2026-01-10' });
    expect(why({ guards: [], greasy: true }).get('blade.greasy_clean')).toEqual({});
    const plain = why({ guards: [] });
    expect([plain.has('blade.burned_one_pass'), plain.has('blade.greasy_clean')]).toEqual([false, false]);
  });
  it('says that a length is not possible from more than a millimetre on', () => {
    const far = why({ guards: [], wantedMm: 20 });
    expect(far.get('blade.length_not_possible')).toEqual({ wanted: 20, mm: 13, zone: 'back' });
    // 5F leaves 6.3 mm: a millimetre beside that is what was asked for.
    expect(why({ guards: [], wantedMm: 7.3 }).has('blade.length_not_possible')).toBeFalse();
  });
  it('keeps a double coat on body, neck and legs, unless it is matted or was asked long anyway', () => {
    const double = (change: Partial<BladeQuestion>): boolean =>
      why({ coat: 'double', guards: [], ...change }).has('blade.double_coat_raked');
    expect((['back', 'neck', 'foreleg_left'] as const).map((zone) => double({ zone }))).toEqual([true, true, true]);
    expect([double({ matGrade: 1 }), double({ matGrade: 2 })]).toEqual([true, false]);
    expect([double({ wantedMm: 12.9 }), double({ wantedMm: 13 }), double({ wantedMm: 20 })]).toEqual([true, false, false]);
    expect(double({ zone: 'belly' })).toBeFalse();
  });
  it('names the blades of a first, longer pass', () => {
    const stepped = why({ guards: [], wantedMm: 1.5, house: houseRules({ bodyClip: 'step_down' }) }).get('blade.step_down');
    const over = why({ guards: [], wantedMm: 1.5, overgrown: true, overgrownWeeks: 12 }).get('blade.overgrown_longer_first');
    for (const facts of [stepped, over]) expect(facts).toEqual(jasmine.objectContaining({ blade: '10' }));
    const named = (facts: object | undefined): unknown => facts && 'first_blade' in facts && facts.first_blade;
    for (const facts of [stepped, over]) expect(bladeOf(named(facts) as '10').lengthMm).toBeGreaterThan(1.5);
    expect(over).toEqual(jasmine.objectContaining({ weeks: 12 }));
  });
});
