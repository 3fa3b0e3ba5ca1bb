import { randomBytes } from 'node:crypto';
import { CONSENT_TEXT_VERSION } from '@mansuet/core/agreement';
import { type AgreementOffer, DOG_FILE, EVENTS_ANSWER, MESSAGES, NEW_LINK, type NewLink, OWNER_LINKS } from '@mansuet/core/contract';
import { ENGLISH } from '@mansuet/core/locales/en';
import { replay, type VisitState } from '@mansuet/core/visit';
import { withoutSecret } from '../app.js';
import { A_DOG, Browser, addDog, anEvent, bookVisit, secondSalon, specServer, type SpecServer } from '../testing/spec-salon.js';

const SIGNATURE = { width: 300, height: 120, strokes: [[10, 10, 60, 60, 120, 20]] };
const OFFER = {
  dogName: 'Moss',
  asked: ['bath and dry'],
  possible: ['8 steps in about 90 min.'],
  notToday: [],
  extra: 'Extra time for matting: €14.40.',
  extraMinutes: 16,
  extraPriceMinor: 1440,
  consents: [
    { id: 'close_clip', text: ENGLISH.consentTexts[CONSENT_TEXT_VERSION]!.close_clip, required: true },
    { id: 'vet_emergency', text: ENGLISH.consentTexts[CONSENT_TEXT_VERSION]!.vet_emergency, required: true },
    { id: 'photographs', text: ENGLISH.consentTexts[CONSENT_TEXT_VERSION]!.photographs, required: false },
  ],
  textVersion: CONSENT_TEXT_VERSION,
  currency: 'EUR',
};
const answerOf = (closeClip: boolean) => ({
  name: 'Perpetua Glain',
  answers: [
    { id: 'close_clip', agreed: closeClip },
    { id: 'vet_emergency', agreed: true },
    { id: 'photographs', agreed: false },
  ],
  limitMinor: 30_000,
  signature: SIGNATURE,
});

