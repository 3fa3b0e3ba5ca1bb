import { Plain } from '../place.js';

/** In which cell a salon is, by the name that it is reached by. */
export type Directory = ReadonlyMap<string, string>;

const NAME = /^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/;

/**
 * Reads the directory as the front has it: a line for each salon, its name and its cell.
 * @throws Plain that names the line which cannot be read, or a name that stands twice
 */
export function readDirectory(text: string): Directory {
  const directory = new Map<string, string>();
  text.split('\n').forEach((line, i) => {
    const said = line.trim();
    if (said === '' || said.startsWith('#')) return;
    const [host, cell, ...more] = said.split(/\s+/);
    if (host === undefined || cell === undefined || more.length > 0 || !NAME.test(host) || !NAME.test(cell))
      throw new Plain(`Line ${i + 1} of the directory is not a name and a cell: ${said}`);
    if (directory.has(host)) throw new Plain(`${host} stands twice in the directory, again in line ${i + 1}.`);
    directory.set(host, cell);
  });
  return directory;
}

/** Its text, in order of names, so that two can be held against each other line by line. */
export const directoryText = (directory: Directory): string =>
  [...directory]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([host, cell]) => `${host} ${cell}\n`)
    .join('');

/** The same directory with a salon in another cell. @throws Plain for a name or a cell that cannot be one */
export function placedIn(directory: Directory, host: string, cell: string): Directory {
  if (!NAME.test(host) || !NAME.test(cell))
    throw new Plain(`“${host} ${cell}” is not a name and a cell: small letters, digits, dots, hyphens.`);
  return new Map([...directory, [host, cell]]);
}
