import { contentsOf, differences } from '../backup/contents.js';
import { bootRestored } from '../backup/after-restore.js';
import { wait } from '../faults/bad-network.js';
import { signUp } from '../faults/sign-up.js';
import { freePort } from '../free-port.js';
import { median } from '../median.js';
import { dropCluster, startCluster, stopCluster, withClient } from '../postgres.js';
import { aloneSettings } from './cell-backups.js';
import { Cell } from './cell.js';
import type { Checks } from './checks.js';
import { Ear } from './ear.js';
import { Front } from './front.js';
import { DATABASE, HOST } from './host.js';
import { Load, visitAtTable } from './load.js';
import type { Member } from './member.js';
import { keptOf } from './stored.js';

const NAME = 'cell-1';
const RESTORED = 'pg-cell-restored';
const TABLETS = 4;
/** Promised for each of them. */
const MOST_S = 60;

/** What is killed, and how it comes back. */
interface Death {
  readonly what: string;
  /** @returns who it is this time, and what has to be so before the next one */
  readonly choose: (cell: Cell, round: number) => Promise<{ member: Member; healed: () => Promise<void> }>;
}

/** `often(1) // => 'once'` */
export const often = (times: number): string => (times === 1 ? 'once' : `${times} times`);

const nth = <T>(all: readonly T[], round: number): T => all[round % all.length] as T;

const DEATHS: readonly Death[] = [
  {
    what: 'the node that leads',
    choose: async (cell) => ({ member: (await cell.leads()).member, healed: () => cell.whole() }),
  },
  {
    what: 'the node in step with it',
    choose: async (cell) => ({ member: (await cell.inStep()).member, healed: () => cell.whole() }),
  },
  {
    what: 'a server',
    choose: (cell, round) => Promise.resolve({ member: nth(cell.servers, round), healed: () => cell.serves(round % cell.servers.length) }),
  },
  {
    what: 'a pool',
    choose: (cell, round) => Promise.resolve({ member: nth(cell.pools, round), healed: () => Promise.resolve() }),
  },
  {
    what: 'a member of etcd',
    choose: (cell, round) => Promise.resolve({ member: nth(cell.etcd, round), healed: () => cell.whole() }),
  },
];

/**
 * A cell under load: each kind of program is killed so many times and started again; nothing that was acknowledged may be lost, and it must be
 * stored again within a minute.
 * @param timed whether the minute is held against it: not where other work shares the machine
 */
export async function drillCell(checks: Checks, times: number, timed: boolean): Promise<void> {
  const port = await freePort();
  const url = `http://${HOST}:${port}`;
  const from = performance.now();
  const cell = await Cell.open(NAME, url);
  let front: Front | undefined;
  let ear: Ear | undefined;
  try {
    front = await Front.open(port, [HOST], new Map([[HOST, NAME]]), [{ cell: NAME, ports: cell.serverPorts }]);
    checks.say(`a cell of 3 nodes, 3 etcd, 2 pools, 2 servers is up after ${((performance.now() - from) / 1000).toFixed(0)} s`);
    const { lead, dogId } = await signUp(url);
    const visits = await Promise.all(Array.from({ length: TABLETS }, () => visitAtTable(url, lead, dogId)));
    const load = new Load(url, lead, visits, 1);
    const screen = new Ear(url, lead);
    ear = screen;
    for (const death of DEATHS)
      await checks.part(`${death.what}, killed ${often(times)}`, () => killed(checks, cell, load, screen, visits, death, times, timed));
    await checks.part('two nodes of three', () => alone(checks, cell, load));
    await checks.part('what was acknowledged', () => held(checks, cell, load));
  } finally {
    await ear?.close();
    await front?.close();
    await cell.close();
    stopCluster(RESTORED);
    dropCluster(RESTORED);
  }
}