describe('a link for an owner', () => {
  let server: SpecServer;
  let salon: Browser;
  let phone: Browser;
  let visitId: string;
  const secretOf = (link: NewLink): string => link.url.split('/o/')[1] ?? '';
  const makeLink = async (offer: AgreementOffer | typeof OFFER = OFFER): Promise<NewLink> =>
    NEW_LINK.parse((await salon.send('POST', `/api/visits/${visitId}/links`, { offer, toName: 'Perpetua Glain', phone: '0550 1' })).json);
  const stateNow = async (): Promise<VisitState> =>
    replay(visitId, EVENTS_ANSWER.parse((await salon.send('GET', `/api/visits/${visitId}/events`)).json).events);
  const setClock = (column: string, linkId: string): Promise<unknown> =>
    server.db.inSalon(salonId, (trx) =>
      trx
        .updateTable('owner_link')
        .set({ [column]: new Date(Date.now() - 1000).toISOString() })
        .where('link_id', '=', linkId)
        .execute(),
    );
  let salonId: string;

  beforeEach(async () => {
    server = await specServer();
    salon = new Browser(server.url);
    await salon.foundSalon();
    phone = new Browser(server.url);
    visitId = await bookVisit(salon, await addDog(salon));
    salonId = ((await salon.send('GET', '/api/session')).json as { signedIn: { salon: { salonId: string } } }).signedIn.salon.salonId;
  });
  afterEach(() => server.close());

  it('opens without a sign-in, shows what was offered and nothing else, and sets no cookie', async () => {
    const link = await makeLink();
    const reply = await phone.send('GET', `/api/o/${secretOf(link)}`);
    expect(reply.status).toBe(200);
    expect(Object.keys(reply.json as object).sort()).toEqual(['answeredAt', 'expiresAt', 'kind', 'offer', 'salonName', 'vetPhone']);
    expect(phone.cookie).toBe('');
    expect((await phone.send('GET', '/api/dogs')).status).toBe(401);
  });

  it('is sent by the stand-in gateway: the message is kept with the same address', async () => {
    const link = await makeLink();
    const { messages } = MESSAGES.parse((await salon.send('GET', '/api/messages')).json);
    expect(messages[0]).toEqual(jasmine.objectContaining({ to: 'Perpetua Glain', phone: '0550 1' }));
    expect(messages[0]?.text).toContain(link.url);
  });

  it('is answered once: consents with name, words and limit, a signature, and the agreement closed', async () => {
    const link = await makeLink();
    // The tablet's clock is ahead: the answer must still come after what it recorded.
    const ahead = anEvent(visitId, salon.staffId, { type: 'file_read', body: {} });
    await salon.send('POST', `/api/visits/${visitId}/events`, {
      events: [{ ...ahead, stamp: { ...ahead.stamp, wallMs: Date.now() + 3_600_000 } }],
    });
    expect((await phone.send('POST', `/api/o/${secretOf(link)}`, answerOf(true))).status).toBe(204);
    const state = await stateNow();
    expect(state.consents.get('close_clip')).toEqual(
      jasmine.objectContaining({ agreed: true, name: 'Perpetua Glain', via: 'link', textVersion: CONSENT_TEXT_VERSION }),
    );
    expect(state.consents.get('vet_emergency')?.limitMinor).toBe(30_000);
    expect(state.consents.get('photographs')?.agreed).toBeFalse();
    expect(state.agreed).toEqual(
      jasmine.objectContaining({ name: 'Perpetua Glain', via: 'link', extraPriceMinor: 1440, signature: SIGNATURE }),
    );
    const again = await phone.send('POST', `/api/o/${secretOf(link)}`, answerOf(false));
    expect(again.status).toBe(409);
    expect((await stateNow()).eventCount).toBe(state.eventCount);
    const view = (await phone.send('GET', `/api/o/${secretOf(link)}`)).json as { answeredAt: string | null };
    expect(view.answeredAt).not.toBeNull();
  });

  it('asks for a second number where the salon knows only one: a number, or the word that there is none', async () => {
    const ask = async (): Promise<string> => `/api/o/${secretOf(await makeLink({ ...OFFER, asksSecondNumber: true }))}`;
    const url = await ask();
    for (const half of [{}, { secondPhone: '' }, { secondPhone: ' ' }])
      expect((await phone.send('POST', url, { ...answerOf(true), ...half })).text).toContain('Give a second number');
    expect((await phone.send('POST', url, { ...answerOf(true), secondPhone: 'ring me' })).status).toBe(422);
    expect((await phone.send('POST', url, { ...answerOf(true), secondPhone: '0550 2' })).status).toBe(204);
    expect((await stateNow()).consents.get('vet_emergency')?.secondPhone).toBe('0550 2');
    expect((await phone.send('POST', await ask(), { ...answerOf(true), secondPhone: null })).status).toBe(204);
    expect((await stateNow()).consents.get('vet_emergency')?.secondPhone).toBeNull();
    // Where it was not asked, nothing is written of it.
    expect((await phone.send('POST', `/api/o/${secretOf(await makeLink())}`, { ...answerOf(true), secondPhone: '0550 3' })).status).toBe(
      204,
    );
    expect((await stateNow()).consents.get('vet_emergency')?.secondPhone).toBeUndefined();
  });

  it('takes one of two answers that come at the same time', async () => {
    const link = await makeLink();
    const replies = await Promise.all([1, 2, 3, 4].map(() => phone.send('POST', `/api/o/${secretOf(link)}`, answerOf(true))));
    expect(replies.map((r) => r.status).sort()).toEqual([204, 409, 409, 409]);
    expect((await stateNow()).eventCount).toBe(1 + 4);
  });

  it('records a refusal, and leaves the agreement open where it is needed', async () => {
    const link = await makeLink();
    expect((await phone.send('POST', `/api/o/${secretOf(link)}`, answerOf(false))).status).toBe(204);
    const state = await stateNow();
    expect(state.consents.get('close_clip')?.agreed).toBeFalse();
    expect(state.agreed).toBeUndefined();
  });

  it('takes nothing that is half, unsigned, or not what was asked', async () => {
    const secret = secretOf(await makeLink());
    const send = async (body: unknown): Promise<string> => {
      const reply = await phone.send('POST', `/api/o/${secret}`, body);
      expect(reply.status).toBe(422);
      return reply.text;
    };
    const whole = answerOf(true);
    expect(await send({ ...whole, answers: whole.answers.slice(0, 2) })).toContain('answers.photographs');
    expect(await send({ ...whole, signature: { ...SIGNATURE, strokes: [[10, 10, 11, 11]] } })).toContain('Sign with your finger');
    expect(await send({ ...whole, name: ' ' })).toContain('Write your name.');
    expect(await send({ ...whole, answers: [...whole.answers, { id: 'muzzle', agreed: true }] })).toContain('was not asked');
    expect(await send({ ...whole, answers: [...whole.answers.slice(0, 2), { id: 'close_clip', agreed: false }] })).toContain('answers');
    expect(await send({ ...whole, extraPriceMinor: 0 })).toContain('extraPriceMinor');
    expect((await stateNow()).consents.size).toBe(0);
  });

  it('is worth nothing when it is guessed, cut short, changed by one letter, or another salon’s', async () => {
    const secret = secretOf(await makeLink());
    const swapped = (secret.startsWith('A') ? 'B' : 'A') + secret.slice(1);
    for (const wrong of [randomBytes(32).toString('base64url'), secret.slice(0, -1), swapped, secret.toLowerCase(), '..%2Fsession', ' '])
      expect((await phone.send('GET', `/api/o/${wrong}`)).status)
        .withContext(wrong)
        .toBe(404);
    const linkId = (await makeLink()).linkId;
    await secondSalon(server);
    const other = new Browser(server.url);
    await other.signIn('other', 'ten letters and more');
    expect((await other.send('DELETE', `/api/links/${linkId}`)).status).toBe(404);
    expect((await other.send('GET', `/api/visits/${visitId}/links`)).json).toEqual({ links: [] });
  });

  it('shuts out an address that guesses', async () => {
    for (let i = 0; i < 20; i++) await phone.send('GET', `/api/o/${randomBytes(32).toString('base64url')}`);
    expect((await phone.send('GET', `/api/o/${randomBytes(32).toString('base64url')}`)).status).toBe(429);
  });

  it('runs out, can be taken back, and gives way to a newer one', async () => {
    const first = await makeLink();
    const second = await makeLink();
    const gone = await phone.send('GET', `/api/o/${secretOf(first)}`);
    expect([gone.status, gone.text.includes('taken this link back')]).toEqual([410, true]);
    expect(gone.text).not.toContain('Moss');
    await setClock('expires_at', second.linkId);
    const old = await phone.send('POST', `/api/o/${secretOf(second)}`, answerOf(true));
    expect([old.status, old.text.includes('has run out')]).toEqual([410, true]);
    const third = await makeLink();
    expect((await salon.send('DELETE', `/api/links/${third.linkId}`)).status).toBe(204);
    expect((await phone.send('POST', `/api/o/${secretOf(third)}`, answerOf(true))).status).toBe(410);
    const { links } = OWNER_LINKS.parse((await salon.send('GET', `/api/visits/${visitId}/links`)).json);
    expect(links.map((l) => l.state)).toEqual(['taken_back', 'taken_back', 'taken_back']);
    expect((await stateNow()).consents.size).toBe(0);
  });

  it('keeps only the hash of its secret', async () => {
    const secret = secretOf(await makeLink());
    const rows = await server.db.inSalon(salonId, (trx) => trx.selectFrom('owner_link').selectAll().execute());
    expect(JSON.stringify(rows)).not.toContain(secret);
    expect(rows[0]?.secret_hash.length).toBe(32);
  });

  it('is never written into a log with its secret', () => {
    expect(withoutSecret('/api/o/abc-DEF_1/agreement.pdf?x=1')).toBe('/api/o/…/agreement.pdf?x=1');
    expect(withoutSecret('/api/o/abc-DEF_1')).toBe('/api/o/…');
    expect(withoutSecret('/api/owners/1')).toBe('/api/owners/1');
  });

  it('gives a copy as a PDF to the salon and, once answered, to the holder', async () => {
    const secret = secretOf(await makeLink());
    expect((await phone.send('GET', `/api/o/${secret}/agreement.pdf`)).status).toBe(404);
    expect((await salon.send('GET', `/api/visits/${visitId}/agreement.pdf`)).status).toBe(404);
    await phone.send('POST', `/api/o/${secret}`, answerOf(true));
    for (const reply of [
      await phone.send('GET', `/api/o/${secret}/agreement.pdf`),
      await salon.send('GET', `/api/visits/${visitId}/agreement.pdf`),
    ]) {
      expect([reply.status, reply.type]).toEqual([200, 'application/pdf']);
      expect(reply.text.startsWith('%PDF-')).toBeTrue();
      expect(reply.text).toContain('Agreement for Moss');
    }
    expect((await new Browser(server.url).send('GET', `/api/visits/${visitId}/agreement.pdf`)).status).toBe(401);
  });
});

