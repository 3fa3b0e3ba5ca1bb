import fc from 'fast-check';
import { dogKinds } from '../knowledge/dogs/index.js';
import { anInput } from '../testing/dogs.js';
import { anyPlanInput } from '../testing/random-dogs.js';
import { type Account, accountsOf, buildSteps, makePlan, type PlanInput } from './index.js';

/** Accounts that do not balance: what was forgotten, or told two ways. */
const unbalanced = (accounts: readonly Account[]): string[] =>
  accounts
    .filter((a) => a.ends.length !== 1 || (a.ends[0]?.as !== 'planned' && a.ends[0]?.reasons.length === 0))
    .map((a) => `${JSON.stringify(a.item)} → ${a.ends.map((e) => `${e.as} ${e.reasons[0]?.rule ?? ''}`).join(' and ') || 'nothing'}`);

describe('accounts balance', () => {
  it('everything found and asked for ends as one of planned, another day, vet, left: what a visit could hold', () => {
    fc.assert(
      fc.property(anyPlanInput, (input) => {
        const built = buildSteps(input, dogKinds(input.dog, input.feelOver, input.today));
        expect(unbalanced(accountsOf(input, { steps: built.steps, notToday: built.notPlanned }))).toEqual([]);
      }),
      { numRuns: 1000 },
    );
  });
  it('says that crust stays in when the groomer leaves out its soak', () => {
    const zones = [{ zone: 'eye_left' as const, matGrade: 0 as const, skin: 'sound' as const, crust: true }];
    const input = anInput({ wishes: [{ kind: 'forbid', step: 'soak' }] }, {}, { zones });
    const { notPlanned } = buildSteps(input, dogKinds(input.dog, input.feelOver, input.today));
    expect(notPlanned.filter((n) => n.activity === 'crust').map((n) => [n.zones, n.to, n.reasons[0]?.rule])).toEqual([
      [['eye_left'], 'another_visit', 'left.needs_other'],
    ]);
  });
  it('and in the plans themselves, whatever had to be left out of them', () => {
    fc.assert(
      fc.property(anyPlanInput, (input) => {
        expect(unbalanced(makePlan(input, { labels: 20_000 }).accounts)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
  it('says when, for whatever is for another day or a vet because it hurts', () => {
    fc.assert(
      fc.property(anyPlanInput, (input: PlanInput) => {
        const built = buildSteps(input, dogKinds(input.dog, input.feelOver, input.today));
        for (const n of built.notPlanned.filter((x) => x.to === 'vet'))
          expect(n.withinDays).withContext(n.what.rule).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 300 },
    );
  });
});
