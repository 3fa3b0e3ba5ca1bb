import ical, { type ICalCalendar, ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import type { Salon } from '@mansuet/core/contract';

/** A visit that is booked. */
export interface BookedVisit {
  readonly visitId: string;
  readonly dogName: string;
  readonly start: Date;
  readonly minutes: number;
}
/** The same in the salon's own calendar. */
export interface VisitOfBook extends BookedVisit {
  readonly groomer: string;
  readonly isOff: boolean;
}

const calendarFor = (salon: Pick<Salon, 'name'>): ICalCalendar =>
  ical({
    name: salon.name,
    prodId: { company: 'Mansuet', product: 'visits', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
/** An instant, so that no zone is guessed. */
const eventOf = (visit: BookedVisit, now: Date) => ({
  id: `${visit.visitId}@mansuet`,
  start: visit.start,
  end: new Date(visit.start.getTime() + visit.minutes * 60_000),
  stamp: now,
});

/** The next visit as iCalendar (RFC 5545), for the owner's own calendar. */
export function nextCalendar(visit: BookedVisit, salon: Pick<Salon, 'name'>, now: Date): string {
  const calendar = calendarFor(salon);
  calendar.createEvent({ ...eventOf(visit, now), summary: `${visit.dogName} at ${salon.name}` });
  return calendar.toString();
}

/** What is booked as iCalendar (RFC 5545): dogs and groomers, no owner, no number, for its address may be seen by others. */
export function bookCalendar(visits: readonly VisitOfBook[], salon: Pick<Salon, 'name'>, now: Date): string {
  const calendar = calendarFor(salon);
  for (const v of visits)
    calendar.createEvent({
      ...eventOf(v, now),
      summary: v.groomer ? `${v.dogName} · ${v.groomer}` : v.dogName,
      status: v.isOff ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    });
  return calendar.toString();
}
