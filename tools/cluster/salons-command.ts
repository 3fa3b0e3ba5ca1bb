import { parseArgs } from 'node:util';
import { Plain } from '../place.js';
import { withClient } from '../postgres.js';
import { type Cells, readCells } from './cells-file.js';
import { leadTo, ledTo } from './front.js';
import { moveSalon } from './move.js';
import { openSalon } from './open-salon.js';

const USAGE = `npm run salons -- list --cells FILE
npm run salons -- open --cells FILE --cell NAME --host ADDRESS --name "SALON" --zone PLACE --lead "NAME" --login NAME   (password: MANSUET_LEAD_PASSWORD)
npm run salons -- move --cells FILE --host ADDRESS --salon ID --to NAME`;

const say = (line: string): void => void process.stdout.write(`${line}\n`);

/** Salons of several cells: which there are, one more, one elsewhere. @throws Plain with what is wrong, and how it is called */
async function salons(args: readonly string[]): Promise<void> {
  const { values, positionals } = ((): ReturnType<typeof read> => {
    try {
      return read(args);
    } catch (error) {
      throw new Plain(`${error instanceof Error ? error.message : String(error)}\n${USAGE}`);
    }
  })();
  const asked = (name: keyof typeof values): string => {
    const value = values[name];
    if (value === undefined || value === '') throw new Plain(`--${name} is missing.\n${USAGE}`);
    return value;
  };
  const cells = readCells(asked('cells'));
  if (positionals[0] === 'list') await list(cells);
  else if (positionals[0] === 'open') {
    const [cell, host] = [cells.cell(asked('cell')), asked('host')];
    if (ledTo(cells.files, host) !== undefined) throw new Plain(`${host} is in the directory already.`);
    const lead = { name: asked('lead'), login: asked('login'), password: process.env['MANSUET_LEAD_PASSWORD'] ?? '' };
    const { salonId } = await openSalon(cell.adminUrl, { name: asked('name'), timeZone: asked('zone'), lead });
    await leadTo(cells.files, host, cell.name);
    say(`${host} is open in ${cell.name}: salon ${salonId}`);
  } else if (positionals[0] === 'move') {
    const [host, salonId, to] = [asked('host'), asked('salon'), cells.cell(asked('to'))];
    const at = ledTo(cells.files, host);
    if (at === undefined) throw new Plain(`${host} is not in the directory.`);
    // Cut off after the directory was changed, what it left behind is in another cell.
    const from = at === to.name ? await cellWith(cells, salonId, to.name) : cells.cell(at);
    if (from === undefined) return say(`${host} is in ${to.name}, and nowhere else.`);
    const moved = await moveSalon({ salonId, from, to, lead: () => leadTo(cells.files, host, to.name), told: (step) => say(`  ${step}`) });
    say(
      `${host} is in ${to.name}: ${moved.rows} rows and ${moved.photographs} photographs, byte for byte; shut for ${(moved.shutMs / 1000).toFixed(1)} s`,
    );
  } else throw new Plain(USAGE);
}

const read = (args: readonly string[]) => {
  const text = { type: 'string' } as const;
  const options = { cells: text, cell: text, host: text, name: text, zone: text, lead: text, login: text, salon: text, to: text };
  return parseArgs({ args: [...args], options, allowPositionals: true });
};

async function list(cells: Cells): Promise<void> {
  for (const name of cells.names) {
    const { rows } = await withClient(cells.cell(name).adminUrl, (c) =>
      c.query<{ id: string; name: string; entries: string }>(
        `select s.salon_id as id, s.name, (select count(*) from visit_event e where e.salon_id = s.salon_id) as entries from salon s
         where not exists (select 1 from moved_salon m where m.salon_id = s.salon_id) order by s.name`,
      ),
    );
    say(`${name}: ${rows.length} salons`);
    for (const row of rows) say(`  ${row.id}  ${row.name}, ${row.entries} entries`);
  }
}

/** Another cell that still has rows of a salon. */
async function cellWith(cells: Cells, salonId: string, butNot: string): Promise<ReturnType<Cells['cell']> | undefined> {
  for (const name of cells.names.filter((n) => n !== butNot)) {
    const cell = cells.cell(name);
    const { rowCount } = await withClient(cell.adminUrl, (c) => c.query('select 1 from salon where salon_id = $1', [salonId]));
    if (rowCount) return cell;
  }
  return undefined;
}

try {
  await salons(process.argv.slice(2));
} catch (error) {
  process.stderr.write(
    `${error instanceof Plain ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exitCode = 1;
}
