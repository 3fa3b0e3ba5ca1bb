import { TestBed } from '@angular/core/testing';
import { aPlanInput } from '../testing/plan-input';
import { PlannerService, Superseded } from './planner.service';

const INPUT = aPlanInput({ asked: { items: ['bath', 'nails'], wantedMm: 9, sessionMinutes: 90 } });

describe('PlannerService', () => {
  it('makes the plan in a worker, and does not ask the same twice', async () => {
    const planner = TestBed.inject(PlannerService);
    const first = planner.plan(INPUT);
    expect(planner.plan({ ...INPUT })).toBe(first);
    const steps = ['nails', 'brush_through', 'bath', 'bath_head', 'towel', 'dry', 'easy_end'] as const;
    expect((await first).plan.steps.map((s) => s.activity)).toEqual([...steps]);
  });
  it('ends a search that was cancelled, and can plan again', async () => {
    const planner = TestBed.inject(PlannerService);
    const asked = planner.plan(INPUT);
    planner.cancel();
    await expectAsync(asked).toBeRejectedWithError('cancelled');
    expect((await planner.plan(INPUT)).plan.steps.length).toBe(7);
  });
  it('starts anew when its worker has died', async () => {
    const planner = TestBed.inject(PlannerService);
    const asked = planner.plan(INPUT);
    const worker: unknown = Reflect.get(planner, 'worker');
    if (!(worker instanceof Worker)) throw new Error('no worker');
    worker.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
    await expectAsync(asked).toBeRejectedWithError('out of memory');
    expect((await planner.plan(INPUT)).plan.steps.length).toBe(7);
  });
  it('ends a search that nobody waits for any more', async () => {
    const planner = TestBed.inject(PlannerService);
    const old = planner.plan(INPUT);
    const beside = planner.planBeside(INPUT);
    const latest = planner.plan({ ...INPUT, helperThere: !INPUT.helperThere });
    await expectAsync(old).toBeRejectedWithError(Superseded, 'superseded');
    await expectAsync(beside).toBeRejectedWithError(Superseded, 'superseded');
    expect((await latest).plan.steps.length).toBe(7);
  });
  it('draws the odds of a plan, with the names of what drives them', async () => {
    const { planned, odds: named } = await TestBed.inject(PlannerService).ask({ kind: 'check', input: INPUT });
    expect(planned.plan.chance.state).toBe('kept');
    expect(named?.odds.visits).toBe(1_000);
    expect(named?.drivers.map((d) => d.step)).toContain('nails');
    expect(named?.odds.inTime.chance).toBeGreaterThan(0.5);
  });
  it('says what would be if a step came elsewhere', async () => {
    const ifs = await TestBed.inject(PlannerService).ask({ kind: 'what_if', input: INPUT, step: 0 });
    expect(ifs.map((w) => w.place)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(ifs[0]?.says.map((r) => r.rule)).toEqual(['if.rule', 'order.brush_last']);
  });
  it('plans other ways that differ from the one in hand and from each other', async () => {
    const asked = {
      ...INPUT,
      asked: { items: ['bath' as const, 'nails' as const, 'body_clip' as const, 'face' as const], wantedMm: 9, sessionMinutes: 140 },
    };
    const ways = await TestBed.inject(PlannerService).ask({ kind: 'ways', input: asked, atMost: 5 });
    expect(ways.length).toBeGreaterThan(0);
    expect(ways.length).toBeLessThanOrEqual(5);
    expect(new Set(ways.map((w) => w.way)).size).toBe(ways.length);
    expect(ways.map((w) => w.way)).toContain('welfare_only');
  });
});
