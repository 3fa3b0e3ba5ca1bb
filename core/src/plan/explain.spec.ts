import { dogKinds, standingLimits } from '../knowledge/dogs/index.js';
import { anInput, SPEC_DAY } from '../testing/dogs.js';
import type { RuleId } from '../words/index.js';
import {
  buildSteps,
  type BuiltStep,
  type ChosenStep,
  makePlan,
  type PlanInput,
  type PlanProblem,
  problemOf,
  simulate,
  type Solution,
  solve,
  whyBreak,
  whyHere,
  whyLeftOut,
} from './index.js';

interface Case {
  readonly problem: PlanProblem;
  readonly solution: Solution;
  readonly steps: readonly BuiltStep[];
}
function solved(input: PlanInput, change: Partial<PlanProblem> = {}): Case {
  const kinds = dogKinds(input.dog, input.feelOver, SPEC_DAY);
  const { steps } = buildSteps(input, kinds);
  const problem = { ...problemOf(input, steps, kinds, standingLimits(input.dog, kinds, input.feelOver, SPEC_DAY)), ...change };
  return { problem, solution: solve(problem), steps };
}
const at = (c: Case, activity: string): number => c.solution.chosen.findIndex((s) => c.steps[s.step]?.activity === activity);
const index = (c: Case, activity: string): number => c.steps.findIndex((s) => s.activity === activity);
const rules = (reasons: readonly { rule: RuleId }[]): string[] => reasons.map((r) => r.rule);

describe('why a step lies where it lies', () => {
  const c = solved(anInput());
  it('names the rule that binds it', () => {
    expect(rules(whyHere(c.problem, c.solution, at(c, 'dry'), c.steps))).toContain('order.dry_after_bath');
    expect(rules(whyHere(c.problem, c.solution, at(c, 'bath'), c.steps))).toEqual(
      jasmine.arrayContaining(['order.sanitary_before_bath', 'order.nails_before_bath']),
    );
  });
  it('says of a free place what an exchange would cost, and the figure is true', () => {
    for (let i = 1; i < c.solution.chosen.length; i++) {
      const reason = whyHere(c.problem, c.solution, i, c.steps).find((r) => r.rule === 'here.exchange_strain');
      if (!reason) continue;
      const now = simulate(c.problem, c.solution.chosen);
      expect(reason.facts['now']).toBe(Math.round(now.dose));
      expect(Number(reason.facts['would'])).toBeGreaterThan(now.dose);
    }
  });
  it('has a reason for every step', () =>
    c.solution.chosen.forEach((_, i) => expect(whyHere(c.problem, c.solution, i, c.steps).length).toBeGreaterThan(0)));
});

describe('why a break lies where it lies', () => {
  const whole = solved(anInput({}, {}, { zones: [{ zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true }] }));
  it('says which limit would break without it', () => {
    const c = solved(anInput(), { continuousStandingMinutes: 10 });
    const reasons = c.solution.chosen.flatMap((s, i) =>
      s.breaks.flatMap((b, part) => (b > 0 ? [whyBreak(c.problem, c.solution.chosen, i, part, c.steps)] : [])),
    );
    expect(reasons.length).toBeGreaterThan(0);
    expect(rules(reasons)).toContain('break.standing');
    for (const r of reasons.filter((x) => x.rule === 'break.standing')) expect(Number(r.facts['minutes'])).toBeGreaterThan(10);
  });
  it('says that it waits: for a soak, for a helper; and that what hurts is done with rests', () => {
    const [soak, comb] = [index(whole, 'soak'), index(whole, 'crust')];
    const alone = (problem: Partial<PlanProblem>, chosen: readonly ChosenStep[], at: number, part = 0): RuleId =>
      whyBreak({ ...whole.problem, ...problem }, chosen, at, part, whole.steps).rule;
    const waits: readonly ChosenStep[] = [
      { step: soak, breaks: [0] },
      { step: comb, breaks: [5] },
    ];
    expect(alone({}, waits, 1)).toBe('break.soak');
    const steps = whole.problem.steps.map((s, i) => (i === soak ? { ...s, helper: true } : s));
    expect(alone({ steps, helperWindows: [[4, 60]] }, [{ step: soak, breaks: [5] }], 0)).toBe('break.helper');
    const hurts = whole.problem.steps.map((s, i) => (i === soak ? { ...s, minutes: 6, longestPart: 3 } : s));
    expect(alone({ steps: hurts }, [{ step: soak, breaks: [0, 5] }], 0, 1)).toBe('break.hurts');
  });
  it('says what it saves when no limit would break', () => {
    const plan = makePlan(anInput({}, { triggers: [{ cause: 'nails' }] }));
    const saved = plan.steps.flatMap((s) => s.breaks).filter((b) => b.because.rule === 'break.dose');
    for (const b of saved) expect(Number(b.because.facts['saved'])).toBeGreaterThan(0);
    expect(plan.steps.flatMap((s) => s.breaks).every((b) => b.minutes % 5 === 0)).toBeTrue();
  });
});

describe('why a step was left', () => {
  it('names the minutes of work of a puppy', () => {
    const c = solved(anInput({}, { born: '2026-08-25', weightKg: 4 }));
    const left = c.steps.map((_, i) => i).filter((i) => !c.solution.chosen.some((s) => s.step === i));
    expect(left.length).toBeGreaterThan(0);
    expect(left.flatMap((i) => rules(whyLeftOut(c.problem, i, c.steps, c.solution.chosen)))).toContain('left.work');
  });
  it('names the time there is', () => {
    const c = solved(anInput(), { sessionMinutes: 40 });
    expect(rules(whyLeftOut(c.problem, index(c, 'bath'), c.steps, c.solution.chosen))).toContain('left.session');
  });
  it('names minutes on its feet', () => {
    const c = solved(anInput(), { totalStandingMinutes: 20 });
    expect(rules(whyLeftOut(c.problem, index(c, 'body_clip'), c.steps, c.solution.chosen))).toContain('left.standing');
  });
  it('names strain that no rest makes bearable', () => {
    const c = solved(anInput());
    const hard = { ...c.problem, steps: c.problem.steps.map((s) => (s.id === 'nails' ? { ...s, ratePerMinute: 40 } : s)) };
    const chosen = solve(hard).chosen;
    expect(chosen.some((s) => hard.steps[s.step]?.id === 'nails')).toBeFalse();
    expect(rules(whyLeftOut(hard, index(c, 'nails'), c.steps, chosen))).toEqual(['left.strain_alone']);
  });
  it('names the step that would have to come first', () => {
    const c = solved(anInput({}, {}, { zones: [{ zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false }] }));
    const without = c.solution.chosen.filter((s) => !['clip_tight_fragile', 'bath', 'dry'].includes(c.steps[s.step]?.activity ?? ''));
    expect(rules(whyLeftOut(c.problem, index(c, 'bath'), c.steps, without))).toEqual(['left.needs_other']);
  });
});
