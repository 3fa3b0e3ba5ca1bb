import { Router } from 'express';
import { may } from '@mansuet/core/access';
import { NEW_GRANT_FORM } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { ProblemError } from '../problems/problem-error.js';
import { readId } from '../problems/read-id.js';
import { requireAction } from '../sign-in/require-session.js';
import { listGrants, makeGrant, revokeGrant } from './grants.repository.js';

/** `/api/grants`: which devices may send entries in whose name. */
export function grantRoutes(db: Database, clock: () => Date): Router {
  const router = Router();

  router.post('/grants', async (request, response) => {
    const who = await requireAction(db, request, 'record');
    const { device } = NEW_GRANT_FORM.parse(request.body);
    response.status(201).json(await db.inSalon(who.salonId, (trx) => makeGrant(trx, who, device, clock())));
  });

  router.get('/grants', async (request, response) => {
    const { salonId, staff } = await requireAction(db, request, 'read');
    const all = may(staff.role, 'manage_staff');
    response.json({ grants: await db.inSalon(salonId, (trx) => listGrants(trx, all ? undefined : staff.staffId)) });
  });

  router.delete('/grants/:grantId', async (request, response) => {
    const { salonId, staff } = await requireAction(db, request, 'read');
    const all = may(staff.role, 'manage_staff');
    const grantId = readId(request.params.grantId);
    const gone = await db.inSalon(salonId, (trx) => revokeGrant(trx, grantId, all ? undefined : staff.staffId, clock()));
    if (!gone) throw new ProblemError('not_found');
    response.status(204).end();
  });
  return router;
}
