import express, { type Express } from 'express';
import { createServer, type Server } from 'node:http';
import pg from 'pg';
import * as z from 'zod';
import { done, refused, saying } from '@mansuet/core/words';
import { handleProblems } from '../problems/handle-problems.js';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { asMadeId } from './answers.js';
import type { Ask } from './ask.js';
import { NOTHING, routesOf } from './route.js';

const NOTE = z.strictObject({ text: z.string() });

describe('a route', () => {
  let salon: SpecServer;
  let lead: Browser;
  let salonId: string;
  let dogId: string;
  let server: Server;
  let url: string;
  let who: { salonId: string; staffId: string };
  const told: string[] = [];

  /** Stores a note of the dog, then does what the text says. */
  const work = async ({ trx, input, today, id, afterCommit }: Ask<z.infer<typeof NOTE>>) => {
    afterCommit(() => void told.push(input.text));
    afterCommit(() => (input.text === 'later throws' ? Promise.reject(new Error('no such folder')) : undefined));
    const note = { salon_id: salonId, dog_id: dogId, note_id: id('noteId'), kind: 'works' as const, said_by: 'x', said_on: today };
    await trx
      .insertInto('dog_note')
      .values({ ...note, text: input.text })
      .execute();
    if (input.text === 'throws') throw new Error('something broke');
    return input.text === 'refuses' ? refused('conflict', saying('problem.nothing_stored', {})) : done('made');
  };

  beforeAll(async () => {
    salon = await specServer();
    lead = new Browser(salon.url);
    await lead.foundSalon();
    dogId = await addDog(lead);
    const session = (await lead.send('GET', '/api/session')).json as { signedIn: { salon: { salonId: string } } };
    salonId = session.signedIn.salon.salonId;
    who = { salonId, staffId: lead.staffId };
    const route = routesOf({ db: salon.db, clock: () => new Date('2026-06-01T12:00:00Z'), publicUrl: 'http://127.0.0.1' });
    const app: Express = express();
    app.use(express.json());
    app.use((request, _response, next) => {
      Object.assign(request, { log: { error: () => undefined } });
      next();
    });
    app.post('/notes/:noteId', route('record', NOTE, work, { who: () => who, answer: asMadeId }));
    app.get(
      '/house',
      route('house_rules', NOTHING, ({ today, staff }) => done([today, staff.role]), { who: () => who }),
    );
    app.use(handleProblems(() => undefined));
    server = createServer(app);
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    const address = server.address();
    url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
  });
  afterAll(async () => {
    await new Promise<void>((closed) => server.close(() => closed()));
    await salon.close();
  });
  beforeEach(() => {
    who = { salonId, staffId: lead.staffId };
    told.length = 0;
  });

  const post = async (text: unknown, noteId: string = crypto.randomUUID()): Promise<{ status: number; text: string }> => {
    const reply = await fetch(`${url}/notes/${noteId}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', connection: 'close' },
      body: JSON.stringify({ text }),
    });
    return { status: reply.status, text: await reply.text() };
  };
  const notes = async (): Promise<string[]> =>
    (await salon.db.inSalon(salonId, (trx) => trx.selectFrom('dog_note').select('text').execute())).map((n) => n.text);

  it('answers what the work comes to, and then does what was left for after the commit', async () => {
    expect(await post('a')).toEqual({ status: 201, text: '{"id":"made"}' });
    expect([told, await notes()]).toEqual([['a'], ['a']]);
  });

  it('keeps nothing and tells nobody when the work refuses, throws, or the input is wrong', async () => {
    const before = await notes();
    expect((await post('refuses')).status).toBe(409);
    expect((await post('throws')).status).toBe(500);
    expect((await post(7)).status).toBe(422);
    expect((await post('x', 'no-id')).status).toBe(400);
    expect([told, await notes()]).toEqual([[], before]);
  });

  it('has stored it, whatever goes wrong afterwards', async () => {
    expect((await post('later throws')).status).toBe(201);
    expect(await notes()).toContain('later throws');
  });

  it('knows who asks as they are now: gone, or of another role', async () => {
    expect(await (await fetch(`${url}/house`)).json()).toEqual(['2026-06-01', 'lead']);
    const owner = new pg.Client({ connectionString: salon.ownerUrl });
    await owner.connect();
    await owner.query(`update staff set role = 'bather' where staff_id = $1`, [lead.staffId]);
    expect((await fetch(`${url}/house`)).status).toBe(403);
    await owner.query(`update staff set role = 'lead' where staff_id = $1`, [lead.staffId]);
    await owner.end();
    who = { salonId, staffId: crypto.randomUUID() };
    expect((await fetch(`${url}/house`)).status).toBe(401);
    who = { salonId: crypto.randomUUID(), staffId: lead.staffId };
    expect((await fetch(`${url}/house`)).status).toBe(401);
  });

  it('asks the database five things for a tap, however long the visit already is', async () => {
    const visitId = await bookVisit(lead, dogId);
    const tap = () =>
      lead.send('POST', `/api/visits/${visitId}/events`, {
        events: [anEvent(visitId, lead.staffId, { type: 'signal_seen', body: { signal: 'lip_lick' } })],
      });
    await lead.send('POST', `/api/visits/${visitId}/events`, {
      events: [
        anEvent(visitId, lead.staffId, { type: 'work_started', body: {} }),
        ...Array.from({ length: 80 }, () => anEvent(visitId, lead.staffId, { type: 'signal_seen', body: { signal: 'yawn' } })),
      ],
    });
    const asked = spyOn(pg.Client.prototype, 'query').and.callThrough();
    expect((await tap()).status).toBe(200);
    // The session; begin; who asks; the entry, for what is new; commit.
    expect(asked.calls.count()).toBe(5);
  });
});
