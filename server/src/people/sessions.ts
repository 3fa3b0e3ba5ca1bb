import { createHash } from 'node:crypto';
import type { OpenSession } from '@mansuet/core/contract';
import { done, type Outcome, refused } from '@mansuet/core/words';
import { sql } from 'kysely';
import type { InSalon } from '../database/database.js';

/** What a session is called in answers: its id is what the cookie holds, and is told to nobody. */
const keyOf = (sid: string): string => createHash('sha256').update(sid).digest('hex').slice(0, 32);

/** Sessions stand in no salon's table: whose they are is asked for here, salon and person. */
const isOf = (staffId: string) =>
  sql<boolean>`sess -> 'who' ->> 'salonId' = current_setting('mansuet.salon') and sess -> 'who' ->> 'staffId' = ${staffId}`;

const sessionsOf = (trx: InSalon, staffId: string) =>
  trx
    .selectFrom('session')
    .select(['sid', 'sess'])
    .where(isOf(staffId))
    .where('expire', '>', sql<Date>`now()`);

/** Where somebody is signed in, the latest first. @param here the id of the session that asks */
export async function readSessions(trx: InSalon, staffId: string, here: string): Promise<OpenSession[]> {
  const rows = await sessionsOf(trx, staffId).execute();
  return rows
    .map(({ sid, sess }) => ({
      key: keyOf(sid),
      agent: typeof sess['agent'] === 'string' ? sess['agent'] : '',
      since: moment(sess['begunMs']),
      used: moment(sess['renewedMs']),
      here: sid === here,
    }))
    .sort((a, b) => (b.used ?? '').localeCompare(a.used ?? ''));
}
const moment = (ms: unknown): string | null => (typeof ms === 'number' ? new Date(ms).toISOString() : null);

/** Ends one session of somebody. */
export async function endSession(trx: InSalon, staffId: string, key: string): Promise<Outcome<undefined>> {
  const found = (await sessionsOf(trx, staffId).execute()).find(({ sid }) => keyOf(sid) === key);
  if (!found) return refused('not_found');
  await trx.deleteFrom('session').where('sid', '=', found.sid).execute();
  return done(undefined);
}

/** Ends all sessions of somebody. @param but the one that stays */
export async function endSessions(trx: InSalon, staffId: string, but = ''): Promise<void> {
  await trx.deleteFrom('session').where(isOf(staffId)).where('sid', '!=', but).execute();
}
