import { Router } from 'express';
import { BLADES_OWNED_CHANGE, HOUSE_RULE_CHANGE } from '@mansuet/core/contract';
import { done } from '@mansuet/core/words';
import { type RouteParts, routesOf } from '../route/route.js';
import { answerHouseRule, ownBlades } from './house-rules.repository.js';

/** `PUT /api/house-rules`: one question answered anew, by the lead; `/blades`: which blades lie in the drawer. Answers what holds then. */
export function houseRuleRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.put(
    '/house-rules',
    route('house_rules', HOUSE_RULE_CHANGE, ({ trx, input }) => answerHouseRule(trx, input)),
  );
  router.put(
    '/house-rules/blades',
    route('house_rules', BLADES_OWNED_CHANGE, async ({ trx, input }) => done(await ownBlades(trx, input.blades))),
  );
  return router;
}
