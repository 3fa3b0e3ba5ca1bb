import { type Generation, isDue, nextKind, readGenerations, sayBytes, sayGeneration } from './generations.js';
import { momentOf } from './restore.js';

const at = (text: string): Date => new Date(text);
const one = (kind: Generation['kind'], started: string, more: Partial<Generation> = {}): Generation => ({
  label: started,
  kind,
  startedAt: at(started),
  endedAt: at(started),
  bytes: 30 * 1024 ** 2,
  stored: 4 * 1024 ** 2,
  note: '',
  failed: false,
  ...more,
});

describe('backups that are kept', () => {
  it('are read from what the tool prints, the newest first, of this salon alone', () => {
    const backup = (label: string, type: string, stop: number, more: object = {}) => ({
      label,
      type,
      timestamp: { start: stop - 10, stop },
      info: { size: 1000, repository: { delta: 200, size: 300 } },
      ...more,
    });
    const printed = [
      { name: 'other', backup: [backup('x', 'full', 9)] },
      { name: 'salon', backup: [backup('a', 'full', 1_000), backup('b', 'diff', 2_000, { annotation: { note: 'before' }, error: true })] },
    ];
    const read = readGenerations(JSON.stringify(printed), 'salon');
    expect(read.map((g) => [g.label, g.kind, g.note, g.failed, g.stored])).toEqual([
      ['b', 'diff', 'before', true, 200],
      ['a', 'full', '', false, 200],
    ]);
    expect(read[0]?.endedAt).toEqual(new Date(2_000_000));
    expect(readGenerations('[]', 'salon')).toEqual([]);
    expect(() => readGenerations('{}', 'salon')).toThrow();
  });

  it('are whole once a week, and changes on the days between; a damaged one counts as none', () => {
    const now = at('2026-12-08T03:00:00');
    expect(nextKind([], now)).toBe('full');
    expect(nextKind([one('diff', '2026-12-07T03:00:00'), one('full', '2026-12-02T03:00:00')], now)).toBe('diff');
    expect(nextKind([one('diff', '2026-12-07T03:00:00'), one('full', '2026-12-01T03:00:00')], now)).toBe('full');
    expect(nextKind([one('full', '2026-12-02T03:00:00', { failed: true })], now)).toBe('full');
  });

  it('are due once each night, and at once after a night without power', () => {
    const now = at('2026-12-08T09:00:00');
    expect(isDue(undefined, now)).toBeTrue();
    expect(isDue(at('2026-12-07T03:00:20'), now)).toBeTrue();
    expect(isDue(at('2026-12-08T03:00:20'), now)).toBeFalse();
    // Before three it is still the night before that counts.
    expect(isDue(at('2026-12-07T03:00:20'), at('2026-12-08T02:59:00'))).toBeFalse();
    expect(isDue(at('2026-12-07T03:00:20'), at('2026-12-08T03:00:00'))).toBeTrue();
  });

  it('are said with their time, kind, size and why', () => {
    expect(sayGeneration(one('full', '2026-12-02T03:04:00', { note: 'before 013' }))).toBe(
      '2026-12-02 03:04  whole       4.0 MB stored of 30.0 MB  before 013',
    );
    expect(sayGeneration(one('diff', '2026-12-02T03:04:00', { failed: true }))).toContain('DAMAGED');
    expect([1, 2048, 5 * 1024 ** 3].map(sayBytes)).toEqual(['1 kB', '2 kB', '5.00 GB']);
  });
});

describe('a moment to go back to', () => {
  const now = at('2026-12-02T12:00:00');
  it('is on this machine’s clock, or says its own', () => {
    expect(momentOf('2026-12-01 14:05', now)).toEqual(new Date(2026, 11, 1, 14, 5));
    expect(momentOf('2026-12-01T14:05:30Z', now).toISOString()).toBe('2026-12-01T14:05:30.000Z');
  });
  it('is refused in words when it is none, or yet to come', () => {
    for (const text of ['yesterday', '2026-13-01 10:00', '2026-12-01']) expect(() => momentOf(text, now)).toThrowError(/is no moment/);
    expect(() => momentOf('2026-12-02 12:01', now)).toThrowError(/yet to come/);
  });
});
