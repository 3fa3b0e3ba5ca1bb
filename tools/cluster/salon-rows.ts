import { pipeline } from 'node:stream/promises';
import type pg from 'pg';
import { from as copyFrom, to as copyTo } from 'pg-copy-streams';
import { Plain } from '../place.js';

/** Sign-ins belong to browsers before they belong to a salon, and say in themselves which one it is. */
const SESSIONS = 'session';
/** Says where a salon is not: it stays where it is. */
const MARK = 'moved_salon';
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** A table that has rows of a salon, as a catalogue tells of it. */
export interface SalonTable {
  readonly name: string;
  readonly columns: readonly string[];
  readonly key: readonly string[];
  /** Columns that count up over all salons of a cell. */
  readonly counted: readonly string[];
}

/** @throws Plain for what is no id: it becomes part of a statement */
export function checkedId(salonId: string): string {
  if (!UUID.test(salonId)) throw new Plain(`“${salonId}” is not the id of a salon.`);
  return salonId;
}

/** Every table with rows of salons, sign-ins among them; each that a later version adds is among them by itself. */
export async function salonTables(client: pg.Client): Promise<readonly SalonTable[]> {
  const { rows } = await client.query<SalonTable>(
    `select c.relname as name,
       array(select a.attname::text from pg_attribute a where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = '' order by a.attnum) as columns,
       array(select a.attname::text from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = any (i.indkey)
         where i.indrelid = c.oid and i.indisprimary order by array_position(i.indkey, a.attnum)) as key,
       array(select a.attname::text from pg_attribute a where a.attrelid = c.oid and a.attidentity <> '') as counted
     from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where n.nspname = 'public' and c.relkind in ('r', 'p') and not c.relispartition and c.relname <> $1
       and (c.relname = $2 or exists (select 1 from pg_attribute a where a.attrelid = c.oid and a.attname = 'salon_id')) order by c.relname`,
    [MARK, SESSIONS],
  );
  return rows;
}

const quoted = (names: readonly string[]): string => names.map((name) => `"${name}"`).join(', ');
/** Which rows of a table are a salon's. */
const ofSalon = (table: SalonTable, salonId: string): string =>
  table.name === SESSIONS ? `sess -> 'who' ->> 'salonId' = '${salonId}'` : `salon_id = '${salonId}'`;

/** Copies rows of a salon from one cell to another as they are. @param and a further condition, in SQL */
export async function copyRows(table: SalonTable, salonId: string, from: pg.Client, to: pg.Client, and = ''): Promise<number> {
  const columns = quoted(table.columns);
  const read = `copy (select ${columns} from "${table.name}" where ${ofSalon(table, salonId)}${and && ` and ${and}`}) to stdout (format binary)`;
  const write = to.query(copyFrom(`copy "${table.name}" (${columns}) from stdin (format binary)`));
  await pipeline(from.query(copyTo(read)), write);
  return write.rowCount;
}

/** Takes away what a cell has of a salon. */
export async function clearRows(tables: readonly SalonTable[], salonId: string, client: pg.Client): Promise<void> {
  for (const table of tables) await client.query(`delete from "${table.name}" where ${ofSalon(table, salonId)}`);
}

/** Ids that are the last part of a table's key, of a salon. */
export async function idsOf(table: SalonTable, salonId: string, client: pg.Client): Promise<ReadonlySet<string>> {
  const last = table.key.at(-1) ?? '';
  const { rows } = await client.query<{ id: string }>(`select "${last}"::text as id from "${table.name}" where ${ofSalon(table, salonId)}`);
  return new Set(rows.map((r) => r.id));
}

/**
 * Of each table: how many rows a salon has, and a checksum over all of them, byte for byte. Sign-ins are left out: they begin and end while nobody may
 * work, and are no part of the record.
 */
export async function sumsOf(tables: readonly SalonTable[], salonId: string, client: pg.Client): Promise<ReadonlyMap<string, string>> {
  const sums = new Map<string, string>();
  for (const table of tables.filter((t) => t.name !== SESSIONS)) {
    const { rows } = await client.query<{ n: string; sum: string | null }>(
      `select count(*) as n, md5(string_agg(md5(row(${quoted(table.columns)})::text), '' order by ${quoted(table.key)})) as sum
       from "${table.name}" where ${ofSalon(table, salonId)}`,
    );
    sums.set(table.name, `${rows[0]?.n ?? 0} rows ${rows[0]?.sum ?? ''}`.trim());
  }
  return sums;
}

/** Tables in which two cells differ. */
export const apart = (a: ReadonlyMap<string, string>, b: ReadonlyMap<string, string>): readonly string[] =>
  [...new Set([...a.keys(), ...b.keys()])].filter((name) => a.get(name) !== b.get(name));

/** What counts up goes on above what came: a device asks for what is new by that number. */
export async function countOn(tables: readonly SalonTable[], salonId: string, client: pg.Client): Promise<void> {
  for (const table of tables)
    for (const column of table.counted)
      await client.query(
        `select setval(s.name, greatest((select max("${column}") from "${table.name}" where ${ofSalon(table, salonId)}), nextval(s.name)))
         from (select pg_get_serial_sequence($1, $2)::regclass as name) s`,
        [table.name, column],
      );
}
