import fc from 'fast-check';
import { aFitQuestion } from '../../testing/fit-questions.js';
import { CONDITIONS, FIT_SIGNS, FIT_VERDICTS, type FitSign } from '../../words/index.js';
import { type FitQuestion, fitToGroom } from './index.js';

const ask = aFitQuestion;
const verdict = (...args: Parameters<typeof ask>): string => fitToGroom(ask(...args)).verdict;

// Common practice, no source.
describe('fitToGroom', () => {
  it('goes when nothing speaks against it, and says so', () => {
    expect(verdict()).toBe('go');
    expect(fitToGroom(ask()).reasons.length).toBe(1);
  });
  for (const sign of [
    'collapse',
    'fit_today',
    'laboured_breath',
    'swollen_belly',
    'gums_colour',
    'maggots',
    'retching',
    'wobbly',
    'faint',
  ] as const) {
    it(`${sign}: not today, and a vet now, whatever was agreed (floor)`, () => {
      const r = fitToGroom(ask({ signs: [sign], vetAgreed: true }));
      expect(r.verdict).toBe('not_today');
      expect(r.vetNow).toBeTrue();
    });
  }
  for (const sign of [
    'fever_or_vomiting',
    'diarrhoea',
    'cough',
    'open_wound',
    'sudden_lameness',
    'surgery_wound',
    'sedative_given',
    'ringed_patches',
    'itchy_scabs',
  ] as const) {
    it(`${sign}: not today`, () => expect(verdict({ signs: [sign] })).toBe('not_today'));
  }
  for (const sign of ['strangled_limb', 'painful_mouth'] as const) {
    it(`${sign}: ask the vet`, () => expect(verdict({ signs: [sign] })).toBe('ask_vet'));
  }
  it('fleas: last place of the day', () => expect(verdict({ signs: ['fleas'] })).toBe('go_with_limits'));
  for (const condition of [
    'heart',
    'airway',
    'fits',
    'diabetes',
    'pregnant',
    'addisons',
    'cushings',
    'blood_thinner',
    'steroids',
  ] as const) {
    it(`${condition}: ask the vet, and go with limits when the vet has agreed`, () => {
      expect(verdict({}, { conditions: [condition] })).toBe('ask_vet');
      expect(verdict({ vetAgreed: true }, { conditions: [condition] })).toBe('go_with_limits');
    });
  }
  it('limits short noses in a warm room and stops them above 26 °C', () => {
    expect(verdict({ roomCelsius: 21 }, { nose: 'short' })).toBe('go');
    expect(verdict({ roomCelsius: 22 }, { nose: 'short' })).toBe('go_with_limits');
    expect(verdict({ roomCelsius: 26.5 }, { nose: 'short' })).toBe('not_today');
  });

  it('never gets less careful when more is wrong', () => {
    const rank = (q: FitQuestion): number => FIT_VERDICTS.indexOf(fitToGroom(q).verdict);
    fc.assert(
      fc.property(
        fc.subarray([...FIT_SIGNS]),
        fc.constantFrom(...FIT_SIGNS),
        fc.subarray([...CONDITIONS]),
        fc.constantFrom(...CONDITIONS),
        fc.integer({ min: 15, max: 30 }),
        fc.boolean(),
        (signs, sign, conditions, condition, room, agreed) => {
          const q = ask({ signs, roomCelsius: room, vetAgreed: agreed }, { conditions, nose: 'short' });
          const more = (s: readonly FitSign[]): FitSign[] => [...new Set([...s, sign])];
          expect(rank({ ...q, signs: more(signs) })).toBeGreaterThanOrEqual(rank(q));
          expect(rank({ ...q, dog: { ...q.dog, conditions: [...new Set([...conditions, condition])] } })).toBeGreaterThanOrEqual(rank(q));
          expect(rank({ ...q, roomCelsius: room + 3 })).toBeGreaterThanOrEqual(rank(q));
        },
      ),
    );
  });
});
