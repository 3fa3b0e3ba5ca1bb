import { stringify } from 'csv-stringify/sync';
import type { Till } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { replay } from '@mansuet/core/visit';
import { sql } from 'kysely';
import type { InSalon } from '../database/database.js';
import { salonOf } from '../sign-in/sign-in.repository.js';
import { readLogs } from '../visits/read-events.js';

/** Extra time of visits that are over, by the salon's rule and as it was agreed: a line each for the till. It is no invoice. */
export async function readTill(trx: InSalon, from: string, to: string): Promise<Till> {
  const salon = await salonOf(trx);
  if (!salon) return { lines: [] };
  const midnight = (on: string, days: number) => sql<Date>`((${on}::date + ${days}::integer)::timestamp at time zone ${salon.timeZone})`;
  const rows = await trx
    .selectFrom('visit')
    .innerJoin('dog', 'dog.dog_id', 'visit.dog_id')
    .innerJoin('owner', 'owner.owner_id', 'dog.owner_id')
    .select(['visit.visit_id', 'visit.arrives_at', 'dog.name', 'owner.name as owner'])
    .where('visit.phase', '=', 'gone')
    .where('visit.arrives_at', '>=', midnight(from, 0))
    .where('visit.arrives_at', '<', midnight(to, 1))
    .orderBy('visit.arrives_at')
    .execute();
  const logs = await readLogs(trx, new Map(rows.map((r) => [r.visit_id, 0])));
  return {
    lines: rows.flatMap((r) => {
      const { agreed } = replay(r.visit_id, logs.get(r.visit_id)?.events ?? []);
      if (!agreed || agreed.extraMinutes <= 0) return [];
      return [
        {
          visitId: r.visit_id,
          on: dayOf(r.arrives_at, salon.timeZone),
          dog: r.name,
          owner: r.owner,
          what: 'Extra time for the coat, as agreed',
          minutes: agreed.extraMinutes,
          priceMinor: agreed.extraPriceMinor,
          currency: salon.currency,
          agreedBy: agreed.name,
        },
      ];
    }),
  };
}

const COLUMNS = ['on', 'dog', 'owner', 'what', 'minutes', 'price', 'currency', 'agreedBy', 'visitId'] as const;

/** The same as CSV (RFC 4180). A cell that a spreadsheet would reckon with stays a text. */
export function tillCsv(till: Till): string {
  return stringify(
    till.lines.map((l) => ({ ...l, price: (l.priceMinor / 100).toFixed(2) })),
    { header: true, columns: [...COLUMNS], record_delimiter: 'windows', escape_formulas: true },
  );
}
