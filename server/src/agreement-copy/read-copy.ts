import { replay } from '@mansuet/core/visit';
import { done, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { readVisit } from '../visits/visits.repository.js';
import { agreementPdf } from './agreement-pdf.js';

/** The PDF copy of a visit's agreement, once something was answered. */
export async function readCopy(trx: InSalon, visitId: string): Promise<Outcome<Buffer>> {
  const visit = await readVisit(trx, visitId);
  const state = visit && replay(visitId, visit.events);
  if (!visit || !state || state.consents.size === 0) return refused('not_found', saying('problem.nothing_answered', {}));
  return done(await agreementPdf({ salon: visit.salon, file: visit.file, state }));
}
