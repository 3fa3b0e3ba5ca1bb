import { type Kysely, sql } from 'kysely';

const STATEMENTS: readonly string[] = [
  // Nothing said: the product's own.
  `alter table salon add column formats jsonb, add column hand_limits jsonb, add column price_rule jsonb`,
  `alter table staff add column hands jsonb`,
  `alter table owner_link drop constraint owner_link_kind_check,
    add constraint owner_link_kind_check check (kind in ('agreement', 'intake', 'account', 'wish'))`,
  `create index owner_link_wish on owner_link (salon_id, made_at) where kind = 'wish'`,
];

/** How a salon writes numbers and times, what hands do in a day at most, and links by which an owner chooses a time. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
