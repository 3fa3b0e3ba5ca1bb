import { randomBytes } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Contents, contentsOf, differences } from '../backup/contents.js';
import { dataDirectory, ensureDatabase, own, pgProgram, secrets, socketDirectory, type Cluster, withClient } from '../postgres.js';
import { environment } from '../product.js';
import { CellBackups } from './cell-backups.js';
import { deployed } from './fill.js';
import { folderFor } from './folder-for.js';
import { freePorts } from './free-ports.js';
import { HOST } from './host.js';
import { killAllIn, Member } from './member.js';
import { type Node, nodesAs, whoLeads } from './nodes.js';
import { until } from './until.js';

export const DATABASE = 'mansuet';
const NODES = 3;
const ETCD = 3;
const POOLS = 2;
const SERVERS = 2;

/**
 * A cell on loopback, from the files of `deploy/`: etcd, Patroni with PostgreSQL, pools, the way to them, and servers; each can be killed and
 * started again.
 */
export class Cell {
  private constructor(
    readonly name: string,
    readonly cluster: Cluster,
    readonly etcd: readonly Member[],
    readonly nodes: readonly Node[],
    readonly pools: readonly Member[],
    readonly way: Member,
    readonly servers: readonly Member[],
    readonly serverPorts: readonly number[],
    readonly backups: CellBackups,
    private readonly folders: readonly string[],
  ) {}

  /** @param publicUrl the front that people come through */
  static async open(name: string, publicUrl: string): Promise<Cell> {
    const cell = await Cell.laidOut(name, publicUrl);
    try {
      await cell.begin();
    } catch (error) {
      await cell.close();
      throw error;
    }
    return cell;
  }

  private static async laidOut(name: string, publicUrl: string): Promise<Cell> {
    const base = dataDirectory(`cluster-${name}`);
    killAllIn(base);
    rmSync(base, { recursive: true, force: true });
    const sockets = Array.from({ length: NODES }, (_, i) => socketDirectory(`${base}-${i}`));
    for (const folder of [base, ...sockets]) folderFor(folder);
    const ports = [...(await freePorts(2 * ETCD + 2 * NODES + POOLS + SERVERS + 2))];
    const port = (): number => ports.pop() ?? 0;
    const secret = { ...secrets(), replica: word(), rest: word() };
    const file = (at: string, text: string): string => {
      const path = join(base, at);
      writeFileSync(path, text, { mode: 0o600 });
      own(path);
      return path;
    };
    const log = (of: string): string => file(`${of}.log`, '');

    const members = Array.from({ length: ETCD }, (_, i) => ({ node: `etcd-${i + 1}`, peer: port(), client: port() }));
    const etcd = members.map(({ node, peer, client }) => {
      const data = folderFor(join(base, node));
      const conf = deployed('etcd.yml', {
        NODE: node,
        DATA: data,
        HOST,
        PEER_PORT: peer,
        CLIENT_PORT: client,
        MEMBERS: members.map((m) => `${m.node}=http://${HOST}:${m.peer}`).join(','),
        CELL: name,
      });
      const args = ['--config-file', file(`${node}.yml`, conf)];
      // Debian's etcd reads its environment first; nothing there may stand against the file.
      return new Member({ name: node, command: 'etcd', args, log: log(node), asPostgres: true, folder: data });
    });

    const backups = new CellBackups(name, folderFor(join(base, 'backups')));
    const nodes = Array.from({ length: NODES }, (_, i): Node => {
      const node = `node-${i + 1}`;
      const data = join(base, node);
      const [pgPort, restPort, socket] = [port(), port(), sockets[i] ?? ''];
      const work = folderFor(join(base, `${node}-work`));
      const conf = deployed('pgbackrest.conf', {
        FOLDER: backups.folder,
        WORK: work,
        CELL: name,
        DATA: data,
        PG_PORT: pgPort,
        SOCKETS: socket,
      });
      const backrest = file(`${node}-pgbackrest.conf`, conf);
      const patroni = deployed('patroni.yml', {
        CELL: name,
        NODE: node,
        HOST,
        NETWORK: `${HOST}/32`,
        REST_PORT: restPort,
        REST_PASSWORD: secret.rest,
        ETCD_HOSTS: members.map((m) => `${HOST}:${m.client}`).join(','),
        PG_PORT: pgPort,
        DATA: data,
        PG_BIN: join(pgProgram('initdb'), '..'),
        PGPASS: join(base, `${node}.pgpass`),
        ADMIN_PASSWORD: secret.admin,
        REPLICA_PASSWORD: secret.replica,
        SOCKETS: socket,
        BACKREST_CONF: backrest,
      });
      const args = [file(`${node}.yml`, patroni)];
      const member = new Member({ name: node, command: 'patroni', args, log: log(node), asPostgres: true, folder: data });
      return { member, name: node, pgPort, restPort, data, backrest };
    });

    const [leaderPort, poolsPort] = [port(), port()];
    const authFile = file('users.txt', `"mansuet_app" "${secret.app}"\n`);
    const poolPorts = Array.from({ length: POOLS }, port);
    const pools = poolPorts.map((poolPort, i) => {
      const pool = `pool-${i + 1}`;
      const conf = deployed('pgbouncer.ini', {
        DATABASE,
        HOST,
        LEADER_PORT: leaderPort,
        POOL_PORT: poolPort,
        AUTH_FILE: authFile,
        LOG: join(base, `${pool}-own.log`),
        PID: join(base, `${pool}.pid`),
      });
      return new Member({
        name: pool,
        command: '/usr/sbin/pgbouncer',
        args: ['-q', file(`${pool}.ini`, conf)],
        log: log(pool),
        asPostgres: true,
      });
    });
    const way = deployed('haproxy.cfg', {
      HOST,
      LEADER_PORT: leaderPort,
      POOLS_PORT: poolsPort,
      NODES: nodes.map((n) => `  server ${n.name} ${HOST}:${n.pgPort} check port ${n.restPort}`).join('\n'),
      POOLS: poolPorts.map((p, i) => `  server pool-${i + 1} ${HOST}:${p} check`).join('\n'),
    });
    const cluster: Cluster = {
      port: leaderPort,
      url: (role, database) => {
        const password = { mansuet_admin: secret.admin, mansuet_owner: secret.owner, mansuet_app: secret.app }[role];
        return `postgres://${role}:${password}@${HOST}:${leaderPort}/${database}`;
      },
      stop: () => undefined,
      remove: () => undefined,
    };
    const serverPorts = Array.from({ length: SERVERS }, port);
    const servers = serverPorts.map((serverPort, i) => {
      const env = {
        ...environment(cluster, DATABASE, serverPort, false),
        MANSUET_APP_URL: `postgres://mansuet_app:${secret.app}@${HOST}:${poolsPort}/${DATABASE}`,
        MANSUET_LISTEN_URL: cluster.url('mansuet_app', DATABASE),
        MANSUET_TRUST_PROXY: '1',
        MANSUET_PUBLIC_URL: publicUrl,
      };
      const server = `server-${i + 1}`;
      return new Member({ name: server, command: process.execPath, args: ['server/dist/main.js'], env, log: log(server) });
    });
    const wayMember = new Member({
      name: 'way',
      command: '/usr/sbin/haproxy',
      args: ['-db', '-f', file('haproxy.cfg', way)],
      log: log('way'),
      asPostgres: true,
    });
    return new Cell(name, cluster, etcd, nodes, pools, wayMember, servers, serverPorts, backups, [base, ...sockets]);
  }

