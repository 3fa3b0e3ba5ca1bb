import { ProblemError } from '../problems/problem-error.js';

/** Stands for the name of a salon in the address that people use, where a server has many salons. */
const ANY = '://*.';
const NAME = /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/;

/**
 * The address that people use, without a slash at its end: as it was said when the server was started, whatever a request says. Where a server has
 * salons of many names only the name comes from the request, and nothing else of it.
 * `addressFor('https://*.salons.example', 'moss.salons.example') // => 'https://moss.salons.example'`
 * @param host as the request names it, with a port where it has one
 * @throws ProblemError `not_found` for a host that is none of ours
 */
export function addressFor(publicUrl: string, host: string | undefined): string {
  const [scheme, rest] = publicUrl.split(ANY);
  if (rest === undefined) return publicUrl;
  const said = (host ?? '').toLowerCase();
  const name = said.endsWith(`.${rest}`) ? said.slice(0, -rest.length - 1) : '';
  if (!NAME.test(name)) throw new ProblemError('not_found');
  return `${scheme}://${name}.${rest}`;
}
