import type pg from 'pg';

/** What is stored, held against what was tapped and what was acknowledged. */
export interface Kept {
  /** Acknowledged, and not there. */
  readonly lost: number;
  /** There more than once. */
  readonly twice: number;
  /** Tapped, and not there. */
  readonly missing: number;
}

/** @param client as a role that sees every salon */
export async function keptOf(client: pg.Client, tapped: readonly string[], acknowledged: readonly string[]): Promise<Kept> {
  const { rows } = await client.query<{ id: string; n: string }>(
    'select event_id as id, count(*) as n from visit_event where event_id = any ($1) group by 1',
    [tapped],
  );
  const times = new Map(rows.map((r) => [r.id, Number(r.n)]));
  const none = (ids: readonly string[]): number => ids.filter((id) => !times.has(id)).length;
  return { lost: none(acknowledged), twice: [...times.values()].filter((n) => n > 1).length, missing: none(tapped) };
}
