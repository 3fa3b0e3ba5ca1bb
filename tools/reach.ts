import { request as httpRequest } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { readFileSync } from 'node:fs';
import { fingerprintOf } from '../server/src/door/door.js';
import { ensureCertificate, namesOfThisMachine } from './authority.js';
import { Plain } from './place.js';

/** How the server is reached. */
export interface Reach {
  /** What the server reads of it from its environment. */
  readonly env: NodeJS.ProcessEnv;
  readonly url: string;
  /** Where a tablet learns to trust the certificate, and what it is to be compared with. */
  readonly door: { readonly url: string; readonly port: number; readonly fingerprint: string } | undefined;
  /** Where this machine itself asks whether it answers. */
  readonly own: { readonly secure: boolean; readonly host: string };
}

/** Settings of the server that are handed on as they are. */
const HANDED_ON = ['MANSUET_TRUST_PROXY', 'MANSUET_HSTS_SECONDS', 'MANSUET_PUBLIC_URL'] as const;

/**
 * From loopback alone, unless `MANSUET_HOST` says where to listen: then over HTTPS, with the salon's own certificate, one of the local authority
 * that is made here, or behind a proxy that speaks TLS.
 * @throws Plain for settings that do not go together
 */
export function readReach(env: NodeJS.ProcessEnv, port: number, certificate = ensureCertificate): Reach {
  const host = env['MANSUET_HOST']?.trim() || '127.0.0.1';
  const handed = Object.fromEntries(HANDED_ON.flatMap((key) => (env[key] === undefined ? [] : [[key, env[key]]])));
  const own = { host: ['0.0.0.0', '::'].includes(host) ? '127.0.0.1' : host };
  const [cert, key] = [env['MANSUET_TLS_CERT'], env['MANSUET_TLS_KEY']];
  if ((cert === undefined) !== (key === undefined))
    throw new Plain('MANSUET_TLS_CERT and MANSUET_TLS_KEY come together: set both, or none.');
  const said = env['MANSUET_PUBLIC_URL']?.replace(/\/+$/, '');
  if (said !== undefined && !URL.canParse(said))
    throw new Plain(`MANSUET_PUBLIC_URL=${said} is no address. Give one such as https://salon.example:${port}`);
  if (cert !== undefined && key !== undefined)
    return {
      env: {
        ...handed,
        MANSUET_HOST: host,
        MANSUET_TLS_CERT: cert,
        MANSUET_TLS_KEY: key,
        MANSUET_PUBLIC_URL: said ?? `https://${own.host}:${port}`,
      },
      url: said ?? `https://${own.host}:${port}`,
      door: undefined,
      own: { ...own, secure: true },
    };
  const local = own.host === 'localhost' || own.host.startsWith('127.');
  if ((local && host === own.host) || (env['MANSUET_TRUST_PROXY'] ?? '0') !== '0') {
    const url = said ?? `http://${own.host}:${port}`;
    return { env: { ...handed, MANSUET_HOST: host, MANSUET_PUBLIC_URL: url }, url, door: undefined, own: { ...own, secure: false } };
  }
  const names = [...new Set([...(said === undefined ? [] : [new URL(said).hostname]), ...namesOfThisMachine()])];
  const made = certificate(names);
  const seenAs =
    host === own.host ? host : (names.find((n) => /^\d+\.\d+\.\d+\.\d+$/.test(n) && !n.startsWith('127.')) ?? names[0] ?? host);
  const url = said ?? `https://${seenAs}:${port}`;
  const doorPort = Number(env['MANSUET_DOOR_PORT'] ?? port + 1);
  if (!Number.isInteger(doorPort) || doorPort < 1 || doorPort > 65_535)
    throw new Plain(
      `MANSUET_DOOR_PORT=${env['MANSUET_DOOR_PORT'] ?? ''} cannot be used as a port. Give a whole number, or leave it out for ${port + 1}.`,
    );
  return {
    env: {
      ...handed,
      MANSUET_HOST: host,
      MANSUET_PUBLIC_URL: url,
      MANSUET_TLS_CERT: made.cert,
      MANSUET_TLS_KEY: made.key,
      MANSUET_TLS_AUTHORITY: made.authority,
      MANSUET_DOOR_PORT: String(doorPort),
    },
    url,
    door: {
      url: `http://${new URL(url).hostname}:${doorPort}`,
      port: doorPort,
      fingerprint: fingerprintOf(readFileSync(made.authority, 'utf8')),
    },
    own: { ...own, secure: true },
  };
}

/** Whether the server says that it is alive. Its certificate is not asked about: it is this machine's own. */
export function isHealthy(own: Reach['own'], port: number): Promise<boolean> {
  const to = { host: own.host, port, path: '/api/health', timeout: 2000 };
  return new Promise((done) => {
    const asked = own.secure ? httpsRequest({ ...to, rejectUnauthorized: false }) : httpRequest(to);
    asked.on('response', (answer) => {
      answer.resume();
      done(answer.statusCode === 200);
    });
    asked.on('timeout', () => asked.destroy());
    asked.on('error', () => done(false));
    asked.end();
  });
}
