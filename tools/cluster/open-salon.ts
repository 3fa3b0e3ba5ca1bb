import { hash } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import { Plain } from '../place.js';
import { withClient } from '../postgres.js';

export interface NewSalon {
  readonly name: string;
  readonly timeZone: string;
  /** Its lead, who adds everybody else. */
  readonly lead: { readonly name: string; readonly login: string; readonly password: string };
}

const SHORTEST = 10;
const UNIQUE = '23505';

/**
 * Opens one more salon in a cell. The first of a database is founded by whoever comes there first; more of them only by who looks after the cell.
 * @param adminUrl the cell, as a role that sees every salon
 * @throws Plain for a password that is short, a place that is none, and a sign-in name that somebody has in this cell
 */
export async function openSalon(
  adminUrl: string,
  { name, timeZone, lead }: NewSalon,
): Promise<{ readonly salonId: string; readonly staffId: string }> {
  if (lead.password.length < SHORTEST) throw new Plain(`The password of the lead is short: ${SHORTEST} letters or more.`);
  if (!Intl.supportedValuesOf('timeZone').includes(timeZone) && timeZone !== 'UTC')
    throw new Plain(`“${timeZone}” is no place of a clock, such as Pacific/Auckland.`);
  const [salonId, staffId, passwordHash] = [randomUUID(), randomUUID(), await hash(lead.password)];
  await withClient(adminUrl, async (c) => {
    await c.query('begin');
    await c.query('insert into salon (salon_id, name, time_zone) values ($1, $2, $3)', [salonId, name, timeZone]);
    await c.query(
      `insert into staff (salon_id, staff_id, name, login, password_hash, role, trained) values ($1, $2, $3, $4, $5, 'lead', true)`,
      [salonId, staffId, lead.name, lead.login, passwordHash],
    );
    await c.query('commit');
  }).catch((error: unknown) => {
    if (error instanceof Error && Reflect.get(error, 'code') === UNIQUE)
      throw new Plain(`Somebody in this cell signs in as “${lead.login}”: choose another name.`);
    throw error;
  });
  return { salonId, staffId };
}
