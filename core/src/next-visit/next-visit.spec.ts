import { HOUSE_DEFAULTS, houseRules } from '../knowledge/house-rules/index.js';
import { aDog, SPEC_DAY } from '../testing/dogs.js';
import { addWeeks, COAT_WEEKS, nextVisitDates, type NextVisitQuestion } from './index.js';

const datesOf = (change: Partial<NextVisitQuestion> = {}): ReturnType<typeof nextVisitDates> =>
  nextVisitDates({
    dog: aDog(),
    done: [],
    clipOff: false,
    leftWeeks: undefined,
    stoppedEarly: false,
    newMarks: [],
    returnWeeks: undefined,
    season: undefined,
    house: HOUSE_DEFAULTS,
    today: SPEC_DAY,
    ...change,
  });
const ask = (change: Partial<NextVisitQuestion> = {}): [string, number][] => datesOf(change).map((d) => [d.because.rule, d.weeks]);

// Common practice, no source: coat visits 4 to 8 weeks, nails 3 to 4, eight weeks after a clip-off, puppies 2 to 4, ears 8 to 10.
describe('nextVisitDates', () => {
  it('proposes the earliest date, with its reason', () => {
    const dates = datesOf({ done: ['nails'] });
    expect(dates[0]).toEqual(jasmine.objectContaining({ weeks: 4, date: '2026-12-23' }));
    expect(dates[0]?.because.rule).toBe('next.nails');
  });
  it('comes back at 8 weeks after a clip-off, at 3 for a puppy, sooner for what was left', () => {
    expect(datesOf({ clipOff: true }).map((d) => d.weeks)).toEqual([2, 8]);
    expect(datesOf({ dog: aDog({ born: '2026-08-20' }) })[0]?.weeks).toBe(3);
    expect(datesOf({ leftWeeks: 1 })[0]?.weeks).toBe(1);
  });
  it('counts weeks over the end of a year', () => expect(addWeeks('2026-12-28', 1)).toBe('2027-01-04'));
  it('is the coat’s interval for a plain dog, 4 to 8 weeks', () => {
    expect(ask()).toEqual([['next.coat', 6]]);
    for (const weeks of Object.values(COAT_WEEKS)) {
      expect(weeks).toBeGreaterThanOrEqual(4);
      expect(weeks).toBeLessThanOrEqual(8);
    }
    expect(ask({ dog: aDog({ coat: 'double' }) })).toEqual([['next.coat', 8]]);
  });
  it('names each reason, the earliest first', () => {
    expect(ask({ done: ['nails'] })).toEqual([
      ['next.nails', 4],
      ['next.coat', 6],
    ]);
    expect(ask({ clipOff: true })).toEqual([
      ['next.skin_after_pelt', 2],
      ['next.clip_off', 8],
    ]);
    expect(ask({ newMarks: ['back'] })[0]).toEqual(['next.marks', 4]);
    expect(ask({ returnWeeks: 16 })).toContain(['next.between', 6]);
    expect(ask({ returnWeeks: 8 })).toEqual([['next.coat', 6]]);
    expect(ask({ dog: aDog({ born: '2026-08-20' }) })[0]).toEqual(['next.puppy', 3]);
    expect(ask({ dog: aDog({ biteHistory: true }) })[0]).toEqual(['next.habit', 4]);
    expect(ask({ dog: aDog({ triggers: [{ cause: 'nails' }] }) })[0]).toEqual(['next.habit', 4]);
    expect(ask({ leftWeeks: 1 })[0]).toEqual(['next.left', 1]);
    expect(ask({ stoppedEarly: true })[0]).toEqual(['next.nothing_done', 2]);
  });
  it('looks at troubled drop ears again, and at ears that this house plucked', () => {
    expect(ask({ dog: aDog({ ears: 'drop', conditions: ['ear_trouble'] }) })).toContain(['next.ears', 8]);
    expect(ask({ dog: aDog({ ears: 'prick', conditions: ['ear_trouble'] }) })).not.toContain(['next.ears', 8]);
    expect(ask({ dog: aDog({ ears: 'drop' }) })).not.toContain(['next.ears', 8]);
    const house = houseRules({ earHair: 'pluck' });
    expect(ask({ house, done: ['ears'] })).toContain(['next.ears_plucked', 8]);
    expect(ask({ house })).not.toContain(['next.ears_plucked', 8]);
  });
  it('is there before its matting season, this year or next', () => {
    const season = (month: number): NextVisitQuestion['season'] => ({ month, share: 0.8, reasons: [] });
    // Today is 25 November: a season round March begins on 1 February, in 9 weeks; one round December has begun.
    expect(ask({ season: season(3) })).toContain(['next.season', 9]);
    // One round January begins within the week: this visit was the one before it.
    expect(ask({ season: season(1) })).toEqual([['next.coat', 6]]);
    expect(ask({ season: season(12) }).find(([rule]) => rule === 'next.season')?.[1]).toBe(48);
  });
  it('adds weeks to a date, over the end of a year', () => {
    expect(addWeeks('2026-01-01', 2)).toBe('2026-01-15');
    expect(addWeeks('2026-12-25', 1)).toBe('2027-01-01');
  });
  it('says every figure that it rests on', () => {
    const facts = (change: Partial<NextVisitQuestion>): object[] => datesOf(change).map((d) => d.because.facts);
    const ears = aDog({ ears: 'drop', conditions: ['ear_trouble'] });
    const house = houseRules({ earHair: 'pluck' });
    expect(facts({ dog: ears, house, done: ['ears'] }).filter((f) => 'weeks' in f && f.weeks === 8).length).toBe(2);
    expect(facts({ season: { month: 3, share: 0.8, reasons: [] } })).toContain({ weeks: 9, month: 3 });
    expect(facts({ leftWeeks: 1 })).toContain({ weeks: 1 });
    expect(facts({ stoppedEarly: true })).toContain({ weeks: 2 });
    expect(facts({ newMarks: ['back', 'tail', 'back'] })).toContain({ weeks: 4, zones: ['back', 'tail'] });
    // Ears that a vet plucks, or nobody, are no reason of this house.
    expect(ask({ done: ['ears'] })).not.toContain(['next.ears_plucked', 8]);
  });
});
