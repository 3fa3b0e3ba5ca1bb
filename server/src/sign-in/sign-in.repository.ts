import { hash, verify } from '@node-rs/argon2';
import { type Selectable, sql } from 'kysely';
import { type FirstRunForm, HOUSE_RULES, type NewStaffForm, NO_OPENING, type Salon, type Staff } from '@mansuet/core/contract';
import { NO_ZONE, type Zone } from '@mansuet/core/days';
import {
  done,
  HAND_LIMITS,
  type Outcome,
  refused,
  refusedField,
  type Role,
  saying,
  USUAL_FORMATS,
  USUAL_PRICE_RULE,
} from '@mansuet/core/words';
import { randomUUID } from 'node:crypto';
import type { Database, InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';

export interface Who {
  readonly salonId: string;
  readonly staffId: string;
}

/** A hash that no password has, so that an unknown name takes as long to refuse as a wrong password. */
const nobody = hash(randomUUID());

/** Who signs in with this name and password. */
export async function checkPassword(db: Database, login: string, password: string): Promise<Outcome<Who>> {
  const { rows } = await sql<{ salon_id: string; staff_id: string; password_hash: string }>`select * from find_login(${login})`.execute(
    db.kysely,
  );
  const found = rows[0];
  const right = await verify(found?.password_hash ?? (await nobody), password);
  return found && right ? done({ salonId: found.salon_id, staffId: found.staff_id }) : refused('wrong_sign_in');
}

/** Sets the salon for what follows in the transaction, and says who asks there: role and rules as they are now; `undefined` when the person is gone. */
export async function enterSalon(trx: InSalon, who: Who): Promise<{ staff: Staff; salon: Salon } | undefined> {
  const { rows } = await sql<{
    name: string;
    role: Role;
    trained: boolean;
    salon_row: Selectable<Tables['salon']>;
  }>`select * from enter_salon(${who.salonId}, ${who.staffId})`.execute(trx);
  const row = rows[0];
  return (
    row && {
      staff: { staffId: who.staffId, name: row.name, role: row.role, trained: row.trained, left: false },
      salon: salonFrom(row.salon_row),
    }
  );
}

export async function salonOf(trx: InSalon): Promise<Salon | undefined> {
  const row = await trx.selectFrom('salon').selectAll().executeTakeFirst();
  return row && salonFrom(row);
}

function salonFrom(row: Selectable<Tables['salon']>): Salon {
  return {
    salonId: row.salon_id,
    name: row.name,
    vetName: row.vet_name,
    vetPhone: row.vet_phone,
    currency: row.currency,
    ratePerMinuteMinor: row.rate_per_minute_minor,
    house: HOUSE_RULES.parse(row.house_rules),
    bladesOwned: row.blades_owned,
    timeZone: row.time_zone,
    opening: row.opening ?? NO_OPENING,
    posts: row.posts,
    formats: row.formats ?? USUAL_FORMATS,
    handLimits: row.hand_limits ?? HAND_LIMITS,
    priceRule: row.price_rule ?? USUAL_PRICE_RULE,
    version: row.version,
  };
}

/** The place whose clock counts in this salon. */
export async function zoneOf(trx: InSalon): Promise<Zone> {
  return (await trx.selectFrom('salon').select('time_zone').executeTakeFirst())?.time_zone ?? NO_ZONE;
}

export async function staffOf(trx: InSalon): Promise<Staff[]> {
  const rows = await trx.selectFrom('staff').select(['staff_id', 'name', 'role', 'trained', 'left_at']).orderBy('name').execute();
  return rows.map((r) => ({ staffId: r.staff_id, name: r.name, role: r.role, trained: r.trained, left: r.left_at !== null }));
}

export async function hasSalon(db: Database): Promise<boolean> {
  const { rows } = await sql<{ has_salon: boolean }>`select has_salon()`.execute(db.kysely);
  return rows[0]?.has_salon === true;
}

/** Founds the first salon and its lead. */
export async function foundSalon(db: Database, form: FirstRunForm): Promise<Outcome<Who>> {
  const who = { salonId: randomUUID(), staffId: randomUUID() };
  const passwordHash = await hash(form.password);
  const { rows } = await sql<{
    done: boolean;
  }>`select found_salon(${who.salonId}, ${form.salonName}, ${form.vetName}, ${form.vetPhone}, ${who.staffId}, ${form.name}, ${form.login}, ${passwordHash}) as done`.execute(
    db.kysely,
  );
  if (rows[0]?.done)
    await db.inSalon(who.salonId, (trx) =>
      trx.updateTable('salon').set({ time_zone: form.timeZone }).where('salon_id', '=', who.salonId).execute(),
    );
  return rows[0]?.done ? done(who) : refused('conflict', saying('problem.salon_there', {}));
}

/** Adds a member of staff. @returns the id */
export async function addStaff(trx: InSalon, salonId: string, form: NewStaffForm): Promise<Outcome<string>> {
  const staffId = randomUUID();
  const { rows } = await sql<{ taken: boolean }>`select login_taken(${form.login}) as taken`.execute(trx);
  if (rows[0]?.taken) return refusedField('login', saying('form.sign_in_name_taken', {}));
  await trx
    .insertInto('staff')
    .values({
      salon_id: salonId,
      staff_id: staffId,
      name: form.name,
      login: form.login,
      password_hash: await hash(form.password),
      role: form.role,
      trained: form.trained,
    })
    .execute();
  return done(staffId);
}
