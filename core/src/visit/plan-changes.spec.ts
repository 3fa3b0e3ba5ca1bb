import * as fc from 'fast-check';
import type { PlanRecord } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import type { Activity } from '../words/index.js';
import { ALIKE, planChanges } from './index.js';

const PLAN = recordOf(
  makePlan(
    anInput({ asked: { items: ['bath', 'nails', 'feet', 'face', 'ears'], wantedMm: 9, sessionMinutes: 150 } }, { standingSeenMinutes: 60 }),
  ),
);
const ids = PLAN.steps.map((s) => s.id);
const withSteps = (steps: PlanRecord['steps']): PlanRecord => ({ ...PLAN, steps });
const by = (id: Activity, change: Partial<PlanRecord['steps'][number]>): PlanRecord =>
  withSteps(PLAN.steps.map((s) => (s.id === id ? { ...s, ...change } : s)));
const [first, second, third] = ids;
if (!first || !second || !third) throw new Error('the plan has steps');
const nails = PLAN.steps.find((s) => s.id === 'nails');
if (!nails) throw new Error('the nails are planned');

describe('planChanges', () => {
  it('is nothing for the same plan, and for minutes that are alike', () => {
    expect(planChanges(PLAN, PLAN)).toEqual([]);
    expect(planChanges(PLAN, by('nails', { minutes: nails.minutes + ALIKE.minutes - 0.1 }))).toEqual([]);
  });
  it('names minutes that are not alike, both of them', () => {
    const now = nails.minutes * 1.5 + ALIKE.minutes;
    expect(planChanges(PLAN, by('nails', { minutes: now }))).toEqual([
      { kind: 'minutes', step: 'nails', name: nails.name, was: nails.minutes, now },
    ]);
    expect(planChanges(PLAN, by('nails', { minutes: now }), { running: 'nails' })).toEqual([]);
  });
  it('counts every minute that was set by hand', () => {
    const set = by('nails', { minutes: nails.minutes + 0.5 });
    expect(planChanges(PLAN, set, { byHand: ['feet'] })).toEqual([]);
    expect(planChanges(PLAN, set, { byHand: ['nails'] }).map((c) => c.kind)).toEqual(['minutes']);
  });
  it('names another hold', () => {
    expect(planChanges(PLAN, by('nails', { hold: 'helper' })).map((c) => c.kind)).toEqual(['hold']);
  });
  it('names what is new and what is left out', () => {
    const without = withSteps(PLAN.steps.filter((s) => s.id !== 'nails'));
    expect(planChanges(PLAN, without)).toEqual([{ kind: 'gone', step: 'nails', name: nails.name }]);
    expect(planChanges(without, PLAN)).toEqual([{ kind: 'new', step: 'nails', name: nails.name }]);
  });
  it('does not read what is over', () => {
    expect(planChanges(PLAN, withSteps(PLAN.steps.slice(2)), { over: [first, second] })).toEqual([]);
  });
  it('names the one step that moved, not those it passed', () => {
    const moved = withSteps([...PLAN.steps.slice(1), ...PLAN.steps.slice(0, 1)]);
    expect(planChanges(PLAN, moved)).toEqual([{ kind: 'moved', step: first, name: PLAN.steps[0]!.name, after: PLAN.steps.at(-1)?.name }]);
  });
  it('moves no more steps than it takes to get from one order to the other', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(PLAN.steps, { minLength: ids.length }), (steps) => {
        const moved = planChanges(PLAN, withSteps(steps)).map((c) => c.step);
        // Those that stay are in the old order.
        const stay = steps.map((s) => s.id).filter((id) => !moved.includes(id));
        const sorted = [...stay].sort((a, b) => ids.indexOf(a) - ids.indexOf(b));
        return stay.length >= 1 && stay.join() === sorted.join();
      }),
    );
  });
});
