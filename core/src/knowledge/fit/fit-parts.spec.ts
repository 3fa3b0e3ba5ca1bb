import fc from 'fast-check';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { sayReason } from '../../testing/english.js';
import { aFitQuestion } from '../../testing/fit-questions.js';
import { CONDITIONS, DOG_KINDS, FIT_SIGNS, FIT_VERDICTS, TOLD_ITEMS, type ZoneId } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';
import {
  ALL_SAFE,
  answerTold,
  CONTACT_MINUTES,
  type Contagion,
  contagion,
  type FitQuestion,
  fitToGroom,
  heatLoad,
  type HeatLoadQuestion,
  isAbout,
  leftByLooks,
  type LookedEffect,
  lookedEffects,
  lookedFacts,
  lookedMinutesFactor,
  PAINFUL_MINUTES,
  painfulInOneGo,
  painfulLimit,
  painfulWork,
  safeFinish,
} from './index.js';

const heat = (dog: Partial<DogFacts>, roomCelsius: number, more: Partial<HeatLoadQuestion> = {}) =>
  heatLoad({ dog: aDog(dog), pelted: false, warmDryer: false, roomCelsius, today: SPEC_DAY, ...more });

// Our defaults; that heads, hearts, age and coat bear heat badly is common practice, no source.
describe('heatLoad', () => {
  it('lets a sound dog work in a warm room, and nobody above 32 °C', () => {
    expect(heat({}, 32).verdict).toBe('go');
    expect(heat({}, 32.1).verdict).toBe('not_today');
    expect(heat({}, 20).limitCelsius).toBe(32);
  });
  it('is cautious from 22 °C and stops a short nose above 26 °C', () => {
    expect(heat({ nose: 'short' }, 21.9).verdict).toBe('go');
    expect(heat({ nose: 'short' }, 22).verdict).toBe('go_with_limits');
    expect(heat({ nose: 'short' }, 26).verdict).toBe('go_with_limits');
    expect(heat({ nose: 'short' }, 26.1).verdict).toBe('not_today');
  });
  it('adds what a dog carries: heart, airway, weight, age, coat, pelt', () => {
    const points = (dog: Partial<DogFacts>, more: Partial<HeatLoadQuestion> = {}): number => heat(dog, 20, more).points;
    expect(points({})).toBe(0);
    expect(points({ nose: 'short' })).toBe(3);
    expect(points({ conditions: ['heart'] })).toBe(2);
    expect(points({ conditions: ['airway'] })).toBe(3);
    expect(points({ build: 'heavy' })).toBe(1);
    expect(points({ born: '2010-01-01' })).toBe(1);
    expect(points({ coat: 'double' })).toBe(1);
    expect(points({}, { pelted: true })).toBe(1);
    expect(points({}, { warmDryer: true })).toBe(0);
    expect(points({ coat: 'double' }, { warmDryer: true })).toBe(2);
    expect(heat({ nose: 'short', build: 'heavy', born: '2010-01-01', conditions: ['heart'] }, 20).limitCelsius).toBe(22);
  });
  it('names what it counted', () => {
    expect(sayReason(heat({ nose: 'short', build: 'heavy' }, 30).reasons[0]!)).toContain('short-nosed, heavy');
    expect(sayReason(heat({}, 20).reasons[0]!)).toContain('any dog');
  });
  it('is never less careful in a warmer room or for a dog that carries more', () => {
    const level = { go: 0, go_with_limits: 1, not_today: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        fc.subarray([...CONDITIONS]),
        fc.constantFrom('short' as const, 'long' as const),
        (room, warmer, conditions, nose) => {
          const now = heat({ conditions, nose }, room);
          expect(level[heat({ conditions, nose }, room + warmer).verdict]).toBeGreaterThanOrEqual(level[now.verdict]);
          expect(level[heat({ conditions: [...conditions, 'heart'], nose: 'short' }, room).verdict]).toBeGreaterThanOrEqual(
            level[now.verdict],
          );
          expect(heat({ conditions, nose }, room, { pelted: true }).limitCelsius).toBeLessThanOrEqual(now.limitCelsius);
        },
      ),
    );
  });
});

