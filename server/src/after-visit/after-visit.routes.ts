import { Router } from 'express';
import { sql } from 'kysely';
import * as z from 'zod';
import { type AfterVisit, DAY_ASKED, LETTER, type NewLink, SEND_ACCOUNT, TILL_ASKED, type ToldAccount } from '@mansuet/core/contract';
import { clockOf } from '@mansuet/core/days';
import { incidentReport, type LetterFacts, vetLetter } from '@mansuet/core/letters';
import { day, say } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import { minuteOfDay } from '@mansuet/core/next-visit';
import { replay } from '@mansuet/core/visit';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import { keepMessage, readMessages } from '../messages/messages.repository.js';
import { makeLink } from '../owner-links/owner-links.repository.js';
import { nextCalendar } from '../papers/calendar.js';
import { accountPdf, letterPdf } from '../papers/papers.js';
import { asCalendar, asCsv, asMade, asPdf } from '../route/answers.js';
import type { Ask } from '../route/ask.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { readVisit } from '../visits/visits.repository.js';
import { accountNow } from './keep-after.js';
import { readKeptAccount } from './kept-account.js';
import { readDue } from './due.js';
import { keptPage } from './kept-page.js';
import { nextBooked } from './next-booked.js';
import { readTill, tillCsv } from './till.js';

export interface AfterParts extends RouteParts {
  /** Sends what was kept, now that it is stored. */
  readonly send: (salonId: string, messageId: string) => Promise<void>;
  readonly publicUrl: string;
}

const OF_INCIDENT = z.object({ incident: z.uuid() });

/** What comes after a visit: its account, letters, what is due, the next one, the till. */
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
        const url = `${parts.publicUrl}/o/${made.secret}`;
        const text = `${ask.salon.name}: how the visit of ${dog.name} went, ${day(ENGLISH, kept.on)}: ${url} The link works for 30 days.`;
        if (way !== 'link') {
          const message = await keepMessage(
            ask.trx,
            ask.salonId,
            {
              channel: way === 'mail' ? 'mail' : 'text',
              to: toName,
              phone: to,
              subject: `${dog.name}: the visit of ${day(ENGLISH, kept.on)}`,
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
    '/visits/:visitId/vet-letter.pdf',
    route('read', NOTHING, async (ask) => pageOf(ask, vetLetter), { answer: asPdf('vet-letter.pdf') }),
  );
  router.get(
    '/visits/:visitId/vet-letter.json',
    route('read', NOTHING, async (ask) => letterOf(ask, vetLetter)),
  );
  router.get(
    '/visits/:visitId/incident-report.pdf',
    route('read', OF_INCIDENT, (ask) => pageOf(ask, ofIncident(ask.input.incident)), { answer: asPdf('incident-report.pdf') }),
  );
  router.get(
    '/visits/:visitId/incident-report.json',
    route('read', OF_INCIDENT, (ask) => letterOf(ask, ofIncident(ask.input.incident))),
  );
  router.get(
    '/schemas/letter.json',
    route('read', NOTHING, () => done(z.toJSONSchema(LETTER))),
  );
  router.get(
    '/due',
    route('read', NOTHING, async ({ trx, today }) => done({ due: await readDue(trx, today, (s) => say(ENGLISH, s)) })),
  );
  router.get(
    '/day-taken',
    route('read', DAY_ASKED, async ({ trx, salon, input }) => {
      const midnight = (days: number) => sql<Date>`((${input.on}::date + ${days}::integer)::timestamp at time zone ${salon.timeZone})`;
      const rows = await trx
        .selectFrom('visit')
        .select(['arrives_at', 'visit_id'])
        .select(
          sql<number | null>`(select (e.body -> 'asked' ->> 'sessionMinutes')::float from visit_event e where e.salon_id = visit.salon_id
            and e.visit_id = visit.visit_id and e.type in ('visit_booked', 'asked_changed') order by e.seq desc limit 1)`.as('minutes'),
        )
        .where('groomer_id', '=', input.groomerId)
        .where('arrives_at', '>=', midnight(0))
        .where('arrives_at', '<', midnight(1))
        .execute();
      const taken = rows.map((r) => {
        const from = minuteOfDay(clockOf(r.arrives_at, salon.timeZone));
        return { from, to: from + Number(r.minutes ?? 90) };
      });
      return done({ taken });
    }),
  );
  router.get(
    '/booked-ahead',
    route('read', NOTHING, async ({ trx, now }) => {
      const rows = await trx
        .selectFrom('visit')
        .innerJoin('staff', 'staff.staff_id', 'visit.groomer_id')
        .select(['visit_id', 'dog_id', 'arrives_at', 'staff.name as groomer'])
        .where('phase', '=', 'know')
        .where('arrives_at', '>', now)
        .orderBy('arrives_at')
        .limit(500)
        .execute();
      return done({
        visits: rows.map((r) => ({ visitId: r.visit_id, dogId: r.dog_id, arrivesAt: r.arrives_at.toISOString(), groomer: r.groomer })),
      });
    }),
  );
  router.get(
    '/till',
    route('plan', TILL_ASKED, async ({ trx, input }) => done(await readTill(trx, input.from, input.to))),
  );
  router.get(
    '/till.csv',
    route('plan', TILL_ASKED, async ({ trx, input }) => done(tillCsv(await readTill(trx, input.from, input.to))), {
      answer: asCsv('till.csv'),
    }),
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

type MakeLetter = (facts: LetterFacts) => ReturnType<typeof vetLetter> | undefined;
const ofIncident =
  (incidentId: string): MakeLetter =>
  (facts) => {
    const incident = facts.state.incidents.find((i) => i.incidentId === incidentId);
    return incident && incidentReport(facts, incident);
  };

async function letterOf({ trx, id, today }: Ask<unknown>, make: MakeLetter): Promise<Outcome<ReturnType<typeof vetLetter>>> {
  const visit = await readVisit(trx, id('visitId'));
  if (!visit) return refused('not_found');
  const { file, salon, staff } = visit;
  const letter = make({ state: replay(visit.visitId, visit.events), file, salon, staff, language: ENGLISH, today });
  return letter ? done(LETTER.parse(letter)) : refused('not_found');
}

async function pageOf(ask: Ask<unknown>, make: MakeLetter): Promise<Outcome<Buffer>> {
  const letter = await letterOf(ask, make);
  if (!letter.ok) return letter;
  const visit = await readVisit(ask.trx, ask.id('visitId'));
  return visit ? done(await letterPdf(letter.value, { salon: visit.salon, file: visit.file })) : refused('not_found');
}
