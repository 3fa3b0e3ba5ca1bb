import { closeSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { freePort } from '../free-port.js';
import { RUN } from '../place.js';
import { type Cluster, ensureDatabase, removeCluster, dataDirectory, startCluster } from '../postgres.js';
import { environment } from '../product.js';
import { DATABASE, HOST } from './host.js';
import { Member } from './member.js';
import type { MoveCell } from './move.js';
import { until } from './until.js';

/** A cell of one database and one server: enough to move a salon into. */
export class SmallCell {
  private constructor(
    readonly name: string,
    readonly cluster: Cluster,
    readonly port: number,
    private readonly server: Member,
  ) {}

  static async open(name: string, publicUrl: string): Promise<SmallCell> {
    const folder = `pg-${name}`;
    removeCluster(dataDirectory(folder));
    const cluster = await startCluster(folder, await freePort());
    await ensureDatabase(cluster, DATABASE);
    const port = await freePort();
    const env = { ...environment(cluster, DATABASE, port, false), MANSUET_TRUST_PROXY: '1', MANSUET_PUBLIC_URL: publicUrl };
    const log = join(RUN, `${name}.log`);
    closeSync(openSync(log, 'w'));
    const server = new Member({ name, command: process.execPath, args: ['server/dist/main.js'], env, log });
    const cell = new SmallCell(name, cluster, port, server);
    server.start();
    try {
      await until(`${name} ready`, async () => (await fetch(`http://${HOST}:${port}/api/ready`)).ok || undefined, 30_000);
    } catch (error) {
      await cell.close();
      throw error;
    }
    return cell;
  }

  get url(): string {
    return `http://${HOST}:${this.port}`;
  }
  /** The number of its server's process. */
  get serverPid(): number {
    return this.server.pid ?? 0;
  }
  /** Where its database works. */
  get data(): string {
    return dataDirectory(`pg-${this.name}`);
  }
  get asMoved(): MoveCell {
    return { name: this.name, adminUrl: this.cluster.url('mansuet_admin', DATABASE) };
  }

  async close(): Promise<void> {
    await this.server.kill();
    this.cluster.remove();
  }
}
