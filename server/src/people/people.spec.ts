import { BOOK, JOIN_LINK, NO_LIMITS, NO_OWN_LIMITS, PEOPLE, type Person, SESSIONS, TODAY } from '@mansuet/core/contract';
import { addDog, bookVisit, Browser, secondSalon, specServer, type SpecServer } from '../testing/spec-salon.js';

const PASSWORD = 'ten letters and more';

describe('people of a salon', () => {
  let server: SpecServer;
  let lead: Browser;
  let clock = new Date('2026-06-01T08:00:00Z');
  const people = async (): Promise<Person[]> => PEOPLE.parse((await lead.send('GET', '/api/people')).json).people;
  const person = async (staffId: string): Promise<Person> => {
    const found = (await people()).find((p) => p.staffId === staffId);
    if (!found) throw new Error('not there');
    return found;
  };
  const secretOf = (url: string): string => url.split('/').at(-1) ?? '';
  const form = ({ name, role, trained, week, breaks, off, limits, version }: Person, more: object = {}) => ({
    name,
    role,
    trained,
    week,
    breaks,
    off,
    limits,
    version,
    ...more,
  });
  /** Somebody who was invited and has chosen a password. */
  const join = async (login: string, role = 'groomer'): Promise<{ staffId: string; browser: Browser }> => {
    const made = await lead.send('POST', '/api/people', { name: login, login, role, trained: false });
    expect(made.status).withContext(made.text).toBe(201);
    const { staffId, url } = JOIN_LINK.parse(made.json);
    const anybody = new Browser(server.url);
    expect((await anybody.send('POST', `/api/join/${secretOf(url)}`, { password: PASSWORD })).status).toBe(204);
    const browser = new Browser(server.url);
    expect((await browser.signIn(login, PASSWORD)).status).toBe(200);
    return { staffId, browser };
  };

  beforeAll(async () => {
    server = await specServer({ clock: () => clock });
    lead = new Browser(server.url);
    await lead.foundSalon();
  });
  afterAll(() => server.close());

  it('say themselves what their hands do in a day, and nobody else reads it but a lead', async () => {
    const { staffId, browser } = await join('hands');
    const hands = { clip: 90, brush: null, bent: 45, lifted: null };
    expect((await browser.send('PUT', '/api/me/hands', { hands })).status).toBe(204);
    expect((await person(staffId)).hands).toEqual(hands);
    // Another change by the lead leaves it as it is.
    expect((await lead.send('PUT', `/api/people/${staffId}`, form(await person(staffId), { trained: true }))).status).toBe(204);
    expect((await person(staffId)).hands).toEqual(hands);
    const { browser: other } = await join('curious');
    const inBook = async (by: Browser) =>
      BOOK.parse((await by.send('GET', '/api/book?from=2026-06-01&to=2026-06-01')).json).people.find((p) => p.staffId === staffId)?.hands;
    expect([await inBook(lead), await inBook(browser), await inBook(other)]).toEqual([hands, hands, NO_OWN_LIMITS]);
    expect((await browser.send('PUT', '/api/me/hands', { hands: { ...hands, clip: 1 } })).status).toBe(422);
  });

  it('are invited by a link that opens once and for three days, and choose their password themselves', async () => {
    const made = JOIN_LINK.parse(
      (await lead.send('POST', '/api/people', { name: 'Odd', login: 'odd', role: 'groomer', trained: true })).json,
    );
    expect((await person(made.staffId)).hasJoined).toBeFalse();
    const anybody = new Browser(server.url);
    const path = `/api/join/${secretOf(made.url)}`;
    expect((await anybody.send('GET', path)).json).toEqual({ salonName: 'Spec', name: 'Odd', login: 'odd' });
    expect((await anybody.send('POST', path, { password: 'short' })).status).toBe(422);
    expect((await anybody.send('POST', path, { password: PASSWORD })).status).toBe(204);
    expect((await person(made.staffId)).hasJoined).toBeTrue();
    expect((await anybody.send('POST', path, { password: 'somebody else’s choice' })).status).toBe(410);
    expect((await new Browser(server.url).signIn('odd', PASSWORD)).status).toBe(200);
    expect((await lead.send('POST', '/api/people', { name: 'Odd 2', login: 'ODD', role: 'bather', trained: false })).status).toBe(422);

    const late = JOIN_LINK.parse(
      (await lead.send('POST', '/api/people', { name: 'Late', login: 'late', role: 'bather', trained: false })).json,
    );
    const then = clock;
    clock = new Date(clock.getTime() + 3 * 24 * 3_600_000 + 1);
    expect((await anybody.send('POST', `/api/join/${secretOf(late.url)}`, { password: PASSWORD })).status).toBe(410);
    clock = then;
    expect((await anybody.send('GET', `/api/join/${'A'.repeat(43)}`)).status).toBe(404);
  });

  it('have hours, breaks, days off and limits, which only the lead and they themselves see', async () => {
    const { staffId, browser } = await join('wick');
    const was = await person(staffId);
    const limits = { liftKg: 10, noBiters: true, noCatching: true, products: 'no lime dip' };
    const week = [null, ...Array<{ from: string; to: string }>(6).fill({ from: '09:00', to: '14:00' })];
    const change = form(was, {
      week,
      limits,
      breaks: [{ minutes: 30, from: '11:30', to: '12:30' }],
      off: [{ from: '2026-07-01', to: '2026-07-14' }],
    });
    expect((await lead.send('PUT', `/api/people/${staffId}`, change)).status).toBe(204);
    expect((await person(staffId)).limits).toEqual(limits);
    expect(PEOPLE.parse((await browser.send('GET', '/api/me')).json).people.map((p) => p.limits)).toEqual([limits]);
    expect((await browser.send('GET', '/api/people')).status).toBe(403);
    const today = await browser.send('GET', '/api/today');
    expect(today.text).not.toContain('lime dip');
    // What somebody else has changed meanwhile is not written over.
    expect((await lead.send('PUT', `/api/people/${staffId}`, { ...change, limits: NO_LIMITS })).status).toBe(409);
  });

  it('leave and come back: nothing of theirs counts meanwhile, all that they did stays', async () => {
    const { staffId, browser } = await join('fern');
    const dogId = await addDog(lead);
    browser.staffId = staffId;
    await bookVisit(browser, dogId);
    expect((await person(staffId)).visitsAhead).toBe(1);
    expect((await lead.send('POST', `/api/people/${staffId}/leave`)).status).toBe(204);
    expect((await browser.send('GET', '/api/today')).status).toBe(401);
    expect((await new Browser(server.url).signIn('fern', PASSWORD)).status).toBe(401);
    expect((await lead.send('POST', `/api/people/${staffId}/password-link`)).status).toBe(409);
    expect((await person(staffId)).leftAt).not.toBeNull();
    const { staff } = TODAY.parse((await lead.send('GET', '/api/today')).json);
    expect(staff.find((s) => s.staffId === staffId)?.left).toBeTrue();
    // The name is not given to somebody else.
    expect((await lead.send('POST', '/api/people', { name: 'X', login: 'fern', role: 'groomer', trained: false })).status).toBe(422);
    expect((await lead.send('POST', `/api/people/${staffId}/come-back`)).status).toBe(204);
    expect((await new Browser(server.url).signIn('fern', PASSWORD)).status).toBe(200);
  });

  it('keep a lead: the last one neither leaves nor steps down', async () => {
    const me = (await people()).find((p) => p.login === 'lead');
    if (!me) throw new Error('no lead');
    expect((await lead.send('POST', `/api/people/${me.staffId}/leave`)).status).toBe(409);
    const down = await lead.send('PUT', `/api/people/${me.staffId}`, form(me, { role: 'groomer' }));
    expect(down.status).toBe(422);
    expect(down.text).toContain('role');
    // One who was invited and never came in is none yet.
    await lead.send('POST', '/api/people', { name: 'Second', login: 'second', role: 'lead', trained: true });
    expect((await lead.send('POST', `/api/people/${me.staffId}/leave`)).status).toBe(409);
  });

  it('change their password, which ends all other places where they are signed in', async () => {
    const { browser } = await join('reed');
    const elsewhere = new Browser(server.url);
    await elsewhere.signIn('reed', PASSWORD);
    const change = (old: string, password: string) => browser.send('PUT', '/api/me/password', { old, password });
    const wrong = await change('not my password', 'another long password');
    expect(wrong.status).toBe(422);
    expect(wrong.text).toContain('old');
    expect((await change(PASSWORD, 'another long password')).status).toBe(204);
    expect((await elsewhere.send('GET', '/api/today')).status).toBe(401);
    expect((await browser.send('GET', '/api/today')).status).toBe(200);
    expect((await new Browser(server.url).signIn('reed', PASSWORD)).status).toBe(401);
  });

  it('are given a new password by a link of the lead, and the old one counts no more', async () => {
    const { staffId, browser } = await join('rush');
    const link = JOIN_LINK.parse((await lead.send('POST', `/api/people/${staffId}/password-link`)).json);
    expect((await browser.send('GET', '/api/today')).status).toBe(401);
    expect((await new Browser(server.url).signIn('rush', PASSWORD)).status).toBe(401);
    await new Browser(server.url).send('POST', `/api/join/${secretOf(link.url)}`, { password: 'a new long password' });
    expect((await new Browser(server.url).signIn('rush', 'a new long password')).status).toBe(200);
    expect((await browser.send('POST', `/api/people/${staffId}/password-link`)).status).toBe(401);
  });

  it('see where they are signed in and end it there; the lead does it for everybody', async () => {
    const { staffId, browser } = await join('moss');
    const lost = new Browser(server.url);
    await lost.signIn('moss', PASSWORD);
    const sessions = async (by: Browser, path = '/api/sessions') => SESSIONS.parse((await by.send('GET', path)).json).sessions;
    const mine = await sessions(browser);
    expect(mine.map((s) => s.here).sort()).toEqual([false, true]);
    expect(JSON.stringify(mine)).not.toContain(decodeURIComponent(browser.cookie).slice(8, 30));
    const other = mine.find((s) => !s.here);
    expect((await browser.send('POST', '/api/sessions/end', { key: other?.key })).status).toBe(204);
    expect((await lost.send('GET', '/api/today')).status).toBe(401);
    expect((await browser.send('POST', '/api/sessions/end', { key: other?.key })).status).toBe(404);
    // Nobody ends another’s, but the lead.
    const { browser: nosy } = await join('nosy');
    const [left] = await sessions(lead, `/api/people/${staffId}/sessions`);
    expect((await nosy.send('POST', '/api/sessions/end', { key: left?.key, staffId })).status).toBe(404);
    expect((await lead.send('POST', '/api/sessions/end', { key: left?.key, staffId })).status).toBe(204);
    expect((await browser.send('GET', '/api/today')).status).toBe(401);
  });

  it('are of one salon: the lead of another neither sees where they are signed in nor ends it', async () => {
    const { staffId, browser } = await join('teal');
    await secondSalon(server);
    const other = new Browser(server.url);
    expect((await other.signIn('other', PASSWORD)).status).toBe(200);
    const [mine] = SESSIONS.parse((await browser.send('GET', '/api/sessions')).json).sessions;
    expect(SESSIONS.parse((await other.send('GET', `/api/people/${staffId}/sessions`)).json).sessions).toEqual([]);
    expect((await other.send('POST', '/api/sessions/end', { key: mine?.key, staffId })).status).toBe(404);
    for (const way of ['leave', 'come-back', 'password-link'])
      expect((await other.send('POST', `/api/people/${staffId}/${way}`)).status).toBe(404);
    expect((await browser.send('GET', '/api/today')).status).toBe(200);
  });
});
