import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { EventDraft } from '@mansuet/core/log';
import { pino } from 'pino';
import { MESSAGES } from '@mansuet/core/contract';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { attachedTo } from '../after-visit/attached.js';
import { type Carrier, mailBySmtp, NO_MAIL } from './carriers.js';
import { PostOffice } from './post-office.js';

const END: readonly EventDraft[] = [
  { type: 'work_started', body: {} },
  { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
  { type: 'handed_back', body: { toldTo: 'Perpetua Glain', nextVisit: null, vetAdvised: false } },
];

/** A mail server of another maker than what sends: it refuses as often as it is told to. */
class Receiver {
  readonly mails: Buffer[] = [];
  refuse = 0;
  private readonly server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onData: (stream, _session, answer) => {
      const chunks: Buffer[] = [];
      stream.on('data', (c: Buffer) => void chunks.push(c));
      stream.on('end', () => {
        if (this.refuse > 0) {
          this.refuse--;
          answer(new Error('4.3.0 come back later'));
          return;
        }
        this.mails.push(Buffer.concat(chunks));
        answer();
      });
    },
  });
  async start(): Promise<string> {
    await new Promise<void>((done) => this.server.listen(0, '127.0.0.1', done));
    const address = this.server.server.address();
    return `smtp://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
  }
  close(): Promise<void> {
    return new Promise((done) => this.server.close(() => done()));
  }
}

describe('the post office', () => {
  const receiver = new Receiver();
  let server: SpecServer;
  let lead: Browser;
  let visitId: string;
  let carrier: Carrier;
  let now = Date.parse('2026-11-28T10:00:00Z');
  const clock = (): Date => new Date(now);

  beforeAll(async () => {
    carrier = mailBySmtp(await receiver.start(), 'desk@spec.example');
    server = await specServer({ mail: { carry: (m, a) => carrier.carry(m, a) }, clock });
    lead = new Browser(server.url);
    await lead.foundSalon();
    visitId = await bookVisit(lead, await addDog(lead));
    const reply = await lead.send('POST', `/api/visits/${visitId}/events`, { events: END.map((d) => anEvent(visitId, lead.staffId, d)) });
    if (reply.status !== 200) throw new Error(reply.text);
  });
  afterAll(async () => {
    await server.close();
    await receiver.close();
  });
  beforeEach(() => {
    receiver.mails.splice(0);
    receiver.refuse = 0;
    // The latest message stands first.
    now += 1000;
  });

  const send = (to = 'perpetua@spec.example') =>
    lead.send('POST', `/api/visits/${visitId}/account/sent`, { way: 'mail', toName: 'Perpetua Glain', to });
  const states = async () => MESSAGES.parse((await lead.send('GET', '/api/messages')).json).messages;
  const salonId = async (): Promise<string> =>
    ((await lead.send('GET', '/api/session')).json as { signedIn: { salon: { salonId: string } } }).signedIn.salon.salonId;

  it('brings a mail with the account as a page to a server of another maker', async () => {
    expect((await send()).status).toBe(201);
    const mail = await simpleParser(receiver.mails[0] ?? '');
    expect(mail.from?.text).toBe('desk@spec.example');
    expect(mail.to && !Array.isArray(mail.to) ? mail.to.value[0]?.address : '').toBe('perpetua@spec.example');
    expect(mail.subject).toContain('Moss: the visit of');
    expect(mail.text).toContain('/o/');
    expect(mail.attachments.map((a) => [a.filename, a.contentType])).toEqual([['visit.pdf', 'application/pdf']]);
    expect((await states())[0]).toEqual(jasmine.objectContaining({ state: 'sent', channel: 'mail', tries: 1 }));
  });
  it('asks for an address beside the field', async () => expect((await send('nowhere')).text).toContain('"to"'));

  it('tries again what was not taken, later each time, and says why', async () => {
    receiver.refuse = 2;
    await send();
    expect((await states())[0]).toEqual(jasmine.objectContaining({ state: 'waiting', tries: 1 }));
    expect((await states())[0]?.trouble).toContain('come back later');
    await server.post.look();
    expect((await states())[0]?.tries).toBe(1);
    now += 61_000;
    await server.post.look();
    expect((await states())[0]?.tries).toBe(2);
    now += 301_000;
    await server.post.look();
    expect((await states())[0]).toEqual(jasmine.objectContaining({ state: 'sent', tries: 3, trouble: '' }));
    expect(receiver.mails.length).toBe(1);
  });
  it('never sends twice, however many ask at the same moment', async () => {
    receiver.refuse = 1;
    await send();
    now += 61_000;
    const parts = {
      db: server.db,
      log: pino({ level: 'silent' }),
      clock,
      carriers: { text: NO_MAIL, mail: carrier },
      attachments: attachedTo,
    };
    await Promise.all([server.post, new PostOffice(parts), new PostOffice(parts)].map((p) => p.look()));
    expect(receiver.mails.length).toBe(1);
  });
  it('that stopped in the middle leaves a message unsure, and does not send it again by itself', async () => {
    let hand = (): void => undefined;
    const stuck: Carrier = { carry: () => new Promise<void>((done) => (hand = done)) };
    const working = carrier;
    carrier = stuck;
    void send();
    // The one that was handed over is in the hands of a process that says nothing any more.
    for (let i = 0; i < 400 && (await states())[0]?.state !== 'sending'; i++) await new Promise((next) => setImmediate(next));
    carrier = working;
    now += 10 * 60_000;
    const other = new PostOffice({
      db: server.db,
      log: pino({ level: 'silent' }),
      clock,
      carriers: { text: NO_MAIL, mail: working },
      attachments: attachedTo,
    });
    await other.look();
    expect((await states())[0]?.state).toBe('unsure');
    expect(receiver.mails.length).toBe(0);
    hand();
  });
  it('gives up after two days, and says so', async () => {
    receiver.refuse = 99;
    await send();
    for (let i = 0; i < 12; i++) {
      now += 25 * 3_600_000;
      await server.post.look();
    }
    expect((await states())[0]).toEqual(jasmine.objectContaining({ state: 'given_up', tries: 8 }));
    receiver.refuse = 0;
  });
  it('does not send what was rolled back', async () => {
    const id = await salonId();
    await server.post.send(id, crypto.randomUUID());
    expect(receiver.mails.length).toBe(0);
  });
});
