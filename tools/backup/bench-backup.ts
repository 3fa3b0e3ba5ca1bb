import { cpus, tmpdir } from 'node:os';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { growTo } from '../bench-log/many-event-figures.js';
import { freePort } from '../free-port.js';
import { dropCluster, own, startCluster, stopCluster, withClient } from '../postgres.js';
import { bootRestored } from './after-restore.js';
import { contentsOf, differences } from './contents.js';
import { DrillSalon } from './drill-salon.js';
import { sayBytes } from './generations.js';
import { Repository } from './repository.js';

/** `npm run bench:backup [entries]`: a whole backup of a million entries, and how long until they can be worked with again. */
const [entries = '1000000'] = process.argv.slice(2);
const say = (line: string): void => void process.stdout.write(`${line}\n`);
const NAMES = ['pg-bench-backup', 'pg-bench-restored'] as const;
const DATABASE = 'mansuet_bench';
const folder = mkdtempSync(join(tmpdir(), 'mansuet-bench-'));
own(folder);
const clear = (): void => {
  for (const name of NAMES) {
    stopCluster(name);
    dropCluster(name);
  }
};

async function seconds(work: () => Promise<void> | void): Promise<string> {
  const from = performance.now();
  await work();
  return `${((performance.now() - from) / 1000).toFixed(1)} s`;
}

clear();
const of = { stanza: 'salon', folder: join(folder, 'backups') };
const repository = new Repository({ ...of, cluster: NAMES[0] });
const elsewhere = new Repository({ ...of, cluster: NAMES[1] });
try {
  const cpu = cpus();
  say(`Machine: ${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, Node ${process.version}`);
  const port = await freePort();
  repository.configure(port);
  const cluster = await startCluster(NAMES[0], port, repository.settings());
  repository.open(cluster);
  const salon = await DrillSalon.open(cluster, DATABASE);
  await salon.work(100);
  await salon.close();
  const { rows } = await withClient(cluster.url('mansuet_admin', DATABASE), (c) =>
    c.query<{ phase: string }>('select phase from visit limit 1'),
  );
  await growTo(cluster.url('mansuet_admin', DATABASE), Number(entries), { phase: rows[0]?.phase ?? '' });
  const before = await withClient(cluster.url('mansuet_admin', DATABASE), contentsOf);
  say(`${before.tables['visit_event']?.rows ?? 0} entries, ${before.tables['photo']?.rows ?? 0} photographs`);
  say(
    `whole backup, with its check that the log arrives: ${await seconds(() => repository.take(cluster, 'full', ''))} (promised: under 30 s)`,
  );
  const [made] = repository.generations();
  say(`${sayBytes(made?.bytes ?? 0)}, ${sayBytes(made?.stored ?? 0)} stored`);
  say(`every file read again: ${await seconds(() => repository.verify())}`);
  say(`changes since: ${await seconds(() => repository.take(cluster, 'diff', ''))}`);
  stopCluster(NAMES[0]);
  const fresh = await freePort();
  const took = await seconds(async () => {
    elsewhere.configure(fresh);
    elsewhere.restore({ archives: false });
    await bootRestored(NAMES[1], fresh, {});
  });
  const restored = await startCluster(NAMES[1], fresh);
  const after = await withClient(restored.url('mansuet_admin', DATABASE), contentsOf);
  say(`read back until it can be worked with: ${took} (promised: under 90 s); ${differences(before, after).length} tables differ`);
} finally {
  clear();
  repository.forget();
  elsewhere.forget();
  rmSync(folder, { recursive: true, force: true });
}
