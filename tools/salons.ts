import { join } from 'node:path';
import { Plain, RUN } from './place.js';

/** What a checkout can hold: invented data to look round in, and a salon's own. Each has a cluster, a database and an outbox of its own. */
export const SALON_KINDS = ['demo', 'salon'] as const;
export type SalonKind = (typeof SALON_KINDS)[number];

interface SalonPlace {
  readonly title: string;
  readonly command: 'demo' | 'serve';
  readonly cluster: string;
  readonly database: string;
  readonly pgPort: number;
  readonly outbox: string;
}

export const SALON_PLACES: Readonly<Record<SalonKind, SalonPlace>> = {
  demo: {
    title: 'the demo salon',
    command: 'demo',
    cluster: 'pg-demo',
    database: 'mansuet_demo',
    pgPort: 54_830,
    outbox: join(RUN, 'outbox-demo'),
  },
  // Its cluster keeps the name it had when it held both: what was entered stays where it is.
  salon: { title: 'your salon', command: 'serve', cluster: 'pg', database: 'mansuet', pgPort: 54_829, outbox: join(RUN, 'outbox') },
};

const FIRST_FOR_ALL = 1024;

function readPort(env: NodeJS.ProcessEnv, setting: 'MANSUET_PORT' | 'MANSUET_PG_PORT', usual: number): number {
  const asked = env[setting]?.trim() ?? '';
  if (asked === '') return usual;
  const port = Number(asked);
  if (!/^\d+$/.test(asked) || port < FIRST_FOR_ALL || port > 65_535)
    throw new Plain(
      `${setting}=${asked} cannot be used as a port. Give a whole number from ${FIRST_FOR_ALL} to 65535, or leave it out for ${usual}.`,
    );
  return port;
}

/** Both ports of a start. @throws Plain for one that cannot be used, or for one port given to both */
export function readPorts(env: NodeJS.ProcessEnv, kind: SalonKind): { readonly port: number; readonly pgPort: number } {
  const port = readPort(env, 'MANSUET_PORT', 4310);
  const pgPort = readPort(env, 'MANSUET_PG_PORT', SALON_PLACES[kind].pgPort);
  if (port === pgPort) throw new Plain(`MANSUET_PORT and MANSUET_PG_PORT are both ${port}. The server and its database need one each.`);
  return { port, pgPort };
}
