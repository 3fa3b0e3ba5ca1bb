import pg from 'pg';
import { CHANNEL, movedNotice } from '../../server/src/live/notices.js';
import { Plain } from '../place.js';
import { withClient } from '../postgres.js';
import { apart, checkedId, clearRows, copyRows, countOn, idsOf, type SalonTable, salonTables, sumsOf } from './salon-rows.js';

/** A cell, as whoever moves a salon comes to it: past the pools, as a role that sees every salon. */
export interface MoveCell {
  readonly name: string;
  readonly adminUrl: string;
}

export interface MoveAsked {
  readonly salonId: string;
  readonly from: MoveCell;
  readonly to: MoveCell;
  /** Leads people to the new cell from now on. */
  readonly lead: () => Promise<void>;
  /** Told as it goes on. */
  readonly told?: (step: MoveStep) => void;
}

/** How far it has come. Up to `opened` the salon is where it was; from there on where it goes, and whoever was cut off goes on from there. */
export type MoveStep = 'photographs' | 'shut' | 'copied' | 'opened' | 'led' | 'cleared';

export interface Moved {
  readonly rows: number;
  readonly photographs: number;
  /** Nobody could work in the salon, ms. */
  readonly shutMs: number;
}

/** The largest table: it is copied while people work, and only what came since while they wait. */
const PHOTOGRAPHS = 'photo';
/** Whoever stores something in the salon is let to the end of it for so long. */
const LET_END = '30s';
const UNIQUE = '23505';
const END_MS = 2_000;
const why = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/**
 * Moves a salon to another cell while people work in it: photographs first, then the salon is shut, the rest is copied and held against what it was,
 * table by table and byte for byte, and it is opened where it is now. Whoever sends something meanwhile is told to keep it. Cut off anywhere, it is
 * called again and goes on, or begins anew.
 * @throws Plain when it cannot; the salon is open then, where it was
 */
export async function moveSalon(asked: MoveAsked): Promise<Moved> {
  const salonId = checkedId(asked.salonId);
  if (asked.from.adminUrl === asked.to.adminUrl) throw new Plain(`The salon is in ${asked.to.name} already.`);
  const from = new pg.Client({ connectionString: asked.from.adminUrl });
  const to = new pg.Client({ connectionString: asked.to.adminUrl });
  // A connection that is cut is heard of by the statement that runs on it.
  for (const client of [from, to]) client.on('error', () => undefined);
  try {
    for (const client of [from, to]) {
      await client.connect();
      // Rows come in any order: foreign keys hold where they come from, and each leads to the same salon.
      await client.query(`set session_replication_role = replica`);
    }
    return await new Move(asked, salonId, from, to).go();
  } finally {
    // One in the middle of a copy may not hear that it is to end.
    await Promise.race([Promise.all([from.end(), to.end()]), new Promise((done) => setTimeout(done, END_MS).unref())]);
  }
}

class Move {
  private rows = 0;
  private photographs = 0;
  /** From here on it may be open where it goes, whatever is heard of that. */
  private opening = false;

  constructor(
    private readonly asked: MoveAsked,
    private readonly salonId: string,
    private readonly from: pg.Client,
    private readonly to: pg.Client,
  ) {}

  async go(): Promise<Moved> {
    await this.alone();
    const tables = await this.sameTables();
    const [here, there] = [await this.stateIn(this.from), await this.stateIn(this.to)];
    if (!here.rows && !there.rows) throw new Plain(`Neither ${this.asked.from.name} nor ${this.asked.to.name} has this salon.`);
    if (there.rows && !there.shut && here.rows && !here.shut)
      throw new Plain(`The salon is open in both cells. Nothing was changed: look which of them is the right one.`);
    // It was cut off after it had been opened there.
    if (there.rows && !there.shut) {
      await this.leave(tables);
      return { rows: 0, photographs: 0, shutMs: 0 };
    }
    if (!here.rows) throw new Plain(`${this.asked.from.name} has nothing of this salon, and in ${this.asked.to.name} it is not whole.`);
    const shutFrom = await this.copy(tables);
    const shutMs = performance.now() - shutFrom;
    await this.leave(tables);
    return { rows: this.rows, photographs: this.photographs, shutMs };
  }

  /** @returns when it was shut. @throws what went wrong; it is open again where it was */
  private async copy(tables: readonly SalonTable[]): Promise<number> {
    const { from, to, salonId } = this;
    const photographs = tables.filter((t) => t.name === PHOTOGRAPHS);
    try {
      await to.query('insert into moved_salon (salon_id) values ($1) on conflict do nothing', [salonId]);
      await clearRows(tables, salonId, to);
      for (const table of photographs) this.photographs += await copyRows(table, salonId, from, to);
      this.told('photographs');
      const shutFrom = performance.now();
      await this.shut();
      this.told('shut');
      await to.query('begin');
      for (const table of photographs) await this.sinceThen(table);
      for (const table of tables) if (!photographs.includes(table)) this.rows += await copyRows(table, salonId, from, to);
      await countOn(tables, salonId, to);
      const wrong = apart(await sumsOf(tables, salonId, from), await sumsOf(tables, salonId, to));
      if (wrong.length > 0) throw new Plain(`What arrived is not what was sent: ${wrong.join(', ')}. The salon stays where it was.`);
      await to.query('commit');
      this.told('copied');
      this.opening = true;
      await to.query('delete from moved_salon where salon_id = $1', [salonId]);
      this.told('opened');
      return shutFrom;
    } catch (error) {
      if (this.opening)
        throw new Plain(`${why(error)}. Move it once more: it is not known on which side it is open. Until then nobody can work in it.`);
      await this.stay(tables, error);
      throw this.plain(error);
    }
  }

