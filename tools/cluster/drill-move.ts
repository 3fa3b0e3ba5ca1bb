import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { openDatabase } from '../../server/src/database/database.js';
import { DrillSalon } from '../backup/drill-salon.js';
import { aDog, signIn } from '../faults/sign-up.js';
import type { Person } from '../faults/tablet.js';
import { freePort } from '../free-port.js';
import { ROOT } from '../place.js';
import { secrets, withClient } from '../postgres.js';
import { run } from '../run-command.js';
import type { Checks } from './checks.js';
import { Ear } from './ear.js';
import { Front, leadTo, ledTo } from './front.js';
import { deployed } from './fill.js';
import { DATABASE, HOST } from './host.js';
import { Load, visitAtTable } from './load.js';
import { type Moved, moveSalon, type MoveStep } from './move.js';
import { openSalon } from './open-salon.js';
import { apart, salonTables, sumsOf } from './salon-rows.js';
import { SmallCell } from './small-cell.js';
import { keptOf } from './stored.js';

const PASSWORD = 'ten letters and more';
const PHOTOGRAPHS = 60;
const TABLETS = 3;
/** A tablet of a salon beside waits no longer than this for an answer, s: the other one's move is nothing to it. */
const UNDISTURBED_S = 5;
const STEPS: readonly MoveStep[] = ['photographs', 'shut', 'copied', 'opened', 'led'];

/** A salon of the drill, at its own address of loopback. */
interface Salon {
  readonly host: string;
  readonly url: string;
  readonly salonId: string;
  readonly lead: Person;
  readonly visits: readonly string[];
}

/**
 * Two cells and a front: a salon moves from one to the other while it works, comes back, and is cut off at every step of the way.
 * @param timed whether it is held how long others wait: not where other work shares the machine
 */
export async function drillMove(checks: Checks, timed: boolean): Promise<void> {
  const port = await freePort();
  const cells: SmallCell[] = [];
  let front: Front | undefined;
  try {
    for (const name of ['cell-1', 'cell-2']) cells.push(await SmallCell.open(name, `http://127.0.1.1:${port}`));
    const [a, b] = [cells[0]!, cells[1]!];
    const hosts = ['127.0.1.1', '127.0.1.2', '127.0.1.3'];
    front = await Front.open(
      port,
      hosts,
      new Map(hosts.slice(0, 2).map((host) => [host, a.name])),
      cells.map((c) => ({ cell: c.name, ports: [c.port] })),
    );
    const moves = await salonIn(a, hosts[0]!, port, 'moves');
    const stays = await salonIn(a, hosts[1]!, port, 'stays');
    await new MoveDrill(checks, front, a, b, moves, stays, `http://${hosts[2]!}:${port}`, timed).go();
  } finally {
    await front?.close();
    for (const cell of cells) await cell.close();
  }
}

async function salonIn(cell: SmallCell, host: string, port: number, login: string): Promise<Salon> {
  const url = `http://${host}:${port}`;
  const lead = { name: 'Lead', login, password: PASSWORD };
  const who = await openSalon(cell.asMoved.adminUrl, { name: `Drill ${login}`, timeZone: 'Pacific/Auckland', lead });
  const db = openDatabase(cell.cluster.url('mansuet_app', DATABASE));
  const drill = await DrillSalon.of(db, who);
  await drill.work(PHOTOGRAPHS);
  await drill.close();
  const person = await signIn(url, '/api/session', { login, password: PASSWORD });
  const dogId = await aDog(url, person);
  const visits = await Promise.all(Array.from({ length: TABLETS }, () => visitAtTable(url, person, dogId)));
  return { host, url, salonId: who.salonId, lead: person, visits };
}

class MoveDrill {
  constructor(
    private readonly checks: Checks,
    private readonly front: Front,
    private readonly a: SmallCell,
    private readonly b: SmallCell,
    private readonly moves: Salon,
    private readonly stays: Salon,
    /** Where no salon is yet. */
    private readonly free: string,
    private readonly timed: boolean,
  ) {}

