import type { OpeningForm, PostsForm, Salon, SalonForm } from '@mansuet/core/contract';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import { sql, type UpdateObject } from 'kysely';
import type { InSalon } from '../database/database.js';
import type { Tables } from '../database/schema.js';
import { salonOf } from '../sign-in/sign-in.repository.js';

const CHANGED = (): Outcome<never> => refused('conflict', saying('problem.changed_meanwhile', {}));

/** Stores a part of what the salon says of itself, unless somebody has changed it since it was read. @returns the salon as it is then */
async function change(trx: InSalon, version: number, to: UpdateObject<Tables, 'salon'>): Promise<Outcome<Salon>> {
  const { numUpdatedRows } = await trx
    .updateTable('salon')
    .set({ ...to, version: sql`version + 1` })
    .where('version', '=', version)
    .executeTakeFirst();
  if (numUpdatedRows === 0n) return CHANGED();
  const salon = await salonOf(trx);
  return salon ? done(salon) : refused('not_found');
}

export const changeSalon = (trx: InSalon, { version, ...form }: SalonForm): Promise<Outcome<Salon>> =>
  change(trx, version, {
    name: form.name,
    vet_name: form.vetName,
    vet_phone: form.vetPhone,
    currency: form.currency,
    rate_per_minute_minor: form.ratePerMinuteMinor,
    time_zone: form.timeZone,
    formats: JSON.stringify(form.formats),
    hand_limits: JSON.stringify(form.handLimits),
    price_rule: JSON.stringify(form.priceRule),
  });

export const changeOpening = (trx: InSalon, { version, ...opening }: OpeningForm): Promise<Outcome<Salon>> =>
  change(trx, version, { opening: JSON.stringify(opening) });

export async function changePosts(trx: InSalon, { version, posts }: PostsForm): Promise<Outcome<Salon>> {
  const at = posts.findIndex((p, i) => posts.slice(0, i).some((q) => q.name.toLowerCase() === p.name.toLowerCase()));
  if (at >= 0) return refusedField(`posts.${at}.name`, saying('form.two_alike', {}));
  return change(trx, version, { posts: JSON.stringify(posts) });
}
