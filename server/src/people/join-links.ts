import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import type { JoinLink, JoinView } from '@mansuet/core/contract';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import type { Database, InSalon } from '../database/database.js';
import { endSessions } from './sessions.js';

/** Time to open a mail and choose a password. Our default. */
const VALID_MS = 3 * 24 * 60 * 60_000;
const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();

/**
 * A link by which somebody chooses a password. Older ones count no more, and neither does the password they had, nor where they are signed in:
 * who has forgotten it does not miss it, and who lost it to somebody else is safe at once.
 */
export async function makeJoinLink(
  trx: InSalon,
  { salonId, staffId }: { readonly salonId: string; readonly staffId: string },
  publicUrl: string,
  now: Date,
): Promise<Outcome<JoinLink>> {
  const person = await trx.selectFrom('staff').select(['name', 'left_at']).where('staff_id', '=', staffId).executeTakeFirst();
  if (!person) return refused('not_found');
  if (person.left_at) return refused('conflict', saying('problem.left', { name: person.name }));
  await trx.deleteFrom('staff_link').where('staff_id', '=', staffId).execute();
  await trx
    .updateTable('staff')
    .set({ password_hash: await hash(randomUUID()), joined_at: null })
    .where('staff_id', '=', staffId)
    .execute();
  await endSessions(trx, staffId);
  const secret = randomBytes(32).toString('base64url');
  const expiresAt = new Date(now.getTime() + VALID_MS).toISOString();
  await trx
    .insertInto('staff_link')
    .values({
      salon_id: salonId,
      link_id: randomUUID(),
      staff_id: staffId,
      secret_hash: hashOf(secret),
      made_at: now.toISOString(),
      expires_at: expiresAt,
    })
    .execute();
  return done({ staffId, url: `${publicUrl}/join/${secret}`, expiresAt });
}

/** Which salon and link a secret opens; `undefined` for a guessed or mistyped one. */
export async function findJoinLink(db: Database, secret: string): Promise<{ salonId: string; linkId: string } | undefined> {
  if (!/^[\w-]{43}$/.test(secret)) return undefined;
  const { rows } = await sql<{ salon_id: string; link_id: string }>`select * from find_staff_link(${hashOf(secret)})`.execute(db.kysely);
  return rows[0] && { salonId: rows[0].salon_id, linkId: rows[0].link_id };
}

const linkOf = (trx: InSalon, linkId: string) =>
  trx
    .selectFrom('staff_link')
    .innerJoin('staff', (j) => j.onRef('staff.salon_id', '=', 'staff_link.salon_id').onRef('staff.staff_id', '=', 'staff_link.staff_id'))
    .innerJoin('salon', 'salon.salon_id', 'staff_link.salon_id')
    .select(['staff.staff_id', 'staff.name', 'staff.login', 'salon.name as salon_name', 'expires_at', 'used_at'])
    .where('link_id', '=', linkId)
    .where('left_at', 'is', null);

/** Whom a link is for, while it can be used. */
export async function viewJoinLink(trx: InSalon, linkId: string, now: Date): Promise<Outcome<JoinView & { readonly staffId: string }>> {
  const row = await linkOf(trx, linkId).executeTakeFirst();
  if (!row) return refused('not_found', saying('problem.link_unknown', {}));
  if (row.used_at || row.expires_at <= now) return refused('gone', saying('problem.link_run_out', {}));
  return done({ staffId: row.staff_id, salonName: row.salon_name, name: row.name, login: row.login });
}

/** Takes the password that was chosen. A link is good for one. */
export async function choosePassword(trx: InSalon, linkId: string, password: string, now: Date): Promise<Outcome<undefined>> {
  const at = now.toISOString();
  const used = await trx
    .updateTable('staff_link')
    .set({ used_at: at })
    .where('link_id', '=', linkId)
    .where('used_at', 'is', null)
    .where('expires_at', '>', now)
    .returning('staff_id')
    .executeTakeFirst();
  if (!used) return refused('gone', saying('problem.link_run_out', {}));
  await trx
    .updateTable('staff')
    .set({ password_hash: await hash(password), joined_at: at })
    .where('staff_id', '=', used.staff_id)
    .execute();
  return done(undefined);
}
