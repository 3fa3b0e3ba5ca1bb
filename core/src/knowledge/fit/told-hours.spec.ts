import { sayReason } from '../../testing/english.js';
import { aFitQuestion } from '../../testing/fit-questions.js';
import {
  answerTold,
  type FitQuestion,
  fitToGroom,
  hoursMissing,
  medicinesInWords,
  minutesUntil,
  type ToldHours,
  toldWithHours,
} from './index.js';

// Common practice, no source.
describe('the hours that are told', () => {
  const given = { toldAt: '09:30', medicines: [{ what: 'calming syrup', at: '08:00' }] };
  it('are counted over midnight, and are times of day', () => {
    expect([minutesUntil('08:00', '09:30'), minutesUntil('23:30', '00:10'), minutesUntil('07:00', '07:00')]).toEqual([90, 40, 0]);
    for (const bad of ['24:00', '7:00', '12:60', '']) expect(() => minutesUntil(bad, '09:00')).toThrowError(RangeError);
    expect(() => minutesUntil('09:00', 'noon')).toThrowError('minutesUntil: noon is no time of day');
  });
  it('make a dog just fed for an hour after its meal', () => {
    const fed = (meal: string, told: Parameters<typeof toldWithHours>[0] = []): readonly string[] =>
      toldWithHours(told, { toldAt: '09:30', meal });
    expect([fed('08:30'), fed('08:29'), fed('09:30')]).toEqual([['just_fed'], [], ['just_fed']]);
    expect([fed('09:00', ['just_fed']), fed('05:00', ['just_fed'])]).toEqual([['just_fed'], ['just_fed']]);
    expect([toldWithHours(['in_season'], undefined), toldWithHours([], given)]).toEqual([['in_season'], []]);
  });
  it('let a dog that its vet has calmed come, with limits, when name and hour are known; without them it does not', () => {
    const of = (hours?: ToldHours) => answerTold('calming_by_vet', [], hours);
    expect([of().verdict, of({ toldAt: '09:30', meal: '07:00' }).verdict, of(given).verdict]).toEqual([
      'not_today',
      'not_today',
      'go_with_limits',
    ]);
    expect(sayReason(of(given).because)).toContain('Calmed by its vet (calming syrup 08:00)');
    const q = aFitQuestion;
    const verdict = (more: Partial<FitQuestion>): string => fitToGroom(q({ signs: ['sedative_given'], ...more })).verdict;
    expect(verdict({ hours: given })).toBe('not_today');
    expect([verdict({ told: ['calming_by_vet'] }), verdict({ told: ['calming_by_vet'], hours: given })]).toEqual([
      'not_today',
      'go_with_limits',
    ]);
    // It takes nothing else off the dog.
    expect(fitToGroom(q({ signs: ['sedative_given', 'cough'], told: ['calming_by_vet'], hours: given })).verdict).toBe('not_today');
  });
  it('are asked for with diabetes until both are known', () => {
    const missing = (hours?: ToldHours): number => hoursMissing(['diabetes'], hours).length;
    expect([missing(), missing({ toldAt: '09:30', meal: '07:00' }), missing(given), missing({ ...given, meal: '07:00' })]).toEqual([
      1, 1, 1, 0,
    ]);
    expect(hoursMissing(['heart'], undefined)).toEqual([]);
    const rules = fitToGroom(aFitQuestion({ vetAgreed: true }, { conditions: ['diabetes'] })).reasons.map((r) => r.rule);
    expect(rules).toContain('told_today.diabetes_hours');
  });
  it('are said with each medicine, in the order in which they were told', () => {
    expect(medicinesInWords({ toldAt: '09:30', medicines: [...given.medicines, { what: 'insulin', at: '07:15' }] })).toBe(
      'calming syrup 08:00, insulin 07:15',
    );
    expect([medicinesInWords(undefined), medicinesInWords({ toldAt: '09:30', medicines: [] })]).toEqual([undefined, undefined]);
  });
});
