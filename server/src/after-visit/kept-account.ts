import { TOLD_ACCOUNT, type AfterVisit, type ToldAccount } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import type { InSalon } from '../database/database.js';
import { zoneOf } from '../sign-in/sign-in.repository.js';

export interface KeptAccount {
  readonly told: ToldAccount;
  readonly version: number;
  readonly madeAt: string;
  readonly changedBy: NonNullable<AfterVisit['account']>['changedBy'];
  /** Day of the visit where the salon is. */
  readonly on: string;
}

/** The latest account of a visit that was closed; `undefined` while it is open. */
export async function readKeptAccount(trx: InSalon, visitId: string): Promise<KeptAccount | undefined> {
  const row = await trx
    .selectFrom('visit_account')
    .innerJoin('visit', 'visit.visit_id', 'visit_account.visit_id')
    .select(['told', 'version', 'made_at', 'changed_by', 'arrives_at', 'phase'])
    .where('visit_account.visit_id', '=', visitId)
    .orderBy('version', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (!row || row.phase !== 'gone') return undefined;
  return {
    told: TOLD_ACCOUNT.parse(row.told),
    version: row.version,
    madeAt: row.made_at.toISOString(),
    changedBy: row.changed_by,
    on: dayOf(row.arrives_at, await zoneOf(trx)),
  };
}
