import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { EventDraft, VisitEvent } from '../../core/src/log/index.js';
import { replay } from '../../core/src/visit/index.js';
import { seeded } from '../../demo/src/random.js';
import { build } from '../build.js';
import { freePort } from '../free-port.js';
import { Plain, RUN } from '../place.js';
import { withClient } from '../postgres.js';
import { BadNetwork, wait, type Weather } from './bad-network.js';
import { BROWSER_FAULTS, browserOnce } from './browser-faults.js';
import type { Came } from './came.js';
import { signUp } from './sign-up.js';
import { SalonUnderFault } from './salon-under-fault.js';
import { Tablet } from './tablet.js';
import { WebCopy } from './web-copy.js';

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** What is done to the salon while three tablets record. */
type Fault = (salon: SalonUnderFault, network: BadNetwork, chance: () => number) => Promise<void>;

const weather =
  (now: Weather): Fault =>
  async (_salon, network, chance) => {
    network.weather = now;
    await wait(300 + 700 * chance());
    network.weather = 'fine';
  };

/** Tried where a disk can be made that is full without the machine's being so. */
const NEEDS_DISK = 'disk full';

const FAULTS: Readonly<Record<string, Fault>> = {
  'server killed': async (salon) => {
    await salon.killServer();
    await salon.startServer();
  },
  'database killed': async (salon) => {
    await salon.killDatabase();
    await salon.answers();
  },
  'database restarted': async (salon) => {
    await salon.restartDatabase();
    await salon.answers();
  },
  'backends ended': async (salon) => {
    await salon.endBackends();
    await salon.answers();
  },
  [NEEDS_DISK]: async (salon, _network, chance) => {
    await salon.fillDisk(600 + 900 * chance());
    await salon.answers();
  },
  'network cut': weather('cut'),
  'network slow': weather('slow'),
  'everything twice': weather('twice'),
  'out of order': weather('disordered'),
};

const DRAFTS: readonly EventDraft[] = [
  { type: 'signal_seen', body: { signal: 'lip_lick' } },
  { type: 'signal_seen', body: { signal: 'yawn' } },
  { type: 'noted', body: { text: 'as it was' } },
  { type: 'break_started', body: {} },
  { type: 'break_ended', body: {} },
];

/**
 * One visit on three tablets, two of them an hour off in either direction, with one fault in the middle.
 * @throws Plain with what was lost, doubled or seen differently
 */
async function once(salon: SalonUnderFault, fault: Fault, seed: number, people: Awaited<ReturnType<typeof signUp>>): Promise<Came> {
  const chance = seeded(seed).next;
  const network = new BadNetwork(salon.port, chance);
  const port = await freePort();
  await network.listen(port);
  const visitId = crypto.randomUUID();
  const tablets = [0, 3_600_000, -3_600_000].map(
    (off, i) =>
      new Tablet(`http://127.0.0.1:${port}`, i === 2 ? people.bather : people.lead, `tablet-${i}`, visitId, () => Date.now() + off, chance),
  );
  const [first] = tablets;
  if (!first) throw new Plain('no tablet');
  first.tap({
    type: 'visit_booked',
    body: {
      dogId: people.dogId,
      arrivesAt: new Date().toISOString(),
      groomerId: people.lead.staffId,
      asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 60 },
      helperThere: false,
    },
  });
  first.tap({ type: 'work_started', body: {} });
  await first.send();
  let voids = 0;
  let going = true;
  const works = tablets.map(async (tablet) => {
    while (going) {
      const made = tablet.tap(DRAFTS[Math.floor(DRAFTS.length * chance())] ?? { type: 'work_started', body: {} });
      if (chance() < 0.2) {
        tablet.tap({ type: 'voided', body: { target: made.id, why: 'undo' } });
        voids++;
      }
      await tablet.send();
      await tablet.pull();
      await wait(30 * chance());
    }
  });
  try {
    await wait(200 + 300 * chance());
    await fault(salon, network, chance);
    await wait(200);
  } finally {
    going = false;
    await Promise.all(works);
  }
  for (const tablet of tablets) for (let i = 0; !(await tablet.send()) && i < 200; i++) await wait(100);
  for (const tablet of tablets) for (let i = 0; !(await tablet.pull()) && i < 200; i++) await wait(100);
  await network.close();
  await check(salon, visitId, tablets);
  return { entries: tablets.reduce((sum, t) => sum + t.kept.length, 0), voids };
}

async function check(salon: SalonUnderFault, visitId: string, tablets: readonly Tablet[]): Promise<void> {
  if (!salon.serverLives) throw new Plain('the server did not live through it');
  const rows = await withClient(salon.adminUrl, (client) =>
    client.query<{ event_id: string; n: string }>('select event_id, count(*) as n from visit_event where visit_id = $1 group by 1', [
      visitId,
    ]),
  );
  const stored = new Map(rows.rows.map((r) => [r.event_id, Number(r.n)]));
  const kept = tablets.flatMap((t) => t.kept);
  const lost = kept.filter((id) => stored.get(id) !== 1);
  if (lost.length > 0) throw new Plain(`${lost.length} of ${kept.length} entries that were kept are not stored exactly once`);
  if (stored.size !== kept.length) throw new Plain(`${stored.size} entries are stored, ${kept.length} were made`);
  const seen = tablets.map((t) => JSON.stringify(stateOf(visitId, [...t.log.values()])));
  if (new Set(seen).size !== 1) throw new Plain('the tablets do not see the same');
}

