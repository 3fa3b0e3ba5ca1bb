import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../place.js';

/**
 * Puts values where a text says `${NAME}`.
 * @throws Error for a name without a value, and for a value that the text does not ask for: each would be a slip of the pen
 */
export function fill(text: string, values: Readonly<Record<string, string | number>>): string {
  const asked = new Set<string>();
  const filled = text.replaceAll(/\$\{([A-Z_]+)\}/g, (_, name: string) => {
    asked.add(name);
    const value = values[name];
    if (value === undefined) throw new Error(`nothing is given for ${name}`);
    return String(value);
  });
  const spare = Object.keys(values).filter((name) => !asked.has(name));
  if (spare.length > 0) throw new Error(`nothing asks for ${spare.join(', ')}`);
  return filled;
}

/** A file of `deploy/`, filled: what the drill runs with is what somebody who sets up machines is given. */
export const deployed = (file: string, values: Readonly<Record<string, string | number>>): string =>
  fill(readFileSync(join(ROOT, 'deploy', file), 'utf8'), values);
