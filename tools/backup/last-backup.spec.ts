import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { readLastBackup, writeLastBackup } from './last-backup.js';
import { keptPassphrase } from './repository.js';

describe('how the last backup went', () => {
  const folder = mkdtempSync(join(tmpdir(), 'mansuet-last-'));
  const file = join(folder, 'last.json');
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('is written down and read; nothing is taken from what is half written or of another kind', () => {
    expect(readLastBackup(file)).toBeUndefined();
    const last = { begunAt: '2026-12-02T03:00:00.000Z', endedAt: '2026-12-02T03:00:09.000Z', ok: false, says: 'The disk is full.' };
    writeLastBackup(last, file);
    expect(readLastBackup(file)).toEqual(last);
    for (const text of ['{"begunAt":"20', '{"begunAt":"yesterday"}', 'null']) {
      writeFileSync(file, text);
      expect(readLastBackup(file)).withContext(text).toBeUndefined();
    }
  });

  it('is encrypted by the passphrase that was begun with, and no other', () => {
    const kept = join(folder, 'passphrase');
    expect(keptPassphrase(kept, undefined)).toBeUndefined();
    expect(() => keptPassphrase(kept, 'short')).toThrowError(/12 letters/);
    expect(() => keptPassphrase(kept, 'two words of it')).toThrowError(/no spaces/);
    expect(keptPassphrase(kept, 'long-enough-for-this')).toBe('long-enough-for-this');
    writeFileSync(kept, 'long-enough-for-this\n');
    expect(keptPassphrase(kept, '')).toBe('long-enough-for-this');
    expect(() => keptPassphrase(kept, 'another-one-altogether')).toThrowError(/another passphrase/);
  });
});