async function killed(
  checks: Checks,
  cell: Cell,
  load: Load,
  ear: Ear,
  visits: readonly string[],
  death: Death,
  times: number,
  timed: boolean,
): Promise<void> {
  const stored: number[] = [];
  const heard: number[] = [];
  for (let round = 0; round < times; round++) {
    const { member, healed } = await death.choose(cell, round);
    const since = Date.now();
    await member.kill();
    const ms = await load.storedAfter(since);
    stored.push(ms);
    heard.push(Math.max(...(await Promise.all(visits.map((visitId) => ear.hearsAfter(since + ms, visitId))))));
    member.start();
    await healed();
    // On the way down is not the way up: with it back, entries are stored as well.
    await load.storedAfter(Date.now());
  }
  const s = (ms: number): string => (ms / 1000).toFixed(1);
  const longest = Math.max(...stored) / 1000;
  checks.is(
    `${death.what}: entries are stored again, after ${s(median(stored))} s (median of ${times}), ${longest.toFixed(1)} s (longest)`,
    !timed || longest < MOST_S,
    `${longest.toFixed(1)} s, more than ${MOST_S} s`,
  );
  checks.is(`a screen hears of them, ${s(median(heard))} s later (median), ${s(Math.max(...heard))} s (longest)`, heard.length === times);
}

/** Longer than the limit of a statement in `deploy/roles.sql`, ms: where that ended the wait for a second machine, a COMMIT would be acknowledged on one alone. */
const ALONE_MS = 17_000;

/** With one machine left nothing is promised, however long somebody waits; with a second one it goes on. */
async function alone(checks: Checks, cell: Cell, load: Load): Promise<void> {
  const leader = await cell.leads();
  const others = cell.nodes.filter((node) => node !== leader);
  await Promise.all(others.map(({ member }) => member.kill()));
  const since = Date.now();
  await wait(ALONE_MS);
  const acknowledged = load.acknowledgedAfter(since);
  checks.is(`with two nodes dead nothing is acknowledged for ${ALONE_MS / 1000} s`, acknowledged === 0, `${acknowledged} entries were`);
  const again = Date.now();
  for (const { member } of others) member.start();
  const ms = await load.storedAfter(again);
  checks.is(`with them back, entries are stored after ${(ms / 1000).toFixed(1)} s`, true);
  await cell.whole();
}

/** Nobody taps any more: what is stored is held against what the tablets know, and the backups against what is stored. */
async function held(checks: Checks, cell: Cell, load: Load): Promise<void> {
  // What was acknowledged so far may not lean on what is sent again at the end.
  const soFar = load.acknowledged;
  const admin = cell.cluster.url('mansuet_admin', DATABASE);
  const early = await withClient(admin, (c) => keptOf(c, soFar, soFar));
  checks.is(`none of ${soFar.length} acknowledged entries is lost`, early.lost === 0 && soFar.length > 0, `${early.lost} lost`);
  await load.stop();
  const { tapped, acknowledged } = load;
  const kept = await withClient(admin, (c) => keptOf(c, tapped, acknowledged));
  checks.is(
    `all ${tapped.length} that were tapped are stored, once each`,
    kept.missing + kept.twice + kept.lost === 0,
    JSON.stringify(kept),
  );
  const sums = await withClient(admin, (c) => c.query<{ data_checksums: string }>('show data_checksums'));
  checks.is('pages of the database have checksums', sums.rows[0]?.data_checksums === 'on');
  const apart = await cell.unequal();
  checks.is('every node has the same, byte for byte', apart.length === 0, apart.join('; '));

  const leader = await cell.leads();
  const wanted = await withClient(admin, contentsOf);
  cell.backups.take(leader, 'diff');
  dropCluster(RESTORED);
  cell.backups.restoreInto(RESTORED, leader);
  const port = await freePort();
  const alone = aloneSettings(RESTORED);
  await bootRestored(RESTORED, port, alone);
  const restored = await startCluster(RESTORED, port, alone);
  const wrong = await withClient(restored.url('mansuet_admin', DATABASE), async (c) => differences(wanted, await contentsOf(c)));
  checks.is(`the backups, kept through every change of who led, hold all of it byte for byte`, wrong.length === 0, wrong.join('; '));
}
