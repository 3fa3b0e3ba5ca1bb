import { Router } from 'express';
import * as z from 'zod';
import { type AfterVisit, type NewLink, SEND_ACCOUNT, type ToldAccount } from '@mansuet/core/contract';
import { day, inFormats, say } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import { replay } from '@mansuet/core/visit';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import { keepMessage, readMessages } from '../messages/messages.repository.js';
import { makeLink } from '../owner-links/owner-links.repository.js';
import { nextCalendar } from '../papers/calendar.js';
import { accountPdf } from '../papers/papers.js';
import { asCalendar, asMade, asPdf } from '../route/answers.js';
import type { Ask } from '../route/ask.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { readVisit } from '../visits/visits.repository.js';
import { accountNow } from './keep-after.js';
import { readKeptAccount } from './kept-account.js';
import { readDue } from './due.js';
import { keptPage } from './kept-page.js';
import { nextBooked } from './next-booked.js';

export interface AfterParts extends RouteParts {
  /** Sends what was kept, now that it is stored. */
  readonly send: (salonId: string, messageId: string) => Promise<void>;
}

/** What comes after a visit: its account and who it was sent to, the next one as a calendar, what is due. */
export function afterVisitRoutes(parts: AfterParts): Router {
  const router = Router();
  const route = routesOf(parts);

  router.get(
    '/visits/:visitId/after',
    route('read', NOTHING, async ({ trx, id }): Promise<Outcome<AfterVisit>> => {
      const kept = await readKeptAccount(trx, id('visitId'));
      const account = kept ? { told: kept.told, version: kept.version, madeAt: kept.madeAt, changedBy: kept.changedBy } : null;
      return done({ account, messages: await readMessages(trx, id('visitId')) });
    }),
  );
  router.get('/visits/:visitId/account.pdf', route('read', NOTHING, accountPage, { answer: asPdf('visit.pdf') }));
  router.get('/visits/:visitId/next-visit.ics', route('read', NOTHING, calendarOf, { answer: asCalendar('next-visit.ics') }));
  router.post(
    '/visits/:visitId/account/sent',
    route(
      'plan',
      SEND_ACCOUNT,
      async (ask): Promise<Outcome<NewLink>> => {
        const visitId = ask.id('visitId');
        const { way, toName, to } = ask.input;
        if (way === 'mail' && !z.email().safeParse(to).success) return refusedField('to', saying('form.not_an_email', {}));
        if (way === 'text' && to.replace(/\D/g, '').length < 4) return refusedField('to', saying('form.number_missing', {}));
        const kept = await readKeptAccount(ask.trx, visitId);
        const dog = await ask.trx
          .selectFrom('visit')
          .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
          .select('dog.name')
          .where('visit_id', '=', visitId)
          .executeTakeFirst();
        if (!kept || !dog) return refused('conflict', saying('problem.not_handed_back', {}));
        const made = await makeLink(
          ask.trx,
          ask.salonId,
          { kind: 'account', visitId, madeBy: ask.staffId, toName, phone: to, asked: { version: kept.version } },
          ask.now,
        );
        const url = `${ask.publicUrl}/o/${made.secret}`;
        const text = `${ask.salon.name}: how the visit of ${dog.name} went, ${day(inFormats(ENGLISH, ask.salon.formats), kept.on)}: ${url} The link works for 30 days.`;
        if (way !== 'link') {
          const message = await keepMessage(
            ask.trx,
            ask.salonId,
            {
              channel: way === 'mail' ? 'mail' : 'text',
              to: toName,
              phone: to,
              subject: `${dog.name}: the visit of ${day(inFormats(ENGLISH, ask.salon.formats), kept.on)}`,
              text: way === 'mail' ? `${told(kept.told)}\n\n${text}\n` : text,
              visitId,
            },
            ask.now,
          );
          ask.afterCommit(() => parts.send(ask.salonId, message.messageId));
        }
        return done({ linkId: made.linkId, url, expiresAt: made.expiresAt.toISOString(), message: text });
      },
      { answer: asMade },
    ),
  );
  router.get(
    '/due',
    route('read', NOTHING, async ({ trx, salon, today }) =>
      done({ due: await readDue(trx, today, (s) => say(inFormats(ENGLISH, salon.formats), s)) }),
    ),
  );
  return router;
}

const told = ({ lines }: ToldAccount): string =>
  lines
    .filter((l) => l.as !== 'left_out')
    .map((l) => l.text)
    .join('\n');

/** As it was told when the visit was closed; before that as it would be told now. */
async function accountPage({ trx, id }: Ask<undefined>): Promise<Outcome<Buffer>> {
  const kept = await keptPage(trx, id('visitId'));
  if (kept) return done(kept);
  const visit = await readVisit(trx, id('visitId'));
  if (!visit) return refused('not_found');
  const state = replay(visit.visitId, visit.events);
  const now = await accountNow(trx, state, visit.file.dogId);
  return now && state.day !== undefined
    ? done(await accountPdf(now, { salon: visit.salon, file: visit.file, on: state.day }))
    : refused('not_found');
}

async function calendarOf({ trx, salon, now, id }: Ask<undefined>): Promise<Outcome<string>> {
  const next = await nextBooked(trx, id('visitId'));
  return next ? done(nextCalendar(next, salon, now)) : refused('not_found', saying('problem.no_next_visit', {}));
}