// Common practice, no source.
describe('contagion', () => {
  it('plans 14 min between two dogs: wiping, and the product’s contact time', () => {
    expect(contagion([]).disinfectMinutes).toBe(14);
    expect(contagion([], 3).disinfectMinutes).toBe(7);
    expect(contagion([]).place).toBe('any');
    expect(CONTACT_MINUTES).toBe(10);
    expect(() => contagion([], -1)).toThrowError(RangeError);
  });
  for (const sign of ['fleas'] as const) {
    it(`puts ${sign} last, with own towels, gloves, more time, weak colleagues elsewhere`, () => {
      const c = contagion([sign]);
      expect([c.place, c.ownTowelsAndTools, c.gloves, c.keepVulnerableAway, c.disinfectMinutes]).toEqual([
        'last_of_day',
        true,
        true,
        true,
        22,
      ]);
    });
  }
  it('does not take fleas in when there are sores', () =>
    expect(contagion(['fleas'], 10, { sores: true, told: [] }).place).toBe('not_today'));
  it('gives a dog that is not fully vaccinated a room of its own, and asks for gloves where people at home have marks', () => {
    const of = (told: 'vaccination_incomplete' | 'vaccination_not_stated' | 'household_marks'): Contagion =>
      contagion([], 10, { sores: false, told: [told] });
    expect([of('vaccination_incomplete').place, of('vaccination_not_stated').place]).toEqual(['own_room', 'own_room']);
    expect([of('household_marks').place, of('household_marks').gloves, of('household_marks').disinfectMinutes]).toEqual(['any', true, 22]);
  });
  for (const sign of ['cough', 'diarrhoea', 'fever_or_vomiting', 'itchy_scabs', 'ringed_patches'] as const)
    it(`does not take ${sign} in at all`, () => expect(contagion(['fleas', sign]).place).toBe('not_today'));
  it('leaves other signs to the vet', () => expect(contagion(['collapse', 'open_wound']).place).toBe('any'));
});

// Common practice, no source; we give no drug and no dose.
describe('answerTold', () => {
  const verdict = (...args: Parameters<typeof answerTold>): string => answerTold(...args).verdict;
  it('stops for insulin without a meal, asks the vet when it is due', () => {
    expect(verdict('insulin_without_meal', [])).toBe('not_today');
    expect(verdict('insulin_due', [])).toBe('ask_vet');
  });
  it('asks the vet about a missed medicine that the dog lives by', () => {
    for (const c of ['heart', 'fits', 'diabetes', 'addisons', 'airway'] as const) expect(verdict('medicine_missed', [c])).toBe('ask_vet');
    expect(verdict('medicine_missed', ['arthritis'])).toBe('go_with_limits');
  });
  it('limits the rest, and asks about a new medicine', () => {
    expect(verdict('new_medicine', [])).toBe('ask_vet');
    for (const item of ['just_fed', 'pain_relief_by_vet', 'spot_on_fresh', 'vaccination_not_stated'] as const)
      expect(verdict(item, [])).toBe('go_with_limits');
  });
  it('has one verdict for each, whatever the dog', () => {
    const verdicts = Object.fromEntries(TOLD_ITEMS.map((t) => [t, verdict(t, [])]));
    expect(verdicts).toEqual({
      insulin_without_meal: 'not_today',
      // Without its name and hour.
      calming_by_vet: 'not_today',
      insulin_due: 'ask_vet',
      new_medicine: 'ask_vet',
      surgery_lately: 'ask_vet',
      ...Object.fromEntries(
        (
          [
            'medicine_missed',
            'just_fed',
            'pain_relief_by_vet',
            'spot_on_fresh',
            'vaccination_not_stated',
            'vaccination_incomplete',
            'household_marks',
            'in_season',
            'injection_lately',
            'sore_after_last',
            'not_let_out',
          ] as const
        ).map((t) => [t, 'go_with_limits']),
      ),
    });
  });
  it('has its own sentence for each', () => {
    const said = TOLD_ITEMS.map((t) => sayReason(answerTold(t, []).because));
    expect(new Set(said).size).toBe(TOLD_ITEMS.length);
    for (const s of said) expect(s).not.toMatch(/\bmg\b|dose|tablet/i);
  });
});

