import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import { type InvitationForm, NO_LIMITS, type OwnHandsForm, PERSON, type Person, type PersonForm } from '@mansuet/core/contract';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { endSessions } from './sessions.js';

const gone = (): Outcome<never> => refused('not_found');

/** The people of a salon, those who left last. @param staffId one of them only */
export async function readPeople(trx: InSalon, now: Date, staffId?: string): Promise<Person[]> {
  const all = trx
    .selectFrom('staff')
    .select(['staff_id', 'name', 'login', 'role', 'trained', 'version', 'week', 'breaks', 'off', 'limits', 'hands', 'joined_at', 'left_at'])
    .select(({ selectFrom }) =>
      selectFrom('visit')
        .select(({ fn }) => fn.countAll<string>().as('n'))
        .whereRef('visit.salon_id', '=', 'staff.salon_id')
        .whereRef('visit.groomer_id', '=', 'staff.staff_id')
        .where('visit.phase', '=', 'know')
        .where('visit.arrives_at', '>', now)
        .as('ahead'),
    )
    .orderBy(sql`left_at is not null`)
    .orderBy('name');
  const rows = await (staffId === undefined ? all : all.where('staff_id', '=', staffId)).execute();
  return rows.map((r) =>
    PERSON.parse({
      staffId: r.staff_id,
      name: r.name,
      login: r.login,
      role: r.role,
      trained: r.trained,
      version: r.version,
      week: r.week,
      breaks: r.breaks,
      off: r.off,
      limits: r.limits ?? NO_LIMITS,
      hands: r.hands ?? undefined,
      hasJoined: r.joined_at !== null,
      leftAt: r.left_at?.toISOString() ?? null,
      visitsAhead: Number(r.ahead ?? 0),
    }),
  );
}

/** Somebody new, who chooses a password by a link. @returns the id */
export async function invite(trx: InSalon, salonId: string, form: InvitationForm): Promise<Outcome<string>> {
  const { rows } = await sql<{ taken: boolean }>`select login_taken(${form.login}) as taken`.execute(trx);
  if (rows[0]?.taken) return refusedField('login', saying('form.sign_in_name_taken', {}));
  const staffId = randomUUID();
  await trx
    .insertInto('staff')
    .values({ salon_id: salonId, staff_id: staffId, ...form, password_hash: await hash(randomUUID()), joined_at: null })
    .execute();
  return done(staffId);
}

/** Changes what is known of somebody. The last lead stays one. */
export async function changePerson(trx: InSalon, staffId: string, form: PersonForm): Promise<Outcome<undefined>> {
  if (form.role !== 'lead' && (await isLastLead(trx, staffId))) return refusedField('role', saying('problem.last_lead', {}));
  const { numUpdatedRows } = await trx
    .updateTable('staff')
    .set({
      name: form.name,
      role: form.role,
      trained: form.trained,
      week: form.week && JSON.stringify(form.week),
      breaks: JSON.stringify(form.breaks),
      off: JSON.stringify(form.off),
      limits: JSON.stringify(form.limits),
      version: sql`version + 1`,
    })
    .where('staff_id', '=', staffId)
    .where('version', '=', form.version)
    .executeTakeFirst();
  if (numUpdatedRows > 0n) return done(undefined);
  const there = await trx.selectFrom('staff').select('staff_id').where('staff_id', '=', staffId).executeTakeFirst();
  return there ? refused('conflict', saying('problem.changed_meanwhile', {})) : gone();
}

/** What somebody says of their own hands: nobody else says it for them. */
export async function sayOwnHands(trx: InSalon, staffId: string, { hands }: OwnHandsForm): Promise<Outcome<undefined>> {
  await trx
    .updateTable('staff')
    .set({ hands: JSON.stringify(hands) })
    .where('staff_id', '=', staffId)
    .execute();
  return done(undefined);
}

/** Somebody leaves: no sign-in, session, device or link of theirs counts any more. All that they did stays, with their name. */
export async function leave(trx: InSalon, staffId: string, now: Date): Promise<Outcome<undefined>> {
  if (await isLastLead(trx, staffId)) return refused('conflict', saying('problem.last_lead', {}));
  const at = now.toISOString();
  const { numUpdatedRows } = await trx
    .updateTable('staff')
    .set({ left_at: at, version: sql`version + 1` })
    .where('staff_id', '=', staffId)
    .where('left_at', 'is', null)
    .executeTakeFirst();
  if (numUpdatedRows === 0n) return gone();
  await trx.updateTable('device_grant').set({ revoked_at: at }).where('staff_id', '=', staffId).where('revoked_at', 'is', null).execute();
  await trx.deleteFrom('staff_link').where('staff_id', '=', staffId).execute();
  await endSessions(trx, staffId);
  return done(undefined);
}

/** Somebody comes back, with their old password. */
export async function comeBack(trx: InSalon, staffId: string): Promise<Outcome<undefined>> {
  const { numUpdatedRows } = await trx
    .updateTable('staff')
    .set({ left_at: null, version: sql`version + 1` })
    .where('staff_id', '=', staffId)
    .where('left_at', 'is not', null)
    .executeTakeFirst();
  return numUpdatedRows > 0n ? done(undefined) : gone();
}

/** Locks the leads, so that two of them cannot step down at the same moment. */
async function isLastLead(trx: InSalon, staffId: string): Promise<boolean> {
  const leads = await trx
    .selectFrom('staff')
    .select('staff_id')
    .where('role', '=', 'lead')
    .where('left_at', 'is', null)
    .where('joined_at', 'is not', null)
    .forUpdate()
    .execute();
  return leads.length === 1 && leads[0]?.staff_id === staffId;
}
