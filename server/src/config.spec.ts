import { readConfig } from './config.js';

describe('readConfig', () => {
  const env = {
    MANSUET_OWNER_URL: 'postgres://a',
    MANSUET_APP_URL: 'postgres://b',
    MANSUET_PORT: '4310',
    MANSUET_SESSION_SECRET: 'x'.repeat(32),
  };
  it('reads the environment and listens on loopback unless told otherwise', () =>
    expect(readConfig(env)).toEqual(jasmine.objectContaining({ port: 4310, host: '127.0.0.1', demo: false })));
  for (const key of Object.keys(env))
    it(`names ${key} when it is missing`, () => expect(() => readConfig({ ...env, [key]: undefined })).toThrowError(new RegExp(key)));
  it('takes the time of the machine, or as far ahead of it as it is told', () => {
    const apart =
      readConfig({ ...env, MANSUET_CLOCK_AHEAD_MS: '-3600000' })
        .clock()
        .getTime() - readConfig(env).clock().getTime();
    expect(Math.abs(apart + 3_600_000)).toBeLessThan(1000);
  });
  it('hears on a connection of its own where one is named, and else on those that it works with', () => {
    expect(readConfig(env).listenUrl).toBe('postgres://b');
    expect(readConfig({ ...env, MANSUET_LISTEN_URL: 'postgres://c' }).listenUrl).toBe('postgres://c');
    expect(() => readConfig({ ...env, MANSUET_LISTEN_URL: 'http://c' })).toThrowError(/MANSUET_LISTEN_URL/);
  });
  it('refuses a short secret and a port that is none', () => {
    expect(() => readConfig({ ...env, MANSUET_SESSION_SECRET: 'short' })).toThrowError();
    expect(() => readConfig({ ...env, MANSUET_PORT: '70000' })).toThrowError();
  });
  it('asks for HTTPS where tablets come from elsewhere, and for the address behind a proxy', () => {
    const lan = { ...env, MANSUET_HOST: '0.0.0.0' };
    expect(() => readConfig(lan)).toThrowError(/MANSUET_HOST/);
    const tls = { MANSUET_TLS_CERT: 'a.crt', MANSUET_TLS_KEY: 'a.key', MANSUET_PUBLIC_URL: 'https://salon.example:4310/' };
    expect(readConfig({ ...lan, ...tls })).toEqual(jasmine.objectContaining({ publicUrl: 'https://salon.example:4310' }));
    expect(() => readConfig({ ...env, MANSUET_TLS_CERT: 'a.crt' })).toThrowError(/MANSUET_TLS_KEY/);
    expect(() => readConfig({ ...lan, MANSUET_TRUST_PROXY: '1' })).toThrowError(/MANSUET_PUBLIC_URL/);
    expect(readConfig(env).publicUrl).toBe('http://127.0.0.1:4310');
    const many = readConfig({ ...env, MANSUET_PUBLIC_URL: 'https://*.salons.example/' });
    expect(many.publicUrl).toBe('https://*.salons.example');
    expect(() => readConfig({ ...env, MANSUET_PUBLIC_URL: 'ftp://x' })).toThrowError(/MANSUET_PUBLIC_URL/);
  });
});
