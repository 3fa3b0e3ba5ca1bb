import fc from 'fast-check';
import { anInput } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { plainProblem } from '../testing/linear-problems.js';
import type { Activity, StepId } from '../words/index.js';
import {
  type HandlingPlan,
  makePlan,
  moved,
  type PlanInput,
  planVisit,
  type PlanWish,
  rulesBroken,
  simulate,
  smallestClash,
  smallestHittingSet,
  solve,
  whatIf,
  whatIfEverywhere,
  withWish,
} from './index.js';

const known = { standingSeenMinutes: 40, visitsBefore: 3 };
const order = (plan: HandlingPlan): Activity[] => plan.steps.map((s) => s.activity);
const plan = (wishes: readonly PlanWish[], change: Partial<PlanInput> = {}): HandlingPlan =>
  makePlan(anInput({ ...change, wishes }, known));

describe('what the groomer fixes by hand', () => {
  it('a place: the plan is made round it, and what it costs is said', () => {
    const free = order(plan([]));
    const late = free.find((a) => a === 'nails') === undefined ? 'feet' : 'nails';
    const wished = plan([{ kind: 'place', step: 'sanitary', before: late, after: undefined }]);
    expect(order(wished).indexOf('sanitary')).toBeLessThan(order(wished).indexOf(late));
    expect(wished.wishCost).toBeDefined();
    expect(wished.clashes).toEqual([]);
    expect(wished.steps.find((s) => s.activity === 'sanitary')?.whyHere[0]?.rule).toBe('wish.place');
    expect(plan([]).wishCost).toBeUndefined();
  });
  it('overrules what is only a preference: easy first', () => {
    const steps = [{ kind: 'place', step: 'nails', before: 'feet', after: undefined }] as const;
    const wished = plan(steps);
    expect(wished.clashes).toEqual([]);
    expect(order(wished).indexOf('nails')).toBeLessThan(order(wished).indexOf('feet'));
  });
  it('costs nothing when it is so already', () => {
    const cost = plan([{ kind: 'place', step: 'bath', before: 'body_clip', after: undefined }]).wishCost;
    expect(cost).toEqual({ peak: 0, dose: 0, minutes: 0, less: [], more: [] });
  });
  it('a step left out goes to another visit, a bath without its drying falls whole', () => {
    const without = plan([{ kind: 'forbid', step: 'face' }]);
    expect(order(without)).not.toContain('face');
    expect(without.notToday.find((n) => n.activity === 'face')?.reasons[0]?.rule).toBe('wish.forbidden');
    expect(without.wishCost?.less).toEqual(['face']);
    const dry = order(plan([{ kind: 'forbid', step: 'dry' }]));
    for (const a of ['bath', 'bath_head', 'towel', 'dry'] as const) expect(dry).not.toContain(a);
  });
  it('a step insisted on is done, and what gives way for it is said', () => {
    const short = { asked: { items: ['bath', 'body_clip', 'face', 'feet', 'nails', 'tidy'] as const, wantedMm: 9, sessionMinutes: 74 } };
    const free = plan([], short);
    const ids = (p: HandlingPlan): StepId[] => p.steps.map((x) => x.id);
    expect(ids(free)).not.toContain('tidy@foreleg_left');
    const wished = plan([{ kind: 'require', step: 'tidy@foreleg_left' }], short);
    expect(ids(wished)).toContain('tidy@foreleg_left');
    // A kind of work by its name means all its steps.
    const all = ids(plan([{ kind: 'require', step: 'tidy' }], short));
    expect(all.filter((id) => id.startsWith('tidy')).length).toBe(2);
    expect(wished.wishCost?.less.length).toBeGreaterThan(0);
  });
  it('minutes and hold, with what they stand for', () => {
    const wished = plan([
      { kind: 'minutes', step: 'nails', minutes: 12 },
      { kind: 'hold', step: 'body_clip', hold: 'helper' },
    ]);
    const nails = wished.steps.find((s) => s.activity === 'nails');
    expect(nails?.minutes).toBe(12);
    expect(nails?.reasons.map(sayReason)[0]).toBe('12 min by hand, instead of 7.');
    expect(wished.steps.find((s) => s.activity === 'body_clip')?.hold.hold).toBe('helper');
  });
  it('a hold that was refused for this dog stays refused', () => {
    const stiff = makePlan(
      anInput({ wishes: [{ kind: 'hold', step: 'nails', hold: 'leg_folded' }] }, known, { joints: { hip_left: 'stiff' } }),
    );
    const hold = stiff.steps.find((s) => s.activity === 'nails')?.hold;
    expect(hold?.hold).not.toBe('leg_folded');
    expect(hold?.reasons.map((r) => r.rule)).toContain('wish.hold_refused');
  });
  it('the latest wish about the same thing counts', () => {
    const once = withWish([{ kind: 'forbid', step: 'face' }], { kind: 'require', step: 'face' });
    expect(once).toEqual([{ kind: 'require', step: 'face' }]);
    expect(withWish(once, { kind: 'minutes', step: 'face', minutes: 4 }).length).toBe(2);
  });
});

