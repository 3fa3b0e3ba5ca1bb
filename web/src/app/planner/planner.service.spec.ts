import { TestBed } from '@angular/core/testing';
import { NOTHING_FOUND } from '@mansuet/core/dogs';
import type { PlanInput } from '@mansuet/core/plan';
import { PlannerService } from './planner.service';

const INPUT: PlanInput = {
  dog: {
    name: 'Fig',
    sex: 'female',
    neutered: true,
    born: '2022-01-01',
    weightKg: 12,
    coat: 'wool',
    nose: 'medium',
    ears: 'drop',
    tail: 'long',
    build: 'light',
    conditions: [],
    biteHistory: false,
    triggers: [],
    treatsAllowed: true,
    standingSeenMinutes: undefined,
    visitsBefore: 2,
  },
  feelOver: NOTHING_FOUND,
  asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 90 },
  history: [],
  fit: 'go',
  helperThere: false,
  refused: [],
  trained: false,
  today: '2026-11-25',
};

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
