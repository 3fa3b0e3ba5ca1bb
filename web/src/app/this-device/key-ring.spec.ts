import { type DestroyableInjector, Injector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { until } from '../testing/page';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { KeyRing, RING_CHANNEL } from './key-ring';

/** What is waited for is on no page. */
const NO_PAGE = { whenStable: () => Promise.resolve() };

const [LEAD, BATHER] = ['01900000-0000-7000-8000-000000000001', '01900000-0000-7000-8000-000000000002'];

describe('KeyRing', () => {
  let db: VisitDb;
  /** The page, loaded anew on the same device. */
  const start = async (): Promise<KeyRing> => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [{ provide: VISIT_DB, useValue: db }] });
    const ring = TestBed.inject(KeyRing);
    await ring.look();
    return ring;
  };
  beforeEach(() => (db = new VisitDb(`spec-${crypto.randomUUID()}`)));
  afterEach(() => db.delete());

  it('keeps the rights of several people over a restart, and nowhere in the clear', async () => {
    const ring = await start();
    await ring.keep(LEAD, 'grant-1', 'secret of the lead');
    await ring.keep(BATHER, 'grant-2', 'secret of the bather');
    const later = await start();
    expect([await later.secretOf(LEAD), await later.secretOf(BATHER)]).toEqual(['secret of the lead', 'secret of the bather']);
    expect(await later.grantIdOf(LEAD)).toBe('grant-1');
    const grants = await db.grants.toArray();
    expect(grants.map((g) => new TextDecoder().decode(g.box)).join()).not.toContain('secret');
    await later.drop(LEAD);
    expect(await later.secretOf(LEAD)).toBeUndefined();
  });

  it('is locked by a PIN after a restart and by hand, and opened by nothing else', async () => {
    const ring = await start();
    await ring.keep(LEAD, 'grant-1', 'secret');
    await ring.setPin('4711');
    expect([ring.hasPin(), ring.locked(), await ring.secretOf(LEAD)]).toEqual([true, false, 'secret']);
    ring.lock();
    expect([ring.locked(), await ring.secretOf(LEAD)]).toEqual([true, undefined]);
    const later = await start();
    expect([later.locked(), await later.secretOf(LEAD)]).toEqual([true, undefined]);
    expect(await later.unlock('1174')).toBe('wrong');
    expect(await later.unlock('4711')).toBe('open');
    expect([later.locked(), await later.secretOf(LEAD)]).toEqual([false, 'secret']);
    await later.removePin();
    expect([(await start()).locked(), await (await start()).secretOf(LEAD)]).toEqual([false, 'secret']);
  });

  it('is empty after six wrong PINs, whatever restarts lie between', async () => {
    const ring = await start();
    await ring.keep(LEAD, 'grant-1', 'secret');
    await ring.setPin('4711');
    const answers = [];
    for (let i = 0; i < 6; i++) answers.push(await (await start()).unlock('0000'));
    expect(answers).toEqual(['wrong', 'wrong', 'wrong', 'wrong', 'wrong', 'gone']);
    const later = await start();
    expect([later.locked(), await later.secretOf(LEAD)]).toEqual([false, undefined]);
  });

  it('is locked in all tabs at once, and opens in each by the PIN', async () => {
    const name = `spec-${crypto.randomUUID()}`;
    const tab = async (): Promise<KeyRing> => {
      const injector = Injector.create({
        providers: [
          { provide: VISIT_DB, useValue: db },
          { provide: RING_CHANNEL, useFactory: () => new BroadcastChannel(name) },
          { provide: KeyRing, useClass: KeyRing },
        ],
      });
      tabs.push(injector);
      const ring = injector.get(KeyRing);
      await ring.look();
      return ring;
    };
    const tabs: DestroyableInjector[] = [];
    const [one, other] = [await tab(), await tab()];
    await one.keep(LEAD, 'grant-1', 'secret');
    expect(await other.secretOf(LEAD)).toBe('secret');
    await one.setPin('2468');
    await until(NO_PAGE, () => other.locked());
    expect(await other.secretOf(LEAD)).toBeUndefined();
    expect(await other.unlock('2468')).toBe('open');
    expect(await other.secretOf(LEAD)).toBe('secret');
    one.lock();
    await until(NO_PAGE, () => other.locked());
    expect(await other.secretOf(LEAD)).toBeUndefined();
    for (const t of tabs) t.destroy();
  });
});
