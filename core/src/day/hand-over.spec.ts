import { type BookedVisit, NO_OPENING, USUAL_WEEK } from '../contract/index.js';
import { handOver } from './index.js';

const booking = (visitId: string, groomerId: string, at: string, more: Partial<BookedVisit> = {}): BookedVisit => ({
  visitId,
  dogId: visitId,
  dog: visitId,
  weightKg: 9,
  owner: '',
  phone: '',
  groomerId,
  arrivesAt: `2026-12-${at}:00.000Z`,
  minutes: 90,
  spread: null,
  phase: 'know',
  off: null,
  ...more,
});
const person = (staffId: string, week = USUAL_WEEK) => ({ staffId, week, off: [] });
const PEOPLE = [person('leaves'), person('ada'), person('ben')];
const given = (visits: readonly BookedVisit[], people = PEOPLE) =>
  handOver(visits, 'leaves', people, NO_OPENING, 'UTC').map((h) => [h.visitId, h.to]);

describe('visits of who leaves', () => {
  it('go to whoever is free at their time and has least on that day', () => {
    const visits = [booking('a', 'leaves', '07T09:00'), booking('b', 'ada', '07T13:00'), booking('c', 'leaves', '08T09:00')];
    expect(given(visits)).toEqual([
      ['a', 'ben'],
      ['c', 'ada'],
    ]);
  });

  it('are not given twice to the same hands at a time, and to nobody where nobody is free', () => {
    const visits = ['a', 'b', 'c'].map((id) => booking(id, 'leaves', '07T09:00'));
    expect(given(visits)).toEqual([
      ['a', 'ada'],
      ['b', 'ben'],
      ['c', undefined],
    ]);
    // A Sunday, a time after closing, somebody's free day.
    expect(given([booking('a', 'leaves', '06T09:00')])).toEqual([['a', undefined]]);
    expect(given([booking('a', 'leaves', '07T16:00')])).toEqual([['a', undefined]]);
    const free = [
      person(
        'ada',
        USUAL_WEEK.map((h, i) => (i === 0 ? null : h)),
      ),
    ];
    expect(given([booking('a', 'leaves', '07T09:00')], free)).toEqual([['a', undefined]]);
  });

  it('are only those that have not begun, and what is off takes no place', () => {
    const visits = [
      booking('a', 'leaves', '07T09:00', { phase: 'work' }),
      booking('b', 'ada', '07T09:00', { phase: 'off', off: 'owner' }),
      booking('c', 'leaves', '07T09:00'),
    ];
    expect(given(visits)).toEqual([['c', 'ada']]);
  });
});
