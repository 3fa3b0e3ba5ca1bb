import { Agent, request } from 'node:http';
import { NEW_ID, SESSION } from '../../core/src/contract/index.js';
import { EMPTY_DOG } from '../../core/src/knowledge/dogs/index.js';
import { type EventDraft, makeEvents, type Stamp, uuidV7, type VisitEvent } from '../../core/src/log/index.js';
import { DEMO_LOGINS } from '../../server/src/sign-in/demo-logins.js';
import { Plain } from '../place.js';

const AGENT = new Agent({ keepAlive: true });
const random = (into: Uint8Array): Uint8Array => crypto.getRandomValues(into);

/** Somebody of a salon, signed in, who sends as a tablet does. */
export class BenchPerson {
  private last: Stamp | undefined;
  private constructor(
    readonly origin: string,
    private readonly cookie: string,
    private readonly csrf: string,
    readonly staffId: string,
    readonly salonId: string,
  ) {}

  /** @param login somebody of another salon; whoever comes first in the demo, where nobody is named */
  static async signIn(
    origin: string,
    login: { readonly login: string; readonly password: string } | undefined = DEMO_LOGINS[0],
  ): Promise<BenchPerson> {
    if (!login) throw new Plain('The demo has nobody who could sign in.');
    const answer = await fetch(`${origin}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ login: login.login, password: login.password }),
    });
    const { signedIn } = SESSION.parse(await answer.json());
    if (!signedIn) throw new Plain('Nobody is signed in.');
    const cookie = answer.headers.getSetCookie()[0]?.split(';')[0] ?? '';
    return new BenchPerson(origin, cookie, signedIn.csrf, signedIn.staff.staffId, signedIn.salon.salonId);
  }

  async ask(method: string, path: string, body?: unknown): Promise<Response> {
    const answer = await fetch(this.origin + path, {
      method,
      headers: { 'content-type': 'application/json', cookie: this.cookie, 'x-csrf-token': this.csrf },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!answer.ok) throw new Plain(`${method} ${path} answered ${answer.status}: ${(await answer.text()).slice(0, 300)}`);
    return answer;
  }

  /** A form with a file in it. */
  async upload(path: string, form: FormData): Promise<Response> {
    const headers = { cookie: this.cookie, 'x-csrf-token': this.csrf };
    const answer = await fetch(this.origin + path, { method: 'POST', headers, body: form });
    if (!answer.ok) throw new Plain(`POST ${path} answered ${answer.status}: ${(await answer.text()).slice(0, 300)}`);
    return answer;
  }

  /** Entries of a visit, stamped after all before. */
  make(visitId: string, drafts: readonly EventDraft[], atMs = Date.now()): VisitEvent[] {
    const events = makeEvents(drafts, { visitId, by: this.staffId, device: 'bench', nowMs: atMs, random, last: this.last });
    this.last = events.at(-1)?.stamp;
    return events;
  }
  /** As cheaply as can be: whoever measures the server is not what is measured. */
  send(visitId: string, events: readonly VisitEvent[]): Promise<void> {
    const body = JSON.stringify({ events });
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      cookie: this.cookie,
      'x-csrf-token': this.csrf,
    };
    return new Promise((done, fail) => {
      const asking = request(`${this.origin}/api/visits/${visitId}/events`, { method: 'POST', agent: AGENT, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => (answer.statusCode === 200 ? done() : fail(new Plain(`An entry was answered ${answer.statusCode}.`))));
      });
      asking.on('error', fail);
      asking.end(body);
    });
  }

  /** A new dog and its visit of today, at the table. */
  async visitAtTable(): Promise<string> {
    const form = {
      dog: { ...EMPTY_DOG, name: 'Bench', born: '2021-06-01', weightKg: 18 },
      owner: { name: 'O', phone: '', email: '', contacts: [] },
    };
    const { id: dogId } = NEW_ID.parse(await (await this.ask('POST', '/api/dogs', form)).json());
    const visitId = uuidV7(Date.now(), random);
    const asked = { items: ['nails' as const], wantedMm: 9, sessionMinutes: 60 };
    const body = { dogId, arrivesAt: new Date().toISOString(), groomerId: this.staffId, asked, helperThere: false };
    await this.send(
      visitId,
      this.make(visitId, [
        { type: 'visit_booked', body },
        { type: 'work_started', body: {} },
      ]),
    );
    return visitId;
  }
}

/** What is tapped most. */
export const TAP: EventDraft = { type: 'signal_seen', body: { signal: 'lip_lick' } };

/** Fills a visit up to so many entries. */
export async function fill(person: BenchPerson, visitId: string, entries: number): Promise<void> {
  for (let i = 0; i < entries; i += 500)
    await person.send(
      visitId,
      person.make(
        visitId,
        Array.from({ length: Math.min(500, entries - i) }, () => TAP),
      ),
    );
}

/** Runs a job again and again on so many hands at once, for so long. @returns how many were done, and in how many seconds */
export async function hands(
  count: number,
  seconds: number,
  job: (hand: number) => Promise<void>,
): Promise<{ jobs: number; seconds: number }> {
  let jobs = 0;
  const from = performance.now();
  const until = from + seconds * 1000;
  await Promise.all(
    Array.from({ length: count }, async (_, hand) => {
      while (performance.now() < until) {
        await job(hand);
        jobs++;
      }
    }),
  );
  return { jobs, seconds: (performance.now() - from) / 1000 };
}

export async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}
