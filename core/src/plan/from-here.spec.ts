import { anInput, FULL } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { type Activity, PLAN_WAYS } from '../words/index.js';
import { SOAK_MINUTES } from '../work/index.js';
import {
  BLADE_STOP_MINUTES,
  bladeStopsIn,
  compareWith,
  burden,
  type HandlingPlan,
  type HardSignsNow,
  inputFor,
  isWorthOffering,
  learnMinutes,
  makePlan,
  type PlanNow,
  planVisit,
  solveInOrder,
  waysWorthTrying,
} from './index.js';

const known = { standingSeenMinutes: 40, visitsBefore: 3 };
const order = (plan: HandlingPlan): Activity[] => plan.steps.map((s) => s.activity);
const now = (change: Partial<PlanNow> = {}): PlanNow => ({
  minute: 40,
  strain: 30,
  standingMinutes: 8,
  standingTotalMinutes: 30,
  workedMinutes: 32,
  post: 'table',
  begun: [],
  pieces: [],
  ...change,
});
/** Kinds of work that were begun on a dog, as the log tells it: their steps, and the places that are over. */
const begun = (
  plan: HandlingPlan,
  ...list: readonly (readonly [Activity, PlanNow['begun'][number]['status'], number])[]
): Pick<PlanNow, 'begun' | 'pieces'> => {
  const stepsOf = (a: Activity): HandlingPlan['steps'] => plan.steps.filter((s) => s.activity === a);
  return {
    begun: list.flatMap(([a, status, minutes]) =>
      stepsOf(a).map((s) => ({ step: s.id, status, minutes, pieces: s.pieces.map((p) => p.id) })),
    ),
    pieces: list.flatMap(([a, status]) =>
      status === 'running' ? [] : stepsOf(a).flatMap((s) => s.pieces.map((p) => ({ piece: p.id, status }))),
    ),
  };
};

