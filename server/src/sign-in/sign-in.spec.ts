import { Browser, addDog, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('sign-in', () => {
  let server: SpecServer;
  let lead: Browser;

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
  });
  afterAll(() => server.close());

  it('asks for a first run while there is no salon, and founds one only', async () => {
    expect((await lead.send('GET', '/api/session')).json).toEqual({ signedIn: null, firstRun: true, demoLogins: [] });
    const weak = await lead.send('POST', '/api/first-run', {
      salonName: '',
      name: 'L',
      login: 'lead',
      password: 'short',
      vetName: '',
      vetPhone: '',
    });
    expect(weak.status).toBe(422);
    expect(weak.text).toContain('salonName');
    expect((await lead.foundSalon()).status).toBe(201);
    expect((await new Browser(server.url).foundSalon('second')).status).toBe(409);
  });

  it('takes the right password, in any case of the name, and gives a new session id', async () => {
    const b = new Browser(server.url);
    const reply = await b.signIn('LEAD', 'ten letters and more');
    expect(reply.status).toBe(200);
    const first = b.cookie;
    await b.signIn('lead', 'ten letters and more');
    expect(b.cookie).not.toBe(first);
    expect(reply.text).not.toContain('hash');
  });

  it('sends the cookie to this site’s own requests only, out of the reach of scripts', async () => {
    const response = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ login: 'lead', password: 'ten letters and more' }),
    });
    expect(response.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Strict/);
    expect(response.headers.get('content-security-policy')).toContain("script-src 'self'");
  });

  it('needs the token for every change', async () => {
    const b = new Browser(server.url);
    await b.signIn('lead', 'ten letters and more');
    for (const [method, path] of [
      ['POST', '/api/dogs'],
      ['POST', '/api/staff'],
      ['DELETE', '/api/session'],
      ['PUT', '/api/dogs/01900000-0000-7000-8000-000000000001'],
    ] as const) {
      const reply = await b.send(method, path, {}, { 'x-csrf-token': 'made up' });
      expect(reply.status).withContext(path).toBe(403);
      expect(reply.json).toEqual(jasmine.objectContaining({ code: 'csrf' }));
    }
  });

  it('lets the lead add staff, once for a name; others may not', async () => {
    const form = { name: 'Bather', login: 'bather', password: 'ten letters and more', role: 'bather', trained: false };
    expect((await lead.send('POST', '/api/staff', form)).status).toBe(201);
    const twice = await lead.send('POST', '/api/staff', { ...form, login: 'BATHER' });
    expect(twice.status).toBe(422);
    expect(twice.text).toContain('taken');
    const bather = new Browser(server.url);
    await bather.signIn('bather', 'ten letters and more');
    expect((await bather.send('POST', '/api/staff', { ...form, login: 'x2' })).status).toBe(403);
    await expectAsync(addDog(bather)).toBeRejectedWithError(/forbidden/);
    expect((await bather.send('GET', '/api/dogs')).status).toBe(200);
  });

  it('forgets a session that signed out', async () => {
    const b = new Browser(server.url);
    await b.signIn('lead', 'ten letters and more');
    const cookie = b.cookie;
    expect((await b.send('DELETE', '/api/session')).status).toBe(204);
    b.cookie = cookie;
    expect((await b.send('GET', '/api/today')).status).toBe(401);
  });

  it('refuses wrong names and passwords alike, and after ten failures all tries', async () => {
    const b = new Browser(server.url);
    const name = await b.signIn('nobody', 'x');
    const password = await b.signIn('lead', 'x');
    expect([name.status, password.status]).toEqual([401, 401]);
    expect(name.text).toBe(password.text);
    let last = password;
    for (let i = 0; i < 10; i++) last = await b.signIn('lead', 'wrong');
    expect(last.status).toBe(429);
    expect(last.type).toContain('application/problem+json');
    expect((await b.signIn('lead', 'ten letters and more')).status).toBe(429);
  });
});
