import { Router } from 'express';
import { may } from '@mansuet/core/access';
import type { Staff } from '@mansuet/core/contract';
import { NEW_GRANT_FORM } from '@mansuet/core/contract';
import { done } from '@mansuet/core/words';
import { asMade } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { listGrants, makeGrant, revokeGrant } from './grants.repository.js';

/** `/api/grants`: which devices may send entries in whose name. */
export function grantRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.post(
    '/grants',
    route('record', NEW_GRANT_FORM, async ({ trx, input, now, ...who }) => done(await makeGrant(trx, who, input.device, now)), {
      answer: asMade,
    }),
  );
  router.get(
    '/grants',
    route('read', NOTHING, async ({ trx, staff }) => done({ grants: await listGrants(trx, whoseOf(staff)) })),
  );
  router.delete(
    '/grants/:grantId',
    route('read', NOTHING, ({ trx, staff, now, id }) => revokeGrant(trx, id('grantId'), whoseOf(staff), now)),
  );
  return router;
}

/** Whose rights a person sees and takes back: everybody's, or their own. */
const whoseOf = (staff: Staff): string | undefined => (may(staff.role, 'manage_staff') ? undefined : staff.staffId);
