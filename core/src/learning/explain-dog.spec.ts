import { sayReason } from '../testing/english.js';
import type { RateEvidence, WholeEvidence } from '../strain/index.js';
import { replay, summarize, type VisitSummary } from '../visit/index.js';
import type { Activity, Mood, Reason } from '../words/index.js';
import { type DogExplained, explainDog } from './index.js';

const TODAY = '2026-11-30';
const HARDER = [-4, -1.2, 0] as const;
const EASIER = [0, -1, -5] as const;
const NEITHER = [-2, 0, -2] as const;
const work = (activity: Activity, logLikelihoods: readonly number[]): RateEvidence<Activity> => ({
  work: activity,
  ratePerMinute: 2,
  kindPerMinute: 2,
  minutes: 12,
  logLikelihoods,
});
const whole = (logLikelihoods: readonly number[]): WholeEvidence => ({ believed: 0, minutes: 70, logLikelihoods });
const EMPTY = summarize(replay('01900000-0000-7000-8000-000000000001', []));
const visit = (on: string, more: Partial<VisitSummary>): VisitSummary => ({ ...EMPTY, on, outcome: 'finished', ...more });
const ends = (mood: Mood) => ({ strainBefore: 45, spread: 8, minutes: 6, mood });
const often = (n: number, more: Partial<VisitSummary>, on = '2026-10-01'): VisitSummary[] =>
  Array.from({ length: n }, () => visit(on, more));
const said = (visits: readonly VisitSummary[]): Record<keyof DogExplained, string[]> => {
  const { minds, bears, whole: all, calms, sinceLastYear } = explainDog(visits, TODAY);
  const words = (reasons: readonly Reason[]): string[] => reasons.map(sayReason);
  return { minds: words(minds), bears: words(bears), whole: words(all), calms: words(calms), sinceLastYear: words(sinceLastYear) };
};

describe('a dog in plain words', () => {
  it('that was never seen at work says so, and compares with nothing', () => {
    expect(said([])).toEqual({
      minds: ['Nothing was seen at work yet: until then it counts as a dog of its kind.'],
      bears: [],
      whole: [],
      calms: [
        'How fast it comes down is not known: nobody said how it was at the end of a break. Until then strain is taken to halve in about 6 min.',
      ],
      sinceLastYear: ['Nothing to compare with last year yet.'],
    });
  });
  it('minds what was harder on it than on its kind, the hardest first, and bears what was easier, without a leave to go on', () => {
    const evidence = [work('nails', HARDER), work('dry', EASIER), work('bath', NEITHER)];
    const { minds, bears, whole: all } = said(often(6, { evidence }));
    expect(minds.length).toBe(1);
    expect(minds[0]).toMatch(/^It minds: nails, about [12](\.\d)? times as much as dogs of its kind \(6 visits, 9[05] % sure\)\.$/);
    expect(bears[0]).toMatch(/^Easy on it: dry, about 0\.\d times what dogs of its kind make of it/);
    expect(bears[1]).toBe('Easy is no leave to go on where it shows strain.');
    expect(all).toEqual(['1 kind of work: as dogs of its kind, or too little seen.']);
  });
  it('says nothing of one visit that says little', () => {
    const { minds, bears, whole: all } = said(often(1, { evidence: [work('nails', [-0.3, 0, 0.1])] }));
    expect([minds, bears, all]).toEqual([
      ['Nothing that stands out from its kind so far.'],
      [],
      ['1 kind of work: as dogs of its kind, or too little seen.'],
    ]);
  });
  it('compares it as a whole with dogs of its kind', () => {
    expect(said(often(8, { whole: whole(HARDER) })).whole[0]).toMatch(
      /^All work is harder on it .* about 1\.\d times \(8 visits, 95 % sure\)\.$/,
    );
    expect(said(often(8, { whole: whole(EASIER) })).whole[0]).toContain('easier');
    expect(said(often(2, { whole: whole(NEITHER) })).whole[0]).toBe(
      'On the whole it is like dogs of its kind, as far as 2 visits can tell.',
    );
  });
  it('says what a break does, and how often it looked relaxed at its end', () => {
    const { calms } = said(often(2, { breaks: [ends('relaxed'), ends('tense')] }));
    expect(calms[0]).toMatch(
      /^What calms it: a real break\. Strain halves in about \d+ min; in 2 of 4 breaks that somebody watched it looked relaxed at the end\.$/,
    );
  });
  it('holds this year against the one before', () => {
    const year = (before: readonly number[], since: readonly number[]): string =>
      said([...often(6, { whole: whole(since) }, '2026-06-01'), ...often(6, { whole: whole(before) }, '2025-02-01')]).sinceLastYear[0] ??
      '';
    expect(year(EASIER, HARDER)).toMatch(
      /^Harder than a year ago, about [12]\.\d times \(6 visits since, 6 before, 9[05] % sure\): pain, age, or a bad visit\?/,
    );
    expect(year(HARDER, EASIER)).toMatch(/^Easier than a year ago, about 0\.\d times/);
    expect(year(NEITHER, NEITHER)).toBe('No change against the year before that shows (6 visits since, 6 before).');
    expect(said(often(3, { whole: whole(HARDER) }, '2026-06-01')).sinceLastYear).toEqual(['Nothing to compare with last year yet.']);
  });
});
