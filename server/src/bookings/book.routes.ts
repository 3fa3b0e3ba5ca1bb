import { Router } from 'express';
import { may } from '@mansuet/core/access';
import { BOOK_ASKED, TELL_LATER } from '@mansuet/core/contract';
import { addDays } from '@mansuet/core/days';
import { inFormats, say } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import { done, refused, refusedField, saying } from '@mansuet/core/words';
import { keepMessage } from '../messages/messages.repository.js';
import { asMade } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { readBook, readOverdue } from './book.js';

export interface BookParts extends RouteParts {
  readonly send: (salonId: string, messageId: string) => Promise<void>;
}

/** So much of the book is read at once, days. */
const AT_MOST_DAYS = 42;

/** The book: what is booked between two days, who is overdue, and a word to an owner that it will be later. */
export function bookRoutes(parts: BookParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/book',
    route('read', BOOK_ASKED, async ({ trx, salon, staff, staffId, input }) =>
      input.to < input.from || input.to > addDays(input.from, AT_MOST_DAYS)
        ? refusedField('to', saying('form.not_this', {}))
        : done(await readBook(trx, input, salon.timeZone, (id) => id === staffId || may(staff.role, 'manage_staff'))),
    ),
  );
  router.get(
    '/overdue',
    route('read', NOTHING, async ({ trx, salon, now, today }) =>
      done({ dogs: await readOverdue(trx, now, today, salon.timeZone, (s) => say(inFormats(ENGLISH, salon.formats), s)) }),
    ),
  );
  router.post(
    '/visits/:visitId/told-later',
    route(
      'book',
      TELL_LATER,
      async ({ trx, salonId, id, input, now, afterCommit }) => {
        const owner = await trx
          .selectFrom('visit')
          .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
          .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
          .select(['owner.name', 'owner.phone'])
          .where('visit_id', '=', id('visitId'))
          .executeTakeFirst();
        if (!owner) return refused('not_found');
        if (owner.phone.replace(/\D/g, '').length < SHORTEST_NUMBER) return refusedField('text', saying('form.number_missing', {}));
        const message = await keepMessage(
          trx,
          salonId,
          { to: owner.name, phone: owner.phone, text: input.text, visitId: id('visitId') },
          now,
        );
        afterCommit(() => parts.send(salonId, message.messageId));
        return done(message);
      },
      { answer: asMade },
    ),
  );
  return router;
}
const SHORTEST_NUMBER = 4;
