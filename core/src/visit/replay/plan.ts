import type { Appliers } from './appliers.js';
/** What was wished and taken. */
export const APPLY_PLAN: Appliers<'plan_wished' | 'plan_accepted' | 'plan_kept'> = {
  plan_wished: (s, { body }) => {
    s.wishes = body.wishes;
    s.way = body.way ?? 'as_asked';
  },
  plan_accepted: (s, { body }) => {
    s.plan = body.plan;
    s.planFrom = s.feelOver;
    s.told = body.told ?? undefined;
  },
  plan_kept: (s, { body }, atMs) => {
    s.plansKept.push({ minutes: body.minutes, why: body.why, atMs });
  },
};