describe('an intake', () => {
  let server: SpecServer;
  let salon: Browser;
  const phone = (): Browser => new Browser(server.url);
  const { standingSeenMinutes: _s, biteHistory: _b, biteEndedOn: _e, ...facts } = A_DOG.dog;
  const TOLD = {
    dog: { ...facts, name: 'Tansy' },
    owner: { ...A_DOG.owner, name: 'Leopoldine Farrow' },
    bite: 'bitten',
    biteStory: 'When a mat was pulled.',
    groomedBefore: '',
    fears: 'Loud air.',
    calms: 'A hand under the chin.',
    hurtBefore: '',
  };
  const ask = async (): Promise<{ linkId: string; secret: string }> => {
    const link = NEW_LINK.parse((await salon.send('POST', '/api/intakes', { toName: 'Leopoldine Farrow', phone: '0550 2' })).json);
    return { linkId: link.linkId, secret: link.url.split('/o/')[1] ?? '' };
  };

  beforeAll(async () => {
    server = await specServer();
    salon = new Browser(server.url);
    await salon.foundSalon();
  });
  afterAll(() => server.close());

  it('waits for a review: nothing enters the file unread', async () => {
    const { secret } = await ask();
    expect((await phone().send('POST', `/api/o/${secret}`, TOLD)).status).toBe(204);
    expect((await salon.send('GET', '/api/dogs?search=tansy')).json).toEqual({ dogs: [] });
    const { links } = OWNER_LINKS.parse((await salon.send('GET', '/api/intakes')).json);
    expect([links[0]?.state, links[0]?.intake?.bite]).toEqual(['answered', 'bitten']);
  });

  it('becomes a dog with cards when the salon takes it over, once', async () => {
    const { linkId, secret } = await ask();
    await phone().send('POST', `/api/o/${secret}`, TOLD);
    const review = {
      dog: { ...A_DOG.dog, name: 'Tansy', biteHistory: true },
      owner: TOLD.owner,
      cards: ['calms', 'biteStory', 'hurtBefore'],
    };
    const taken = await salon.send('POST', `/api/intakes/${linkId}/accepted`, review);
    expect(taken.status).toBe(201);
    const id = (taken.json as { id: string }).id;
    const file = DOG_FILE.parse((await salon.send('GET', `/api/dogs/${id}`)).json);
    expect(file.dog.biteHistory).toBeTrue();
    expect(file.notes.map((n) => [n.kind, n.text, n.saidBy]).sort()).toEqual([
      ['avoid', 'When a mat was pulled.', 'Leopoldine Farrow (owner)'],
      ['works', 'A hand under the chin.', 'Leopoldine Farrow (owner)'],
    ]);
    expect((await salon.send('POST', `/api/intakes/${linkId}/accepted`, review)).status).toBe(409);
    expect((await salon.send('POST', `/api/intakes/${linkId}/set-aside`, {})).status).toBe(409);
  });

  it('asks the owner back about an odd weight, and says by the field what is wrong', async () => {
    const { secret } = await ask();
    const heavy = { ...TOLD, dog: { ...TOLD.dog, size: 'toy', weightKg: 40 } };
    expect((await phone().send('POST', `/api/o/${secret}`, heavy)).text).toContain('A toy dog of 40 kg?');
    expect((await phone().send('POST', `/api/o/${secret}`, { ...TOLD, bite: 'perhaps' })).text).toContain('"bite"');
    expect((await phone().send('POST', `/api/o/${secret}?sure=weight`, heavy)).status).toBe(204);
  });

  it('cannot be reviewed by who may not change dogs', async () => {
    const { linkId, secret } = await ask();
    await phone().send('POST', `/api/o/${secret}`, TOLD);
    await salon.send('POST', '/api/staff', { name: 'B', login: 'bath3', password: 'ten letters and more', role: 'bather', trained: false });
    const bather = new Browser(server.url);
    await bather.signIn('bath3', 'ten letters and more');
    expect((await bather.send('POST', `/api/intakes/${linkId}/set-aside`, {})).status).toBe(403);
    expect((await salon.send('POST', `/api/intakes/${linkId}/set-aside`, {})).status).toBe(204);
  });
});
