import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { DeviceGrant, NewGrant } from '@mansuet/core/contract';
import { done, type Outcome, refused } from '@mansuet/core/words';
import type { Database, InSalon } from '../database/database.js';
import type { Who } from '../sign-in/sign-in.repository.js';

const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();

/**
 * A person's right to write from one device, given after a password. Entries that wait there are sent under it, whoever is signed in by then.
 * One that this person had for this device before counts no more.
 */
export async function makeGrant(trx: InSalon, { salonId, staffId }: Who, device: string, now: Date): Promise<NewGrant> {
  await trx
    .updateTable('device_grant')
    .set({ revoked_at: now.toISOString() })
    .where('staff_id', '=', staffId)
    .where('device', '=', device)
    .where('revoked_at', 'is', null)
    .execute();
  const grantId = randomUUID();
  const secret = randomBytes(32).toString('base64url');
  await trx
    .insertInto('device_grant')
    .values({
      salon_id: salonId,
      grant_id: grantId,
      staff_id: staffId,
      device,
      secret_hash: hashOf(secret),
      made_at: now.toISOString(),
    })
    .execute();
  return { grantId, secret };
}

/** Whose right a secret is; `undefined` for one that was guessed or taken back. */
export async function findGrant(db: Database, secret: string): Promise<Who | undefined> {
  if (!/^[\w-]{43}$/.test(secret)) return undefined;
  const { rows } = await sql<{ salon_id: string; staff_id: string }>`select * from find_device_grant(${hashOf(secret)})`.execute(db.kysely);
  const row = rows[0];
  return row && { salonId: row.salon_id, staffId: row.staff_id };
}

/** Rights that count: everybody's, or one person's. */
export async function listGrants(trx: InSalon, staffId: string | undefined): Promise<DeviceGrant[]> {
  const query = trx
    .selectFrom('device_grant')
    .innerJoin('staff', (j) =>
      j.onRef('staff.staff_id', '=', 'device_grant.staff_id').onRef('staff.salon_id', '=', 'device_grant.salon_id'),
    )
    .select(['grant_id', 'device_grant.staff_id', 'staff.name', 'device', 'made_at'])
    .where('revoked_at', 'is', null)
    .orderBy('made_at', 'desc');
  const rows = await (staffId === undefined ? query : query.where('device_grant.staff_id', '=', staffId)).execute();
  return rows.map((r) => ({
    grantId: r.grant_id,
    staffId: r.staff_id,
    name: r.name,
    device: r.device,
    madeAt: r.made_at.toISOString(),
  }));
}

/** @param staffId whose it has to be; anybody's for a lead */
export async function revokeGrant(trx: InSalon, grantId: string, staffId: string | undefined, now: Date): Promise<Outcome<undefined>> {
  const query = trx
    .updateTable('device_grant')
    .set({ revoked_at: now.toISOString() })
    .where('grant_id', '=', grantId)
    .where('revoked_at', 'is', null);
  const { numUpdatedRows } = await (staffId === undefined ? query : query.where('staff_id', '=', staffId)).executeTakeFirst();
  return numUpdatedRows > 0n ? done(undefined) : refused('not_found');
}
