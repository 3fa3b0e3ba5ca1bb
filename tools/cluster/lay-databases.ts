import { join } from 'node:path';
import { pgProgram, socketDirectory } from '../postgres.js';
import { deployed } from './fill.js';
import { folderFor } from './folder-for.js';
import type { Ground } from './ground.js';
import { HOST } from './host.js';
import { Member } from './member.js';
import type { Node } from './nodes.js';

/** Members of etcd, and where each is asked. */
export interface Etcd {
  readonly members: readonly Member[];
  readonly hosts: string;
}

export function layEtcd(ground: Ground, count: number): Etcd {
  const all = Array.from({ length: count }, (_, i) => ({ node: `etcd-${i + 1}`, peer: ground.port(), client: ground.port() }));
  const members = all.map(({ node, peer, client }) => {
    const data = folderFor(join(ground.base, node));
    const conf = deployed('etcd.yml', {
      NODE: node,
      DATA: data,
      HOST,
      PEER_PORT: peer,
      CLIENT_PORT: client,
      MEMBERS: all.map((m) => `${m.node}=http://${HOST}:${m.peer}`).join(','),
      CELL: ground.name,
    });
    const args = ['--config-file', ground.file(`${node}.yml`, conf)];
    return new Member({ name: node, command: 'etcd', args, log: ground.log(node), asPostgres: true, folder: data });
  });
  return { members, hosts: all.map((m) => `${HOST}:${m.client}`).join(',') };
}

/** A node of a cell, and the folder of its socket, which lies elsewhere: its name may not be long. */
export interface LaidNode extends Node {
  readonly sockets: string;
}

/** @param backups the folder that all of them keep their backups in */
export function layNodes(ground: Ground, count: number, etcd: Etcd, backups: string): readonly LaidNode[] {
  const { name: cell, base, secret } = ground;
  return Array.from({ length: count }, (_, i) => {
    const name = `node-${i + 1}`;
    const [data, pgPort, restPort] = [join(base, name), ground.port(), ground.port()];
    const sockets = folderFor(socketDirectory(data));
    const backrest = deployed('pgbackrest.conf', {
      FOLDER: backups,
      WORK: folderFor(join(base, `${name}-work`)),
      CELL: cell,
      DATA: data,
      PG_PORT: pgPort,
      SOCKETS: sockets,
    });
    const backrestFile = ground.file(`${name}-pgbackrest.conf`, backrest);
    const patroni = deployed('patroni.yml', {
      CELL: cell,
      NODE: name,
      HOST,
      NETWORK: `${HOST}/32`,
      REST_PORT: restPort,
      REST_PASSWORD: secret.rest,
      ETCD_HOSTS: etcd.hosts,
      PG_PORT: pgPort,
      DATA: data,
      PG_BIN: join(pgProgram('initdb'), '..'),
      PGPASS: join(base, `${name}.pgpass`),
      ADMIN_PASSWORD: secret.admin,
      REPLICA_PASSWORD: secret.replica,
      SOCKETS: sockets,
      BACKREST_CONF: backrestFile,
    });
    const args = [ground.file(`${name}.yml`, patroni)];
    const member = new Member({ name, command: 'patroni', args, log: ground.log(name), asPostgres: true, folder: data });
    return { member, name, pgPort, restPort, data, backrest: backrestFile, sockets };
  });
}
