import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { Plain } from '../place.js';
import { asPostgres, bootCluster, dataDirectory, own, pgProgram, secrets, type Settings, socketDirectory } from '../postgres.js';

/** A database goes through its log for so long at most, ms. */
const RECOVERY_MS = 30 * 60_000;

/**
 * Starts a cluster whose files were restored, waits until it has gone through its log, and gives it the passwords of this machine: those of the one
 * that it comes from may be gone with it.
 * @throws Plain when it does not come to that
 */
export async function bootRestored(cluster: string, port: number, settings: Settings): Promise<void> {
  const data = dataDirectory(cluster);
  const hba = join(data, 'pg_hba.conf');
  const rules = readFileSync(hba, 'utf8');
  // Only through the socket, whose folder nobody else can enter, and only until the password is set.
  writeFileSync(hba, `local all mansuet_admin trust\n${rules}`);
  own(hba);
  try {
    await bootCluster(cluster, port, settings);
    const client = new pg.Client({ host: socketDirectory(data), port, user: 'mansuet_admin', database: 'postgres' });
    await client.connect();
    try {
      await untilRecovered(client);
      // A backup of another machine is read back without its log going on into that one’s backups: from here on it goes into our own.
      await client.query('alter system reset archive_mode');
      await client.query(`alter role mansuet_admin login password '${secrets().admin}'`);
    } finally {
      await client.end();
    }
  } finally {
    writeFileSync(hba, rules);
    own(hba);
    asPostgres(pgProgram('pg_ctl'), ['reload', '-D', data]);
  }
}

async function untilRecovered(client: pg.Client): Promise<void> {
  for (const until = Date.now() + RECOVERY_MS; Date.now() < until;) {
    const { rows } = await client.query<{ still: boolean }>('select pg_is_in_recovery() as still');
    if (rows[0]?.still === false) return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Plain('The database has gone through its log for half an hour and is not done. Look at its server.log.');
}
