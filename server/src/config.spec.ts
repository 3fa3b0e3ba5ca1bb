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
  it('refuses a short secret and a port that is none', () => {
    expect(() => readConfig({ ...env, MANSUET_SESSION_SECRET: 'short' })).toThrowError();
    expect(() => readConfig({ ...env, MANSUET_PORT: '70000' })).toThrowError();
  });
});
