import fc from 'fast-check';
import { addDays } from '../days/index.js';
import { type DayToPropose, type HandsOnDay, proposeTimes } from './index.js';

const MONDAY = '2026-12-07';
const WORKS = { from: 540, to: 1020 };
const hands = (staffId: string, taken: HandsOnDay['taken'] = [], works: HandsOnDay['works'] = WORKS): HandsOnDay => ({
  staffId,
  works,
  taken,
});
const days = (count: number, of: readonly HandsOnDay[]): DayToPropose[] =>
  Array.from({ length: count }, (_, i) => ({ day: addDays(MONDAY, i), hands: of }));

describe('times that an owner may choose from', () => {
  it('are on three days apart from each other, in the morning and in the afternoon', () => {
    expect(proposeTimes(days(6, [hands('imke')]), { minutes: 90 })).toEqual([
      { day: '2026-12-08', at: 540, staffId: 'imke' },
      { day: '2026-12-10', at: 720, staffId: 'imke' },
      { day: '2026-12-12', at: 540, staffId: 'imke' },
    ]);
  });

  it('are with whom it is rather, and with others where they have no time', () => {
    const full = [{ from: 540, to: 1000 }];
    expect(proposeTimes(days(1, [hands('ada'), hands('imke')]), { minutes: 60, with: 'imke' })[0]?.staffId).toBe('imke');
    expect(proposeTimes(days(1, [hands('ada'), hands('imke', full)]), { minutes: 60, with: 'imke' })[0]?.staffId).toBe('ada');
    expect(proposeTimes(days(2, [hands('imke', full)]), { minutes: 60 })).toEqual([]);
    expect(proposeTimes(days(2, [{ staffId: 'imke', works: undefined, taken: [] }]), { minutes: 60 })).toEqual([]);
  });

  it('are not before now on the first day', () => {
    expect(proposeTimes(days(1, [hands('imke')]), { minutes: 60, notBefore: 905 })).toEqual([{ day: MONDAY, at: 915, staffId: 'imke' }]);
    expect(proposeTimes(days(1, [hands('imke')]), { minutes: 60, notBefore: 965 })).toEqual([]);
  });

  it('never meet what is booked, never leave the hours, and are never on one day twice', () => {
    const taken = fc.array(fc.tuple(fc.integer({ min: 500, max: 1000 }), fc.integer({ min: 15, max: 200 })), { maxLength: 5 });
    fc.assert(
      fc.property(fc.array(taken, { minLength: 1, maxLength: 8 }), fc.integer({ min: 15, max: 240 }), (booked, minutes) => {
        const all = booked.map((own, i) => ({
          day: addDays(MONDAY, i),
          hands: [
            hands(
              'a',
              own.map(([from, by]) => ({ from, to: from + by })),
            ),
          ],
        }));
        const times = proposeTimes(all, { minutes });
        for (const t of times) {
          const own = all.find((d) => d.day === t.day)?.hands[0]?.taken ?? [];
          if (t.at < WORKS.from || t.at + minutes > WORKS.to || own.some((b) => b.from < t.at + minutes && t.at < b.to)) return false;
        }
        return new Set(times.map((t) => t.day)).size === times.length && times.length <= 3;
      }),
    );
  });
});
