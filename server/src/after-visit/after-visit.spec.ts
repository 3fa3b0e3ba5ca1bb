import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import ICAL from 'ical.js';
import pg from 'pg';
import { AFTER_VISIT, DUE_LIST, LETTER, NEW_LINK, OWNER_LINK_VIEW, TILL } from '@mansuet/core/contract';
import type { EventDraft } from '@mansuet/core/log';
import { addDog, anEvent, bookVisit, Browser, type Reply, specServer, type SpecServer } from '../testing/spec-salon.js';

const run = promisify(execFile);
const INCIDENT = '01900000-0000-7000-8000-0000000000aa';
const MARK = '01900000-0000-7000-8000-0000000000bb';
const NEXT = '01900000-0000-7000-8000-0000000000cc';

/** A visit with a burn, a new mark, something left, and a next one. */
const STORY: readonly EventDraft[] = [
  {
    type: 'mark_felt',
    body: { markId: MARK, zone: 'back', lengthMm: 5, widthMm: 4, border: 'regular', surface: 'smooth', isNew: true, spot: [0.4, 0.5] },
  },
  { type: 'part_looked', body: { part: 'ears', finding: 'waxy' } },
  { type: 'feel_over_done', body: {} },
  { type: 'agreed', body: { name: 'Perpetua Glain', extraMinutes: 20, extraPriceMinor: 1800 } },
  { type: 'work_started', body: {} },
  { type: 'step_started', body: { step: 'nails' } },
  { type: 'incident', body: { incidentId: INCIDENT, kind: 'clipper_burn', harm: 'mild', zone: 'belly', what: 'Red strip' } },
  {
    type: 'incident_more',
    body: {
      incidentId: INCIDENT,
      sizeMm: [20, 5],
      look: 'red',
      did: 'Cooled with a damp cloth',
      factors: ['blade_warm'],
      prevented: 'A touch each minute',
    },
  },
  { type: 'step_finished', body: { step: 'nails', outcome: 'done', why: '' } },
  { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
];
const BACK: EventDraft = { type: 'handed_back', body: { toldTo: 'Perpetua Glain', nextVisit: null, vetAdvised: false } };

describe('after a visit', () => {
  let server: SpecServer;
  let lead: Browser;
  let dogId: string;
  let folder: string;

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
    await lead.foundSalon();
    dogId = await addDog(lead);
    folder = await mkdtemp(join(tmpdir(), 'after-visit-'));
  });
  afterAll(async () => {
    await rm(folder, { recursive: true, force: true });
    await server.close();
  });

  const tell = (visitId: string, ...drafts: readonly EventDraft[]): Promise<Reply> =>
    lead.send('POST', `/api/visits/${visitId}/events`, { events: drafts.map((d) => anEvent(visitId, lead.staffId, d)) });
  const closed = async (...more: readonly EventDraft[]): Promise<string> => {
    const visitId = await bookVisit(lead, dogId);
    const reply = await tell(visitId, ...STORY, ...more, BACK);
    if (reply.status !== 200) throw new Error(reply.text);
    return visitId;
  };
  const after = async (visitId: string) => AFTER_VISIT.parse((await lead.send('GET', `/api/visits/${visitId}/after`)).json);
  const due = async (): Promise<string[]> =>
    DUE_LIST.parse((await lead.send('GET', '/api/due')).json).due.map((d) => `${d.visitId} ${d.key}`);
  const fetched = async (path: string): Promise<{ status: number; bytes: Buffer; type: string }> => {
    const reply = await fetch(server.url + path, { headers: { cookie: lead.cookie } });
    return { status: reply.status, bytes: Buffer.from(await reply.arrayBuffer()), type: reply.headers.get('content-type') ?? '' };
  };

  it('keeps what the owner was told when it is closed: what happened, what was found, what to watch, the price as agreed', async () => {
    const { account } = await after(await closed());
    const text = account?.told.lines.map((l) => l.text).join('\n') ?? '';
    expect(account?.version).toBe(1);
    for (const part of [
      'Clipper burn at ',
      'It looks like this: red, 20 × 5 mm',
      'Cooled with a damp cloth',
      'Found today: a bump',
      'Ears: waxy',
      '€18.00',
    ])
      expect(text).toContain(part);
    expect(account?.told.places).toContain({ zone: 'belly', as: 'hurt' });
  });
  it('keeps nothing of a visit that is not handed back', async () => {
    const visitId = await bookVisit(lead, dogId);
    await tell(visitId, ...STORY);
    expect((await after(visitId)).account).toBeNull();
    expect((await lead.send('POST', `/api/visits/${visitId}/account/sent`, { way: 'link', toName: 'A', to: '' })).status).toBe(409);
  });

  it('has the call and the look that are due on the list until they are done', async () => {
    const visitId = await closed();
    // A call within two days is shown a day ahead: not yet on the day itself.
    const owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
    await owner.query(`update follow_up set due_on = current_date where visit_id = $1 and key = 'call'`, [visitId]);
    await owner.end();
    expect(await due()).toContain(`${visitId} call`);
    await tell(visitId, { type: 'follow_up_done', body: { followUp: 'call', says: 'Closed and dry' } });
    expect(await due()).not.toContain(`${visitId} call`);
  });

  it('makes what depends on it anew when an entry comes late, and says so; a reopened visit is told anew as well', async () => {
    const visitId = await closed();
    await tell(visitId, { type: 'part_looked', body: { part: 'nails', finding: 'long' } });
    const late = (await after(visitId)).account;
    expect([late?.version, late?.changedBy]).toEqual([2, 'late_entry']);
    expect(late?.told.lines.some((l) => l.text === 'Nails: long.')).toBeTrue();
    await tell(visitId, { type: 'reopened', body: { why: 'The price was wrong' } });
    expect((await after(visitId)).account).toBeNull();
    await tell(visitId, { type: 'account_line', body: { line: 'own.home.1', text: 'Ring us on Friday.' } }, BACK);
    const again = (await after(visitId)).account;
    expect([again?.version, again?.changedBy]).toEqual([3, 'reopened']);
    // What comes late after that is a late entry again.
    await tell(visitId, { type: 'part_looked', body: { part: 'eyes', finding: 'sore' } });
    const then = (await after(visitId)).account;
    expect([then?.version, then?.changedBy]).toEqual([4, 'late_entry']);
  });
  it('writes nothing anew for an entry that changes nothing of it', async () => {
    const visitId = await closed();
    await tell(visitId, { type: 'follow_up_done', body: { followUp: 'look', says: '' } });
    expect((await after(visitId)).account?.version).toBe(1);
  });

  it('closes whole or not at all: whichever statement fails, nothing of it is left', async () => {
    const visitId = await bookVisit(lead, dogId);
    await tell(visitId, ...STORY);
    const tables = ['visit_event', 'visit', 'exposure', 'mark_seen', 'incident', 'follow_up', 'visit_account'] as const;
    const owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
    const all = async (): Promise<string> => {
      const rows = await Promise.all(
        tables.map(async (t) => (await owner.query(`select * from ${t} where visit_id = $1 order by 1, 2, 3`, [visitId])).rows),
      );
      return JSON.stringify(rows);
    };
    const before = await all();
    const close = anEvent(visitId, lead.staffId, BACK);
    const query = pg.Client.prototype.query;
    let [failAt, count] = [0, 0];
    const open = new WeakSet<pg.Client>();
    // Only what stands between begin and commit of a request: its session is read before, and belongs to nothing of this.
    const spy = spyOn(pg.Client.prototype, 'query').and.callFake(function (this: pg.Client, ...args: unknown[]) {
      const [first] = args;
      const text =
        typeof first === 'string' ? first : typeof first === 'object' && first !== null ? String(Reflect.get(first, 'text')) : '';
      if (text === 'begin') open.add(this);
      const inside = open.has(this) && text !== 'begin' && text !== 'rollback';
      if (text === 'rollback' || text === 'commit') open.delete(this);
      if (inside && ++count === failAt) {
        const gone = new Error('the database is gone');
        if (text !== 'commit') return Promise.reject(gone);
        return Promise.resolve(Reflect.apply(query, this, ['rollback']) as unknown).then(() => Promise.reject(gone));
      }
      return Reflect.apply(query, this, args) as unknown;
    } as never);
    let failed = 0;
    for (failAt = 1; failAt < 80; failAt++) {
      count = 0;
      const reply = await lead.send('POST', `/api/visits/${visitId}/events`, { events: [close] });
      if (reply.status === 200) break;
      failed++;
      const statement = failAt;
      failAt = 0;
      expect(await all())
        .withContext(`statement ${statement}`)
        .toBe(before);
      failAt = statement;
    }
    spy.and.callThrough();
    expect(failed).toBeGreaterThan(10);
    await lead.send('POST', `/api/visits/${visitId}/events`, { events: [close] });
    expect(await all()).not.toBe(before);
    expect((await after(visitId)).account?.version).toBe(1);
    await owner.end();
  });

  it('gives papers that a PDF checker and a reader of its text take: account, vet letter, report', async () => {
    const visitId = await closed();
    const pages = [
      ['account.pdf', 'Clipper burn', 'Watch tonight'],
      ['vet-letter.pdf', 'Marks, as measured', '5 × 4 mm'],
      [`incident-report.pdf?incident=${INCIDENT}`, 'How it stood, from the log', 'The blade was warm'],
    ] as const;
    for (const [path, ...texts] of pages) {
      const { status, bytes, type } = await fetched(`/api/visits/${visitId}/${path}`);
      expect([status, type]).toEqual([200, 'application/pdf']);
      const file = join(folder, `${path.split('?')[0]}`);
      await writeFile(file, bytes);
      // qpdf, pdfinfo, pdffonts and pdftotext of Debian: not ours.
      await run('/usr/bin/qpdf', ['--check', file]);
      const info = (await run('/usr/bin/pdfinfo', [file])).stdout;
      expect(info)
        .withContext(path)
        .toMatch(/Tagged:\s+yes/);
      const fonts = (await run('/usr/bin/pdffonts', [file])).stdout
        .split('\n')
        .slice(2)
        .filter((l) => l !== '');
      expect(fonts.length).toBeGreaterThan(0);
      for (const line of fonts)
        expect(line)
          .withContext(path)
          .toMatch(/ yes (yes|no) +(yes|no) +\d/);
      const text = (await run('/usr/bin/pdftotext', [file, '-'])).stdout;
      for (const part of texts) expect(text).withContext(path).toContain(part);
      expect(text).not.toMatch(/diagnos|infection|tumou?r|antibiotic/i);
    }
  });
  it('gives letters as data of a published shape', async () => {
    const visitId = await closed();
    const letter = LETTER.parse((await lead.send('GET', `/api/visits/${visitId}/vet-letter.json`)).json);
    expect(letter.marks[0]?.seen.length).toBeGreaterThan(0);
    const schema = (await lead.send('GET', '/api/schemas/letter.json')).json as { properties: object };
    expect(Object.keys(schema.properties)).toEqual(Object.keys(letter));
    expect((await lead.send('GET', `/api/visits/${visitId}/incident-report.json?incident=${NEXT}`)).status).toBe(404);
  });

  it('gives the next visit as iCalendar that two other programs read', async () => {
    const visitId = await bookVisit(lead, dogId);
    const start = '2027-03-04T09:30:00.000Z';
    const asked = { items: [], wantedMm: 9, sessionMinutes: 75 };
    await tell(NEXT, { type: 'visit_booked', body: { dogId, arrivesAt: start, groomerId: lead.staffId, asked, helperThere: false } });
    await tell(
      visitId,
      ...STORY,
      { type: 'next_visit', body: { visitId: NEXT, on: '2027-03-04', at: '09:30', sessionMinutes: 75, items: ['bath'] } },
      BACK,
    );
    const { bytes, type } = await fetched(`/api/visits/${visitId}/next-visit.ics`);
    expect(type).toContain('text/calendar');
    const event = new ICAL.Event(new ICAL.Component(ICAL.parse(bytes.toString('utf8')) as unknown[]).getFirstSubcomponent('vevent')!);
    expect([event.startDate.toJSDate().toISOString(), event.endDate.toJSDate().toISOString(), event.summary]).toEqual([
      start,
      '2027-03-04T10:45:00.000Z',
      'Moss at Spec',
    ]);
    await writeFile(join(folder, 'next.ics'), bytes);
    const { stdout } = await run('/usr/bin/python3', [
      '-c',
      `import icalendar,sys; c=icalendar.Calendar.from_ical(open(sys.argv[1],'rb').read()); print([e.decoded('dtstart').isoformat() for e in c.walk('VEVENT')])`,
      join(folder, 'next.ics'),
    ]);
    expect(stdout).toContain('2027-03-04T09:30:00+00:00');
    const { account } = await after(visitId);
    expect(account?.told.lines.find((l) => l.section === 'next')?.text).toContain('is booked: 4 March 2027 at 09:30');
  });

  it('lets its owner read it by a link, and take page and calendar with it; a link for it is no other link', async () => {
    const visitId = await closed();
    const link = NEW_LINK.parse(
      (await lead.send('POST', `/api/visits/${visitId}/account/sent`, { way: 'link', toName: 'Perpetua Glain', to: '' })).json,
    );
    const secret = link.url.split('/').at(-1) ?? '';
    const owner = new Browser(server.url);
    const view = OWNER_LINK_VIEW.parse((await owner.send('GET', `/api/o/${secret}`)).json);
    expect(view.kind).toBe('account');
    if (view.kind !== 'account') return;
    expect(view.told.lines.some((l) => l.text.startsWith('Clipper burn'))).toBeTrue();
    expect((await owner.send('GET', `/api/o/${secret}/visit.pdf`)).text.startsWith('%PDF')).toBeTrue();
    expect((await owner.send('GET', `/api/o/${secret}/next-visit.ics`)).status).toBe(404);
    expect((await owner.send('GET', `/api/o/${secret}/agreement.pdf`)).status).toBe(404);
    expect((await owner.send('POST', `/api/o/${secret}`, {})).status).toBe(404);
    await tell(visitId, { type: 'reopened', body: { why: 'A mistake' } });
    expect((await owner.send('GET', `/api/o/${secret}`)).status).toBe(410);
  });

  it('gives the till what was agreed, as data and as a table that reckons with nothing', async () => {
    await closed();
    const today = new Date().toISOString().slice(0, 10);
    const till = TILL.parse((await lead.send('GET', `/api/till?from=${today}&to=${today}`)).json);
    expect(till.lines[0]).toEqual(jasmine.objectContaining({ dog: 'Moss', minutes: 20, priceMinor: 1800 }));
    const csv = (await lead.send('GET', `/api/till.csv?from=${today}&to=${today}`)).text.split('\r\n');
    expect(csv[0]).toBe('on,dog,owner,what,minutes,price,currency,agreedBy,visitId');
    expect(csv[1]).toContain(',Moss,Perpetua Glain,"Extra time for the coat, as agreed",20,18.00,');
    expect((await lead.send('GET', '/api/till?from=x&to=y')).status).toBe(422);
  });
});
