import { Kysely, Migrator, PostgresDialect } from 'kysely';
import pg from 'pg';
import * as foundation from './migrations/001-foundation.js';
import * as houseRules from './migrations/002-house-rules.js';
import * as knowFeelAgree from './migrations/003-know-feel-agree.js';
import * as everyFact from './migrations/004-every-fact.js';
import * as biteEnded from './migrations/005-bite-ended.js';
import * as honestLog from './migrations/006-honest-log.js';
import * as oneWayIn from './migrations/007-one-way-in.js';
import * as atTheTable from './migrations/008-at-the-table.js';
import * as afterTheVisit from './migrations/009-after-the-visit.js';
import * as salonAndPeople from './migrations/010-salon-and-people.js';
import * as theDay from './migrations/011-the-day.js';
import * as handsFormatsWishes from './migrations/012-hands-formats-wishes.js';
import * as movedSalons from './migrations/013-moved-salons.js';

/** Forward only, in order of name. */
const MIGRATIONS = {
  '001-foundation': foundation,
  '002-house-rules': houseRules,
  '003-know-feel-agree': knowFeelAgree,
  '004-every-fact': everyFact,
  '005-bite-ended': biteEnded,
  '006-honest-log': honestLog,
  '007-one-way-in': oneWayIn,
  '008-at-the-table': atTheTable,
  '009-after-the-visit': afterTheVisit,
  '010-salon-and-people': salonAndPeople,
  '011-the-day': theDay,
  '012-hands-formats-wishes': handsFormatsWishes,
  '013-moved-salons': movedSalons,
};

/** Names of migrations that this version would make; all of them where nothing was made yet. */
export async function pendingMigrations(ownerUrl: string): Promise<{ readonly pending: string[]; readonly isNew: boolean }> {
  const db = new Kysely<unknown>({ dialect: new PostgresDialect({ pool: new pg.Pool({ connectionString: ownerUrl, max: 1 }) }) });
  try {
    const all = await new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } }).getMigrations();
    return { pending: all.flatMap((m) => (m.executedAt ? [] : [m.name])), isNew: all.every((m) => !m.executedAt) };
  } finally {
    await db.destroy();
  }
}

/** Brings the tables up to date. Kysely takes an advisory lock, so that of several servers one migrates and the others wait. @throws the first error */
export async function migrate(ownerUrl: string): Promise<void> {
  const db = new Kysely<unknown>({ dialect: new PostgresDialect({ pool: new pg.Pool({ connectionString: ownerUrl, max: 2 }) }) });
  try {
    const { error } = await new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } }).migrateToLatest();
    if (error) throw error instanceof Error ? error : new Error('migration failed', { cause: error });
  } finally {
    await db.destroy();
  }
}