describe('the rest of the plan from here', () => {
  const whole = makePlan(anInput({}, known));

  it('lets crust soak on that was wetted a moment ago, and combs it at once after that', () => {
    const crusted = { zones: [{ zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true }] } as const;
    const asked = { items: [], wantedMm: 9, sessionMinutes: 120 } as const;
    const before = makePlan(anInput({ asked }, known, crusted));
    const combedAt = (minutesAgo: number): number | undefined => {
      const soaked = [{ zones: ['eye_left' as const], minutesAgo }];
      const rest = makePlan(anInput({ asked, now: now({ ...begun(before, ['soak', 'done', 2]), soaked }) }, known, crusted));
      expect(order(rest)).not.toContain('soak');
      return rest.steps.find((s) => s.activity === 'crust')?.from;
    };
    expect(combedAt(1)).toBeGreaterThanOrEqual(SOAK_MINUTES - 1);
    expect(combedAt(SOAK_MINUTES + 1)).toBeLessThan(SOAK_MINUTES - 1);
  });

  it('leaves out what is over, goes on with what runs, from the strain that is measured', () => {
    const rest = makePlan(
      anInput(
        {
          now: now(begun(whole, ['feet', 'done', 8], ['sanitary', 'part', 2], ['nails', 'running', 3])),
        },
        known,
      ),
    );
    expect(order(rest)).not.toContain('feet');
    expect(order(rest)).not.toContain('sanitary');
    expect(order(rest)[0]).toBe('nails');
    expect(rest.steps[0]?.minutes).toBe(4);
    expect(rest.startStrain).toBe(30);
    expect(rest.reasons.map(sayReason).join(' ')).toContain('Planned anew from minute 40: measured strain 30, 110 min');
  });
  it('dries a dog that is wet, whatever else has to wait', () => {
    const wet = makePlan(
      anInput(
        {
          now: now({ minute: 118, post: 'tub', ...begun(whole, ['brush_through', 'done', 4], ['bath', 'done', 9]) }),
          asked: { items: ['bath', 'body_clip', 'face', 'nails'], wantedMm: 9, sessionMinutes: 150 },
        },
        known,
      ),
    );
    expect(order(wet).slice(0, 3)).toEqual(['bath_head', 'towel', 'dry']);
  });
  it('dries a wet dog even when the owner is there, the dog has stood its minutes, and strain is high', () => {
    const late = makePlan(
      anInput(
        {
          now: now({
            minute: 155,
            post: 'tub',
            strain: 62,
            standingTotalMinutes: 500,
            workedMinutes: 130,
            ...begun(whole, ['bath', 'done', 9]),
          }),
        },
        known,
      ),
    );
    expect(order(late).slice(0, 3)).toEqual(['bath_head', 'towel', 'dry']);
    expect(late.steps[0]?.breaks.length).toBeGreaterThan(0);
  });
  it('rests first when strain is high', () => {
    const high = makePlan(anInput({ now: now({ strain: 60 }) }, known));
    expect(high.steps[0]?.breaks.length ?? 0).toBeGreaterThan(0);
    expect(order(high).length).toBeGreaterThan(0);
    expect(high.steps.every((s) => s.strainTo < 50)).toBeTrue();
  });
  it('does not bathe over mats that were left in', () => {
    const mats = { zones: [{ zone: 'thigh_left' as const, matGrade: 2 as const, skin: 'sound' as const, crust: false }] };
    expect(order(makePlan(anInput({}, known, mats)))).toContain('bath');
    const rest = makePlan(anInput({ now: now(begun(makePlan(anInput({}, known, mats)), ['brush_mats', 'left', 1])) }, known, mats));
    expect(order(rest)).not.toContain('bath');
    expect(order(rest)).not.toContain('dry');
    expect(rest.notToday.find((n) => n.activity === 'bath')?.reasons[0]?.rule).toBe('left.needs_other');
  });
  it('plans less when less time is left', () => {
    const late = makePlan(anInput({ now: now({ minute: 130 }) }, known));
    expect(late.minutes).toBeLessThanOrEqual(20);
    expect(order(late).length).toBeLessThan(order(whole).length);
  });
  it('takes a helper who came or went into its holds', () => {
    const dog = { ...known, biteHistory: true, triggers: [{ cause: 'nails' as const }] };
    const alone = makePlan(anInput({ now: now(), way: 'with_risk' }, dog));
    const helped = makePlan(anInput({ now: now(), helperThere: true, way: 'with_risk' }, dog));
    expect(helped.steps.some((s) => s.hold.also.includes('helper'))).toBeTrue();
    expect(alone.steps.every((s) => !s.hold.also.includes('helper'))).toBeTrue();
  });
  it('keeps a step that needs a helper inside the time the helper is there', () => {
    const dog = { ...known, biteHistory: true, triggers: [{ cause: 'nails' as const }] };
    const windowed = makePlan(anInput({ helperThere: true, helperWindows: [[40, 70]], way: 'with_risk' }, dog));
    for (const s of windowed.steps.filter((x) => x.hold.also.includes('helper'))) {
      expect(s.from).toBeGreaterThanOrEqual(40 - 1e-6);
      expect(s.to).toBeLessThanOrEqual(70 + 1e-6);
    }
    expect(windowed.steps.some((s) => s.hold.also.includes('helper'))).toBeTrue();
  });
});

