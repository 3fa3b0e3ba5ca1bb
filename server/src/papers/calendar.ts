import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Salon } from '@mansuet/core/contract';

/** A visit that is booked. */
export interface BookedVisit {
  readonly visitId: string;
  readonly dogName: string;
  readonly start: Date;
  readonly minutes: number;
}

/** The next visit as iCalendar (RFC 5545), for the owner's own calendar: an instant, so that no zone is guessed. */
export function nextCalendar(visit: BookedVisit, salon: Pick<Salon, 'name'>, now: Date): string {
  const calendar = ical({
    name: salon.name,
    prodId: { company: 'Mansuet', product: 'visits', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  calendar.createEvent({
    id: `${visit.visitId}@mansuet`,
    start: visit.start,
    end: new Date(visit.start.getTime() + visit.minutes * 60_000),
    stamp: now,
    summary: `${visit.dogName} at ${salon.name}`,
  });
  return calendar.toString();
}