describe('a wish that cannot be met', () => {
  it('names the one rule against it, and is left out of the plan', () => {
    const wished = plan([{ kind: 'place', step: 'bath', before: 'sanitary', after: undefined }]);
    expect(wished.clashes.length).toBe(1);
    expect(wished.clashes[0]?.reasons.map((r) => r.rule)).toEqual(['clash.order', 'order.sanitary_before_bath']);
    expect(order(wished).indexOf('sanitary')).toBeLessThan(order(wished).indexOf('bath'));
  });
  it('names the shortest chain of rules', () => {
    const wished = plan([{ kind: 'place', step: 'face', before: 'nails', after: undefined }]);
    const rules = wished.clashes[0]?.reasons.filter((r) => r.rule === 'clash.order').map((r) => `${r.facts['first']} → ${r.facts['then']}`);
    expect(rules).toEqual(['nails → bath', 'bath → face']);
  });
  it('names the limit: time, work, standing', () => {
    const items = ['bath', 'body_clip', 'nails'] as const;
    const of = (wishes: readonly PlanWish[], minutes: number): string[] =>
      plan(wishes, { asked: { items, wantedMm: 9, sessionMinutes: minutes } }).clashes.flatMap((c) => c.reasons.map((r) => r.rule));
    expect(of([{ kind: 'require', step: 'body_clip' }], 12)).toEqual(['clash.session']);
    expect(of([{ kind: 'require', step: 'body_clip' }], 120)).toEqual([]);
    const puppy = makePlan(
      anInput(
        {
          asked: { items: ['bath', 'nails', 'face'], wantedMm: 9, sessionMinutes: 90 },
          wishes: [
            { kind: 'minutes', step: 'face', minutes: 25 },
            { kind: 'require', step: 'face' },
          ],
        },
        { born: '2026-08-20', weightKg: 4, visitsBefore: 0 },
      ),
    );
    expect(puppy.clashes.flatMap((c) => c.reasons.map((r) => r.rule))).toContain('clash.work');
  });
});

describe('smallestClash', () => {
  it('finds the fewest items that cannot hold together, against all subsets', () => {
    const families = fc.array(fc.uniqueArray(fc.nat(6), { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(families, (clashes) => {
        const items = [0, 1, 2, 3, 4, 5, 6];
        const holds = (kept: readonly number[]): boolean => !clashes.some((c) => c.every((x) => kept.includes(x)));
        const found = smallestClash(items, holds);
        expect(found?.length).toBe(Math.min(...clashes.map((c) => c.length)));
        expect(holds(found ?? [])).toBeFalse();
      }),
    );
  });
  it('finds none when all can hold', () => expect(smallestClash([1, 2], () => true)).toBeUndefined());
  it('hits every set with as few as can be', () => {
    expect(smallestHittingSet([])).toEqual([]);
    expect(
      smallestHittingSet([
        [1, 2],
        [2, 3],
      ]),
    ).toEqual([2]);
    expect(smallestHittingSet([[1], [2], [1, 3]]).sort()).toEqual([1, 2]);
  });
});

describe('what if', () => {
  const visit = planVisit(anInput({}, known));
  if (!visit) throw new Error('a healthy dog has a plan');
  const at = (a: Activity): number => visit.plan.steps.findIndex((s) => s.activity === a);
  const { problem, solution, built } = visit;

  it('is never better than the plan that was proven best', () => {
    expect(solution.proof).toBe('proven');
    const now = simulate(problem, solution.chosen);
    visit.plan.steps.forEach((_, from) => {
      for (const w of whatIfEverywhere(problem, solution.chosen, built, from))
        if (w.would) expect(w.would.dose + 3 * w.would.minutes).toBeGreaterThanOrEqual(now.dose + 3 * now.minutes - 1e-6);
    });
  });
  it('says the peak it would come to, instead of the present one', () => {
    const says = whatIfEverywhere(problem, solution.chosen, built, at('face')).map((w) => w.says.map(sayReason).join(' '));
    expect(
      says.some((s) => /strain peak \d+ instead of \d+/.test(s) || s.includes('stay the same') || s.includes('Not possible')),
    ).toBeTrue();
  });
  it('names the rule that forbids a place', () => {
    const w = whatIf(problem, solution.chosen, built, at('dry'), 0);
    expect(w.would).toBeUndefined();
    expect(w.says[0]?.rule).toBe('if.rule');
    expect(sayReason(w.says[0]!)).toContain('comes before “Dry”');
  });
  it('moves one item and names the rules that an order breaks', () => {
    expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
    expect(moved(['a', 'b', 'c'], 2, 0)).toEqual(['c', 'a', 'b']);
    const rule = { first: 'a', then: 'b', kind: 'before' as const, rule: 'order.face_dry' as const };
    expect(rulesBroken([rule], ['b', 'a'])).toEqual([rule]);
    expect(rulesBroken([rule], ['a', 'b'])).toEqual([]);
  });
  it('says when no choice of breaks keeps the limits', () => {
    const tight = plainProblem(
      [
        { minutes: 8, ratePerMinute: 5, tier: 'asked' },
        { minutes: 8, ratePerMinute: 5, tier: 'asked' },
      ],
      { sessionMinutes: 22, startStrain: 20 },
    );
    const found = solve(tight);
    expect(found.chosen.length).toBeLessThan(3);
  });
});
