import { sql } from 'kysely';
import { HOUSE_RULES, type HouseRuleChange } from '@mansuet/core/contract';
import type { HouseRules } from '@mansuet/core/knowledge/house-rules';
import type { InSalon } from '../database/database.js';

/** Stores one answer; `undefined` when the question was answered otherwise since it was read. */
export async function answerHouseRule(trx: InSalon, change: HouseRuleChange): Promise<HouseRules | undefined> {
  const row = await trx.selectFrom('salon').select('house_rules').forUpdate().executeTakeFirstOrThrow();
  if (HOUSE_RULES.parse(row.house_rules)[change.question] !== change.was) return undefined;
  const stored = await trx
    .updateTable('salon')
    .set({ house_rules: sql`house_rules || jsonb_build_object(${change.question}::text, ${change.choice}::text)` })
    .returning('house_rules')
    .executeTakeFirstOrThrow();
  return HOUSE_RULES.parse(stored.house_rules);
}
