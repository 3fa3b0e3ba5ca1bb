import { readFileSync } from 'node:fs';
import * as z from 'zod';
import { Plain } from '../place.js';
import type { DirectoryFiles } from './front.js';
import type { MoveCell } from './move.js';

const CELLS = z.strictObject({
  /** The directory that the front reads, and the socket by which it is told of a change. */
  map: z.string(),
  control: z.string(),
  /** By name: past the pools, as mansuet_admin, to the database of the cell. */
  cells: z.record(z.string(), z.string().startsWith('postgres://')),
});

/** What whoever looks after several cells has written down of them: `deploy/cells.json`, filled. */
export interface Cells {
  readonly files: DirectoryFiles;
  readonly names: readonly string[];
  /** @throws Plain for a cell that is not among them */
  readonly cell: (name: string) => MoveCell;
}

/** @throws Plain that says what is wrong with the file */
export function readCells(path: string): Cells {
  const read = ((): unknown => {
    try {
      return JSON.parse(readFileSync(path, 'utf8'));
    } catch (error) {
      throw new Plain(`${path} cannot be read: ${error instanceof Error ? error.message : String(error)}`);
    }
  })();
  const parsed = CELLS.safeParse(read);
  if (!parsed.success) throw new Plain(`${path} is not a list of cells:\n${z.prettifyError(parsed.error)}`);
  const { map, control, cells } = parsed.data;
  const names = Object.keys(cells);
  return {
    files: { map, control },
    names,
    cell: (name) => {
      const adminUrl = cells[name];
      if (adminUrl === undefined) throw new Plain(`There is no cell “${name}” in ${path}, only ${names.join(', ')}.`);
      return { name, adminUrl };
    },
  };
}
