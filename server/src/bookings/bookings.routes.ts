import { Router } from 'express';
import { sql } from 'kysely';
import { DAY_ASKED } from '@mansuet/core/contract';
import { worksOn } from '@mansuet/core/day';
import { clockOf, minuteOfDay } from '@mansuet/core/days';
import { done } from '@mansuet/core/words';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';

/** What is booked: the hours of a day that are taken, and the visits ahead. */
export function bookingRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/day-taken',
    route('read', DAY_ASKED, async ({ trx, salon, input }) => {
      const midnight = (days: number) => sql<Date>`((${input.on}::date + ${days}::integer)::timestamp at time zone ${salon.timeZone})`;
      const rows = await trx
        .selectFrom('visit')
        .select(['arrives_at', 'visit_id'])
        .select(
          sql<number | null>`(select (e.body -> 'asked' ->> 'sessionMinutes')::float from visit_event e where e.salon_id = visit.salon_id
            and e.visit_id = visit.visit_id and e.type in ('visit_booked', 'asked_changed') order by e.seq desc limit 1)`.as('minutes'),
        )
        .where('groomer_id', '=', input.groomerId)
        .where('phase', '!=', 'off')
        .where('arrives_at', '>=', midnight(0))
        .where('arrives_at', '<', midnight(1))
        .execute();
      const taken = rows.map((r) => {
        const from = minuteOfDay(clockOf(r.arrives_at, salon.timeZone));
        return { from, to: from + Number(r.minutes ?? 90) };
      });
      const person = await trx
        .selectFrom('staff')
        .select(['week', 'off', 'left_at'])
        .where('staff_id', '=', input.groomerId)
        .executeTakeFirst();
      const works = person && !person.left_at ? worksOn(salon.opening, person, input.on) : undefined;
      return done({ taken, works: works ?? null });
    }),
  );
  router.get(
    '/booked-ahead',
    route('read', NOTHING, async ({ trx, now }) => {
      const rows = await trx
        .selectFrom('visit')
        .innerJoin('staff', 'staff.staff_id', 'visit.groomer_id')
        .select(['visit_id', 'dog_id', 'arrives_at', 'staff.name as groomer'])
        .where('phase', '=', 'know')
        .where('arrives_at', '>', now)
        .orderBy('arrives_at')
        .limit(500)
        .execute();
      return done({
        visits: rows.map((r) => ({ visitId: r.visit_id, dogId: r.dog_id, arrivesAt: r.arrives_at.toISOString(), groomer: r.groomer })),
      });
    }),
  );
  return router;
}