/** What a tablet shows, as far as it can be compared. */
function stateOf(visitId: string, events: readonly VisitEvent[]): unknown {
  const { work, notes, eventCount, undoable } = replay(visitId, events);
  return { eventCount, undoable: undoable?.id, notes, strain: work?.strain, breaks: work?.breaks, clock: work?.clockMs };
}

/** Server faults are tried so many times, those of browsers and of newer versions a fifth of it. */
const BROWSER_SHARE = 5;

/** One kind of fault, and how it is tried once. */
interface Suite {
  readonly names: readonly string[];
  readonly times: number;
  once(name: string, seed: number): Promise<Came>;
  close(): Promise<void>;
}

async function serverSuite(times: number): Promise<Suite> {
  const salon = await SalonUnderFault.open({ smallDisk: true });
  const people = await signUp(salon.url);
  return {
    names: Object.keys(FAULTS).filter((name) => name !== NEEDS_DISK || salon.hasSmallDisk),
    times,
    once: (name, seed) => once(salon, FAULTS[name] ?? weather('fine'), seed, people),
    close: () => salon.close(),
  };
}

async function browserSuite(times: number): Promise<Suite> {
  const web = new WebCopy();
  const salon = await SalonUnderFault.open({ demo: true, webDir: web.directory });
  const { rows } = await withClient(salon.adminUrl, (client) =>
    client.query<{ visit_id: string }>(
      `select visit_id from visit join dog using (salon_id, dog_id) where phase = 'work' and name = 'Nettle'`,
    ),
  );
  const visitId = rows[0]?.visit_id;
  if (visitId === undefined) throw new Plain('no dog is at the table');
  return {
    names: Object.keys(BROWSER_FAULTS),
    times,
    once: (name, seed) => {
      const fault = BROWSER_FAULTS[name];
      if (!fault) throw new Plain(`There is no such fault: ${name}`);
      return browserOnce(fault, salon, web, visitId, seeded(seed).next);
    },
    close: async () => {
      await salon.close();
      web.remove();
    },
  };
}

const FILE = join(RUN, 'faults.json');
const remembered = (): Map<string, number> =>
  new Map(existsSync(FILE) ? (JSON.parse(readFileSync(FILE, 'utf8')) as [string, number][]) : []);

/** @param done how often each was tried before; `undefined`: that is not remembered */
async function tryAll(
  suite: Suite,
  names: readonly string[],
  done: Map<string, number> | undefined,
): Promise<{ right: number; wrong: number }> {
  const all = { right: 0, wrong: 0 };
  for (const name of names) {
    if (!suite.names.includes(name)) {
      say(`| ${name} | 0, not possible for this user | | | |`);
      continue;
    }
    const sum = { entries: 0, voids: 0, wrong: 0 };
    const from = done?.get(name) ?? 0;
    for (let i = from; i < suite.times; i++) {
      const seed = 1000 * suite.names.indexOf(name) + i;
      try {
        const came = await suite.once(name, seed);
        sum.entries += came.entries;
        sum.voids += came.voids;
      } catch (error) {
        if (!(error instanceof Plain)) throw error;
        sum.wrong++;
        say(`${name}, seed ${seed}: ${error.message}`);
      }
      if (!done) continue;
      done.set(name, i + 1);
      writeFileSync(FILE, JSON.stringify([...done]));
    }
    const rounds = Math.max(0, suite.times - from);
    all.wrong += sum.wrong;
    all.right += rounds - sum.wrong;
    say(`| ${name} | ${rounds} | ${sum.entries} | ${sum.voids} | ${sum.wrong} |`);
  }
  return all;
}

/**
 * `npm run faults -- [times] [faults]`: each fault of the server so many times, of browsers a fifth of it, one visit or one browser each. What was
 * done is remembered in `.run/faults.json` and not done again, so that a run that was cut off goes on; a run that came to its end begins anew.
 * @param faults `server`, `browser`, or a part of a fault's name: these are tried from the start
 */
async function main(): Promise<void> {
  const [timesAsked, only] = process.argv.slice(2);
  const times = Number(timesAsked ?? 50);
  if (!Number.isInteger(times) || times < 1) throw new Plain('Say how often: npm run faults -- 50');
  const groups = [
    { group: 'server', names: Object.keys(FAULTS), open: () => serverSuite(times) },
    { group: 'browser', names: Object.keys(BROWSER_FAULTS), open: () => browserSuite(Math.ceil(times / BROWSER_SHARE)) },
  ];
  const isGroup = groups.some((g) => g.group === only);
  const wanted = groups.flatMap((g) => {
    const names = g.names.filter((name) => only === undefined || (isGroup ? g.group === only : name.includes(only)));
    return names.length === 0 ? [] : [{ ...g, names }];
  });
  if (wanted.length === 0) throw new Plain(`There is no such fault. There are: ${groups.flatMap((g) => g.names).join(', ')}`);
  await build(say);
  const done = only === undefined ? remembered() : undefined;
  const sum = { right: 0, wrong: 0 };
  say('| fault | times | entries kept | taken back | lost, doubled or seen differently |');
  say('| --- | --- | --- | --- | --- |');
  for (const { names, open } of wanted) {
    const suite = await open();
    try {
      const { right, wrong } = await tryAll(suite, names, done);
      sum.right += right;
      sum.wrong += wrong;
    } finally {
      await suite.close();
    }
  }
  if (done) writeFileSync(FILE, '[]');
  say(`\n${sum.right} passed, ${sum.wrong} failed`);
  process.exitCode = sum.wrong === 0 ? 0 : 1;
}

main().catch((error: unknown) => {
  say(error instanceof Plain ? error.message : String(error instanceof Error ? error.stack : error));
  process.exitCode = 1;
});
