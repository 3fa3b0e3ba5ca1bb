import { Router } from 'express';
import { OPENING_FORM, POSTS_FORM, SALON_FORM } from '@mansuet/core/contract';
import { type RouteParts, routesOf } from '../route/route.js';
import { changeOpening, changePosts, changeSalon } from './salon.repository.js';

/** `PUT /api/salon`, `/opening`, `/posts`: what the lead says of the salon. Answers the salon as it is then. */
export function salonRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.put(
    '/salon',
    route('manage_salon', SALON_FORM, ({ trx, input }) => changeSalon(trx, input)),
  );
  router.put(
    '/salon/opening',
    route('manage_salon', OPENING_FORM, ({ trx, input }) => changeOpening(trx, input)),
  );
  router.put(
    '/salon/posts',
    route('manage_salon', POSTS_FORM, ({ trx, input }) => changePosts(trx, input)),
  );
  return router;
}
