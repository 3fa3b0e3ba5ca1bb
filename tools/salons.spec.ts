import { readPorts, SALON_KINDS, SALON_PLACES } from './salons.js';

describe('the two salons of a checkout', () => {
  it('share no cluster, no database, no port and no outbox', () => {
    for (const key of ['cluster', 'database', 'pgPort', 'outbox'] as const)
      expect(new Set(SALON_KINDS.map((k) => SALON_PLACES[k][key])).size)
        .withContext(key)
        .toBe(SALON_KINDS.length);
  });
});

describe('readPorts', () => {
  it('takes the usual ports when nothing was set', () => expect(readPorts({}, 'salon')).toEqual({ port: 4310, pgPort: 54_829 }));
  it('takes what was set', () =>
    expect(readPorts({ MANSUET_PORT: '4500', MANSUET_PG_PORT: ' 5500 ' }, 'demo')).toEqual({ port: 4500, pgPort: 5500 }));
  for (const wrong of ['abc', '0', '80', '70000', '43.5', '-4310'])
    it(`names the setting that is wrong: ${wrong}`, () =>
      expect(() => readPorts({ MANSUET_PORT: wrong }, 'demo')).toThrowError(/^MANSUET_PORT=/));
  it('refuses one port for both', () => expect(() => readPorts({ MANSUET_PORT: '54829' }, 'salon')).toThrowError(/both 54829/));
});
