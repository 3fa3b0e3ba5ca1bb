import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { copyWhileItGrows } from './copy-backups.js';
import { noted, readLastBackup, writeLastBackup } from './last-backup.js';
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

  it('is written down by whoever takes one, also where it fails, and the failure is told on', async () => {
    const begun = new Date('2026-12-02T03:00:00.000Z');
    await noted(begun, () => Promise.resolve('4 MB stored'), file);
    expect(readLastBackup(file)).toEqual(jasmine.objectContaining({ begunAt: begun.toISOString(), ok: true, says: '4 MB stored' }));
    await expectAsync(noted(begun, () => Promise.reject(new Error('The disk is full.')), file)).toBeRejectedWithError('The disk is full.');
    expect(readLastBackup(file)).toEqual(jasmine.objectContaining({ ok: false, says: 'The disk is full.' }));
  });

  it('is copied while the log arrives: begun again where a file has another name by now, and half of one is left out', () => {
    const [from, to] = [join(folder, 'from'), join(folder, 'to')];
    mkdirSync(from);
    writeFileSync(join(from, 'segment.lz4'), 'whole');
    writeFileSync(join(from, 'segment.lz4.pgbackrest.tmp'), 'half');
    copyWhileItGrows(from, to);
    expect(readdirSync(to)).toEqual(['segment.lz4']);
    let tries = 0;
    const gone = (): void => {
      if (++tries < 3) throw Object.assign(new Error('gone'), { code: 'ENOENT' });
    };
    copyWhileItGrows(from, to, gone);
    expect(tries).toBe(3);
    const full = (): never => {
      throw Object.assign(new Error('full'), { code: 'ENOSPC' });
    };
    expect(() => copyWhileItGrows(from, to, full)).toThrowError('full');
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
