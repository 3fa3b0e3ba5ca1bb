import { sql } from 'kysely';
import { type Book, type BookedVisit, DAY_PERSON, NO_LIMITS, type OverdueDog } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { overdueOf } from '@mansuet/core/next-visit';
import { BOOKING_OFF, type Saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';

/** Minutes where a booking says none. Our default. */
const USUAL_MINUTES = 90;

/**
 * What is booked from one day to another where the salon is, and who works there.
 * @param days ISO dates, both of them included
 * @param limitsOf whose limits whoever asks may read: the lead everybody's, others their own
 */
export async function readBook(
  trx: InSalon,
  { from, to }: { readonly from: string; readonly to: string },
  zone: string,
  limitsOf: (staffId: string) => boolean = () => false,
): Promise<Book> {
  const midnight = (day: string, days: number) => sql<Date>`((${day}::date + ${days}::integer)::timestamp at time zone ${zone})`;
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select([
      'visit_id',
      'visit.dog_id',
      'dog.name',
      'dog.weight_kg',
      'owner.name as owner',
      'owner.phone',
      'groomer_id',
      'arrives_at',
      'phase',
    ])
    .select(
      sql<number | null>`(select (e.body -> 'asked' ->> 'sessionMinutes')::float from visit_event e where e.salon_id = visit.salon_id
        and e.visit_id = visit.visit_id and e.type in ('visit_booked', 'asked_changed') order by e.seq desc limit 1)`.as('minutes'),
    )
    .select(
      sql<string | null>`(select e.body ->> 'how' from visit_event e where e.salon_id = visit.salon_id and e.visit_id = visit.visit_id
        and e.type = 'booking_off' order by e.seq desc limit 1)`.as('off'),
    )
    .select(
      sql<
        number | null
      >`(select stddev_samp(ln((p.summary ->> 'minutes')::float)) from visit p where p.salon_id = visit.salon_id and p.dog_id = visit.dog_id
        and p.phase = 'gone' and p.summary ->> 'outcome' = 'finished' and (p.summary ->> 'minutes')::float > 0)`.as('spread'),
    )
    .where('arrives_at', '>=', midnight(from, 0))
    .where('arrives_at', '<', midnight(to, 1))
    .orderBy('arrives_at')
    .orderBy('dog.name')
    .execute();
  const visits = rows.map((r): BookedVisit => ({
    visitId: r.visit_id,
    dogId: r.dog_id,
    dog: r.name,
    weightKg: r.weight_kg,
    owner: r.owner,
    phone: r.phone,
    groomerId: r.groomer_id,
    arrivesAt: r.arrives_at.toISOString(),
    minutes: Number(r.minutes ?? USUAL_MINUTES),
    spread: r.spread === null ? null : Number(r.spread),
    phase: r.phase,
    off: r.phase === 'off' ? (BOOKING_OFF.find((how) => how === r.off) ?? 'salon') : null,
  }));
  return { people: await peopleOf(trx, limitsOf), visits };
}

/** Whoever is of the salon now, with their hours and what they do not do. */
async function peopleOf(trx: InSalon, limitsOf: (staffId: string) => boolean): Promise<Book['people']> {
  const rows = await trx
    .selectFrom('staff')
    .select(['staff_id', 'name', 'role', 'trained', 'week', 'breaks', 'off', 'limits', 'hands'])
    .where('left_at', 'is', null)
    .orderBy(sql`role = 'bather'`)
    .orderBy('name')
    .execute();
  return rows.map((r) => {
    const [limits, hands] = limitsOf(r.staff_id) ? [r.limits, r.hands] : [null, null];
    return DAY_PERSON.parse({ ...r, staffId: r.staff_id, limits: limits ?? NO_LIMITS, hands: hands ?? undefined });
  });
}

/** A visit longer ago than this says that the dog goes elsewhere now. Our default, months. */
const GIVEN_UP_MONTHS = 12;
/** Visits of a dog that its rhythm is read from. Our default. */
const RHYTHM_VISITS = 6;

/** Dogs that should have been here again and are not booked, the longest due first. */
export async function readOverdue(trx: InSalon, now: Date, today: string, zone: string, say: (s: Saying) => string): Promise<OverdueDog[]> {
  const rows = await trx
    .selectFrom('dog')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['dog_id', 'dog.name', 'dog.coat', 'owner.name as owner', 'owner.phone'])
    .select(
      sql<Date[]>`array(select v.arrives_at from visit v where v.salon_id = dog.salon_id and v.dog_id = dog.dog_id and v.phase = 'gone'
        order by v.arrives_at desc limit ${RHYTHM_VISITS})`.as('visits'),
    )
    .select(
      sql<
        number | null
      >`(select (v.summary -> 'asked' ->> 'returnWeeks')::float from visit v where v.salon_id = dog.salon_id and v.dog_id = dog.dog_id
        and v.phase = 'gone' order by v.arrives_at desc limit 1)`.as('return_weeks'),
    )
    .where('archived_at', 'is', null)
    .where('merged_into', 'is', null)
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('visit as ahead')
            .select('ahead.visit_id')
            .whereRef('ahead.dog_id', '=', 'dog.dog_id')
            .where('ahead.phase', 'not in', ['gone', 'off'])
            .where('ahead.arrives_at', '>', sql<Date>`${now}::timestamptz - interval '1 day'`),
        ),
      ),
    )
    .execute();
  const givenUp = new Date(now);
  givenUp.setUTCMonth(givenUp.getUTCMonth() - GIVEN_UP_MONTHS);
  return rows
    .flatMap((r) => {
      const [last] = r.visits;
      if (!last || last < givenUp) return [];
      const returnWeeks = r.return_weeks === null ? undefined : Number(r.return_weeks);
      const due = overdueOf({ coat: r.coat, visits: r.visits.map((v) => dayOf(v, zone)), returnWeeks }, today);
      if (!due) return [];
      return [
        {
          dogId: r.dog_id,
          dog: r.name,
          owner: r.owner,
          phone: r.phone,
          lastOn: dayOf(last, zone),
          dueOn: due.dueOn,
          says: say(due.because),
        },
      ];
    })
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1));
}
