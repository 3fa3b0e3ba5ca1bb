import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { birthDateProblem, DOG_FORM } from './index.js';

describe('the dog form', () => {
  const { visitsBefore: _, ...facts } = aDog();
  const form = { ...facts, bornEstimated: false, standingSeenMinutes: null };
  it('takes a dog', () => expect(DOG_FORM.safeParse(form).success).toBeTrue());
  for (const [name, change] of [
    ['no name', { name: ' ' }],
    ['no weight', { weightKg: 0 }],
    ['half a tonne', { weightKg: 500 }],
    ['no date', { born: '' }],
    ['a date that is none', { born: '2026-02-30' }],
    ['an unknown coat', { coat: 'feathers' }],
  ] as const) {
    it(`asks back for ${name}`, () => expect(DOG_FORM.safeParse({ ...form, ...change }).success).toBeFalse());
  }
  it('asks back for a birth in the future or beyond belief', () => {
    expect(birthDateProblem('2027-01-01', SPEC_DAY)).toBeDefined();
    expect(birthDateProblem('1980-01-01', SPEC_DAY)).toBeDefined();
    expect(birthDateProblem('2015-01-01', SPEC_DAY)).toBeUndefined();
  });
});