describe('fitToGroom with all of it', () => {
  const ask = aFitQuestion;
  it('carries heat, contagion and what was told into one verdict with all its reasons', () => {
    const r = fitToGroom(ask({ signs: ['fleas'], told: ['just_fed'], roomCelsius: 23 }, { nose: 'short' }));
    expect(r.verdict).toBe('go_with_limits');
    expect(r.reasons.map((x) => x.rule)).toEqual(
      jasmine.arrayContaining(['fit.last_of_day', 'fit.own_towels', 'fit.between_dogs', 'told_today.just_fed', 'fit.heat_caution']),
    );
    expect(r.contagion.disinfectMinutes).toBe(22);
    expect(r.heat.points).toBe(3);
  });
  it('takes a vet’s word for what the vet was asked, not for what makes today unsafe', () => {
    expect(fitToGroom(ask({ told: ['insulin_due'] })).verdict).toBe('ask_vet');
    expect(fitToGroom(ask({ told: ['insulin_due'], vetAgreed: true })).verdict).toBe('go_with_limits');
    expect(fitToGroom(ask({ told: ['insulin_without_meal'], vetAgreed: true })).verdict).toBe('not_today');
  });
  it('stops a pelted, thick-coated dog in a room that a combed one may work in', () => {
    expect(fitToGroom(ask({ roomCelsius: 29 }, { coat: 'double' })).verdict).toBe('go_with_limits');
    expect(fitToGroom(ask({ roomCelsius: 29, pelted: true }, { coat: 'double' })).verdict).toBe('not_today');
  });
  it('is never less careful for one more sign, illness, told item or degree', () => {
    const level = (q: FitQuestion): number => FIT_VERDICTS.indexOf(fitToGroom(q).verdict);
    fc.assert(
      fc.property(
        fc.subarray([...FIT_SIGNS]),
        fc.subarray([...CONDITIONS]),
        fc.subarray([...TOLD_ITEMS]),
        fc.constantFrom(...FIT_SIGNS),
        fc.constantFrom(...CONDITIONS),
        fc.constantFrom(...TOLD_ITEMS),
        fc.double({ min: 12, max: 36, noNaN: true }),
        fc.boolean(),
        (signs, conditions, told, sign, condition, item, roomCelsius, vetAgreed) => {
          const q = ask({ signs, told, roomCelsius, vetAgreed }, { conditions });
          const now = level(q);
          expect(level({ ...q, signs: [...signs, sign] })).toBeGreaterThanOrEqual(now);
          expect(level({ ...q, told: [...told, item] })).toBeGreaterThanOrEqual(now);
          expect(level({ ...q, dog: { ...q.dog, conditions: [...conditions, condition] } })).toBeGreaterThanOrEqual(now);
          expect(level({ ...q, roomCelsius: roomCelsius + 5 })).toBeGreaterThanOrEqual(now);
          expect(level({ ...q, pelted: true })).toBeGreaterThanOrEqual(now);
          expect(level({ ...q, vetAgreed: false })).toBeGreaterThanOrEqual(level({ ...q, vetAgreed: true }));
          for (const r of fitToGroom(q).reasons) expect(sayReason(r)).not.toContain('…');
        },
      ),
      { numRuns: 300 },
    );
  });
});

// Our defaults.
describe('painfulWork', () => {
  it('is 25 min for a grown dog, 15 for a senior, 10 after a bite or when frail, 5 and 3 for puppies, half after a stop', () => {
    expect(painfulLimit({ kinds: [] })).toBe(25);
    expect(painfulLimit({ kinds: ['senior'] })).toBe(15);
    expect(painfulLimit({ kinds: ['bite_history'] })).toBe(10);
    expect(painfulLimit({ kinds: ['senior'], frail: true })).toBe(10);
    expect(painfulLimit({ kinds: ['puppy'], ageWeeks: 16 })).toBe(5);
    expect(painfulLimit({ kinds: ['puppy'], ageWeeks: 15.9 })).toBe(3);
    expect(painfulLimit({ kinds: ['short_nose', 'lumps'], afterStop: true })).toBe(12.5);
  });
  it('is 5 min in one go, 3 for a senior, 2 for a puppy', () =>
    expect([painfulInOneGo([]), painfulInOneGo(['senior']), painfulInOneGo(['senior', 'puppy'])]).toEqual([5, 3, 2]));
  it('is beyond from the first minute over', () => {
    const grown = { kinds: [] };
    expect([painfulWork(25, grown).beyond, painfulWork(25.5, grown).beyond]).toEqual([false, true]);
    expect(painfulWork(26, grown).reasons[0]!.rule).toBe('fit.painful_beyond');
    expect(painfulWork(26, grown).limitMinutes).toBe(PAINFUL_MINUTES.grown);
  });
  it('never grows with another kind', () => {
    fc.assert(
      fc.property(fc.subarray([...DOG_KINDS]), fc.constantFrom(...DOG_KINDS), (kinds, more) =>
        expect(painfulLimit({ kinds: [...kinds, more] })).toBeLessThanOrEqual(painfulLimit({ kinds })),
      ),
    );
  });
});

