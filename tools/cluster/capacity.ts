import { cpus } from 'node:os';
import { seeded } from '../../demo/src/random.js';
import { build } from '../build.js';
import { wait } from '../faults/bad-network.js';
import { TestRun } from '../test-run.js';
import { aPicture, BusySalon, bytesStored, cellCpu, type Costs, coresFor, costOf, streamKb } from './costs.js';
import { ASKED_KINDS, type AskedKind, type Rates, SATURDAY, saturdayOf, scaled } from './saturday.js';
import { SmallCell } from './small-cell.js';

const SALONS = 20;
const SECONDS = 6;
const PLAYED_S = 30;
/** How much of its processors a machine is to have to do at most: the rest is for what was not thought of. Our default. */
const FULL = 0.5;
/** Processors of a machine that servers, or a database, are given on paper. */
const CORES = 8;
const SATURDAYS = 52;
/** Days of a week that are as full as a Saturday, together. Our estimate. */
const DAYS = 4;
const GB = 1e9;

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** `npm run capacity`: what a request costs here, a Saturday's busiest half minute played, and on paper what 1, 1,000 and 100,000 salons take. */
async function capacity(): Promise<void> {
  await build(say);
  const run = new TestRun(say, []);
  try {
    const cell = await SmallCell.open('capacity', 'http://127.0.0.1:1');
    try {
      const raw = await aPicture();
      const salons: BusySalon[] = [];
      for (let nr = 0; nr < SALONS; nr++) salons.push(await BusySalon.open(cell, nr, raw));
      const costs = await costsOf(cell, salons);
      say(`\na screen that follows along: ${(await streamKb(cell, salons)).toFixed(0)} kB of the server's memory`);
      const bytes = await bytesStored(cell);
      say(
        `an entry: ${bytes.entry} bytes with its indexes; a photograph of ${(raw.size / 1000).toFixed(0)} kB: ${(bytes.photograph / 1000).toFixed(0)} kB`,
      );
      await played(cell, salons, costs);
      onPaper(costs, bytes);
    } finally {
      await cell.close();
    }
  } finally {
    for (const was of run.end()) say(`Left by the measuring, ended now: ${was}`);
  }
}

async function costsOf(cell: SmallCell, salons: readonly BusySalon[]): Promise<Costs> {
  say(`\n${cpus().length} × ${cpus()[0]?.model ?? ''}, Node ${process.versions.node}; server, database and whoever asks share it`);
  say('one request, ms of a processor: server; database');
  const costs: Partial<Record<AskedKind, { server: number; database: number }>> = {};
  for (const kind of ASKED_KINDS) {
    const cost = await costOf(kind, cell, salons, SECONDS);
    costs[kind] = cost;
    say(`  ${kind.padEnd(12)} ${cost.server.toFixed(2)}; ${cost.database.toFixed(2)}`);
  }
  const none = { server: 0, database: 0 };
  return { entry: none, news: none, here: none, photograph: none, picture: none, ...costs };
}

/** The busiest moment of as many salons as this machine bears at half its strength, really asked, by the clock and not as fast as it is answered. */
async function played(cell: SmallCell, salons: readonly BusySalon[], costs: Costs): Promise<void> {
  const many = 1000;
  const { peak } = saturdayOf(many, seeded(1).next);
  const one = coresFor(scaled(peak, 1 / many), costs);
  // Whoever asks needs as much again.
  const count = Math.floor((FULL * cpus().length) / (2 * (one.server + one.database)));
  const rates = scaled(peak, count / many);
  const told = coresFor(rates, costs);
  const chance = seeded(2).next;
  const times = new Map<AskedKind, number[]>(ASKED_KINDS.map((kind) => [kind, []]));
  const before = cellCpu(cell);
  const asking: Promise<void>[] = [];
  const from = performance.now();
  for (const { atMs, kind } of moments(rates, chance)) {
    await wait(Math.max(0, from + atMs - performance.now()));
    const asked = from + atMs;
    const salon = salons[Math.floor(chance() * salons.length)];
    asking.push((salon?.ask(kind, asking.length) ?? Promise.resolve()).then(() => void times.get(kind)?.push(performance.now() - asked)));
  }
  await Promise.all(asking);
  const seconds = (performance.now() - from) / 1000;
  const after = cellCpu(cell);
  say(
    `\n${PLAYED_S} s of the busiest moment of ${count} salons (${asking.length} requests), from when each was due to its answer: median; 95 of 100; slowest`,
  );
  for (const [kind, ms] of times) {
    const sorted = [...ms].sort((a, b) => a - b);
    const at = (share: number): string => `${(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0).toFixed(0)} ms`;
    say(`  ${kind.padEnd(12)} ${at(0.5)}; ${at(0.95)}; ${at(1)} (${ms.length})`);
  }
  const came = { server: (after.server - before.server) / 1000 / seconds, database: (after.database - before.database) / 1000 / seconds };
  say(
    `  processors, told and came: server ${told.server.toFixed(2)} and ${came.server.toFixed(2)}; database ${told.database.toFixed(2)} and ${came.database.toFixed(2)}`,
  );
}

/** When what is asked, as chance has it, in order. */
function moments(rates: Rates, chance: () => number): readonly { readonly atMs: number; readonly kind: AskedKind }[] {
  return ASKED_KINDS.flatMap((kind) =>
    Array.from({ length: Math.round(rates[kind] * PLAYED_S) }, () => ({ atMs: 1000 * PLAYED_S * chance(), kind })),
  ).sort((a, b) => a.atMs - b.atMs);
}

function onPaper(costs: Costs, bytes: { readonly entry: number; readonly photograph: number }): void {
  const { people, dogsEach, entriesOfVisit, photographsOfVisit, screens } = SATURDAY;
  say(
    `\non paper: a Saturday of ${people} people with ${dogsEach} dogs each, ${entriesOfVisit} entries and ${photographsOfVisit} photographs a dog, ${screens} screens; all under one clock`,
  );
  say(
    'salons; busiest second: entries, all requests; processors of servers, of databases; machines for servers, cells; GB a year: log, photographs; screens',
  );
  for (const salons of [1, 1_000, 100_000]) {
    const { peak, total } = saturdayOf(salons, seeded(1).next);
    const all = ASKED_KINDS.reduce((sum, kind) => sum + peak[kind], 0);
    const cores = coresFor(peak, costs);
    const machines = (n: number): number => Math.ceil(n / (CORES * FULL));
    const year = SATURDAYS * DAYS;
    say(
      `  ${salons.toLocaleString('en')}; ${peak.entry.toFixed(1)}, ${all.toFixed(0)}; ${cores.server.toFixed(2)}, ${cores.database.toFixed(2)}; ` +
        `${machines(cores.server)}, ${machines(cores.database)}; ${((total.entry * year * bytes.entry) / GB).toFixed(1)}, ` +
        `${((total.photograph * year * bytes.photograph) / GB).toFixed(1)}; ${(salons * screens).toLocaleString('en')}`,
    );
  }
  say(
    `A year is ${SATURDAYS} weeks of ${DAYS} days as full as a Saturday. A machine is given ${CORES} processors, half of them to do at the busiest moment. Three nodes a cell: one works, two stand by.`,
  );
}

await capacity();
