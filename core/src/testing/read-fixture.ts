import { existsSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';

/** A recorded fixture, packed so that a visit's whole log stays small. @param path below `core/src` */
export function readFixture(path: string): unknown {
  // Compiled specs lie in a folder of their own, beside `src`.
  const places = [new URL(`../${path}`, import.meta.url), new URL(`../../src/${path}`, import.meta.url)];
  const file = places.find((p) => existsSync(p));
  if (!file) throw new RangeError(`readFixture: ${path} is not there`);
  return JSON.parse(gunzipSync(readFileSync(file)).toString('utf8'));
}
