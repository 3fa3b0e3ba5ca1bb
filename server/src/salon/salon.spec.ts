import { NO_OPENING, SALON, type Salon, USUAL_WEEK } from '@mansuet/core/contract';
import { HAND_LIMITS, USUAL_FORMATS, USUAL_PRICE_RULE } from '@mansuet/core/words';
import { Browser, formOf, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('what a salon says of itself', () => {
  let server: SpecServer;
  let lead: Browser;
  const now = async (): Promise<Salon> => {
    const { signedIn } = (await lead.send('GET', '/api/session')).json as { signedIn: { salon: unknown } };
    return SALON.parse(signedIn.salon);
  };
  const form = (s: Salon, more: object = {}) => ({ ...formOf(s), ...more });

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
    await lead.foundSalon();
  });
  afterAll(() => server.close());

  it('is changed by the lead, and counts in every answer from then on', async () => {
    const before = await now();
    expect([before.opening, before.posts]).toEqual([NO_OPENING, []]);
    const reply = await lead.send('PUT', '/api/salon', form(before, { name: 'Saltmarsh', currency: 'NZD', timeZone: 'Pacific/Auckland' }));
    expect(reply.status).toBe(200);
    const after = await now();
    expect([after.name, after.currency, after.timeZone, after.version]).toEqual([
      'Saltmarsh',
      'NZD',
      'Pacific/Auckland',
      before.version + 1,
    ]);
  });

  it('is not written over: who changes what another has changed meanwhile is told', async () => {
    const seen = await now();
    expect((await lead.send('PUT', '/api/salon', form(seen, { vetName: 'First' }))).status).toBe(200);
    const late = await lead.send('PUT', '/api/salon', form(seen, { vetName: 'Second' }));
    expect(late.status).toBe(409);
    expect((await now()).vetName).toBe('First');
  });

  it('has its hours of each day and the days that it is shut', async () => {
    const { version } = await now();
    const week = USUAL_WEEK.map((h, i) => (i === 0 ? null : h && { from: '10:00', to: '18:30' }));
    const closed = [{ from: '2026-12-24', to: '2026-12-26' }];
    expect((await lead.send('PUT', '/api/salon/opening', { week, closed, version })).status).toBe(200);
    expect((await now()).opening).toEqual({ week, closed });
    const wrong = await lead.send('PUT', '/api/salon/opening', {
      week: week.map((h) => h && { from: '18:00', to: '10:00' }),
      closed: [{ from: '2026-12-26', to: '2026-12-24' }],
      version: version + 1,
    });
    expect(wrong.status).toBe(422);
    expect(wrong.text).toContain('week.1.to');
    expect(wrong.text).toContain('closed.0.to');
    expect((await lead.send('PUT', '/api/salon/opening', { week: week.slice(1), closed, version: version + 1 })).status).toBe(422);
  });

  it('has its posts, each with a name of its own', async () => {
    const { version } = await now();
    const post = (n: number, name: string, kind = 'table') => ({
      postId: `01900000-0000-7000-8000-00000000000${n}`,
      kind,
      name,
      room: 'Front',
    });
    const posts = [post(1, 'Window table'), post(2, 'Deep tub', 'tub')];
    expect((await lead.send('PUT', '/api/salon/posts', { posts, version })).status).toBe(200);
    expect((await now()).posts.map((p) => p.name)).toEqual(['Window table', 'Deep tub']);
    const twice = await lead.send('PUT', '/api/salon/posts', { posts: [...posts, post(3, 'deep TUB')], version: version + 1 });
    expect(twice.status).toBe(422);
    expect(twice.text).toContain('posts.2.name');
    expect((await lead.send('PUT', '/api/salon/posts', { posts: [{ ...post(1, ' '), room: '' }], version: version + 1 })).status).toBe(422);
  });

  it('has how it writes numbers and times, what hands do in a day, and how it prices', async () => {
    const before = await now();
    expect([before.formats, before.handLimits, before.priceRule]).toEqual([USUAL_FORMATS, HAND_LIMITS, USUAL_PRICE_RULE]);
    const formats = { length: 'inch', weight: 'lb', temperature: 'fahrenheit', clock: 'hours_12', date: 'month_day' };
    const more = { formats, handLimits: { clip: 120, brush: 60, bent: 90, lifted: 100 }, priceRule: { freeMinutes: 5, roundMinor: 50 } };
    expect((await lead.send('PUT', '/api/salon', form(before, more))).status).toBe(200);
    expect(await now()).toEqual(jasmine.objectContaining(more));
    const wrong = await lead.send('PUT', '/api/salon', form(await now(), { handLimits: { clip: 2, brush: 60, bent: 90, lifted: 100 } }));
    expect([wrong.status, wrong.text.includes('handLimits.clip')]).toEqual([422, true]);
  });

  it('is the lead’s alone to change', async () => {
    await lead.send('POST', '/api/staff', { name: 'G', login: 'groom', password: 'ten letters and more', role: 'groomer', trained: true });
    const groomer = new Browser(server.url);
    await groomer.signIn('groom', 'ten letters and more');
    expect((await groomer.send('PUT', '/api/salon', form(await now()))).status).toBe(403);
  });
});
