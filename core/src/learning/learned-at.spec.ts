import type { RateEvidence, WholeEvidence } from '../strain/index.js';
import { sayReason } from '../testing/english.js';
import { emptyVisit, summarize, type VisitSummary } from '../visit/index.js';
import type { Activity } from '../words/index.js';
import { learnedAt } from './index.js';

const EMPTY: VisitSummary = { ...summarize(emptyVisit('x')), outcome: 'finished', on: '2026-11-25' };
const HARDER = [-4, -1.2, 0] as const;
const work = (activity: Activity): RateEvidence<Activity> => ({
  work: activity,
  ratePerMinute: 2,
  kindPerMinute: 2,
  minutes: 12,
  logLikelihoods: HARDER,
});
const whole: WholeEvidence = { believed: 0, minutes: 70, logLikelihoods: HARDER };
const hard = (...works: Activity[]): VisitSummary => ({ ...EMPTY, evidence: works.map(work), whole });

describe('what a visit has taught', () => {
  it('is nothing where nothing was watched, and says so', () => {
    expect(learnedAt(EMPTY, []).map((r) => r.rule)).toEqual(['learned.nothing']);
    expect(learnedAt({ ...hard('nails'), writtenAfter: true }, []).map((r) => r.rule)).toEqual(['learned.written_after']);
  });
  it('is what was seen for the first time', () => {
    const [first] = learnedAt(hard('nails'), []);
    expect(first && sayReason(first)).toMatch(/^Nails: seen for the first time, now taken as [12](\.\d)? times/);
  });
  it('is before and now, and harder after each hard visit', () => {
    const said = learnedAt(hard('nails'), [hard('nails')]);
    const nails = said.find((r) => r.rule === 'learned.work');
    expect(nails?.facts.now).toBeGreaterThan(nails?.facts.was ?? Infinity);
    expect(nails?.facts.visits).toBe(2);
  });
  it('is the whole dog as well, where a visit says enough of it', () => {
    const clear: VisitSummary = { ...EMPTY, whole: { believed: 0, minutes: 70, logLikelihoods: [-40, -12, 0] } };
    const dog = learnedAt(clear, [EMPTY]).find((r) => r.rule === 'learned.dog');
    expect(dog?.facts.was).toBe(1);
    expect(dog?.facts.now).toBeGreaterThan(1);
  });
  it('says nothing of work that this visit did not have', () =>
    expect(learnedAt({ ...EMPTY, evidence: [work('bath')] }, [hard('nails')]).some((r) => r.facts.step === 'nails')).toBeFalse());
});
