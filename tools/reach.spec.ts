import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureCertificate } from './authority.js';
import { Plain } from './place.js';
import { readReach } from './reach.js';

describe('how the server is reached', () => {
  let directory: string;
  beforeEach(() => (directory = mkdtempSync(join(tmpdir(), 'mansuet-tls-'))));
  afterEach(() => rmSync(directory, { recursive: true }));
  const made: string[][] = [];
  const reach = (env: NodeJS.ProcessEnv) =>
    readReach(env, 4310, (names) => {
      made.push([...names]);
      return ensureCertificate(names, directory);
    });

  it('is from this machine alone, over plain HTTP, unless it is told otherwise', () => {
    const { url, door, env } = reach({});
    expect([url, door, env['MANSUET_HOST'], env['MANSUET_TLS_CERT']]).toEqual(['http://127.0.0.1:4310', undefined, '127.0.0.1', undefined]);
  });

  it('is over HTTPS from everywhere else, with a door for tablets that are new', () => {
    const { url, door, env, own } = reach({ MANSUET_HOST: '0.0.0.0', MANSUET_PUBLIC_URL: 'https://salon.test:4310/' });
    expect([url, door?.url, own]).toEqual(['https://salon.test:4310', 'http://salon.test:4311', { host: '127.0.0.1', secure: true }]);
    expect(made.at(-1)).toContain('salon.test');
    expect(env['MANSUET_TLS_AUTHORITY']).toBe(join(directory, 'authority.crt'));
    expect(door?.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
  });

  it('takes a certificate of one’s own, or a proxy’s word, and says what is missing', () => {
    const own = reach({
      MANSUET_HOST: '0.0.0.0',
      MANSUET_TLS_CERT: 'a.crt',
      MANSUET_TLS_KEY: 'a.key',
      MANSUET_PUBLIC_URL: 'https://a.example',
    });
    expect([own.url, own.door]).toEqual(['https://a.example', undefined]);
    const proxy = reach({ MANSUET_HOST: '0.0.0.0', MANSUET_TRUST_PROXY: '1', MANSUET_PUBLIC_URL: 'https://a.example' });
    expect([proxy.own.secure, proxy.env['MANSUET_TRUST_PROXY']]).toEqual([false, '1']);
    expect(() => reach({ MANSUET_TLS_CERT: 'a.crt' })).toThrowError(Plain);
    expect(() => reach({ MANSUET_HOST: '0.0.0.0', MANSUET_PUBLIC_URL: 'salon' })).toThrowError(Plain);
    expect(() => reach({ MANSUET_HOST: '0.0.0.0', MANSUET_DOOR_PORT: 'x' })).toThrowError(Plain);
  });
});
