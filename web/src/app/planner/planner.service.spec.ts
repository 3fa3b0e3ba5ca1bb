import { TestBed } from '@angular/core/testing';
import { aPlanInput } from '../testing/plan-input';
import { PlannerService } from './planner.service';

const INPUT = aPlanInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 90 } });

describe('PlannerService', () => {
  it('makes the plan in a worker, and does not ask the same twice', async () => {
    const planner = TestBed.inject(PlannerService);
    const first = planner.plan(INPUT);
    expect(planner.plan({ ...INPUT })).toBe(first);
    expect((await first).plan.steps.map((s) => s.activity)).toEqual(['nails', 'bath', 'dry']);
  });
  it('ends a search that was cancelled, and can plan again', async () => {
    const planner = TestBed.inject(PlannerService);
    const asked = planner.plan(INPUT);
    planner.cancel();
    await expectAsync(asked).toBeRejectedWithError('cancelled');
    expect((await planner.plan(INPUT)).plan.steps.length).toBe(3);
  });
});