  /** Nobody begins anything in it any more, and whoever had begun is done. */
  private async shut(): Promise<void> {
    await this.from.query('insert into moved_salon (salon_id) values ($1) on conflict do nothing', [this.salonId]);
    await this.from.query(`set lock_timeout = '${LET_END}'`);
    await this.from.query('select pg_advisory_lock(hashtextextended($1, 13))', [this.salonId]);
    await this.from.query('select pg_advisory_unlock(hashtextextended($1, 13))', [this.salonId]);
    await this.from.query('set lock_timeout = 0');
  }

  /** Photographs that were taken, or taken out, since they were copied. */
  private async sinceThen(table: SalonTable): Promise<void> {
    const [here, there] = [await idsOf(table, this.salonId, this.from), await idsOf(table, this.salonId, this.to)];
    const id = `"${table.key.at(-1) ?? ''}"`;
    const gone = [...there].filter((x) => !here.has(x));
    if (gone.length > 0)
      await this.to.query(`delete from "${table.name}" where salon_id = $1 and ${id} = any ($2::uuid[])`, [this.salonId, gone]);
    const came = [...here].filter((x) => !there.has(x)).map(checkedId);
    if (came.length > 0)
      this.photographs += await copyRows(table, this.salonId, this.from, this.to, `${id} in (${came.map((x) => `'${x}'`).join(', ')})`);
  }

  /** It stays where it was. On connections of their own: what is in the middle of a copy answers nothing else. @throws Plain when it cannot be opened again */
  private async stay(tables: readonly SalonTable[], because: unknown): Promise<void> {
    const { asked, salonId } = this;
    const done = await withClient(asked.from.adminUrl, (c) => c.query('delete from moved_salon where salon_id = $1', [salonId])).then(
      () => true,
      () => false,
    );
    if (!done) throw new Plain(`${why(because)}. ${asked.from.name} does not answer: move it once more. Until then nobody can work in it.`);
    // What is left there is taken away by the next one that moves it there; nobody sees it.
    await this.to
      .query('rollback')
      .then(() => clearRows(tables, salonId, this.to))
      .catch(() => undefined);
  }

  /** It is open where it is now: people are led there, and what is left here goes. The mark stays, for whoever comes here still. */
  private async leave(tables: readonly SalonTable[]): Promise<void> {
    await this.asked.lead();
    this.told('led');
    await this.from.query('insert into moved_salon (salon_id) values ($1) on conflict do nothing', [this.salonId]);
    await this.from.query('select pg_notify($1, $2)', [CHANNEL, movedNotice(this.salonId)]);
    await clearRows(tables, this.salonId, this.from);
    this.told('cleared');
  }

  /** Two that move the same salon would each take away what the other brings. */
  private async alone(): Promise<void> {
    for (const client of [this.from, this.to]) {
      const { rows } = await client.query<{ got: boolean }>('select pg_try_advisory_lock(hashtextextended($1, 14)) as got', [this.salonId]);
      if (rows[0]?.got !== true) throw new Plain('Somebody else is moving this salon now.');
    }
  }

  private async sameTables(): Promise<readonly SalonTable[]> {
    const made = async (client: pg.Client): Promise<string> =>
      (await client.query<{ name: string }>('select name from kysely_migration order by name')).rows.map((r) => r.name).join(', ');
    if ((await made(this.from)) !== (await made(this.to))) throw new Plain('The two cells are of different versions: update them first.');
    return salonTables(this.from);
  }

  private async stateIn(client: pg.Client): Promise<{ readonly rows: boolean; readonly shut: boolean }> {
    const { rows } = await client.query<{ rows: boolean; shut: boolean }>(
      `select exists (select 1 from salon where salon_id = $1) as rows, exists (select 1 from moved_salon where salon_id = $1) as shut`,
      [this.salonId],
    );
    return rows[0] ?? { rows: false, shut: false };
  }

  private plain(error: unknown): unknown {
    if (!(error instanceof Error) || Reflect.get(error, 'code') !== UNIQUE) return error;
    const detail: unknown = Reflect.get(error, 'table');
    return new Plain(
      `${this.asked.to.name} has something already that may be there once only (${String(detail)}: ${error.message}). A sign-in name? Change it and try again.`,
    );
  }
  private told(step: MoveStep): void {
    this.asked.told?.(step);
  }
}
