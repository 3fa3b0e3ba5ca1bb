import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { WAITING_FORM, type WaitingDog } from '@mansuet/core/contract';
import { done, refused, refusedField, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { asMadeId } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';

/** The waiting list: dogs that would come if there were a place. */
export function waitingRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/waiting',
    route('read', NOTHING, async ({ trx, today }) => done({ waiting: await readWaiting(trx, today) })),
  );
  router.post(
    '/waiting',
    route(
      'book',
      WAITING_FORM,
      async ({ trx, salonId, staffId, input, now, today }) => {
        if (input.to < today) return refusedField('to', saying('form.time_out_of_range', {}));
        const dog = await trx.selectFrom('dog').select('dog_id').where('dog_id', '=', input.dogId).executeTakeFirst();
        if (!dog) return refusedField('dogId', saying('form.no_dog_here', {}));
        const wishId = randomUUID();
        const row = { salon_id: salonId, wish_id: wishId, dog_id: input.dogId, note: input.note, made_by: staffId };
        await trx
          .insertInto('waiting_wish')
          .values({ ...row, from_day: input.from, to_day: input.to, made_at: now.toISOString() })
          .execute();
        return done(wishId);
      },
      { answer: asMadeId },
    ),
  );
  router.post(
    '/waiting/:wishId/done',
    route('book', NOTHING, async ({ trx, id, now }) => {
      const { numUpdatedRows } = await trx
        .updateTable('waiting_wish')
        .set({ done_at: now.toISOString() })
        .where('wish_id', '=', id('wishId'))
        .where('done_at', 'is', null)
        .executeTakeFirst();
      return numUpdatedRows > 0n ? done(undefined) : refused('not_found');
    }),
  );
  return router;
}

/** Who waits, and whose days have not gone by; the longest waiting first. */
async function readWaiting(trx: InSalon, today: string): Promise<WaitingDog[]> {
  const rows = await trx
    .selectFrom('waiting_wish')
    .innerJoin('dog', 'dog.dog_id', 'waiting_wish.dog_id')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['wish_id', 'waiting_wish.dog_id', 'dog.name', 'owner.name as owner', 'owner.phone', 'from_day', 'to_day', 'note', 'made_at'])
    .where('done_at', 'is', null)
    .where('to_day', '>=', today)
    .orderBy('made_at')
    .limit(200)
    .execute();
  return rows.map((r) => ({
    wishId: r.wish_id,
    dogId: r.dog_id,
    dog: r.name,
    owner: r.owner,
    phone: r.phone,
    from: r.from_day,
    to: r.to_day,
    note: r.note,
    madeAt: r.made_at.toISOString(),
  }));
}
