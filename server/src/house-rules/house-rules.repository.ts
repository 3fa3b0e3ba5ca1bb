import { sql } from 'kysely';
import { type BladesOwned, HOUSE_RULES, type HouseRuleChange } from '@mansuet/core/contract';
import { done, type HouseRules, type Outcome, refused, saying } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';

/** Stores which blades lie in the drawer. */
export async function ownBlades(trx: InSalon, blades: BladesOwned): Promise<BladesOwned> {
  const stored = await trx.updateTable('salon').set({ blades_owned: blades }).returning('blades_owned').executeTakeFirstOrThrow();
  return stored.blades_owned;
}

/** Stores one answer, unless the question was answered otherwise since it was read. */
export async function answerHouseRule(trx: InSalon, change: HouseRuleChange): Promise<Outcome<HouseRules>> {
  const row = await trx.selectFrom('salon').select('house_rules').forUpdate().executeTakeFirstOrThrow();
  if (HOUSE_RULES.parse(row.house_rules)[change.question] !== change.was)
    return refused('conflict', saying('problem.answered_meanwhile', { question: change.question }));
  const stored = await trx
    .updateTable('salon')
    .set({ house_rules: sql`house_rules || jsonb_build_object(${change.question}::text, ${change.choice}::text)` })
    .returning('house_rules')
    .executeTakeFirstOrThrow();
  return done(HOUSE_RULES.parse(stored.house_rules));
}
