import type { Response } from 'express';
import { replay } from '@mansuet/core/visit';
import { saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { readVisit } from '../visits/visits.repository.js';
import { agreementPdf } from './agreement-pdf.js';
import { ProblemError } from '../problems/problem-error.js';

/** The PDF copy of a visit's agreement. @throws ProblemError `not_found` before anything was answered */
export async function readCopy(trx: InSalon, visitId: string): Promise<Buffer> {
  const visit = await readVisit(trx, visitId);
  const state = visit && replay(visitId, visit.events);
  if (!visit || !state || state.consents.size === 0) throw new ProblemError('not_found', saying('problem.nothing_answered', {}));
  return agreementPdf({ salon: visit.salon, file: visit.file, state });
}

export function sendPdf(response: Response, pdf: Buffer): void {
  response.type('application/pdf').set('content-disposition', 'inline; filename="agreement.pdf"').send(pdf);
}
