import { anInput } from '../testing/dogs.js';
import { checkPlan, makePlan, type PlanInput, planVisit, type StoppedPlan } from './index.js';

const asked = { items: ['bath', 'body_clip', 'feet', 'nails'], wantedMm: 9, sessionMinutes: 180 } as const;
const tight = { zones: [{ zone: 'armpit_left', matGrade: 3, skin: 'red', crust: false }] } as const;
const input = (change: Partial<PlanInput> = {}): PlanInput =>
  anInput({ asked, ...change }, { triggers: [{ cause: 'clipper' }], standingSeenMinutes: 40 }, tight);

/** What was planned for that dog before, as a visit that was stopped keeps it. */
const before = makePlan({ ...input(), way: 'with_risk' });
const stopped = (change: Partial<StoppedPlan> = {}): StoppedPlan => ({
  on: '2026-10-01',
  minutes: 48,
  painfulMinutes: 6,
  protections: ['helper', 'muzzle'],
  steps: before.steps.map((s) => ({
    id: s.id,
    activity: s.activity,
    minutes: s.minutes,
    ratePerMinute: s.rate.mean,
    breaks: s.breaks.map(({ minutes, after }) => ({ minutes, after })),
  })),
  ...change,
});
const rules = (i: PlanInput): string[] => makePlan(i).reasons.map((r) => r.rule);

describe('the plan after a visit that was stopped for the dog’s sake', () => {
  const after = input({ afterStop: true, stopped: stopped() });
  const plan = makePlan(after);
  it('has fewer painful minutes than were done, less work, and says what it learned', () => {
    expect(plan.painful.minutes).toBeLessThan(6);
    expect(plan.painful.limitMinutes).toBe(5.5);
    const work = (steps: readonly { minutes: number }[]): number => steps.reduce((sum, s) => sum + s.minutes, 0);
    expect(work(plan.steps)).toBeLessThanOrEqual(0.6 * work(before.steps));
    expect(rules(after)).toEqual(jasmine.arrayContaining(['plan.after_stop', 'plan.after_stop_pain', 'plan.after_stop_split']));
  });
  it('is stopped at most half as often as the stopped plan would be now', () => {
    const visit = planVisit(after)!;
    const { visit: last, odds } = checkPlan(after, visit);
    const { before: then } = last.plan.reasons.find((r) => r.rule === 'plan.after_stop')!.facts as { before: number };
    expect(last.plan.chance.stop).toBeLessThanOrEqual(then / 200 + 1e-3);
    if (last.plan.chance.state === 'kept' && odds) expect(odds.stop.chance).toBeLessThanOrEqual(last.plan.chance.stop);
  });
  it('is not split where a protection was added that was not there then', () => {
    expect(rules({ ...after, stopped: stopped({ protections: [] }) })).toContain('plan.after_stop_protected');
  });
  it('is as careful when it is not known how much hurt then', () => {
    expect(makePlan(input({ afterStop: true, stopped: stopped({ painfulMinutes: undefined }) })).painful.limitMinutes).toBe(12.5);
  });
  it('may be made heavier by hand only, with this risk', () => {
    const byHand = makePlan({ ...after, way: 'with_risk' });
    expect(byHand.chance.state).toBe('by_hand');
    expect(byHand.minutes).toBeGreaterThan(plan.minutes);
  });
});
