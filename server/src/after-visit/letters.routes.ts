import { Router } from 'express';
import * as z from 'zod';
import { LETTER } from '@mansuet/core/contract';
import { incidentReport, type LetterFacts, vetLetter } from '@mansuet/core/letters';
import { ENGLISH } from '@mansuet/core/locales/en';
import { replay } from '@mansuet/core/visit';
import { done, type Outcome, refused } from '@mansuet/core/words';
import { letterPdf } from '../papers/papers.js';
import { asPdf } from '../route/answers.js';
import type { Ask } from '../route/ask.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { readVisit } from '../visits/visits.repository.js';

const OF_INCIDENT = z.object({ incident: z.uuid() });

/** The letter for a vet and the report of an incident, as pages and as data. */
export function letterRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
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
  return router;
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
