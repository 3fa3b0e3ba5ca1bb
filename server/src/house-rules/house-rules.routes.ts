import { Router } from 'express';
import { HOUSE_RULE_CHANGE } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { requireAction, requireCsrf } from '../sign-in/require-session.js';
import { answerHouseRule } from './house-rules.repository.js';
import { valueOf } from '../problems/problem-error.js';

/** `PUT /api/house-rules`: one question answered anew, by the lead. Answers the rules as they are then. */
export function houseRuleRoutes(db: Database): Router {
  const router = Router();
  router.put('/house-rules', requireCsrf, async (request, response) => {
    const { salonId } = await requireAction(db, request, 'house_rules');
    const change = HOUSE_RULE_CHANGE.parse(request.body);
    response.json(valueOf(await db.inSalon(salonId, (trx) => answerHouseRule(trx, change))));
  });
  return router;
}
