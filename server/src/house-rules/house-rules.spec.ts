import { HOUSE_DEFAULTS } from '@mansuet/core/knowledge/house-rules';
import { Browser, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('house rules', () => {
  let server: SpecServer;
  let lead: Browser;
  const put = (by: Browser, question: string, choice: string, was: string): ReturnType<Browser['send']> =>
    by.send('PUT', '/api/house-rules', { question, choice, was });

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
    await lead.foundSalon();
  });
  afterAll(() => server.close());

  it('are our defaults until the salon answers, and then its own, in every session', async () => {
    const before = (await lead.send('GET', '/api/session')).json as { signedIn: { salon: { house: unknown } } };
    expect(before.signedIn.salon.house).toEqual(HOUSE_DEFAULTS);
    const reply = await put(lead, 'loop', 'never', 'attended');
    expect(reply.status).toBe(200);
    expect(reply.json).toEqual({ ...HOUSE_DEFAULTS, loop: 'never' });
    const after = (await lead.send('GET', '/api/session')).json as { signedIn: { salon: { house: unknown } } };
    expect(after.signedIn.salon.house).toEqual({ ...HOUSE_DEFAULTS, loop: 'never' });
  });

  it('are not overwritten silently: who answers what changed meanwhile is told', async () => {
    expect((await put(lead, 'muzzle', 'never', 'painful_steps')).status).toBe(200);
    const late = await put(lead, 'muzzle', 'whole_visit', 'painful_steps');
    expect(late.status).toBe(409);
    expect(late.text).toContain('Muzzle');
  });

  it('refuse answers and questions that are none', async () => {
    expect((await put(lead, 'loop', 'sometimes', 'never')).status).toBe(422);
    expect((await put(lead, 'colour', 'blue', 'red')).status).toBe(422);
    expect((await put(lead, 'loop', 'constructor', 'never')).status).toBe(422);
  });

  it('are the lead’s alone to change', async () => {
    await lead.send('POST', '/api/staff', { name: 'G', login: 'groom', password: 'ten letters and more', role: 'groomer', trained: true });
    const groomer = new Browser(server.url);
    await groomer.signIn('groom', 'ten letters and more');
    expect((await put(groomer, 'loop', 'attended', 'never')).status).toBe(403);
    expect((await new Browser(server.url).send('PUT', '/api/house-rules', {})).status).toBeGreaterThanOrEqual(401);
  });

  it('know which blades lie in the drawer, once the lead has said', async () => {
    const owned = async (by: Browser): Promise<unknown> =>
      ((await by.send('GET', '/api/session')).json as { signedIn: { salon: { bladesOwned: unknown } } }).signedIn.salon.bladesOwned;
    expect(await owned(lead)).toBeNull();
    expect((await lead.send('PUT', '/api/house-rules/blades', { blades: ['10', '7F'] })).json).toEqual(['10', '7F']);
    expect(await owned(lead)).toEqual(['10', '7F']);
    expect((await lead.send('PUT', '/api/house-rules/blades', { blades: ['11'] })).status).toBe(422);
    const groomer = new Browser(server.url);
    await groomer.signIn('groom', 'ten letters and more');
    expect((await groomer.send('PUT', '/api/house-rules/blades', { blades: [] })).status).toBe(403);
    expect(await owned(lead)).toEqual(['10', '7F']);
  });
});
