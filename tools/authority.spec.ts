import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { X509Certificate } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureCertificate, namesOfThisMachine } from './authority.js';

describe('the local authority', () => {
  let directory: string;
  beforeEach(() => (directory = mkdtempSync(join(tmpdir(), 'mansuet-tls-'))));
  afterEach(() => rmSync(directory, { recursive: true }));
  const read = (file: string): X509Certificate => new X509Certificate(readFileSync(file));

  it('signs a certificate for every name of the machine, and keeps its keys to itself', () => {
    const names = ['salon.test', '192.168.7.20', ...namesOfThisMachine()];
    const made = ensureCertificate(names, directory);
    const [server, authority] = [read(made.cert), read(made.authority)];
    expect([server.ca, authority.ca]).toEqual([false, true]);
    expect(server.verify(authority.publicKey)).toBeTrue();
    expect([server.checkHost('salon.test'), server.checkIP('192.168.7.20'), server.checkHost('elsewhere.test')]).toEqual([
      'salon.test',
      '192.168.7.20',
      undefined,
    ]);
    // Apple takes none for longer than 825 days, browsers none of a public authority past 398 (CA/Browser Forum, Baseline Requirements 6.3.2).
    expect((Date.parse(server.validTo) - Date.parse(server.validFrom)) / 86_400_000).toBeLessThan(398);
    for (const key of [made.key, join(directory, 'authority.key')]) expect(statSync(key).mode & 0o077).toBe(0);
  });

  it('is made once; what it signs is made anew for another name, and before it ends', () => {
    const first = ensureCertificate(['salon.test'], directory);
    const [authority, cert] = [read(first.authority).fingerprint256, read(first.cert).fingerprint256];
    ensureCertificate(['salon.test'], directory);
    expect(read(first.cert).fingerprint256).toBe(cert);
    ensureCertificate(['salon.test', 'other.test'], directory);
    const second = read(first.cert);
    expect(second.fingerprint256).not.toBe(cert);
    ensureCertificate(['salon.test', 'other.test'], directory, new Date(Date.now() + 380 * 86_400_000));
    expect(read(first.cert).fingerprint256).not.toBe(second.fingerprint256);
    expect(read(first.authority).fingerprint256).toBe(authority);
  });
});
