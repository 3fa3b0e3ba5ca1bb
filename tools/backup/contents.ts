import type pg from 'pg';

/** What a database holds, so that two can be held against each other. */
export interface Contents {
  /** By table of a salon: rows, and a checksum over all of them, byte for byte. */
  readonly tables: Readonly<Record<string, { readonly rows: number; readonly sum: string }>>;
}

/**
 * Reads every table whole, in the order of its key, photographs too.
 * @param client as a role that sees every salon
 */
export async function contentsOf(client: pg.Client): Promise<Contents> {
  const { rows: found } = await client.query<{ name: string; key: string }>(
    `select c.relname as name, string_agg(quote_ident(a.attname), ', ' order by array_position(i.indkey, a.attnum)) as key
     from pg_class c join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public'
     join pg_index i on i.indrelid = c.oid and i.indisprimary join pg_attribute a on a.attrelid = c.oid and a.attnum = any (i.indkey)
     where c.relkind in ('r', 'p') and not c.relispartition group by c.relname order by c.relname`,
  );
  const tables: Record<string, { rows: number; sum: string }> = {};
  for (const { name, key } of found) {
    const { rows } = await client.query<{ n: string; sum: string | null }>(
      `select count(*) as n, md5(string_agg(md5(t::text), '' order by ${key})) as sum from "${name}" t`,
    );
    tables[name] = { rows: Number(rows[0]?.n ?? 0), sum: rows[0]?.sum ?? '' };
  }
  return { tables };
}

/** Tables in which two differ. */
export function differences(a: Contents, b: Contents): string[] {
  const names = [...new Set([...Object.keys(a.tables), ...Object.keys(b.tables)])].sort();
  return names.flatMap((name) => {
    const [x, y] = [a.tables[name], b.tables[name]];
    return x && y && x.rows === y.rows && x.sum === y.sum ? [] : [`${name}: ${x?.rows ?? 'no'} and ${y?.rows ?? 'no'} rows`];
  });
}
