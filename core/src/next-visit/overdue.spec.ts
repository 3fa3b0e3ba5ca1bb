import { say } from '../locales/index.js';
import { ENGLISH } from '../locales/en/index.js';
import { overdueOf } from './index.js';

describe('a dog that should have been here again', () => {
  const due = (visits: readonly string[], returnWeeks?: number, today = '2026-11-30') =>
    overdueOf({ coat: 'curly', visits, returnWeeks }, today);
  it('is told by what was said the last time, then by its own rhythm, then by its coat', () => {
    const often = ['2026-10-05', '2026-09-07', '2026-08-10', '2026-05-01'];
    expect(due(often, 2)?.because).toEqual(jasmine.objectContaining({ rule: 'overdue.asked', facts: { weeks: 2, days: 42 } }));
    expect(due(often)?.dueOn).toBe('2026-11-02');
    expect(say(ENGLISH, due(often)?.because ?? { rule: 'day.no_hands', facts: {} })).toBe(
      'Comes about every 4 weeks, over 4 visits: due for 28 days.',
    );
    expect(due(['2026-10-05'])?.because).toEqual(
      jasmine.objectContaining({ rule: 'overdue.coat', facts: { coat: 'curly', weeks: 6, days: 14 } }),
    );
  });
  it('is not said within a week, nor of a dog that never came', () => {
    expect(due(['2026-10-05'], undefined, '2026-11-22')).toBeUndefined();
    expect(due(['2026-10-05'], undefined, '2026-11-23')?.dueOn).toBe('2026-11-16');
    expect(due([])).toBeUndefined();
  });
});
