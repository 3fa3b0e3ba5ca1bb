import { toldAccount } from '@mansuet/core/account';
import { type AfterVisit, TOLD_ACCOUNT, type ToldAccount } from '@mansuet/core/contract';
import { followUpsOf } from '@mansuet/core/follow-ups';
import { inFormats, say } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { VisitState } from '@mansuet/core/visit';
import type { InSalon } from '../database/database.js';
import { readDogFile } from '../dogs/read-dog-file.js';
import { salonOf } from '../sign-in/sign-in.repository.js';

/** What was last written of it, so that only what changed is written again. */
export type IsNews = (what: string, value: unknown) => boolean;

/**
 * Writes what is due after a visit and what its owner was told, in the transaction that closes it: all of it or nothing. What comes late makes it anew,
 * as a version that says so; what was told before stays.
 */
export async function keepAfter(trx: InSalon, salonId: string, state: VisitState, dogId: string, isNews: IsNews): Promise<void> {
  const due = followUpsOf(state);
  if (isNews('follow_up', [due, [...state.followUpsDone]])) {
    await trx.deleteFrom('follow_up').where('visit_id', '=', state.visitId).execute();
    const rows = due.map((f) => {
      const done = state.followUpsDone.get(f.key);
      return {
        salon_id: salonId,
        visit_id: state.visitId,
        key: f.key,
        dog_id: dogId,
        kind: f.kind,
        due_on: f.dueOn,
        visit_on: state.day ?? f.dueOn,
        because: JSON.stringify(f.because),
        done_at: done ? new Date(done.atMs).toISOString() : null,
        says: done?.says ?? '',
      };
    });
    if (rows.length > 0) await trx.insertInto('follow_up').values(rows).execute();
  }
  if (state.handedBack && isNews('visit_account', [state.eventCount, state.lastStamp])) await keepAccount(trx, salonId, state, dogId);
}

async function keepAccount(trx: InSalon, salonId: string, state: VisitState, dogId: string): Promise<void> {
  const told = await accountNow(trx, state, dogId);
  if (!told) return;
  const last = await trx
    .selectFrom('visit_account')
    .select(['version', 'told', 'made_at'])
    .where('visit_id', '=', state.visitId)
    .orderBy('version', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (last && sameTold(last.told, told)) return;
  await trx
    .insertInto('visit_account')
    .values({
      salon_id: salonId,
      visit_id: state.visitId,
      version: (last?.version ?? 0) + 1,
      told: JSON.stringify(told),
      made_at: new Date(Math.max(state.handedBack?.atMs ?? 0, state.lastStamp?.wallMs ?? 0)).toISOString(),
      changed_by: last ? whyAgain(state, last.made_at.getTime()) : 'closing',
    })
    .execute();
}

/** Why it is told anew after the version of that moment, Unix ms: it was reopened since, or closed again after an undo, or something came late. */
function whyAgain({ reopened, handedBack }: VisitState, sinceMs: number): NonNullable<AfterVisit['account']>['changedBy'] {
  if (reopened.some((r) => r.atMs > sinceMs)) return 'reopened';
  return handedBack && handedBack.atMs > sinceMs ? 'closing' : 'late_entry';
}

/** What the owner reads: figures that differ by a rounding are no other account. */
const sameTold = (a: ToldAccount, b: ToldAccount): boolean => asText(a) === asText(b);
/** The database keeps the fields of what is stored in an order of its own. */
function asText(told: ToldAccount): string {
  const { lines, places } = TOLD_ACCOUNT.parse(told);
  return JSON.stringify([lines, places]);
}

/** The account as the log says it now. */
export async function accountNow(trx: InSalon, state: VisitState, dogId: string): Promise<ToldAccount | undefined> {
  const file = await readDogFile(trx, dogId);
  const salon = await salonOf(trx);
  return file && salon && toldAccount({ state, file, salon }, (s) => say(inFormats(ENGLISH, salon.formats), s));
}
