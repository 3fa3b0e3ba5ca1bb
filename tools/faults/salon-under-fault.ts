import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { freePort } from '../free-port.js';
import { Plain, ROOT } from '../place.js';
import { type Cluster, dataDirectory, ensureDatabase, killCluster, startCluster, stopCluster, withClient } from '../postgres.js';
import { environment } from '../product.js';
import { must } from '../run-command.js';
import { wait } from './bad-network.js';
import { SmallDisk } from './small-disk.js';

const CLUSTER = 'pg-faults';
const DATABASE = 'mansuet_faults';

/** What is in the salon, and which page it serves. */
export interface SalonWays {
  readonly demo?: boolean;
  readonly webDir?: string;
  /** On a disk that can be filled, where this user may make one. */
  readonly smallDisk?: boolean;
}

/** A server and its database, each of which can be killed and started again. */
export class SalonUnderFault {
  private server: ChildProcess | undefined;
  private constructor(
    private cluster: Cluster,
    readonly port: number,
    private readonly ways: SalonWays,
    private readonly disk: SmallDisk | undefined,
  ) {}

  static async open(ways: SalonWays = {}): Promise<SalonUnderFault> {
    stopCluster(CLUSTER);
    const disk = ways.smallDisk ? SmallDisk.make(dataDirectory(CLUSTER)) : undefined;
    const salon = new SalonUnderFault(await startCluster(CLUSTER, await freePort()), await freePort(), ways, disk);
    await ensureDatabase(salon.cluster, DATABASE);
    if (ways.demo) await must('Loading the demo salon', process.execPath, ['demo/dist/main.js'], salon.env);
    await salon.startServer();
    return salon;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }
  get adminUrl(): string {
    return this.cluster.url('mansuet_admin', DATABASE);
  }
  /** Whether the process that was started last still runs. */
  get serverLives(): boolean {
    return this.server !== undefined && this.server.exitCode === null && this.server.signalCode === null;
  }

  private get env(): NodeJS.ProcessEnv {
    const { demo = false, webDir } = this.ways;
    return { ...environment(this.cluster, DATABASE, this.port, demo), ...(webDir === undefined ? {} : { MANSUET_WEB_DIR: webDir }) };
  }

  async startServer(): Promise<void> {
    const env = { ...process.env, ...this.env };
    this.server = spawn(process.execPath, ['server/dist/main.js'], { cwd: ROOT, env, stdio: 'ignore' });
    await this.answers();
  }
  async killServer(): Promise<void> {
    const { server } = this;
    if (!server || !this.serverLives) return;
    const gone = once(server, 'exit');
    server.kill('SIGKILL');
    await gone;
  }

  /** PostgreSQL ends without a word, all its processes at once. */
  async killDatabase(): Promise<void> {
    await killCluster(CLUSTER);
    await this.startDatabase();
  }
  async restartDatabase(): Promise<void> {
    this.cluster.stop();
    await this.startDatabase();
  }
  /**
   * The disk of the database is full for a while, and then is not. What PostgreSQL cannot go on with it ends itself for; it is started again, as
   * whoever made room does.
   */
  async fillDisk(ms: number): Promise<void> {
    this.disk?.fill();
    await wait(ms);
    this.disk?.free();
    await this.startDatabase();
  }
  get hasSmallDisk(): boolean {
    return this.disk !== undefined;
  }
  async endBackends(): Promise<void> {
    await withClient(this.adminUrl, (client) =>
      client.query(`select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and pid <> pg_backend_pid()`, [DATABASE]),
    );
  }
  private async startDatabase(): Promise<void> {
    this.cluster = await startCluster(CLUSTER, this.cluster.port);
  }

  /** Until an entry could be stored. */
  async answers(): Promise<void> {
    for (let i = 0; i < 300; i++) {
      const ready = await fetch(`${this.url}/api/ready`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (ready) return;
      await wait(100);
    }
    throw new Plain('The server does not answer within 30 s.');
  }

  async close(): Promise<void> {
    await this.killServer();
    this.cluster.stop();
    this.disk?.remove();
    this.cluster.remove();
  }
}
