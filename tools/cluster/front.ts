import { createConnection } from 'node:net';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain } from '../place.js';
import { dataDirectory, own, socketDirectory } from '../postgres.js';
import { type Directory, directoryText, placedIn, readDirectory } from './directory.js';
import { deployed } from './fill.js';
import { folderFor } from './folder-for.js';
import { HOST } from './host.js';
import { Member } from './member.js';
import { until } from './until.js';

/** Servers of a cell, by port. */
export interface CellServers {
  readonly cell: string;
  readonly ports: readonly number[];
}

/** What people come through: HAProxy with the file of `deploy/`, which leads each salon to its cell. */
export class Front {
  private constructor(
    private readonly member: Member,
    private readonly base: string,
    private readonly sockets: string,
    readonly files: DirectoryFiles,
  ) {}

  /** @param hosts addresses of loopback that salons are reached by */
  static async open(port: number, hosts: readonly string[], directory: Directory, cells: readonly CellServers[]): Promise<Front> {
    const base = dataDirectory('cluster-front');
    rmSync(base, { recursive: true, force: true });
    folderFor(base);
    const sockets = folderFor(socketDirectory(base));
    const [map, control, conf, log] = [
      join(base, 'salons.map'),
      join(sockets, 'control'),
      join(base, 'front.cfg'),
      join(base, 'front.log'),
    ];
    const text = deployed('front.cfg', {
      FRONT: hosts.map((host) => `${host}:${port}`).join(','),
      CONTROL: control,
      DIRECTORY: map,
      CELLS: cells.map(backendOf).join('\n'),
    });
    for (const [path, said] of [
      [map, directoryText(directory)],
      [conf, text],
      [log, ''],
    ] as const) {
      writeFileSync(path, said, { mode: 0o600 });
      own(path);
    }
    const member = new Member({ name: 'front', command: '/usr/sbin/haproxy', args: ['-db', '-f', conf], log, asPostgres: true });
    const front = new Front(member, base, sockets, { map, control });
    member.start();
    try {
      await until('the front', async () => (await fetch(`http://${hosts[0] ?? HOST}:${port}/`)).status > 0 || undefined, 20_000);
    } catch (error) {
      await front.close();
      throw error;
    }
    return front;
  }

  async close(): Promise<void> {
    await this.member.kill();
    for (const folder of [this.base, this.sockets]) rmSync(folder, { recursive: true, force: true });
  }
}

const backendOf = ({ cell, ports }: CellServers): string =>
  [
    `backend ${cell}`,
    '  balance leastconn',
    '  option httpchk GET /api/ready',
    '  default-server inter 1s fall 2 rise 1 observe layer4 error-limit 2 on-error mark-down',
    ...ports.map((port, i) => `  server server-${i + 1} ${HOST}:${port} check`),
  ].join('\n');

/** Where the front has its directory: the file that it reads when it starts, and where it is told of a change while it runs. */
export interface DirectoryFiles {
  readonly map: string;
  readonly control: string;
}

/** Leads a salon to a cell from now on, and after the next start. @throws Plain when the front does not take it */
export async function leadTo(files: DirectoryFiles, host: string, cell: string): Promise<void> {
  const before = readDirectory(readFileSync(files.map, 'utf8'));
  writeFileSync(files.map, directoryText(placedIn(before, host, cell)));
  const said = await tell(files.control, `${before.has(host) ? 'set' : 'add'} map ${files.map} ${host} ${cell}`);
  if (said.trim() !== '') throw new Plain(`The front did not take the change of the directory: ${said.trim()}`);
}

/** In which cell the front has a salon. */
export const ledTo = (files: DirectoryFiles, host: string): string | undefined => readDirectory(readFileSync(files.map, 'utf8')).get(host);

function tell(control: string, command: string): Promise<string> {
  return new Promise((done, fail) => {
    const socket = createConnection(control, () => socket.end(`${command}\n`));
    let said = '';
    socket.on('data', (chunk) => (said += chunk.toString()));
    socket.on('error', fail);
    socket.on('close', () => done(said));
  });
}
