import { Router, type Request } from 'express';
import { hash, verify } from '@node-rs/argon2';
import * as z from 'zod';
import { may } from '@mansuet/core/access';
import { INVITATION, OWN_HANDS_FORM, PASSWORD_CHANGE, PERSON_FORM } from '@mansuet/core/contract';
import { done, type Outcome, refusedField, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { asMade } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { triesLimit } from '../sign-in/tries-limit.js';
import { makeJoinLink } from './join-links.js';
import { changePerson, comeBack, invite, leave, readPeople, sayOwnHands } from './people.repository.js';
import { endSession, endSessions, readSessions } from './sessions.js';

/** The session that asks, beside what it sends. */
const OF_SESSION = z.object({ sid: z.string() });
const withSession = {
  input: (request: Request) => Promise.resolve({ sid: request.sessionID, sent: request.body as unknown }),
};

/** `/api/people`: the lead's; `/api/me`, `/api/sessions`: everybody's own. */
export function peopleRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/people',
    route('manage_staff', NOTHING, async ({ trx, now }) => done({ people: await readPeople(trx, now) })),
  );
  router.post(
    '/people',
    route(
      'manage_staff',
      INVITATION,
      async ({ trx, salonId, input, now, publicUrl }) => {
        const made = await invite(trx, salonId, input);
        return made.ok ? makeJoinLink(trx, { salonId, staffId: made.value }, publicUrl, now) : made;
      },
      { answer: asMade },
    ),
  );
  router.put(
    '/people/:staffId',
    route('manage_staff', PERSON_FORM, ({ trx, id, input }) => changePerson(trx, id('staffId'), input)),
  );
  router.post(
    '/people/:staffId/leave',
    route('manage_staff', NOTHING, ({ trx, id, now }) => leave(trx, id('staffId'), now)),
  );
  router.post(
    '/people/:staffId/come-back',
    route('manage_staff', NOTHING, ({ trx, id }) => comeBack(trx, id('staffId'))),
  );
  router.post(
    '/people/:staffId/password-link',
    route(
      'manage_staff',
      NOTHING,
      ({ trx, salonId, id, now, publicUrl }) => makeJoinLink(trx, { salonId, staffId: id('staffId') }, publicUrl, now),
      { answer: asMade },
    ),
  );
  router.get(
    '/me',
    route('read', NOTHING, async ({ trx, staffId, now }) => done({ people: await readPeople(trx, now, staffId) })),
  );
  router.put(
    '/me/hands',
    route('read', OWN_HANDS_FORM, ({ trx, staffId, input }) => sayOwnHands(trx, staffId, input)),
  );
  router.put(
    '/me/password',
    triesLimit(),
    route(
      'read',
      OF_SESSION.extend({ sent: PASSWORD_CHANGE }),
      ({ trx, staffId, input }) => changePassword(trx, staffId, input.sent, input.sid),
      withSession,
    ),
  );
  router.get(
    '/sessions',
    route(
      'read',
      OF_SESSION,
      async ({ trx, staffId, input }) => done({ sessions: await readSessions(trx, staffId, input.sid) }),
      withSession,
    ),
  );
  router.get(
    '/people/:staffId/sessions',
    route(
      'manage_staff',
      OF_SESSION,
      async ({ trx, id, input }) => done({ sessions: await readSessions(trx, id('staffId'), input.sid) }),
      withSession,
    ),
  );
  router.post(
    '/sessions/end',
    route('read', z.strictObject({ key: z.string(), staffId: z.uuid().optional() }), ({ trx, staff, staffId, input }) =>
      // Somebody else's are the lead's to end.
      endSession(trx, may(staff.role, 'manage_staff') ? (input.staffId ?? staffId) : staffId, input.key),
    ),
  );
  return router;
}

/** A new password; all other places where this person is signed in are over. */
async function changePassword(
  trx: InSalon,
  staffId: string,
  { old, password }: z.infer<typeof PASSWORD_CHANGE>,
  here: string,
): Promise<Outcome<undefined>> {
  const row = await trx.selectFrom('staff').select('password_hash').where('staff_id', '=', staffId).executeTakeFirst();
  if (!row || !(await verify(row.password_hash, old))) return refusedField('old', saying('form.password_wrong', {}));
  await trx
    .updateTable('staff')
    .set({ password_hash: await hash(password) })
    .where('staff_id', '=', staffId)
    .execute();
  await endSessions(trx, staffId, here);
  return done(undefined);
}
