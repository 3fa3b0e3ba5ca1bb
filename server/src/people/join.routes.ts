import { Router, type Request } from 'express';
import { CHOSEN_PASSWORD, type JoinView } from '@mansuet/core/contract';
import { saying } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';
import { triesLimit } from '../sign-in/tries-limit.js';
import { choosePassword, findJoinLink, viewJoinLink } from './join-links.js';

/** `/api/join/:secret`: somebody chooses a password, without a sign-in. The secret is what guards it, so it is never logged. */
export function joinRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  router.use(triesLimit());
  const open = async (request: Request): Promise<{ salonId: string; linkId: string }> => {
    const secret = request.params['secret'];
    const found = typeof secret === 'string' ? await findJoinLink(db, secret) : undefined;
    if (!found) throw new ProblemError('not_found', saying('problem.link_unknown', {}));
    return found;
  };
  router.get('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    const { salonName, name, login } = valueOf(await db.inSalon(salonId, (trx) => viewJoinLink(trx, linkId, clock())));
    response.json({ salonName, name, login } satisfies JoinView);
  });
  router.post('/:secret', async (request, response) => {
    const { salonId, linkId } = await open(request);
    const { password } = CHOSEN_PASSWORD.parse(request.body);
    valueOf(await db.inSalon(salonId, (trx) => choosePassword(trx, linkId, password, clock())));
    response.status(204).end();
  });
  return router;
}