  private async begin(): Promise<void> {
    for (const member of this.etcd) member.start();
    for (const { member } of this.nodes) member.start();
    await this.whole();
    this.way.start();
    const admin = this.cluster.url('mansuet_admin', 'postgres');
    // Until it has looked at each node once, HAProxy takes all of them for one that leads.
    await until('the way to the node that leads', () =>
      Promise.all(this.nodes.map(() => withClient(admin, (c) => c.query('select 1 where not pg_is_in_recovery()')))).then(
        (answers) => answers.every((a) => a.rowCount === 1) || undefined,
      ),
    );
    const { owner, app } = secrets();
    await withClient(admin, (c) => c.query(deployed('roles.sql', { DATABASE, OWNER_PASSWORD: owner, APP_PASSWORD: app })));
    await ensureDatabase(this.cluster, DATABASE);
    this.backups.open(await this.leads());
    for (const pool of this.pools) pool.start();
    for (const server of this.servers) server.start();
    await Promise.all(this.serverPorts.map((_, i) => this.serves(i)));
  }

  /** The node that leads now. */
  async leads(): Promise<Node> {
    return (await until('a node that leads', async () => nodesAs(this.nodes, await whoLeads(this.nodes)).leader)).value;
  }
  /** The node that has everything that was acknowledged, and follows. */
  async inStep(): Promise<Node> {
    return (await until('a node in step', async () => nodesAs(this.nodes, await whoLeads(this.nodes)).inStep)).value;
  }
  /** Every node, asked for itself, with what it has: those that follow get it within moments. */
  async followersEqual(): Promise<readonly string[]> {
    const contents = (port: number): Promise<Contents> =>
      withClient(`postgres://mansuet_admin:${secrets().admin}@${HOST}:${port}/${DATABASE}`, contentsOf);
    const wanted = await contents((await this.leads()).pgPort);
    let wrong: string[] = [];
    for (const node of this.nodes)
      await until(
        `${node.name} as the one that leads`,
        async () => {
          wrong = differences(wanted, await contents(node.pgPort));
          return wrong.length === 0 || undefined;
        },
        30_000,
      ).catch(() => undefined);
    return wrong;
  }
  /** Until one node leads and each other one follows, one of them in step. */
  async whole(): Promise<void> {
    await until('all nodes in step', async () => nodesAs(this.nodes, await whoLeads(this.nodes)).whole || undefined, 180_000);
  }
  /** Until a server could store something. */
  async serves(i: number): Promise<void> {
    await until(`server ${i + 1} ready`, async () => (await fetch(`http://${HOST}:${this.serverPorts[i]}/api/ready`)).ok || undefined);
  }

  async close(): Promise<void> {
    for (const member of [...this.servers, ...this.pools, this.way]) await member.kill();
    // One after the other they would each look for a new one to follow.
    await Promise.all(this.nodes.map(({ member }) => member.kill()));
    await Promise.all(this.etcd.map((member) => member.kill()));
    for (const folder of this.folders) rmSync(folder, { recursive: true, force: true });
  }
}

const word = (): string => randomBytes(18).toString('base64url');