describe('after a hard sign', () => {
  const whole = makePlan(anInput({}, known));
  const clip = whole.steps.find((s) => s.activity === 'feet')!;
  const hard = (change: Partial<HardSignsNow> = {}): Pick<PlanNow, 'hard'> => ({
    hard: { signs: ['growl'], inHand: clip.pieces.map((p) => p.id), restedMinutes: 0, ...change },
  });
  it('the first time: another place, after five minutes of rest with a good sign', () => {
    const rest = makePlan(anInput({ now: now({ strain: 5, ...hard() }) }, known));
    expect(order(rest)).not.toContain('feet');
    expect(rest.notToday.find((n) => n.activity === 'feet')?.reasons[0]?.rule).toBe('now.other_place');
    expect(rest.steps[0]?.from).toBeGreaterThanOrEqual(5);
    const rested = makePlan(anInput({ now: now({ strain: 5, standingMinutes: 0, ...hard({ restedMinutes: 6 }) }) }, known));
    expect(rested.steps[0]?.from).toBeLessThan(5);
  });
  it('the second time nothing is begun any more; a wet dog is dried all the same', () => {
    const again = hard({ signs: ['growl', 'freeze'], restedMinutes: 10 });
    const dry = makePlan(anInput({ now: now({ ...again }) }, known));
    expect(dry.steps).toEqual([]);
    expect(dry.notToday.map((n) => n.reasons[0]?.rule)).toContain('now.finish_safely');
    const wet = makePlan(anInput({ now: now({ ...begun(whole, ['bath', 'done', 8], ['bath_head', 'done', 3]), ...again }) }, known));
    expect(order(wet)).toEqual(['towel', 'dry']);
    expect(makePlan(anInput({ now: now({ ...hard({ signs: ['snap'] }) }) }, known)).steps).toEqual([]);
  });
  it('a plan from here does not begin anew with something easy', () => {
    const rules = planVisit(anInput({ now: now() }, { ...known, triggers: [{ cause: 'nails' }] }))!.problem.order.map((r) => r.rule);
    expect(rules).not.toContain('order.minded_not_first');
    expect(rules).not.toContain('order.easy_first');
    expect(planVisit(anInput({}, { ...known, triggers: [{ cause: 'nails' }] }))!.problem.order.map((r) => r.rule)).toContain(
      'order.minded_not_first',
    );
  });
  it('is never worse than to finish the plan at the table, however short the search', () => {
    for (const way of ['as_asked', 'calmest'] as const) {
      const at = now({ strain: 20, order: whole.steps.map((s) => s.id) });
      const found = planVisit(anInput({ now: at, way, asked: { items: FULL, wantedMm: 9, sessionMinutes: 240 } }, known), { labels: 5 })!;
      const present = solveInOrder(
        found.problem,
        whole.steps.map((s) => found.built.findIndex((b) => b.id === s.id)),
      )!;
      expect(found.solution.value.welfare).toBeGreaterThanOrEqual(present.value.welfare);
      expect(burden(found.solution.value, found.problem.minutePrice)).toBeLessThanOrEqual(
        burden(present.value, found.problem.minutePrice) + 1e-6,
      );
    }
  });
});

describe('learnMinutes', () => {
  it('is the usual time while nothing is known', () => {
    const l = learnMinutes('nails', 7, [], undefined);
    expect(l.minutes).toBeCloseTo(7, 12);
    expect(l.range[0]).toBeCloseTo(7 * Math.exp(-1.6448536 * Math.hypot(0.18, 0.16)), 6);
    expect(l.reasons).toEqual([]);
  });
  // Normal mean with known variance: weight of n visits is n/σ² against 1/τ².
  it('moves towards the dog’s own times as they come in, and grows surer', () => {
    const seen = (n: number): { activity: 'nails'; minutes: number }[] =>
      Array.from({ length: n }, () => ({ activity: 'nails', minutes: 14 }));
    const weight = 3 / 0.16 ** 2 / (3 / 0.16 ** 2 + 1 / 0.18 ** 2);
    expect(Math.log(learnMinutes('nails', 7, seen(3), undefined).minutes)).toBeCloseTo(Math.log(7) + weight * Math.log(2), 9);
    const spreads = [0, 1, 3, 6].map((n) => learnMinutes('nails', 7, seen(n), undefined).spread);
    expect(spreads).toEqual([...spreads].sort((a, b) => b - a));
  });
  it('takes the groomer’s pace as a factor', () => {
    const slow = learnMinutes('bath', 10, [], { activity: 'bath', ratio: 1.5, visits: 40 });
    expect(slow.minutes).toBeGreaterThan(14.5);
    expect(slow.minutes).toBeLessThan(15);
  });
  it('learns nothing about mats: they differ from day to day', () =>
    expect(learnMinutes('brush_mats', 5, [{ activity: 'brush_mats', minutes: 20 }], undefined).minutes).toBe(5));
  it('changes a plan', () => {
    const times = [12, 13, 12].map((minutes) => ({ activity: 'nails' as const, minutes }));
    const nails = makePlan(anInput({ times }, known)).steps.find((s) => s.activity === 'nails');
    expect(nails?.minutes).toBeGreaterThan(10);
    expect(nails?.reasons.map((r) => r.rule)).toContain('minutes.own');
  });
});

