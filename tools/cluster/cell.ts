import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Contents, contentsOf, differences } from '../backup/contents.js';
import { type Cluster, ensureDatabase, secrets, withClient } from '../postgres.js';
import { CellBackups } from './cell-backups.js';
import { deployed } from './fill.js';
import { folderFor } from './folder-for.js';
import { freePorts } from './free-ports.js';
import { type Ground, groundFor } from './ground.js';
import { DATABASE, HOST } from './host.js';
import { type Etcd, type LaidNode, layEtcd, layNodes } from './lay-databases.js';
import { clusterAt, layPools, layServers, layWay, type Listening } from './lay-servers.js';
import type { Member } from './member.js';
import { isUp, type Node, nodesAs, whoLeads } from './nodes.js';
import { until } from './until.js';

const NODES = 3;
const ETCD = 3;
const POOLS = 2;
const SERVERS = 2;
/** Of its own, past those of its programs: to the node that leads, and to the pools. */
const WAYS = 2;
const PORTS = 2 * ETCD + 2 * NODES + POOLS + SERVERS + WAYS;

/** What a cell consists of. */
interface Parts {
  readonly etcd: Etcd;
  readonly nodes: readonly LaidNode[];
  readonly pools: Listening;
  readonly way: Member;
  readonly servers: Listening;
}

/**
 * A cell on loopback, from the files of `deploy/`: etcd, Patroni with PostgreSQL, pools, the way to them, and servers; each can be killed and
 * started again.
 */
export class Cell {
  private constructor(
    private readonly ground: Ground,
    /** Past the pools. */
    readonly cluster: Cluster,
    private readonly parts: Parts,
    readonly backups: CellBackups,
  ) {}

  /** @param publicUrl the front that people come through */
  static async open(name: string, publicUrl: string): Promise<Cell> {
    const ground = groundFor(name, await freePorts(PORTS));
    const backups = new CellBackups(name, folderFor(join(ground.base, 'backups')));
    const [leaderPort, poolsPort] = [ground.port(), ground.port()];
    const cluster = clusterAt(ground, leaderPort);
    const etcd = layEtcd(ground, ETCD);
    const nodes = layNodes(ground, NODES, etcd, backups.folder);
    const pools = layPools(ground, POOLS, leaderPort);
    const way = layWay(ground, leaderPort, poolsPort, nodes, pools);
    const servers = layServers(ground, SERVERS, cluster, poolsPort, publicUrl);
    const cell = new Cell(ground, cluster, { etcd, nodes, pools, way, servers }, backups);
    try {
      await cell.begin();
    } catch (error) {
      await cell.close();
      throw error;
    }
    return cell;
  }

  get etcd(): readonly Member[] {
    return this.parts.etcd.members;
  }
  get nodes(): readonly Node[] {
    return this.parts.nodes;
  }
  get pools(): readonly Member[] {
    return this.parts.pools.members;
  }
  get servers(): readonly Member[] {
    return this.parts.servers.members;
  }
  get serverPorts(): readonly number[] {
    return this.parts.servers.ports;
  }

  private async begin(): Promise<void> {
    for (const member of this.etcd) member.start();
    for (const { member } of this.nodes) member.start();
    await this.whole();
    this.parts.way.start();
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
    await Promise.all(this.servers.map((_, i) => this.serves(i)));
  }

  /** The node that leads now. */
  async leads(): Promise<Node> {
    return (await until('a node that leads', async () => nodesAs(this.nodes, await whoLeads(this.nodes)).leader)).value;
  }
  /** The node that has everything that was acknowledged, and follows. */
  async inStep(): Promise<Node> {
    return (await until('a node in step', async () => nodesAs(this.nodes, await whoLeads(this.nodes)).inStep)).value;
  }
  /** Until one node leads and each other one follows, one of them in step; each says of itself that it is up. */
  async whole(): Promise<void> {
    await until(
      'all nodes in step',
      async () =>
        (nodesAs(this.nodes, await whoLeads(this.nodes)).whole && (await Promise.all(this.nodes.map(isUp))).every((up) => up)) || undefined,
      180_000,
    );
  }
  /** Until a server could store something. */
  async serves(i: number): Promise<void> {
    await until(`server ${i + 1} ready`, async () => (await fetch(`http://${HOST}:${this.serverPorts[i]}/api/ready`)).ok || undefined);
  }

  /** Every node, asked for itself: those that follow have everything within moments. @returns what does not come to be the same, by node */
  async unequal(): Promise<readonly string[]> {
    const contents = (node: Node): Promise<Contents> =>
      withClient(`postgres://mansuet_admin:${secrets().admin}@${HOST}:${node.pgPort}/${DATABASE}`, contentsOf);
    const wanted = await contents(await this.leads());
    const wrong: string[] = [];
    for (const node of this.nodes) {
      let apart: readonly string[] = [];
      const same = async (): Promise<true | undefined> => {
        apart = differences(wanted, await contents(node));
        return apart.length === 0 || undefined;
      };
      await until(`${node.name} as the one that leads`, same, 30_000).catch(() => wrong.push(`${node.name}: ${apart.join(', ')}`));
    }
    return wrong;
  }

  async close(): Promise<void> {
    for (const member of [...this.servers, ...this.pools, this.parts.way]) await member.kill();
    // One after the other they would each look for a new one to follow.
    await Promise.all(this.nodes.map(({ member }) => member.kill()));
    await Promise.all(this.etcd.map((member) => member.kill()));
    for (const folder of [this.ground.base, ...this.parts.nodes.map((n) => n.sockets)]) rmSync(folder, { recursive: true, force: true });
  }
}
