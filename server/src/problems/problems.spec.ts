import { randomUUID } from 'node:crypto';
import { A_DOG, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { problemOf } from './handle-problems.js';

describe('problems', () => {
  let server: SpecServer;
  let browser: Browser;
  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
  });
  afterAll(() => server.close());

  const cases: readonly (readonly [string, string, string, unknown, number, string])[] = [
    ['an unknown route', 'GET', '/api/nothing', undefined, 404, 'not_found'],
    ['an unknown page below the API', 'GET', '/api/dogs/x/y', undefined, 404, 'not_found'],
    ['an id that is none', 'GET', '/api/dogs/1', undefined, 400, 'bad_id'],
    ['an id of nobody', 'GET', `/api/dogs/${randomUUID()}`, undefined, 404, 'not_found'],
    ['a visit of nobody', 'GET', `/api/visits/${randomUUID()}`, undefined, 404, 'not_found'],
    ['broken JSON', 'POST', '/api/dogs', '{"dog": ', 400, 'bad_json'],
    ['a wrong type', 'POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, weightKg: 'heavy' } }, 422, 'bad_input'],
    ['a field too many', 'POST', '/api/dogs', { ...A_DOG, extra: 1 }, 422, 'bad_input'],
    ['a birth in the future', 'POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, born: '2999-01-01' } }, 422, 'bad_input'],
    ['an oversize body', 'POST', '/api/dogs', { dog: 'x'.repeat(1_200_000) }, 413, 'too_large'],
    ['a NUL in a text', 'POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, name: 'Mo\u0000ss' } }, 422, 'bad_input'],
    ['half a character', 'POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, name: 'Moss\ud83d' } }, 422, 'bad_input'],
    ['a text that turns round', 'POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, name: 'Mo\u202ess' } }, 422, 'bad_input'],
    ['no events', 'POST', `/api/visits/${randomUUID()}/events`, { events: [] }, 422, 'bad_input'],
    ['a list for an object', 'POST', '/api/dogs', [], 422, 'bad_input'],
  ];
  for (const [name, method, path, body, status, code] of cases) {
    it(`answer ${name} with ${status}, as problem+json, without a stack trace`, async () => {
      const reply = await browser.send(method, path, body);
      expect(reply.status).toBe(status);
      expect(reply.type).toContain('application/problem+json');
      expect(reply.json).toEqual(jasmine.objectContaining({ code, status, type: `/problems/${code}` }));
      expect(reply.text).not.toMatch(/\bat \/|node_modules|\.ts:|\.js:/);
    });
  }

  it('answer another media type with 415', async () => {
    expect((await browser.send('POST', '/api/dogs', 'a=b', { 'content-type': 'application/x-www-form-urlencoded' })).status).toBe(415);
  });
  it('answer everything with 401 to who is not signed in', async () => {
    const nobody = new Browser(server.url);
    for (const path of ['/api/today', '/api/dogs', `/api/visits/${randomUUID()}`, '/api/live'])
      expect((await nobody.send('GET', path)).status)
        .withContext(path)
        .toBe(401);
    expect((await nobody.send('POST', '/api/dogs', A_DOG)).status).toBe(401);
  });
  it('name the fields', async () => {
    const reply = await browser.send('POST', '/api/dogs', { ...A_DOG, owner: { ...A_DOG.owner, email: 'no' } });
    expect((reply.json as { errors: { path: string }[] }).errors.map((e) => e.path)).toEqual(['owner.email']);
  });
  it('have stored nothing of all this', async () => {
    expect((await browser.send('GET', '/api/dogs')).json).toEqual({ dogs: [] });
  });
  it('turn a database that is gone into "try again", anything unknown into "internal"', () => {
    expect(problemOf(Object.assign(new Error('x'), { code: 'ECONNREFUSED' })).status).toBe(503);
    expect(problemOf(Object.assign(new Error('x'), { code: '57P01' })).status).toBe(503);
    expect(problemOf(new TypeError('x')).status).toBe(500);
    expect(problemOf('x').status).toBe(500);
  });
});
