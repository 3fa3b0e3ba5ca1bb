import { randomBytes, randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import pg from 'pg';
import { pino } from 'pino';
import { SESSION, type Salon, type SalonForm } from '@mansuet/core/contract';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { type EventDraft, makeEvent, type Stamp, uuidV7, type VisitEvent } from '@mansuet/core/log';
import { createApp } from '../app.js';
import { openDatabase, type Database } from '../database/database.js';
import { migrate } from '../database/migrate.js';
import { attachedTo } from '../after-visit/attached.js';
import { type Carrier, textStandIn } from '../messages/carriers.js';
import { PostOffice } from '../messages/post-office.js';
import { Measures } from '../watch/measures.js';
import { hearQueries } from '../watch/slow-queries.js';
import { LiveHub } from '../live/live-hub.js';

const log = pino({ level: 'silent' });

export interface SpecServer {
  readonly url: string;
  readonly db: Database;
  readonly post: PostOffice;
  readonly ownerUrl: string;
  readonly appUrl: string;
  /** A second process on the same database. */
  again(): Promise<SpecServer>;
  close(): Promise<void>;
}

function urlFrom(name: string, database: string): string {
  const base = process.env[name];
  if (!base) throw new Error(`${name} is not set; run ./mansuet test server`);
  return base.replace(/\/[^/]*$/, `/${database}`);
}

export interface SpecWays {
  /** Where mails go; nowhere when it is not named. */
  readonly mail?: Carrier;
  readonly clock?: () => Date;
  readonly lastBackupFile?: string;
  readonly publicUrl?: string;
}

/** A server on a database of its own. */
export async function specServer(ways: SpecWays = {}): Promise<SpecServer> {
  const database = `spec_${randomBytes(6).toString('hex')}`;
  await asAdmin(`create database ${database} owner mansuet_owner`);
  const ownerUrl = urlFrom('MANSUET_OWNER_URL', database);
  await migrate(ownerUrl);
  return startOn(ownerUrl, urlFrom('MANSUET_APP_URL', database), ways, () => asAdmin(`drop database ${database} with (force)`));
}

async function asAdmin(statement: string): Promise<void> {
  const admin = new pg.Client({ connectionString: urlFrom('MANSUET_ADMIN_URL', 'postgres') });
  await admin.connect();
  await admin.query(statement);
  await admin.end();
}

async function startOn(ownerUrl: string, appUrl: string, ways: SpecWays, after: () => Promise<void>): Promise<SpecServer> {
  const measures = new Measures(new Date());
  const db = openDatabase(appUrl, {}, hearQueries(measures, log));
  const hub = new LiveHub(appUrl, log);
  await hub.start();
  const clock = ways.clock ?? (() => new Date());
  const post = new PostOffice({
    db,
    log,
    clock,
    carriers: { text: textStandIn(undefined), mail: ways.mail ?? textStandIn(undefined) },
    attachments: attachedTo,
  });
  const app = createApp({
    db,
    hub,
    send: (salonId, messageId) => post.send(salonId, messageId),
    log,
    clock,
    publicUrl: ways.publicUrl ?? 'http://127.0.0.1',
    trustProxy: 0,
    hstsSeconds: 0,
    sessionSecret: 'a secret of more than thirty-two letters',
    webDir: undefined,
    demoLogins: [],
    measures,
    lastBackupFile: ways.lastBackupFile,
    dataDir: '.',
  });
  const server: Server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  return {
    url: `http://127.0.0.1:${port}`,
    db,
    ownerUrl,
    appUrl,
    post,
    again: () => startOn(ownerUrl, appUrl, ways, () => Promise.resolve()),
    close: async () => {
      server.closeAllConnections();
      await new Promise<void>((done) => server.close(() => done()));
      await post.close();
      await hub.close();
      await db.close();
      await after();
    },
  };
}

export interface Reply {
  readonly status: number;
  readonly type: string;
  readonly text: string;
  readonly json: unknown;
}

/** A browser: keeps its cookie and its token. */
export class Browser {
  cookie = '';
  csrf = '';
  staffId = '';

  constructor(private readonly url: string) {}

  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Reply> {
    const raw = typeof body === 'string' ? body : body === undefined ? undefined : JSON.stringify(body);
    const response = await fetch(this.url + path, {
      method,
      headers: {
        ...(raw === undefined ? {} : { 'content-type': 'application/json' }),
        cookie: this.cookie,
        'x-csrf-token': this.csrf,
        ...headers,
      },
      ...(raw === undefined ? {} : { body: raw }),
    });
    const set = response.headers.getSetCookie().find((c) => c.startsWith('mansuet='));
    if (set) this.cookie = set.split(';')[0] ?? '';
    const text = await response.text();
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch {
      json = undefined;
    }
    return { status: response.status, type: response.headers.get('content-type') ?? '', text, json };
  }

  async signIn(login: string, password: string): Promise<Reply> {
    const reply = await this.send('POST', '/api/session', { login, password });
    this.take(reply);
    return reply;
  }

  async foundSalon(login = 'lead'): Promise<Reply> {
    const reply = await this.send('POST', '/api/first-run', {
      salonName: 'Spec',
      name: 'Lead',
      login,
      password: 'ten letters and more',
      vetName: 'Vet',
      vetPhone: '1',
    });
    this.take(reply);
    return reply;
  }

  /** The salon is somewhere else: days and hours are those of another place. */
  async inZone(timeZone: string): Promise<void> {
    const { signedIn } = SESSION.parse((await this.send('GET', '/api/session')).json);
    if (!signedIn) throw new Error('nobody is signed in');
    const { status, text } = await this.send('PUT', '/api/salon', { ...formOf(signedIn.salon), timeZone });
    if (status !== 200) throw new Error(text);
  }

  private take(reply: Reply): void {
    const session = SESSION.safeParse(reply.json);
    if (!session.success || !session.data.signedIn) return;
    this.csrf = session.data.signedIn.csrf;
    this.staffId = session.data.signedIn.staff.staffId;
  }
}

/** What the salon says of itself, as it is sent to change it. */
export function formOf(s: Salon): SalonForm {
  const { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, formats, handLimits, priceRule, version } = s;
  return { name, vetName, vetPhone, currency, ratePerMinuteMinor, timeZone, formats, handLimits, priceRule, version };
}

export const A_DOG = {
  dog: { ...EMPTY_DOG, name: 'Moss', born: '2021-06-01', weightKg: 18 },
  owner: { name: 'Perpetua Glain', phone: '0550 1', email: '', contacts: [] },
};

/** A dog in the salon of this browser. */
export async function addDog(browser: Browser): Promise<string> {
  const reply = await browser.send('POST', '/api/dogs', A_DOG);
  const id: unknown = typeof reply.json === 'object' && reply.json !== null ? Reflect.get(reply.json, 'id') : undefined;
  if (typeof id !== 'string') throw new Error(`no dog: ${reply.text}`);
  return id;
}

let last: Stamp | undefined;
/** An event as a tablet would write it, now. */
export function anEvent(visitId: string, by: string, draft: EventDraft): VisitEvent {
  const event = makeEvent(draft, { visitId, by, device: 'spec', nowMs: Date.now(), random: (into) => crypto.getRandomValues(into), last });
  last = event.stamp;
  return event;
}

export function booked(dogId: string, groomerId: string): EventDraft {
  return {
    type: 'visit_booked',
    body: {
      dogId,
      arrivesAt: new Date().toISOString(),
      groomerId,
      asked: { items: ['bath'], wantedMm: 9, sessionMinutes: 90 },
      helperThere: false,
    },
  };
}

/** A visit that is booked. */
export async function bookVisit(browser: Browser, dogId: string): Promise<string> {
  const visitId = uuidV7(Date.now(), (b) => crypto.getRandomValues(b));
  const reply = await browser.send('POST', `/api/visits/${visitId}/events`, {
    events: [anEvent(visitId, browser.staffId, booked(dogId, browser.staffId))],
  });
  if (reply.status !== 200) throw new Error(`no visit: ${reply.text}`);
  return visitId;
}

/** A second salon on the same server, made past the door that founds only the first. */
export async function secondSalon(server: SpecServer): Promise<{ salonId: string; staffId: string }> {
  const salonId = randomUUID();
  const staffId = randomUUID();
  const owner = new pg.Client({ connectionString: server.ownerUrl });
  await owner.connect();
  await owner.query(`insert into salon (salon_id, name) values ($1, 'Other')`, [salonId]);
  await owner.query(
    `insert into staff (salon_id, staff_id, name, login, password_hash, role)
     select $1, $2, 'Other', 'other', password_hash, 'lead' from staff limit 1`,
    [salonId, staffId],
  );
  await owner.end();
  return { salonId, staffId };
}
