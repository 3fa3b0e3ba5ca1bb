import { randomBytes } from 'node:crypto';
import sharp from 'sharp';
import { NEW_ID, sayHasOfToday, TODAY } from '../../core/src/contract/index.js';
import { EMPTY_DOG } from '../../core/src/knowledge/dogs/index.js';
import { BenchPerson, TAP } from '../bench-log/people.js';
import { withClient } from '../postgres.js';
import { cpuMs, processesIn, residentMb } from './processes.js';
import { openSalon } from './open-salon.js';
import type { AskedKind, Rates } from './saturday.js';
import type { SmallCell } from './small-cell.js';

const PASSWORD = 'ten letters and more';
/** Dogs at tables of a salon, at once. */
const TABLES = 4;
const STREAMS = 1_000;
/** Hands that ask for one kind at once: enough that the server is never idle. */
const HANDS = 8;

/** One salon in the middle of its day, and what can be asked of its server. */
export class BusySalon {
  private constructor(
    private readonly person: BenchPerson,
    private readonly dogId: string,
    private readonly visits: readonly string[],
    private readonly has: string,
    private readonly raw: Blob,
    private pictureId: string,
  ) {}

  static async open(cell: SmallCell, nr: number, raw: Blob): Promise<BusySalon> {
    const lead = { name: 'Lead', login: `lead-${nr}`, password: PASSWORD };
    await openSalon(cell.asMoved.adminUrl, { name: `Salon ${nr}`, timeZone: 'UTC', lead });
    const person = await BenchPerson.signIn(cell.url, lead);
    const form = {
      dog: { ...EMPTY_DOG, name: 'Bench', born: '2021-06-01', weightKg: 18 },
      owner: { name: 'O', phone: '', email: '', contacts: [] },
    };
    const { id: dogId } = NEW_ID.parse(await (await person.ask('POST', '/api/dogs', form)).json());
    const visits = await Promise.all(Array.from({ length: TABLES }, () => person.visitAtTable()));
    const today = TODAY.parse(await (await person.ask('GET', '/api/today')).json());
    const has = sayHasOfToday(today.visits.map((v) => ({ visitId: v.visitId, cursor: v.cursor, tag: v.tag })));
    const salon = new BusySalon(person, dogId, visits, has, raw, '');
    await salon.ask('photograph', 0);
    return salon;
  }

  /** One request of a kind, to its end. @throws for one that is refused */
  async ask(kind: AskedKind, nr: number): Promise<void> {
    const { person } = this;
    const visitId = this.visits[nr % this.visits.length] ?? '';
    if (kind === 'entry') await person.send(visitId, person.make(visitId, [TAP]));
    else if (kind === 'news') await (await person.ask('GET', `/api/today/news?has=${encodeURIComponent(this.has)}`)).arrayBuffer();
    else if (kind === 'here') await person.ask('POST', `/api/visits/${visitId}/here`, { device: 'bench', leaves: false });
    else if (kind === 'picture') await (await person.ask('GET', `/api/photos/${this.pictureId}?size=small`)).arrayBuffer();
    else {
      const form = new FormData();
      form.set('kind', 'before');
      form.set('picture', this.raw, 'picture.jpg');
      this.pictureId = NEW_ID.parse(await (await person.upload(`/api/dogs/${this.dogId}/photos`, form)).json()).id;
    }
  }
  get live(): Promise<Response> {
    return this.person.ask('GET', '/api/live');
  }
}

/** A picture as a tablet sends it: noise, which is as large as a picture can be, made a little smooth. */
export async function aPicture(): Promise<Blob> {
  const [width, height] = [1600, 1200];
  const raw = await sharp(randomBytes(width * height * 3), { raw: { width, height, channels: 3 } })
    .blur(3)
    .jpeg({ quality: 80 })
    .toBuffer();
  return new Blob([new Uint8Array(raw)], { type: 'image/jpeg' });
}

/** What one request takes of processors, ms. */
export interface Cost {
  readonly server: number;
  readonly database: number;
}
export type Costs = Readonly<Record<AskedKind, Cost>>;

/** Time of processors that a cell has had so far, ms. */
export const cellCpu = (cell: SmallCell): Cost => ({
  server: cpuMs(cell.serverPid),
  database: processesIn(cell.data).reduce((sum, pid) => sum + cpuMs(pid), 0),
});

/** Asks for one kind as fast as it is answered, for so long. */
export async function costOf(kind: AskedKind, cell: SmallCell, salons: readonly BusySalon[], seconds: number): Promise<Cost> {
  const work = async (ms: number): Promise<number> => {
    let asked = 0;
    const until = performance.now() + ms;
    await Promise.all(
      Array.from({ length: HANDS }, async (_, hand) => {
        for (let i = hand; performance.now() < until; i += HANDS) {
          await salons[i % salons.length]?.ask(kind, i);
          asked++;
        }
      }),
    );
    return asked;
  };
  // Warm first: what is compiled once is nobody's cost.
  await work(1_500);
  const before = cellCpu(cell);
  const asked = await work(1000 * seconds);
  const after = cellCpu(cell);
  return { server: (after.server - before.server) / asked, database: (after.database - before.database) / asked };
}

/** Processors that rates take, in whole ones. */
export function coresFor(rates: Rates, costs: Costs): Cost {
  const kinds = Object.keys(costs) as AskedKind[];
  const of = (part: keyof Cost): number => kinds.reduce((sum, kind) => sum + (rates[kind] * costs[kind][part]) / 1000, 0);
  return { server: of('server'), database: of('database') };
}

/** What is stored for one entry and one photograph, bytes, with its indexes and its share of the log. */
export async function bytesStored(cell: SmallCell): Promise<{ readonly entry: number; readonly photograph: number }> {
  const { rows } = await withClient(cell.asMoved.adminUrl, (c) =>
    c.query<{ entry: string; photograph: string }>(
      `select pg_total_relation_size('visit_event') / (select greatest(1, count(*)) from visit_event) as entry,
         pg_total_relation_size('photo') / (select greatest(1, count(*)) from photo) as photograph`,
    ),
  );
  return { entry: Number(rows[0]?.entry ?? 0), photograph: Number(rows[0]?.photograph ?? 0) };
}

/** What a screen that follows along holds of the server's memory, kB. */
export async function streamKb(cell: SmallCell, salons: readonly BusySalon[]): Promise<number> {
  const before = residentMb(cell.serverPid);
  const open = await Promise.all(Array.from({ length: STREAMS }, (_, i) => salons[i % salons.length]?.live));
  const after = residentMb(cell.serverPid);
  await Promise.all(open.map((answer) => answer?.body?.cancel()));
  return (1024 * (after - before)) / STREAMS;
}