describe('safeFinish', () => {
  it('is now when nothing is open', () => {
    expect(safeFinish(ALL_SAFE).minutes).toBe(0);
    expect(safeFinish(ALL_SAFE).reasons[0]!.rule).toBe('safe.now');
  });
  it('adds what must be put right, a wound first', () => {
    const s = safeFinish({
      lathered: true,
      dryingMinutes: 12,
      muzzleOn: true,
      loopOn: true,
      matHalfCut: true,
      woundOpen: true,
      onTable: true,
    });
    expect(s.minutes).toBe(4 + 12 + 0.5 + 0.5 + 2 + 5 + 1);
    expect(s.reasons.map((r) => r.rule)).toEqual([
      'safe.wound',
      'safe.muzzle',
      'safe.loop',
      'safe.mat',
      'safe.rinse',
      'safe.dry',
      'safe.down',
    ]);
  });
  it('counts each by itself', () => {
    const alone = (change: Partial<typeof ALL_SAFE>): number => safeFinish({ ...ALL_SAFE, ...change }).minutes;
    expect([alone({ lathered: true }), alone({ muzzleOn: true }), alone({ loopOn: true }), alone({ matHalfCut: true })]).toEqual([
      4, 0.5, 0.5, 2,
    ]);
    expect([alone({ woundOpen: true }), alone({ onTable: true }), alone({ dryingMinutes: 7.5 })]).toEqual([5, 1, 7.5]);
    expect(() => alone({ dryingMinutes: -1 })).toThrowError(RangeError);
  });
});

// Common practice, no source; the factors are our defaults.
describe('what was looked at', () => {
  it('closes the places that a vet looks at first, each once', () => {
    expect(leftByLooks({ looked: { eyes: 'sore', pads: 'cut' } })).toEqual([
      'eye_left',
      'eye_right',
      'stop',
      'fore_paw_left',
      'fore_paw_right',
      'hind_paw_left',
      'hind_paw_right',
    ]);
    expect([leftByLooks({ looked: { eyes: 'crusted' } }), leftByLooks({})]).toEqual([[], []]);
  });
  it('is about its place where somebody showed it, and about its kind of work where nobody did', () => {
    const tick = (ticks?: ZoneId[]) => lookedEffects({ looked: { ticks: 'tick' }, foundAt: ticks ? { ticks } : {} })[0]!;
    const about = (e: LookedEffect): boolean[] => [
      isAbout(e, 'body_clip', ['back']),
      isAbout(e, 'body_clip', ['belly']),
      isAbout(e, 'nails', ['belly']),
    ];
    expect(about(tick())).toEqual([true, true, false]);
    expect(about(tick([]))).toEqual([true, true, false]);
    expect(about(tick(['belly', 'tail']))).toEqual([false, true, true]);
    expect(sayReason(tick(['belly']).because)).toContain('A tick (belly):');
    expect(sayReason(tick().because)).toContain('A tick: no blade');
    expect(lookedFacts(tick(['belly', 'tail'])).zones).toEqual(['belly', 'tail']);
    // Only seeds and ticks have places of their own.
    expect(lookedEffects({ looked: { ears: 'waxy' }, foundAt: { ticks: ['belly'] } })[0]?.at).toEqual([]);
  });
  it('takes longer where more than one thing was seen', () => {
    expect(lookedMinutesFactor({ looked: { nails: 'brittle', dewclaws: 'curled' } }, 'nails')).toBeCloseTo(1.5 * 1.15, 12);
    expect(lookedMinutesFactor({ looked: { nails: 'brittle', dewclaws: 'curled' } }, 'feet')).toBe(1);
    expect(lookedMinutesFactor({}, 'nails')).toBe(1);
  });
});
