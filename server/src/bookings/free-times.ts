import { sql } from 'kysely';
import type { Salon, TimeOffered, TimesAsked } from '@mansuet/core/contract';
import { worksOn } from '@mansuet/core/day';
import { addDays, clockOf, dayOf, momentOf } from '@mansuet/core/days';
import { minuteOfDay, proposeTimes, type Taken } from '@mansuet/core/next-visit';
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
  const { people, visits } = await readBook(trx, { from, to: asked.to }, zone);
  const groomers = people.filter((p) => p.role !== 'bather');
  const takenBy = (staffId: string, day: string): Taken[] =>
    visits.flatMap((v) => {
      if (v.phase === 'off' || v.groomerId !== staffId || dayOf(v.arrivesAt, zone) !== day) return [];
      const at = minuteOfDay(clockOf(v.arrivesAt, zone));
      return [{ from: at, to: at + v.minutes }];
    });
  const days = [];
  for (let day = from; day <= asked.to; day = addDays(day, 1))
    days.push({
      day,
      hands: groomers.map((p) => ({ staffId: p.staffId, works: worksOn(salon.opening, p, day), taken: takenBy(p.staffId, day) })),
    });
  const notBefore = from === dayOf(soonest, zone) ? minuteOfDay(clockOf(soonest, zone)) : 0;
  return proposeTimes(days, { minutes: asked.minutes, with: asked.groomerId, notBefore }).map((t) => ({
    arrivesAt: new Date(momentOf(t.day, clock(t.at), zone)).toISOString(),
    groomerId: t.staffId,
    groomer: groomers.find((p) => p.staffId === t.staffId)?.name ?? '',
  }));
}
const clock = (minute: number): string => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** Whether nothing is booked by now with whoever a time was offered with, and they are still there. */
export async function isStillFree(trx: InSalon, time: TimeOffered, minutes: number): Promise<boolean> {
  const { rows } = await sql<{ there: boolean; taken: boolean }>`select
    exists (select 1 from staff where staff_id = ${time.groomerId} and left_at is null) as there,
    exists (select 1 from visit v where v.groomer_id = ${time.groomerId} and v.phase <> 'off'
      and v.arrives_at < ${time.arrivesAt}::timestamptz + make_interval(mins => ${minutes})
      and v.arrives_at + make_interval(mins => coalesce((select (e.body -> 'asked' ->> 'sessionMinutes')::integer from visit_event e
        where e.salon_id = v.salon_id and e.visit_id = v.visit_id and e.type in ('visit_booked', 'asked_changed') order by e.seq desc limit 1), 90))
        > ${time.arrivesAt}::timestamptz) as taken`.execute(trx);
  return rows[0]?.there === true && !rows[0].taken;
}
