import { aDog, SPEC_DAY } from '../testing/dogs.js';
import { emptyVisit, summarize, type VisitSummary } from '../visit/index.js';
import { minuteOfDay } from '../days/index.js';
import { proposeHour, usualService } from './index.js';

const past = (minutes: number, change: Partial<VisitSummary> = {}): VisitSummary => ({
  ...summarize(emptyVisit('x')),
  outcome: 'finished',
  minutes,
  on: '2026-10-01',
  asked: { items: ['bath', 'nails'], wantedMm: 12, sessionMinutes: 90 },
  ...change,
});
const of = (visits: readonly VisitSummary[], dog = aDog()) => usualService(dog, visits, SPEC_DAY);
const PUPPY = aDog({ born: '2026-08-20' });

describe('the usual service of a dog', () => {
  it('is what was asked for in half of its visits, with its own minutes and their spread', () => {
    const u = of([past(70), past(62), past(80)]);
    expect(u.asked).toEqual({ items: ['bath', 'nails'], wantedMm: 12, sessionMinutes: 90 });
    expect(u.because.map((r) => r.rule)).toEqual(['usual.service', 'usual.minutes']);
    expect(u.because[1]?.facts).toEqual({ minutes: 90, from: 62, to: 80, visits: 3 });
    const once = past(60, { asked: { items: ['bath', 'face'], wantedMm: 12, sessionMinutes: 90 } });
    expect(of([once, past(60), past(60)]).asked.items).toEqual(['bath']);
  });
  it('presumes no clip and no long visit for a puppy, and says so', () => {
    expect(of([], PUPPY).asked.items).not.toContain('body_clip');
    expect(of([past(80, { asked: { items: ['bath', 'body_clip'], wantedMm: 9, sessionMinutes: 120 } })], PUPPY).asked).toEqual({
      items: ['bath'],
      wantedMm: 9,
      sessionMinutes: 45,
    });
  });
  it('is short after a stop, and the salon’s usual time for a dog that was never here', () => {
    expect(of([past(30, { outcome: 'stopped' }), past(80)]).asked.sessionMinutes).toBe(60);
    expect(of([]).because.map((r) => r.rule)).toEqual(['usual.none']);
  });
  it('learns no minutes from what was written down afterwards', () =>
    expect(of([past(400, { writtenAfter: true })]).asked.sessionMinutes).toBe(90));
});

const OPEN = { from: 540, to: 1020 };

describe('the hour that is proposed', () => {
  it('is the first at which it fits between what is booked', () => {
    expect(proposeHour([], 60, OPEN).at).toBe('09:00');
    expect(
      proposeHour(
        [
          { from: 540, to: 600 },
          { from: 630, to: 700 },
        ],
        60,
        OPEN,
      ).at,
    ).toBe('11:45');
    expect(proposeHour([{ from: 545, to: 600 }], 15, OPEN).at).toBe('10:00');
  });
  it('never overlaps, whatever is booked', () => {
    for (let seed = 1; seed < 60; seed++) {
      const taken = [0, 1, 2].map((i) => ({
        from: 540 + ((seed * 37 + i * 113) % 400),
        to: 560 + ((seed * 37 + i * 113) % 400) + (seed % 7) * 10,
      }));
      const { at, free } = proposeHour(taken, 45, OPEN);
      const from = minuteOfDay(at);
      if (free)
        expect(taken.some((t) => t.from < from + 45 && from < t.to))
          .withContext(`${seed}`)
          .toBeFalse();
    }
  });
  it('says when the day is full', () => expect(proposeHour([{ from: 540, to: 1000 }], 60, OPEN).free).toBeFalse());
  it('keeps to the hours of these hands, and names none where they do not work', () => {
    expect(proposeHour([], 60, { from: 720, to: 900 }).at).toBe('12:00');
    expect(proposeHour([{ from: 720, to: 850 }], 60, { from: 720, to: 900 }).free).toBeFalse();
    expect(proposeHour([], 60, undefined)).toEqual(jasmine.objectContaining({ at: '', free: false }));
  });
});
