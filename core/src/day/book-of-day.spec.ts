import { type BookedVisit, NO_LIMITS, NO_OPENING } from '../contract/index.js';
import { bookedSchedule, brokenByBooking, dogOfBooking, minutesOfBooking, problemOfDay } from './index.js';

const ZONE = 'Europe/Berlin';
const visit = (visitId: string, arrivesAt: string, more: Partial<BookedVisit> = {}): BookedVisit => ({
  visitId,
  dogId: 'dog',
  dog: visitId,
  weightKg: 12,
  owner: 'Owner',
  phone: '',
  groomerId: 'p',
  arrivesAt,
  minutes: 60,
  spread: null,
  phase: 'know',
  off: null,
  ...more,
});
const person = (staffId: string, more = {}) => ({
  staffId,
  role: 'groomer' as const,
  trained: true,
  breaks: [],
  limits: NO_LIMITS,
  week: null,
  off: [],
  ...more,
});

describe('a day as it stands in the book', () => {
  // A Monday after the clocks went back: 09:00 there is 08:00 UTC.
  const DAY = '2026-10-26';
  const visits = [
    visit('a', '2026-10-26T08:00:00Z'),
    visit('b', '2026-10-26T10:00:00Z'),
    visit('off', '2026-10-26T08:00:00Z', { phase: 'off' }),
  ];
  const dogs = visits.filter((v) => v.phase !== 'off').map((v) => dogOfBooking(v, ZONE));
  const people = [person('p'), person('q', { limits: { ...NO_LIMITS, liftKg: 10 } })];
  const { problem } = problemOfDay({ opening: NO_OPENING, posts: [] }, DAY, people, dogs);
  const schedule = bookedSchedule(problem, visits);
  const rules = (to: { from: number; person: string }) => brokenByBooking(problem, schedule, 'a', to).map((b) => b.rule);

  it('has each at its time on the salon’s clock, and not those that are off', () =>
    expect(schedule.stretches.map((s) => [s.dog, s.from, s.to, s.person])).toEqual([
      ['a', 540, 600, 'p'],
      ['b', 660, 720, 'p'],
    ]));

  it('says what stands against a booking elsewhere, and nothing where it can be', () => {
    expect(rules({ from: 600, person: 'p' })).toEqual([]);
    expect(rules({ from: 570, person: 'p' })).toEqual([]);
    expect(rules({ from: 630, person: 'p' })).toEqual(['two_at_once']);
    expect(rules({ from: 600, person: 'q' })).toEqual(['too_heavy']);
    expect(rules({ from: 480, person: 'p' })).toContain('too_early');
    expect(rules({ from: 1060, person: 'p' })).toContain('after_closing');
  });

  it('tells minutes with the range of the dog’s own visits, or ours', () => {
    expect(minutesOfBooking({ minutes: 90, spread: 0 })).toEqual({ minutes: 90, from: 90, to: 90 });
    const { from, to } = minutesOfBooking({ minutes: 90, spread: null });
    expect([Math.round(from), Math.round(to)]).toEqual([60, 136]);
  });
});
