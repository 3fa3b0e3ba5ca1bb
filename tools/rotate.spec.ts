import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { rotate } from './rotate.js';

describe('a log that has grown', () => {
  const folder = mkdtempSync(join(tmpdir(), 'mansuet-log-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('is put aside, and the oldest of five is let go', () => {
    const log = join(folder, 'server.log');
    rotate(log, 10);
    for (let nr = 0; nr < 8; nr++) {
      writeFileSync(log, `${nr}`.repeat(12));
      rotate(log, 10);
    }
    expect(readFileSync(log, 'utf8')).toBe('');
    expect([1, 5].map((nr) => readFileSync(`${log}.${nr}`, 'utf8')[0])).toEqual(['7', '3']);
    expect(existsSync(`${log}.6`)).toBeFalse();
    writeFileSync(log, 'short');
    rotate(log, 10);
    expect(readFileSync(log, 'utf8')).toBe('short');
  });
});
