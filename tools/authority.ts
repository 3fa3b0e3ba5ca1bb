import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { Plain, RUN } from './place.js';

/** What the server is started with. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
  readonly authority: string;
}

/** The authority lasts as long as the tablets do; what it signs as long as browsers take it. */
const AUTHORITY_DAYS = 3650;
const SERVER_DAYS = 397;
/** Made anew so long before it ends, days. */
const RENEW_DAYS = 30;

/** Names and addresses under which this machine may be asked for on its own network. */
export function namesOfThisMachine(): string[] {
  const addresses = Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((a) => a.family === 'IPv4' && !a.internal).map((a) => a.address),
  );
  const name = hostname().toLowerCase();
  return [name, ...(name.includes('.') ? [] : [`${name}.local`]), ...addresses, 'localhost', '127.0.0.1'];
}

/**
 * A certificate for these names, signed by this checkout's own authority. Both are made by OpenSSL when they are not there; the server's is made
 * anew when it ends soon or a name is missing, the authority's never, since tablets trust it.
 * @param directory where they lie, readable by its user only
 */
export function ensureCertificate(names: readonly string[], directory = join(RUN, 'tls'), now = new Date()): Certificate {
  mkdirSync(directory, { recursive: true, mode: 0o700 });
  const at = (file: string): string => join(directory, file);
  const made = { cert: at('server.crt'), key: at('server.key'), authority: at('authority.crt') };
  if (!existsSync(made.authority)) {
    newKey(at('authority.key'));
    openssl(['req', '-x509', '-new', '-key', at('authority.key'), '-sha256', '-days', String(AUTHORITY_DAYS)], {
      out: made.authority,
      subject: 'Mansuet of this salon',
      extensions: ['basicConstraints=critical,CA:TRUE,pathlen:0', 'keyUsage=critical,keyCertSign,cRLSign', 'subjectKeyIdentifier=hash'],
    });
  }
  if (!isGood(made.cert, names, now)) {
    newKey(made.key);
    const request = at('server.csr');
    const extensions = at('server.ext');
    openssl(['req', '-new', '-key', made.key, '-sha256'], { out: request, subject: names[0] ?? 'localhost', extensions: [] });
    writeFileSync(
      extensions,
      [
        'basicConstraints=critical,CA:FALSE',
        'keyUsage=critical,digitalSignature',
        'extendedKeyUsage=serverAuth',
        `subjectAltName=${names.map((n) => `${isIP(n) === 0 ? 'DNS' : 'IP'}:${n}`).join(',')}`,
      ].join('\n'),
    );
    const signed = ['x509', '-req', '-in', request, '-CA', made.authority, '-CAkey', at('authority.key'), '-CAcreateserial'];
    run([...signed, '-sha256', '-days', String(SERVER_DAYS), '-extfile', extensions, '-out', made.cert]);
    rmSync(request);
    rmSync(extensions);
  }
  return made;
}

/** There, not about to end, and for all the names. */
function isGood(file: string, names: readonly string[], now: Date): boolean {
  if (!existsSync(file)) return false;
  const cert = new X509Certificate(readFileSync(file));
  const left = (Date.parse(cert.validTo) - now.getTime()) / 86_400_000;
  return left > RENEW_DAYS && names.every((n) => (isIP(n) === 0 ? cert.checkHost(n) : cert.checkIP(n)) !== undefined);
}

function newKey(file: string): void {
  writeFileSync(file, '', { mode: 0o600 });
  run(['ecparam', '-name', 'prime256v1', '-genkey', '-noout', '-out', file]);
}

function openssl(args: readonly string[], of: { out: string; subject: string; extensions: readonly string[] }): void {
  run([...args, '-subj', `/CN=${of.subject}`, '-out', of.out, ...of.extensions.flatMap((e) => ['-addext', e])]);
}

/** @throws Plain with what OpenSSL says */
function run(args: readonly string[]): void {
  const { status, stderr, error } = spawnSync('openssl', args, { encoding: 'utf8' });
  if (error) throw new Plain(`OpenSSL could not be started (${error.message}). Install it: apt-get install openssl`);
  if (status !== 0) throw new Plain(`OpenSSL could not make the certificate:\n${stderr.trim().split('\n').slice(-3).join('\n')}`);
}
