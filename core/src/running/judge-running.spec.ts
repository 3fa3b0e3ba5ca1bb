import { judgeRunning, type RunningFacts } from './index.js';

const NOW = Date.parse('2026-12-02T12:00:00Z');
const hours = (n: number): number => NOW - n * 3_600_000;
const WELL: RunningFacts = {
  nowMs: NOW,
  backup: { begunMs: hours(9), ok: true },
  disk: { freeBytes: 80e9, bytes: 200e9 },
  messages: { waitingSinceMs: null, waiting: 0, givenUp: 0, unsure: 0 },
  devices: [{ minutesLate: 0 }, { minutesLate: 2 }],
  trouble: { errors: 0, slow: 3 },
};
const of = (more: Partial<RunningFacts>) => judgeRunning({ ...WELL, ...more });

describe('how the product runs', () => {
  it('is good where nothing is amiss', () => {
    expect(new Set(Object.values(judgeRunning(WELL)))).toEqual(new Set(['good']));
  });
  it('a backup that failed or is late is looked at; two nights without one, or none at all, is for today', () => {
    expect(of({ backup: { begunMs: hours(9), ok: false } }).backup).toBe('look');
    expect(of({ backup: { begunMs: hours(31), ok: true } }).backup).toBe('look');
    expect(of({ backup: { begunMs: hours(55), ok: true } }).backup).toBe('act');
    expect([of({ backup: null }).backup, of({ backup: undefined }).backup]).toEqual(['act', 'act']);
    expect(of({ backup: 'invented' }).backup).toBe('good');
  });
  it('a disk is full before long by its share, and at once under a gigabyte', () => {
    expect(of({ disk: { freeBytes: 15e9, bytes: 200e9 } }).disk).toBe('look');
    expect(of({ disk: { freeBytes: 0.9e9, bytes: 200e9 } }).disk).toBe('act');
    expect(of({ disk: { freeBytes: 4e9, bytes: 6e9 } }).disk).toBe('good');
  });
  it('messages that nobody takes are for today, those that wait long are looked at', () => {
    const none = WELL.messages;
    expect(of({ messages: { ...none, givenUp: 1 } }).messages).toBe('act');
    expect(of({ messages: { ...none, unsure: 1 } }).messages).toBe('act');
    expect(of({ messages: { ...none, waiting: 1, waitingSinceMs: hours(0.5) } }).messages).toBe('good');
    expect(of({ messages: { ...none, waiting: 1, waitingSinceMs: hours(2) } }).messages).toBe('look');
  });
  it('a device whose entries came late, an error, and many slow questions are looked at', () => {
    expect(of({ devices: [{ minutesLate: 16 }] }).devices).toBe('look');
    expect(of({ devices: [] }).devices).toBe('good');
    expect(of({ trouble: { errors: 1, slow: 0 } }).trouble).toBe('look');
    expect(of({ trouble: { errors: 0, slow: 20 } }).trouble).toBe('look');
  });
});