  async go(): Promise<void> {
    const { checks, a, b, moves, stays } = this;
    const load = new Load(moves.url, moves.lead, moves.visits, 2);
    const beside = new Load(stays.url, stays.lead, stays.visits, 3);
    const ear = new Ear(moves.url, moves.lead);
    try {
      await load.storedAfter(Date.now());
      const opened = ear.opened;
      const since = Date.now();
      const said = await this.command('move', '--host', moves.host, '--salon', moves.salonId, '--to', b.name);
      const line = said.trim().split('\n').at(-1) ?? '';
      checks.is(`it moves while it works: ${line}`, line.includes(`${PHOTOGRAPHS} photographs`) && (await this.isIn(b, a)), said);
      const after = Date.now();
      await load.storedAfter(after);
      const heard = await Promise.all(moves.visits.map((visitId) => ear.hearsAfter(after, visitId)));
      checks.is('screens that follow along have come again, and hear of it', ear.opened > opened && heard.length === TABLETS);

      const before = await load.rest(() => this.sums(b));
      checks.is('what it has is where it is now', before.get('photo')?.startsWith(`${PHOTOGRAPHS} rows`) === true);
      const back = await load.rest(async () => {
        const wanted = await this.sums(b);
        await this.move(b, a);
        return apart(wanted, await this.sums(a));
      });
      // A session lives on while it is used; nobody used one meanwhile.
      checks.is('it comes back, and everything is as it was, byte for byte', back.length === 0 && (await this.isIn(a, b)), back.join(', '));

      await this.opened();
      for (const step of STEPS) await this.cutOff(step);
      await this.taken();
      checks.is(
        `the salon beside waits ${(beside.longestMs(since) / 1000).toFixed(1)} s at most for an answer`,
        !this.timed || beside.longestMs(since) < UNDISTURBED_S * 1000,
      );
      await load.stop();
      await beside.stop();
      for (const [what, l] of [
        ['the salon that moved', load],
        ['the one beside', beside],
      ] as const) {
        const kept = await withClient(a.asMoved.adminUrl, (c) => keptOf(c, l.tapped, l.acknowledged));
        checks.is(
          `${what}: all ${l.tapped.length} entries are stored, once each, none that was acknowledged is lost`,
          kept.lost + kept.twice + kept.missing === 0 && l.tapped.length > 0,
          JSON.stringify(kept),
        );
      }
    } finally {
      await ear.close();
    }
  }

  /** One more salon, by the command that somebody types who looks after the cells. */
  private async opened(): Promise<void> {
    const { b, checks, free } = this;
    const host = new URL(free).hostname;
    const refused = await this.command(
      'open',
      '--cell',
      'cell-3',
      '--host',
      host,
      '--name',
      'Later',
      '--zone',
      'UTC',
      '--lead',
      'Lead',
      '--login',
      'later',
    );
    const before = await fetch(free);
    await this.command('open', '--cell', b.name, '--host', host, '--name', 'Later', '--zone', 'UTC', '--lead', 'Lead', '--login', 'later');
    const person = await signIn(free, '/api/session', { login: 'later', password: PASSWORD });
    const listed = await this.command('list');
    checks.is(
      'one more salon is opened: people are led there, and sign in; before that nobody has its address',
      before.status === 421 && person.staffId !== '' && listed.includes('Later') && refused.includes('There is no cell “cell-3”'),
      `${before.status}; ${listed}; ${refused}`,
    );
  }
  /** `npm run salons`, with `deploy/cells.json` filled. @returns all that it says */
  private async command(what: string, ...args: readonly string[]): Promise<string> {
    const { map, control } = this.front.files;
    const { admin } = secrets();
    const filled = deployed('cells.json', {
      DIRECTORY: map,
      CONTROL: control,
      DATABASE,
      ADMIN_PASSWORD: admin,
      HOST,
      LEADER_PORT: this.a.cluster.port,
      OTHER_ADMIN_PASSWORD: admin,
      OTHER_HOST: HOST,
      OTHER_LEADER_PORT: this.b.cluster.port,
    });
    const file = join(mkdtempSync(join(tmpdir(), 'mansuet-cells-')), 'cells.json');
    writeFileSync(file, filled, { mode: 0o600 });
    try {
      const env = { TSX_TSCONFIG_PATH: `${ROOT}/tools/tsconfig.json`, MANSUET_LEAD_PASSWORD: PASSWORD };
      const command = ['--import', 'tsx', 'tools/cluster/salons-command.ts', what, '--cells', file, ...args];
      return (await run(process.execPath, command, { cwd: ROOT, env })).output;
    } finally {
      rmSync(dirname(file), { recursive: true });
    }
  }