describe('blades along the plan', () => {
  it('reach the line after six minutes of running, and the step says where', () => {
    expect([bladeStopsIn(5), bladeStopsIn(7), bladeStopsIn(13)]).toEqual([0, 1, 2]);
    expect(BLADE_STOP_MINUTES).toBe(0.5);
    const clip = makePlan(anInput({}, known)).steps.find((s) => s.activity === 'body_clip');
    expect(clip?.bladeStops.length).toBeGreaterThanOrEqual(2);
    for (const stop of clip?.bladeStops ?? []) {
      expect(stop.minute).toBeGreaterThan(clip?.from ?? 0);
      expect(stop.minute).toBeLessThan(clip?.to ?? 0);
      expect(stop.celsius).toBeLessThanOrEqual(40);
    }
  });
  it('come sooner when the blade is warm already', () => {
    const first = (blades: { blade: '7F'; celsius: number }[]): number => {
      const plan = makePlan(
        anInput({ now: now({ minute: 0, strain: 10, workedMinutes: 0, standingMinutes: 0, standingTotalMinutes: 0, blades }) }, known),
      );
      const step = plan.steps.find((s) => s.blade?.blade === '7F' && s.bladeStops.length > 0);
      return step ? (step.bladeStops[0]?.minute ?? 0) - step.from : Infinity;
    };
    expect(first([{ blade: '7F', celsius: 39 }])).toBeLessThanOrEqual(first([]));
  });
});

describe('ways to do one visit', () => {
  const hard = anInput(
    { asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails'], wantedMm: 9, sessionMinutes: 150 } },
    known,
    { mood: 'tense' },
  );
  const base = makePlan(hard);
  it('calmest has the least dose, quickest the least time of the same work', () => {
    const calm = makePlan(inputFor('calmest', hard));
    const quick = makePlan(inputFor('quickest', hard));
    expect(order(calm).length).toBe(order(base).length);
    expect(calm.dose).toBeLessThanOrEqual(base.dose + 1e-6);
    expect(quick.minutes).toBeLessThanOrEqual(base.minutes + 1e-6);
    expect(calm.dose).toBeLessThan(quick.dose);
  });
  it('split in two leaves work for a second visit that is planned too', () => {
    const split = makePlan(inputFor('split_in_two', hard));
    expect(split.minutes).toBeLessThan(base.minutes);
    expect(split.secondVisit?.steps.length).toBeGreaterThan(0);
    expect(split.secondVisit?.minutes).toBeGreaterThan(0);
    expect(split.secondVisit?.inWeeks).toBeGreaterThan(0);
  });
  it('welfare only leaves out what is for looks', () => {
    const welfare = makePlan(inputFor('welfare_only', hard));
    expect(order(welfare)).not.toContain('body_clip');
    expect(order(welfare)).toContain('nails');
  });
  it('are offered when they differ', () => {
    const ways = waysWorthTrying(hard, base);
    expect(ways[0]).toBe('with_helper');
    expect(ways).not.toContain('as_asked');
    expect(ways.every((w) => PLAN_WAYS.includes(w))).toBeTrue();
    expect(isWorthOffering(compareWith(base, base))).toBeFalse();
    expect(isWorthOffering(compareWith(base, makePlan(inputFor('welfare_only', hard))))).toBeTrue();
  });
});

describe('what the last visit left', () => {
  it('is on this plan by itself, and says from when', () => {
    const plan = makePlan(
      anInput(
        { asked: { items: ['bath'], wantedMm: 9, sessionMinutes: 120 }, carriedOver: [{ activity: 'nails', from: '2026-10-01' }] },
        known,
      ),
    );
    const nails = plan.steps.find((s) => s.activity === 'nails');
    expect(nails?.reasons.map(sayReason)).toContain('Left undone on 1 October 2026, so it is on this plan.');
  });
});
