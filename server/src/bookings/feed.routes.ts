import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { Router } from 'express';
import { sql } from 'kysely';
import { type Feed, FEED_FORM } from '@mansuet/core/contract';
import { addDays, dayOf } from '@mansuet/core/days';
import { done, refused, refusedField, saying } from '@mansuet/core/words';
import type { Database, InSalon } from '../database/database.js';
import { bookCalendar } from '../papers/calendar.js';
import { ProblemError } from '../problems/problem-error.js';
import { asCalendar, asMade } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { salonOf } from '../sign-in/sign-in.repository.js';
import { triesLimit } from '../sign-in/tries-limit.js';
import { readBook } from './book.js';

const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();
/** What a calendar shows: some days back, and so far ahead. Our defaults, days. */
const DAYS_BACK = 14;
const DAYS_AHEAD = 182;

/** Calendars of the bookings, each with an address of its own that can be taken back. */
export function feedRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/feeds',
    route('manage_salon', NOTHING, async ({ trx }) => done({ feeds: await readFeeds(trx) })),
  );
  router.post(
    '/feeds',
    route(
      'manage_salon',
      FEED_FORM,
      async ({ trx, salonId, staffId, input, now, publicUrl }) => {
        if (input.staffId !== null) {
          const person = await trx.selectFrom('staff').select('staff_id').where('staff_id', '=', input.staffId).executeTakeFirst();
          if (!person) return refusedField('staffId', saying('form.nobody_here', {}));
        }
        const secret = randomBytes(32).toString('base64url');
        const feedId = randomUUID();
        const row = { salon_id: salonId, feed_id: feedId, staff_id: input.staffId, secret_hash: hashOf(secret), made_by: staffId };
        await trx
          .insertInto('calendar_feed')
          .values({ ...row, made_at: now.toISOString() })
          .execute();
        return done({ feedId, url: `${publicUrl}/api/feed/${secret}/visits.ics` });
      },
      { answer: asMade },
    ),
  );
  router.post(
    '/feeds/:feedId/end',
    route('manage_salon', NOTHING, async ({ trx, id, now }) => {
      const { numUpdatedRows } = await trx
        .updateTable('calendar_feed')
        .set({ revoked_at: now.toISOString() })
        .where('feed_id', '=', id('feedId'))
        .where('revoked_at', 'is', null)
        .executeTakeFirst();
      return numUpdatedRows > 0n ? done(undefined) : refused('not_found');
    }),
  );
  return router;
}

async function readFeeds(trx: InSalon): Promise<Feed[]> {
  const rows = await trx.selectFrom('calendar_feed').selectAll().where('revoked_at', 'is', null).orderBy('made_at').execute();
  return rows.map((r) => ({
    feedId: r.feed_id,
    staffId: r.staff_id,
    madeAt: r.made_at.toISOString(),
    readAt: r.read_at?.toISOString() ?? null,
  }));
}

/** `/api/feed/:secret/visits.ics`: read by a calendar program, without a sign-in. The secret is what guards it, so it is never logged. */
export function readFeedRoute(db: Database, clock: () => Date): Router {
  const router = Router();
  router.get('/:secret/visits.ics', triesLimit(), async (request, response) => {
    const secret = String(request.params['secret']);
    const unknown = new ProblemError('not_found', saying('problem.link_unknown', {}));
    if (!/^[\w-]{43}$/.test(secret)) throw unknown;
    const { rows } = await sql<{ salon_id: string; feed_id: string }>`select * from find_calendar_feed(${hashOf(secret)})`.execute(
      db.kysely,
    );
    const [found] = rows;
    if (!found) throw unknown;
    const text = await db.inSalon(found.salon_id, (trx) => calendarOf(trx, found.feed_id, clock()));
    if (text === undefined) throw unknown;
    asCalendar('visits.ics')(response, text);
  });
  return router;
}

async function calendarOf(trx: InSalon, feedId: string, now: Date): Promise<string | undefined> {
  const salon = await salonOf(trx);
  const feed = await trx.selectFrom('calendar_feed').select('staff_id').where('feed_id', '=', feedId).executeTakeFirst();
  if (!salon || !feed) return undefined;
  await trx.updateTable('calendar_feed').set({ read_at: now.toISOString() }).where('feed_id', '=', feedId).execute();
  const today = dayOf(now, salon.timeZone);
  const { visits, people } = await readBook(trx, { from: addDays(today, -DAYS_BACK), to: addDays(today, DAYS_AHEAD) }, salon.timeZone);
  const names = new Map(people.map((p) => [p.staffId, p.name]));
  return bookCalendar(
    visits
      .filter((v) => feed.staff_id === null || v.groomerId === feed.staff_id)
      .map((v) => ({
        visitId: v.visitId,
        dogName: v.dog,
        start: new Date(v.arrivesAt),
        minutes: v.minutes,
        groomer: names.get(v.groomerId) ?? '',
        isOff: v.phase === 'off',
      })),
    salon,
    now,
  );
}