  /** Whoever moves it dies at a step; called again, it is where it should be, and was in one place alone all the time. */
  private async cutOff(step: MoveStep): Promise<void> {
    const { moves, a, b, checks } = this;
    const asked = { salonId: moves.salonId, from: a.asMoved, to: b.asMoved, host: moves.host, files: this.front.files, diesAt: step };
    const { output } = await run(process.execPath, ['--import', 'tsx', 'tools/cluster/move-cut-off.ts', JSON.stringify(asked)], {
      cwd: ROOT,
      env: { TSX_TSCONFIG_PATH: `${ROOT}/tools/tsconfig.json` },
    });
    const open = [await this.isOpen(a), await this.isOpen(b)].filter((x) => x).length;
    await this.move(a, b);
    checks.is(
      `cut off when it had come to “${step}”: open in one place at most, and moved by the next`,
      output.includes(`dies at ${step}`) && open <= 1 && (await this.isIn(b, a)),
      `${output.trim()}, open in ${open}`,
    );
    await this.move(b, a);
  }

  /** Somebody has the sign-in name there already. */
  private async taken(): Promise<void> {
    const { a, b, checks, moves } = this;
    const lead = { name: 'Other', login: 'moves', password: PASSWORD };
    const other = await openSalon(b.asMoved.adminUrl, { name: 'Other', timeZone: 'UTC', lead });
    const said = await this.move(a, b).then(
      () => '',
      (error: unknown) => (error instanceof Error ? error.message : String(error)),
    );
    checks.is(
      'where its sign-in name is taken it stays, open, and why is said',
      said.includes('sign-in name') && (await this.isOpen(a)) && !(await this.isOpen(b)) && ledTo(this.front.files, moves.host) === a.name,
      said,
    );
    await withClient(b.asMoved.adminUrl, async (c) => {
      await c.query('delete from staff where salon_id = $1', [other.salonId]);
      await c.query('delete from salon where salon_id = $1', [other.salonId]);
    });
  }

  private move(from: SmallCell, to: SmallCell): Promise<Moved> {
    const { salonId, host } = this.moves;
    return moveSalon({ salonId, from: from.asMoved, to: to.asMoved, lead: () => leadTo(this.front.files, host, to.name) });
  }
  private sums(cell: SmallCell): Promise<ReadonlyMap<string, string>> {
    return withClient(cell.asMoved.adminUrl, async (c) => sumsOf(await salonTables(c), this.moves.salonId, c));
  }
  private isOpen(cell: SmallCell): Promise<boolean> {
    return withClient(cell.asMoved.adminUrl, async (c) => {
      const { rowCount } = await c.query(
        'select 1 from salon s where s.salon_id = $1 and not exists (select 1 from moved_salon m where m.salon_id = s.salon_id)',
        [this.moves.salonId],
      );
      return rowCount === 1;
    });
  }
  /** Open in one, without a row in the other, and people are led there. */
  private async isIn(cell: SmallCell, other: SmallCell): Promise<boolean> {
    const left = [...(await this.sums(other)).values()].filter((sum) => !sum.startsWith('0 rows'));
    return (await this.isOpen(cell)) && left.length === 0 && ledTo(this.front.files, this.moves.host) === cell.name;
  }
}
