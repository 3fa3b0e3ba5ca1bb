import { Router } from 'express';
import { BLADES_OWNED_CHANGE, HOUSE_RULE_CHANGE } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { requireAction, requireCsrf } from '../sign-in/require-session.js';
import { answerHouseRule, ownBlades } from './house-rules.repository.js';
import { valueOf } from '../problems/problem-error.js';

/** `PUT /api/house-rules`: one question answered anew, by the lead; `/blades`: which blades lie in the drawer. Answers what holds then. */
export function houseRuleRoutes(db: Database): Router {
  const router = Router();
  router.put('/house-rules', requireCsrf, async (request, response) => {
    const { salonId } = await requireAction(db, request, 'house_rules');
    const change = HOUSE_RULE_CHANGE.parse(request.body);
    response.json(valueOf(await db.inSalon(salonId, (trx) => answerHouseRule(trx, change))));
  });
  router.put('/house-rules/blades', requireCsrf, async (request, response) => {
    const { salonId } = await requireAction(db, request, 'house_rules');
    const { blades } = BLADES_OWNED_CHANGE.parse(request.body);
    response.json(await db.inSalon(salonId, (trx) => ownBlades(trx, blades)));
  });
  return router;
}
