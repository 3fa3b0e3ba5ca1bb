import type { Salon, TimeOffered, TimesAsked } from '@mansuet/core/contract';
import { worksOn } from '@mansuet/core/day';
import { addDays, clockOf, clockOfMinute, dayOf, minuteOfDay, momentOf } from '@mansuet/core/days';
import { type DayToPropose, isFreeAt, proposeTimes, type Taken } from '@mansuet/core/next-visit';
import type { InSalon } from '../database/database.js';
import { readBook } from './book.js';

/** Somebody is rung first, and the salon is got ready: nothing sooner is offered, minutes. Our default. */
const AHEAD_MINUTES = 120;

/** Times between two days that an owner may choose from, where nothing is booked with whoever would take the dog. */
export async function freeTimes(trx: InSalon, salon: Salon, asked: TimesAsked, now: Date): Promise<TimeOffered[]> {
  const zone = salon.timeZone;
  const soonest = new Date(now.getTime() + AHEAD_MINUTES * 60_000);
  const from = [asked.from, dayOf(soonest, zone)].sort().at(-1) ?? asked.from;
  if (from > asked.to) return [];
  const { days, nameOf } = await bookedDays(trx, salon, from, asked.to);
  const notBefore = from === dayOf(soonest, zone) ? minuteOfDay(clockOf(soonest, zone)) : 0;
  return proposeTimes(days, { minutes: asked.minutes, with: asked.groomerId, notBefore }).map((t) => ({
    arrivesAt: new Date(momentOf(t.day, clockOfMinute(t.at), zone)).toISOString(),
    groomerId: t.staffId,
    groomer: nameOf.get(t.staffId) ?? '',
  }));
}

/** Whether whoever a time was offered with still works then, and nothing is booked with them by now. */
export async function isStillFree(trx: InSalon, salon: Salon, time: TimeOffered, minutes: number): Promise<boolean> {
  const day = dayOf(time.arrivesAt, salon.timeZone);
  const { days } = await bookedDays(trx, salon, day, day);
  const theirs = days.flatMap((d) => d.hands).find((h) => h.staffId === time.groomerId);
  return theirs !== undefined && isFreeAt(theirs, minuteOfDay(clockOf(time.arrivesAt, salon.timeZone)), minutes);
}

/** Until the transaction ends nobody else books somebody by an owner's wish: two that are free now cannot both be booked. */
export async function lockHands(trx: InSalon, staffId: string): Promise<void> {
  await trx.selectFrom('staff').select('staff_id').where('staff_id', '=', staffId).forNoKeyUpdate().execute();
}

/** Who grooms from one day to another, both included, when, and what is booked with them. */
async function bookedDays(
  trx: InSalon,
  salon: Salon,
  from: string,
  to: string,
): Promise<{ readonly days: DayToPropose[]; readonly nameOf: ReadonlyMap<string, string> }> {
  const zone = salon.timeZone;
  const { people, visits } = await readBook(trx, { from, to }, zone);
  const groomers = people.filter((p) => p.role !== 'bather');
  const takenBy = (staffId: string, day: string): Taken[] =>
    visits.flatMap((v) => {
      if (v.phase === 'off' || v.groomerId !== staffId || dayOf(v.arrivesAt, zone) !== day) return [];
      const at = minuteOfDay(clockOf(v.arrivesAt, zone));
      return [{ from: at, to: at + v.minutes }];
    });
  const days: DayToPropose[] = [];
  for (let day = from; day <= to; day = addDays(day, 1))
    days.push({
      day,
      hands: groomers.map((p) => ({ staffId: p.staffId, works: worksOn(salon.opening, p, day), taken: takenBy(p.staffId, day) })),
    });
  return { days, nameOf: new Map(groomers.map((p) => [p.staffId, p.name])) };
}
