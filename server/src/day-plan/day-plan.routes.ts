import { Router } from 'express';
import { DAY_PLAN_ASKED, DAY_PLAN_FORM, type DayPlanForm, type KeptDayPlan } from '@mansuet/core/contract';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import { CHANNEL } from '../live/notices.js';
import { type RouteParts, routesOf } from '../route/route.js';
import { sql } from 'kysely';

/** `/api/day-plan`: the plan of a day as the lead has taken it. */
export function dayPlanRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);
  router.get(
    '/day-plan',
    route('read', DAY_PLAN_ASKED, async ({ trx, input }) => done({ kept: await readDayPlan(trx, input.day) })),
  );
  router.put(
    '/day-plan',
    route('plan_day', DAY_PLAN_FORM, ({ trx, salonId, staffId, input, now }) => keepDayPlan(trx, { salonId, staffId }, input, now)),
  );
  return router;
}

async function readDayPlan(trx: InSalon, day: string): Promise<KeptDayPlan | null> {
  const row = await trx.selectFrom('day_plan').selectAll().where('day', '=', day).executeTakeFirst();
  return row ? { ...row.plan, version: row.version, madeAt: row.made_at.toISOString(), madeBy: row.made_by } : null;
}

/** Takes a plan, unless somebody has taken another one since it was read, or it has a dog or somebody who is not of this salon. */
async function keepDayPlan(
  trx: InSalon,
  who: { readonly salonId: string; readonly staffId: string },
  { day, version, ...plan }: DayPlanForm,
  now: Date,
): Promise<Outcome<{ kept: KeptDayPlan | null }>> {
  const stranger = await strangerIn(trx, plan);
  if (stranger) return stranger;
  const before = await readDayPlan(trx, day);
  const row = { plan: JSON.stringify(plan), made_at: now.toISOString(), made_by: who.staffId, version: version + 1 };
  const stored =
    version === 0
      ? await trx
          .insertInto('day_plan')
          .values({ salon_id: who.salonId, day, ...row })
          .onConflict((c) => c.columns(['salon_id', 'day']).doNothing())
          .executeTakeFirst()
      : undefined;
  const changed =
    version === 0
      ? undefined
      : await trx.updateTable('day_plan').set(row).where('day', '=', day).where('version', '=', version).executeTakeFirst();
  if ((stored?.numInsertedOrUpdatedRows ?? changed?.numUpdatedRows ?? 0n) === 0n)
    return refused('conflict', saying('problem.changed_meanwhile', {}));
  const [first] = [...plan.schedule.stretches, ...(before?.schedule.stretches ?? [])];
  // Other screens look again: a notice of a visit makes them.
  if (first) await sql`select pg_notify(${CHANNEL}, ${`${who.salonId} ${first.dog}`})`.execute(trx);
  return done({ kept: await readDayPlan(trx, day) });
}

async function strangerIn(trx: InSalon, { schedule, put }: Pick<DayPlanForm, 'schedule' | 'put'>): Promise<Outcome<never> | undefined> {
  const visits = [...new Set([...schedule.stretches.map((s) => s.dog), ...put.map((p) => p.visitId)])];
  const people = [
    ...new Set(
      [
        ...schedule.stretches.flatMap((s) => [s.person, s.helper]),
        ...schedule.breaks.map((b) => b.person),
        ...put.map((p) => p.person),
      ].filter((p) => p !== undefined),
    ),
  ];
  const known = visits.length === 0 ? [] : await trx.selectFrom('visit').select('visit_id').where('visit_id', 'in', visits).execute();
  if (known.length < visits.length) return refusedField('schedule', saying('form.other_visit', {}));
  const staff = people.length === 0 ? [] : await trx.selectFrom('staff').select('staff_id').where('staff_id', 'in', people).execute();
  return staff.length < people.length ? refusedField('schedule', saying('form.nobody_here', {})) : undefined;
}
