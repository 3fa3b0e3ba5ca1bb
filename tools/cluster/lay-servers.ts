import { join } from 'node:path';
import type { Cluster } from '../postgres.js';
import { environment } from '../product.js';
import { deployed } from './fill.js';
import type { Ground } from './ground.js';
import { DATABASE, HOST } from './host.js';
import { Member } from './member.js';
import type { Node } from './nodes.js';

/** Programs that listen, and where. */
export interface Listening {
  readonly members: readonly Member[];
  readonly ports: readonly number[];
}

/** @param leaderPort where the node that leads is reached */
export function layPools(ground: Ground, count: number, leaderPort: number): Listening {
  const users = ground.file('users.txt', `"mansuet_app" "${ground.secret.app}"\n`);
  const ports = Array.from({ length: count }, () => ground.port());
  const members = ports.map((port, i) => {
    const name = `pool-${i + 1}`;
    const conf = deployed('pgbouncer.ini', {
      DATABASE,
      HOST,
      LEADER_PORT: leaderPort,
      POOL_PORT: port,
      AUTH_FILE: users,
      LOG: join(ground.base, `${name}-own.log`),
      PID: join(ground.base, `${name}.pid`),
    });
    const args = ['-q', ground.file(`${name}.ini`, conf)];
    return new Member({ name, command: '/usr/sbin/pgbouncer', args, log: ground.log(name), asPostgres: true });
  });
  return { members, ports };
}

/** The way to the node that leads, and to the pools. */
export function layWay(ground: Ground, leaderPort: number, poolsPort: number, nodes: readonly Node[], pools: Listening): Member {
  const conf = deployed('haproxy.cfg', {
    HOST,
    LEADER_PORT: leaderPort,
    POOLS_PORT: poolsPort,
    NODES: nodes.map((n) => `  server ${n.name} ${HOST}:${n.pgPort} check port ${n.restPort}`).join('\n'),
    POOLS: pools.ports.map((port, i) => `  server pool-${i + 1} ${HOST}:${port} check`).join('\n'),
  });
  const args = ['-db', '-f', ground.file('haproxy.cfg', conf)];
  return new Member({ name: 'way', command: '/usr/sbin/haproxy', args, log: ground.log('way'), asPostgres: true });
}

/** The database of a cell as somebody comes to it who goes past the pools. */
export function clusterAt(ground: Ground, leaderPort: number): Cluster {
  const { admin, owner, app } = ground.secret;
  const passwords = { mansuet_admin: admin, mansuet_owner: owner, mansuet_app: app };
  return {
    port: leaderPort,
    url: (role, database) => `postgres://${role}:${passwords[role]}@${HOST}:${leaderPort}/${database}`,
    // It is begun and ended node by node.
    stop: () => undefined,
    remove: () => undefined,
  };
}

/** @param publicUrl the front that people come through */
export function layServers(ground: Ground, count: number, cluster: Cluster, poolsPort: number, publicUrl: string): Listening {
  const ports = Array.from({ length: count }, () => ground.port());
  const members = ports.map((port, i) => {
    const name = `server-${i + 1}`;
    const env = {
      ...environment(cluster, DATABASE, port, false),
      MANSUET_APP_URL: `postgres://mansuet_app:${ground.secret.app}@${HOST}:${poolsPort}/${DATABASE}`,
      MANSUET_LISTEN_URL: cluster.url('mansuet_app', DATABASE),
      MANSUET_TRUST_PROXY: '1',
      MANSUET_PUBLIC_URL: publicUrl,
    };
    return new Member({ name, command: process.execPath, args: ['server/dist/main.js'], env, log: ground.log(name) });
  });
  return { members, ports };
}
