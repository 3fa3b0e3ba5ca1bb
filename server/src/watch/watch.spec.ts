import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { sql } from 'kysely';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { PROBLEM, RUNNING, type Running, SESSION } from '@mansuet/core/contract';
import { openDatabase } from '../database/database.js';
import { handleProblems } from '../problems/handle-problems.js';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { Measures } from './measures.js';
import { metricsDoor } from './metrics-door.js';
import { during, numberRequest } from './request-id.js';
import { hearQueries } from './slow-queries.js';

/** A log that keeps its lines. */
function keptLog(): { readonly log: pino.Logger; readonly lines: () => readonly Record<string, unknown>[] } {
  const kept: string[] = [];
  const log = pino({ level: 'warn' }, { write: (line: string) => void kept.push(line) });
  return { log, lines: () => kept.map((line) => JSON.parse(line) as Record<string, unknown>) };
}

describe('a product that is seen while it runs', () => {
  const folder = mkdtempSync(join(tmpdir(), 'mansuet-watch-'));
  const lastBackupFile = join(folder, 'last-backup.json');
  let server: SpecServer;
  let lead: Browser;
  beforeAll(async () => {
    server = await specServer({ lastBackupFile });
    lead = new Browser(server.url);
    await lead.foundSalon();
  });
  afterAll(async () => {
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  });
  const running = async (): Promise<Running> => RUNNING.parse((await lead.send('GET', '/api/running')).json);

  it('says to the lead how the last backup went, and to nobody else', async () => {
    expect((await running()).backup).toBeNull();
    expect((await running()).parts.backup).toBe('act');
    const at = new Date().toISOString();
    const last = { begunAt: at, endedAt: at, ok: true, says: '4 MB stored' };
    writeFileSync(lastBackupFile, JSON.stringify(last));
    const well = await running();
    expect([well.backup, well.parts.backup]).toEqual([last, 'good']);
    writeFileSync(lastBackupFile, JSON.stringify({ ...last, ok: false }));
    expect((await running()).parts.backup).toBe('look');
    writeFileSync(lastBackupFile, '{"begun');
    expect((await running()).backup).toBeNull();
    expect(well.disk.freeBytes).toBeGreaterThan(0);
    expect(well.disk.bytes).toBeGreaterThan(well.disk.freeBytes);
    await lead.send('POST', '/api/staff', { name: 'G', login: 'groom', password: 'ten letters and more', role: 'groomer', trained: true });
    const groomer = new Browser(server.url);
    await groomer.signIn('groom', 'ten letters and more');
    expect((await groomer.send('GET', '/api/running')).status).toBe(403);
  });

  it('says which device’s entries came late, by its latest one, and what waits in the post', async () => {
    const visitId = await bookVisit(lead, await addDog(lead));
    expect((await running()).devices.map((d) => [d.device, d.who, d.minutesLate])).toEqual([['spec', 'Lead', 0]]);
    const made = anEvent(visitId, lead.staffId, { type: 'file_read', body: {} });
    const ago = Date.now() - 40 * 60_000;
    const late = { ...made, at: new Date(ago).toISOString(), stamp: { ...made.stamp, wallMs: ago, device: 'tablet 2' } };
    expect((await lead.send('POST', `/api/visits/${visitId}/events`, { events: [late] })).status).toBe(200);
    const now = await running();
    expect(now.devices.find((d) => d.device === 'tablet 2')?.minutesLate).toBe(40);
    expect(now.parts.devices).toBe('look');
    expect(now.messages).toEqual({ waiting: 0, givenUp: 0, unsure: 0, waitingSince: null });
    const { signedIn } = SESSION.parse((await lead.send('GET', '/api/session')).json);
    const salonId = signedIn?.salon.salonId ?? '';
    await server.db.inSalon(salonId, (trx) =>
      sql`insert into message (salon_id, message_id, to_name, phone, text, sent_at, channel, subject, state, tries)
        values (${salonId}, gen_random_uuid(), 'A', '1', 'x', now() - interval '2 hours', 'text', '', 'waiting', 2),
          (${salonId}, gen_random_uuid(), 'B', '1', 'x', now(), 'text', '', 'given_up', 7)`.execute(trx),
    );
    const post = await running();
    expect([post.messages.waiting, post.messages.givenUp, post.parts.messages]).toEqual([1, 1, 'act']);
  });

  it('gives each request a number of its own, and none is told how the others went', async () => {
    const [a, b] = await Promise.all([fetch(`${server.url}/api/health`), fetch(`${server.url}/api/health`)]);
    const ids = [a, b].map((r) => r.headers.get('x-request-id') ?? '');
    expect(ids.every((id) => /^[0-9a-f]{8}$/.test(id))).toBeTrue();
    expect(new Set(ids).size).toBe(2);
    expect((await fetch(`${server.url}/metrics`)).status).toBe(404);
    expect((await fetch(`${server.url}/api/metrics`)).status).toBe(404);
  });

  it('answers what nobody foresaw with the number by which its log is searched', async () => {
    const { log, lines } = keptLog();
    const measures = new Measures(new Date());
    const app = express();
    app.use(pinoHttp({ logger: log, autoLogging: false, genReqId: numberRequest }));
    app.get('/breaks', () => {
      throw new Error('a fault');
    });
    app.use(handleProblems(() => measures.unexpected()));
    const http = createServer(app).listen(0);
    const { port } = http.address() as AddressInfo;
    const answer = await fetch(`http://127.0.0.1:${port}/breaks`);
    const problem = PROBLEM.parse(await answer.json());
    http.close();
    expect([answer.status, problem.code, problem.request]).toEqual([500, 'internal', answer.headers.get('x-request-id') ?? '']);
    expect(lines().map((l) => [l['msg'], (l['req'] as { id?: string } | undefined)?.id])).toEqual([['unexpected error', problem.request]]);
    expect(measures.trouble.errors).toBe(1);
  });

  it('logs the text of a slow question with the request that asked it, and never what it was asked about', async () => {
    const { log, lines } = keptLog();
    const measures = new Measures(new Date());
    const db = openDatabase(server.appUrl, {}, hearQueries(measures, log, 0));
    await new Promise<void>((finished, fail) =>
      during('0a1b2c3d', () => {
        sql`select ${'Perpetua Glain'}::text`.execute(db.kysely).then(() => finished(), fail);
      }),
    );
    await db.close();
    // How long a question takes is the machine's; what counts as slow is said here.
    const hear = hearQueries(measures, log, 300);
    hear(299, 'select 1');
    expect(lines().length).toBe(1);
    expect(lines()[0]).toEqual(jasmine.objectContaining({ sql: 'select $1::text', request: '0a1b2c3d' }));
    expect(JSON.stringify(lines())).not.toContain('Perpetua');
    hear(1_000_000, 'select 2');
    expect(lines()[1]?.['sql']).toBe('select 2');
    expect([measures.trouble.slow, measures.trouble.slowestMs]).toEqual([2, 1_000_000]);
  });

  it('is scraped on a door of its own, by route and not by address', async () => {
    const measures = new Measures(new Date());
    const app = express();
    app.use(measures.requestsOf);
    const router = express.Router();
    router.get('/dogs/:dogId', (_request, response) => void response.json({}));
    app.use('/api', router);
    app.use((_request, response) => void response.status(404).end());
    const http = createServer(app).listen(0);
    const { port } = http.address() as AddressInfo;
    for (const path of ['/api/dogs/1', '/api/dogs/2', '/nothing']) await (await fetch(`http://127.0.0.1:${port}${path}`)).text();
    http.close();
    measures.query(3, false);
    measures.messagesDue(2);
    measures.gauge('mansuet_spec', 'Looked up.', () => 7);
    const door = metricsDoor(measures.registry).listen(0);
    const at = (door.address() as AddressInfo).port;
    const answer = await fetch(`http://127.0.0.1:${at}/metrics`);
    const text = await answer.text();
    expect((await fetch(`http://127.0.0.1:${at}/`)).status).toBe(404);
    door.close();
    expect(answer.headers.get('content-type')).toContain('text/plain');
    expect(text).toContain('mansuet_http_request_seconds_count{method="GET",route="/api/dogs/:dogId",answer="2xx"} 2');
    expect(text).toContain('mansuet_http_request_seconds_count{method="GET",route="none",answer="4xx"} 1');
    expect(text).toContain('mansuet_messages_due 2');
    expect(text).toContain('mansuet_spec 7');
    expect(text).toMatch(/^process_cpu_seconds_total /m);
    expect(text).not.toContain('/api/dogs/1');
  });
});
