import { randomUUID } from 'node:crypto';
import type { EventDraft } from '@mansuet/core/log';
import { DOG_FILE, DOG_LIST, type DogFile, type DogList } from '@mansuet/core/contract';
import { A_DOG, Browser, addDog, anEvent, bookVisit, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('the dog’s file', () => {
  let server: SpecServer;
  let browser: Browser;
  const file = async (id: string): Promise<DogFile> => DOG_FILE.parse((await browser.send('GET', `/api/dogs/${id}`)).json);
  const find = async (text: string, archived = false): Promise<DogList['dogs']> =>
    DOG_LIST.parse((await browser.send('GET', `/api/dogs?search=${encodeURIComponent(text)}${archived ? '&archived=1' : ''}`)).json).dogs;

  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
  });
  afterAll(() => server.close());

  it('keeps each weight that was typed in, one a day, and those of the scale from the visit', async () => {
    const id = await addDog(browser);
    await browser.send('PUT', `/api/dogs/${id}`, { dog: { ...A_DOG.dog, weightKg: 19 }, version: 1 });
    await browser.send('PUT', `/api/dogs/${id}`, { dog: { ...A_DOG.dog, weightKg: 19.5 }, version: 2 });
    const visitId = await bookVisit(browser, id);
    await browser.send('POST', `/api/visits/${visitId}/events`, {
      events: [anEvent(visitId, browser.staffId, { type: 'weighed', body: { kg: 18.4 } })],
    });
    expect((await file(id)).weights.map((w) => [w.kg, w.by])).toEqual([
      [19.5, 'file'],
      [18.4, 'scale'],
    ]);
  });

  it('keeps how it bears being handled, how it was hurt, and the marks of a visit with kind and spot', async () => {
    const told = {
      resents: ['tail', 'mouth'],
      injuries: [{ kind: 'burn', zone: 'belly', on: '2026-06-01', here: false }],
      warned: { what: 'snapped', on: '2026-10-01' },
      groomedBy: 'elsewhere',
      groomedOn: '2026-09-01',
      muzzleUsed: true,
      soreWhenLifted: false,
      liesOn: 'left',
      guards: ['food'],
      slipsCollar: true,
    } as const;
    const id = await addDog(browser);
    expect((await file(id)).dog).toEqual(jasmine.objectContaining({ resents: [], injuries: [], warned: null, muzzleUsed: null }));
    expect((await browser.send('PUT', `/api/dogs/${id}`, { dog: { ...A_DOG.dog, ...told }, version: 1 })).status).toBe(204);
    expect((await file(id)).dog).toEqual(jasmine.objectContaining(told));
    const visitId = await bookVisit(browser, id);
    const markId = randomUUID();
    const mark = {
      markId,
      zone: 'back',
      lengthMm: 8,
      widthMm: 6,
      border: 'regular',
      surface: 'smooth',
      kind: 'hangs',
      spot: [0.25, 0.5],
    } as const;
    const felt: EventDraft = { type: 'mark_felt', body: { ...mark, spot: [0.25, 0.5], isNew: true } };
    const again: EventDraft = { type: 'mark_as_before', body: { ...mark, markId: randomUUID(), spot: [0.25, 0.5], on: '2026-01-01' } };
    await browser.send('POST', `/api/visits/${visitId}/events`, {
      events: [anEvent(visitId, browser.staffId, felt), anEvent(visitId, browser.staffId, again)],
    });
    // What was only felt again is no measure.
    expect((await file(id)).marks.map(({ visitId: _visit, seenOn: _on, ...m }) => m)).toEqual([{ ...mark, spot: [0.25, 0.5] }]);
  });

  it('takes the word that ends a bite from the lead alone, and no form carries it', async () => {
    const id = await addDog(browser);
    const word = (who: Browser, on: string | null) => who.send('PUT', `/api/dogs/${id}/bite-ended`, { on });
    const ended = async (): Promise<string | null> => (await file(id)).dog.biteEndedOn;
    await browser.send('POST', '/api/staff', {
      name: 'G',
      login: 'biter',
      password: 'ten letters and more',
      role: 'groomer',
      trained: true,
    });
    const groomer = new Browser(server.url);
    await groomer.signIn('biter', 'ten letters and more');
    expect((await word(groomer, '2026-10-01')).status).toBe(403);
    const form = { dog: { ...A_DOG.dog, biteHistory: true, biteEndedOn: '2026-10-01' }, version: 1 };
    expect((await groomer.send('PUT', `/api/dogs/${id}`, form)).status).toBe(204);
    expect(await ended()).toBeNull();
    expect((await word(browser, '2999-01-01')).text).toContain('This day has not come yet.');
    expect((await word(browser, '2026-10-01')).status).toBe(204);
    expect((await groomer.send('PUT', `/api/dogs/${id}`, { ...form, dog: { ...A_DOG.dog, biteEndedOn: null }, version: 3 })).status).toBe(
      204,
    );
    expect(await ended()).toBe('2026-10-01');
    await word(browser, null);
    expect(await ended()).toBeNull();
    expect((await browser.send('PUT', `/api/dogs/${randomUUID()}/bite-ended`, { on: null })).status).toBe(404);
  });

  it('asks back about a weight that may be a slip, and takes it when it is right', async () => {
    const heavy = { ...A_DOG.dog, size: 'toy', weightKg: 70 };
    const asked = await browser.send('POST', '/api/dogs', { ...A_DOG, dog: heavy });
    expect(asked.status).toBe(422);
    expect(asked.json).toEqual(jasmine.objectContaining({ code: 'ask_back' }));
    expect(asked.text).toContain('A toy dog of 70 kg?');
    expect((await browser.send('POST', '/api/dogs', { ...A_DOG, dog: heavy, sure: ['dog.weightKg'] })).status).toBe(201);
    const id = await addDog(browser);
    const halved = { dog: { ...A_DOG.dog, weightKg: 9 }, version: 1 };
    expect((await browser.send('PUT', `/api/dogs/${id}`, halved)).text).toContain('It weighed 18 kg before');
    expect((await browser.send('PUT', `/api/dogs/${id}`, { ...halved, sure: ['dog.weightKg'] })).status).toBe(204);
  });

  it('refuses dates that cannot be and sizes that are none, by the field', async () => {
    const born = await browser.send('POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, born: '2021-02-30' } });
    expect([born.status, born.text.includes('dog.born')]).toEqual([422, true]);
    const future = await browser.send('POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, born: '2999-01-01' } });
    expect(future.text).toContain('This day has not come yet.');
    const size = await browser.send('POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, size: 'huge' } });
    expect([size.status, size.text.includes('dog.size')]).toEqual([422, true]);
    const unsure = await browser.send('POST', '/api/dogs', { ...A_DOG, dog: { ...A_DOG.dog, bornWithinMonths: -3 } });
    expect(unsure.text).toContain('dog.bornWithinMonths');
  });

  it('puts a dog away and brings it back, with its record whole', async () => {
    const id = await addDog(browser);
    await browser.send('POST', `/api/dogs/${id}/notes`, { kind: 'works', text: 'Quiet voice.', saidBy: 'Lead' });
    expect((await browser.send('PUT', `/api/dogs/${id}/archived`)).status).toBe(204);
    expect((await find('moss')).map((d) => d.dogId)).not.toContain(id);
    expect((await find('moss', true)).find((d) => d.dogId === id)?.archived).toBeTrue();
    await expectAsync(bookVisit(browser, id)).toBeRejectedWithError(/was put away: bring it back first/);
    expect((await browser.send('DELETE', `/api/dogs/${id}/archived`)).status).toBe(204);
    await bookVisit(browser, id);
    expect((await find('moss')).map((d) => d.dogId)).toContain(id);
    expect((await file(id)).notes[0]?.text).toBe('Quiet voice.');
  });

  it('reads two files of one dog as one, and takes them apart again as they were', async () => {
    const [into, other, third] = [await addDog(browser), await addDog(browser), await addDog(browser)];
    await browser.send('POST', `/api/dogs/${other}/notes`, { kind: 'avoid', text: 'Dryer at the head.', saidBy: 'Lead' });
    const before = await file(other);
    expect((await browser.send('POST', `/api/dogs/${into}/merged`, { other: into })).status).toBe(422);
    expect((await browser.send('POST', `/api/dogs/${other}/merged`, { other: third })).status).toBe(204);
    expect((await browser.send('POST', `/api/dogs/${into}/merged`, { other })).status).toBe(204);
    const one = await file(into);
    // What the other one held comes along: there is never a chain.
    expect(one.merged.map((m) => m.dogId).sort()).toEqual([other, third].sort());
    expect(one.notes.map((n) => n.text)).toContain('Dryer at the head.');
    expect((await file(other)).mergedInto).toBe(into);
    expect((await find('moss', true)).map((d) => d.dogId)).not.toContain(other);
    expect((await browser.send('POST', `/api/dogs/${other}/merged`, { other: into })).status).toBe(409);
    expect((await browser.send('DELETE', `/api/dogs/${into}/merged/${other}`)).status).toBe(204);
    expect(await file(other)).toEqual(before);
  });

  it('shows a visit of a merged file with the whole file, and counts it', async () => {
    const [into, other] = [await addDog(browser), await addDog(browser)];
    const visitId = await bookVisit(browser, other);
    await browser.send('POST', `/api/dogs/${into}/merged`, { other });
    const visit = (await browser.send('GET', `/api/visits/${visitId}`)).json as { file: { dogId: string } };
    expect(visit.file.dogId).toBe(into);
  });

  it('takes a card away and gives it back to put it where it was', async () => {
    const id = await addDog(browser);
    await browser.send('POST', `/api/dogs/${id}/notes`, { kind: 'works', text: 'A hand first.', saidBy: 'Odd Marrow' });
    const noteId = (await file(id)).notes[0]!.noteId;
    const gone = await browser.send('DELETE', `/api/dogs/${id}/notes/${noteId}`);
    expect(gone.json).toEqual({ kind: 'works', text: 'A hand first.', saidBy: 'Odd Marrow' });
    expect((await file(id)).notes).toEqual([]);
    expect((await browser.send('DELETE', `/api/dogs/${id}/notes/${noteId}`)).status).toBe(404);
  });

  it('changes an owner only from what was read, and finds the dog by the new name at once', async () => {
    const id = await addDog(browser);
    const { owner } = await file(id);
    const contacts = [{ name: 'Ulrike Tarn', phone: '0999 77 66', role: 'emergency' }];
    const change = { owner: { name: 'Hollis Quern', phone: '0550 4321', email: '', contacts }, version: 1 };
    expect((await browser.send('PUT', `/api/owners/${owner.ownerId}`, change)).status).toBe(204);
    expect((await browser.send('PUT', `/api/owners/${owner.ownerId}`, change)).status).toBe(409);
    for (const text of ['quern', 'hollis', '4321', 'ulrike', '997766'])
      expect((await find(text)).map((d) => d.dogId))
        .withContext(text)
        .toEqual([id]);
    expect((await file(id)).owner.contacts).toEqual([{ name: 'Ulrike Tarn', phone: '0999 77 66', role: 'emergency' }]);
  });
});

describe('the search', () => {
  let server: SpecServer;
  let browser: Browser;
  const enter = async (name: string, owner: string, phone: string): Promise<void> => {
    const reply = await browser.send('POST', '/api/dogs', {
      dog: { ...A_DOG.dog, name },
      owner: { name: owner, phone, email: '', contacts: [] },
    });
    expect(reply.status).toBe(201);
  };
  const find = async (text: string): Promise<string[]> =>
    DOG_LIST.parse((await browser.send('GET', `/api/dogs?search=${encodeURIComponent(text)}`)).json).dogs.map((d) => d.name);

  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
    await enter('Bramble', 'Wilhelmina Osk', '0550 100101');
    await enter('Brandy', 'Noémi Léger', '0550 100102');
    await enter('Fig', 'Philippa Drum', '0550 (100) 103');
    await enter('Kestrel', 'Meyer Catherine', '+43 660 555 12');
    await enter('Ottoline', 'Bramble Hayward', '0550 100105');
  });
  afterAll(() => server.close());

  it('puts the dog of that name before an owner of that name', async () => {
    expect((await find('bramble')).slice(0, 2)).toEqual(['Bramble', 'Ottoline']);
  });
  it('finds by the beginning of a word, from one letter on', async () => {
    expect(await find('wil')).toEqual(['Bramble']);
    expect((await find('b')).sort()).toEqual(['Bramble', 'Brandy', 'Ottoline']);
  });
  it('forgives one letter in a short word, two in a long one', async () => {
    expect(await find('figg')).toContain('Fig');
    expect((await find('brmble'))[0]).toBe('Bramble');
    expect((await find('otolyne'))[0]).toBe('Ottoline');
    expect(await find('xqzw')).toEqual([]);
  });
  it('finds what sounds alike', async () => {
    expect(await find('filipa')).toContain('Fig');
    expect(await find('katharine')).toContain('Kestrel');
    expect(await find('maier')).toContain('Kestrel');
  });
  it('does not mind accents', async () => {
    expect(await find('noemi leger')).toEqual(['Brandy']);
    expect(await find('Noémi')).toEqual(['Brandy']);
  });
  it('finds by digits of a phone, however either was written', async () => {
    expect(await find('100 103')).toEqual(['Fig']);
    expect(await find('66055512')).toEqual(['Kestrel']);
    expect((await find('0550')).length).toBe(4);
  });
  it('wants every word: dog and owner, or dog and phone', async () => {
    expect(await find('brandy leger')).toEqual(['Brandy']);
    expect(await find('brandy osk')).toEqual([]);
    expect(await find('fig 103')).toEqual(['Fig']);
  });
  it('takes signs of a query language for what they are: nothing', async () => {
    for (const text of ['%', "'; drop table dog; --", '_', '\\'])
      expect(await find(text))
        .withContext(text)
        .toEqual([]);
    expect((await find('')).length).toBe(5);
  });
});
