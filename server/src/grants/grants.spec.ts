import { DEVICE_GRANTS, NEW_GRANT } from '@mansuet/core/contract';
import type { EventDraft } from '@mansuet/core/log';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';

const SEEN: EventDraft = { type: 'signal_seen', body: { signal: 'growl' } };

describe('the right of a device to write in a person’s name', () => {
  let server: SpecServer;
  let lead: Browser;
  let bather: Browser;
  let visitId: string;

  beforeAll(async () => {
    server = await specServer();
    [lead, bather] = [new Browser(server.url), new Browser(server.url)];
    await lead.foundSalon();
    const person = { name: 'Tomasz Vane', login: 'vane', password: 'a good long one', role: 'bather', trained: false };
    await lead.send('POST', '/api/staff', person);
    await bather.signIn('vane', person.password);
    visitId = await bookVisit(lead, await addDog(lead));
  });
  afterAll(() => server.close());

  const grantOf = async (who: Browser, device = 'tablet') => NEW_GRANT.parse((await who.send('POST', '/api/grants', { device })).json);
  const send = (sender: Browser, by: Browser, secret?: string, draft: EventDraft = SEEN) =>
    sender.send(
      'POST',
      `/api/visits/${visitId}/events`,
      { events: [anEvent(visitId, by.staffId, draft)] },
      secret === undefined ? {} : { 'x-mansuet-grant': secret },
    );

  it('lets nobody write as somebody else, and says which entry it was', async () => {
    const reply = await send(bather, lead);
    expect([reply.status, reply.text.includes('events.0.by')]).toEqual([403, true]);
    // Nor the lead for others: what they did is theirs.
    expect((await send(lead, bather)).status).toBe(403);
    expect((await send(bather, bather)).status).toBe(200);
  });

  it('brings what the lead recorded offline while a bather is signed in, and when nobody is', async () => {
    const { secret } = await grantOf(lead);
    expect((await send(bather, lead, secret)).status).toBe(200);
    expect((await send(new Browser(server.url), lead, secret)).status).toBe(200);
    // It is the lead's right, not whatever the bather likes.
    expect((await send(bather, bather, secret)).status).toBe(403);
    const wish: EventDraft = { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } };
    expect((await send(lead, bather, (await grantOf(bather)).secret, wish)).status).toBe(403);
  });

  it('opens nothing but sending entries', async () => {
    const { secret } = await grantOf(lead);
    const stranger = new Browser(server.url);
    for (const path of ['/api/today', `/api/visits/${visitId}/events`, '/api/grants'])
      expect((await stranger.send('GET', path, undefined, { 'x-mansuet-grant': secret })).status).toBe(401);
    expect((await stranger.send('POST', '/api/dogs', {}, { 'x-mansuet-grant': secret })).status).toBe(401);
  });

  it('ends when it is taken back, by whose it is or the lead, or given anew for the same device', async () => {
    const [first, second] = [await grantOf(bather), await grantOf(bather)];
    expect((await send(lead, bather, first.secret)).text).toContain('grant_ended');
    expect((await send(lead, bather, second.secret)).status).toBe(200);
    const other = await grantOf(lead, 'office');
    expect((await bather.send('DELETE', `/api/grants/${other.grantId}`)).status).toBe(404);
    const seen = DEVICE_GRANTS.parse((await lead.send('GET', '/api/grants')).json).grants;
    expect(seen.map((g) => [g.name, g.device])).toContain(['Tomasz Vane', 'tablet']);
    expect(DEVICE_GRANTS.parse((await bather.send('GET', '/api/grants')).json).grants.map((g) => g.name)).toEqual(['Tomasz Vane']);
    expect((await lead.send('DELETE', `/api/grants/${second.grantId}`)).status).toBe(204);
    expect((await send(lead, bather, second.secret)).status).toBe(401);
    expect((await send(lead, bather, 'x'.repeat(43))).status).toBe(401);
  });
});
