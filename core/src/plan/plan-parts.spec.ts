import { PAINFUL_MINUTES } from '../knowledge/fit/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';
import { aDog, anInput } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { HAZARD_IDS } from '../words/index.js';
import { type OrderStep, startRules } from '../work/index.js';
import { makePlan, movementOf, postureOf, safeFinishOfPlan, seenWork, unfinishedAt, type WayHomeStep } from './index.js';

const known = { standingSeenMinutes: 40, visitsBefore: 3 };
const armpit = { zones: [{ zone: 'armpit_left' as const, matGrade: 3 as const, skin: 'sound' as const, crust: false }] };

describe('the hazard register of a plan', () => {
  const calm = makePlan(anInput({}, known));
  it('shows what can happen in these steps, with less of it after the controls', () => {
    expect(calm.register.length).toBeGreaterThan(8);
    for (const row of calm.register) {
      expect(HAZARD_IDS).toContain(row.hazard);
      expect(row.after).withContext(row.hazard).toBeLessThanOrEqual(row.before);
      expect(row.chanceToday).withContext(row.hazard).toBeLessThan(0.5);
      expect(row.reasons.length).withContext(row.hazard).toBeGreaterThan(0);
    }
  });
  it('grows with what the dog brings', () => {
    const rate = (plan: typeof calm, hazard: string): number => plan.register.find((r) => r.hazard === hazard)!.before;
    const bit = makePlan(anInput({}, { ...known, biteHistory: true }, armpit));
    expect(rate(bit, 'bite_or_scratch_person')).toBeGreaterThan(rate(calm, 'bite_or_scratch_person'));
    expect(rate(makePlan(anInput({}, known, armpit)), 'laceration')).toBeGreaterThan(rate(calm, 'laceration'));
    expect(rate(makePlan(anInput({ trained: false }, known, { mood: 'frantic' })), 'nick')).toBeGreaterThan(rate(calm, 'nick'));
  });
  it('reads its controls from the plan: muzzle, helper, close teeth, lying, cool air, loop', () => {
    const controls = (plan: typeof calm, hazard: string): string[] =>
      plan.register.find((r) => r.hazard === hazard)!.controls.map((c) => c.control);
    const guarded = makePlan(anInput({ helperThere: true }, { ...known, biteHistory: true }, armpit));
    expect(controls(guarded, 'bite_or_scratch_person')).toEqual(jasmine.arrayContaining(['muzzle', 'helper']));
    expect(controls(makePlan(anInput({}, known, armpit)), 'laceration')).toEqual(jasmine.arrayContaining(['close_teeth', 'finger_first']));
    const short = makePlan(anInput({}, { ...known, nose: 'short' }));
    expect(controls(short, 'overheating')).toEqual(['gentle_dryer', 'cool_air']);
    expect(controls(calm, 'escape')).toEqual(jasmine.arrayContaining(['doors_shut']));
    expect(controls(makePlan(anInput({ house: houseRules({ loop: 'never' }) }, known)), 'fall_or_jump')).not.toContain('loop_attended');
    expect(controls(calm, 'water_inhaled')).toEqual(['head_kept_dry']);
  });
  it('leaves sore places out', () => {
    const sore = makePlan(anInput({}, known, { zones: [{ zone: 'side_left', matGrade: 0, skin: 'sore', crust: false }] }));
    expect(sore.register.every((r) => r.zone !== 'side_left')).toBeTrue();
  });
});

describe('the way home', () => {
  const step = (
    activity: WayHomeStep['activity'],
    post: WayHomeStep['post'],
    from: number,
    to: number,
    also: readonly string[] = [],
  ): WayHomeStep => ({
    activity,
    post,
    from,
    to,
    minutes: to - from,
    hold: { also },
  });
  const steps = [
    step('clip_tight_fragile', 'table', 0, 4, ['muzzle']),
    step('bath', 'tub', 6, 16),
    step('dry', 'dryer', 17, 37),
    step('nails', 'table', 38, 45),
  ];
  it('counts a half-cut mat, a muzzle and the loop on the table', () => {
    expect(safeFinishOfPlan(steps, 'neck')[1]!.minutes).toBe(2 + 0.5 + 0.5 + 1);
    expect(safeFinishOfPlan(steps, 'none')[1]!.minutes).toBe(2 + 0.5 + 1);
  });
  it('is longest in the bath, and falls as the coat dries', () => {
    const at = safeFinishOfPlan(steps, 'neck');
    expect(at[10]!.minutes).toBe(4 + 20 + 1);
    expect(at[16]!.minutes).toBe(20);
    expect(at[27]!.minutes).toBe(10 + 1);
    expect(at[37]!.minutes).toBe(0);
    expect(at[40]!.minutes).toBe(0.5 + 1);
    expect(at.length).toBe(46);
  });
  it('is nothing between steps of a dry dog, and after the last', () => {
    expect(unfinishedAt(steps, 'neck', 5)).toEqual(jasmine.objectContaining({ dryingMinutes: 0, onTable: false, lathered: false }));
    expect(safeFinishOfPlan(steps, 'neck')[45]!.minutes).toBe(0);
    expect(safeFinishOfPlan([], 'neck').map((p) => p.minutes)).toEqual([0]);
  });
  it('is in every plan, a point a minute', () => {
    const plan = makePlan(anInput({}, known));
    expect(plan.safeFinish.length).toBe(Math.ceil(plan.minutes) + 1);
    expect(Math.max(...plan.safeFinish.map((p) => p.minutes))).toBeGreaterThan(10);
    expect(makePlan(anInput({ fit: 'not_today' })).safeFinish).toEqual([]);
  });
});

describe('painful work', () => {
  it('beyond what the dog can take goes to a vet, what matters most stays', () => {
    const mats = {
      zones: (
        ['armpit_left', 'armpit_right', 'back', 'rump', 'side_left', 'side_right', 'shoulder_left', 'chest', 'thigh_left'] as const
      ).map((zone) => ({
        zone,
        matGrade: 4 as const,
        skin: 'red' as const,
        crust: false,
      })),
    };
    const senior = makePlan(
      anInput({ asked: { items: ['nails', 'bath'], wantedMm: 9, sessionMinutes: 200 } }, { ...known, born: '2010-01-01' }, mats),
    );
    expect(senior.painful.minutes).toBeLessThanOrEqual(PAINFUL_MINUTES.senior);
    const beyond = senior.notToday.filter((n) => n.reasons.some((r) => r.rule === 'fit.painful_beyond'));
    expect(beyond.length).toBeGreaterThan(0);
    expect(beyond.every((n) => n.to === 'vet')).toBeTrue();
    expect(senior.steps.map((s) => s.activity)).toContain('clip_tight_fragile');
  });
  it('takes the bath with it when the drying goes, and says so', () => {
    const hips = { joints: { hip_left: 'painful' as const, hip_right: 'stiff' as const } };
    const asked = { items: ['nails', 'bath', 'body_clip', 'feet'] as const, wantedMm: 9, sessionMinutes: 150 };
    const { steps, notToday } = makePlan(anInput({ asked }, { ...known, born: '2012-01-01', weightKg: 12 }, hips));
    expect(steps.map((s) => s.activity)).not.toContain('dry');
    expect(steps.map((s) => s.activity)).not.toContain('bath');
    const bath = notToday.find((n) => n.activity === 'bath');
    expect(bath?.to).toBe('vet');
    expect(bath?.reasons.map(sayReason)).toEqual(['A bath is done whole: without “Dry” it is not begun, since no dog goes home wet.']);
    const byHand = makePlan(anInput({ asked: { ...asked, items: ['bath'] }, wishes: [{ kind: 'forbid', step: 'dry' }] }, known));
    expect(byHand.steps).toEqual([]);
    expect(byHand.notToday.map((n) => [n.activity, n.to])).toEqual([
      ['dry', 'another_visit'],
      ['bath', 'another_visit'],
    ]);
  });
  it('within it stays, and is counted', () => {
    const plan = makePlan(anInput({}, known, armpit));
    expect(plan.painful.minutes).toBeGreaterThan(0);
    expect(plan.painful.beyond).toBeFalse();
  });
});

describe('what the plan learned', () => {
  it('recovers as this dog’s breaks did', () => {
    const slow = Array.from({ length: 20 }, () => ({ strainBefore: 40, minutes: 10, strainAfter: 22, state: 'relaxed' as const }));
    const plan = makePlan(anInput({ breaks: slow }, known));
    expect(plan.halfLifeMinutes).toBeGreaterThan(8);
    expect(plan.reasons.map((r) => r.rule)).toContain('strain.half_life_learned');
    expect(makePlan(anInput({}, known)).halfLifeMinutes).toBeCloseTo(6, 10);
    expect(makePlan(anInput({ fit: 'ask_vet', breaks: slow }, known)).halfLifeMinutes).toBe(plan.halfLifeMinutes);
  });
  it('does not count soiling of an incontinent dog', () => {
    expect(makePlan(anInput({}, { ...known, conditions: ['incontinent'] })).uncounted).toEqual(['soiling']);
    expect(makePlan(anInput({}, known)).uncounted).toEqual([]);
  });
  it('reads work by tool, place and posture', () => {
    expect(seenWork('nails', 'under_arm', 5, 12)).toEqual({
      activity: 'nails',
      group: 'feet',
      tool: 'nail_tool',
      posture: 'lying',
      minutes: 5,
      points: 12,
    });
    expect(postureOf('bath', 'hand_resting')).toBe('in_tub');
    expect(postureOf('feet', 'leg_folded')).toBe('leg_lifted');
    expect(postureOf('feet', 'foreleg_forward')).toBe('leg_lifted');
    expect(postureOf('face', 'chin_hair')).toBe('head_held');
    expect(postureOf('body_clip', 'hand_resting')).toBe('standing');
  });
  it('takes a tense dog to shift and a frantic one to jerk', () =>
    expect((['relaxed', 'still', 'tense', 'tired_out', 'shut_down', 'frantic'] as const).map(movementOf)).toEqual([
      'still',
      'still',
      'shifts',
      'still',
      'still',
      'jerks',
    ]));
});

describe('a meal just eaten', () => {
  it('takes the muzzle off the plan: a helper, or a vet', () => {
    const dog = { ...known, biteHistory: true };
    const fed = makePlan(anInput({ told: ['just_fed'] }, dog, armpit));
    expect(fed.steps.every((s) => !s.hold.also.includes('muzzle'))).toBeTrue();
    expect(fed.notToday.filter((n) => n.to === 'vet').map((n) => n.activity)).toContain('clip_tight_fragile');
    expect(makePlan(anInput({}, dog, armpit)).steps.some((s) => s.hold.also.includes('muzzle'))).toBeTrue();
  });
});

describe('the favoured leg in a plan', () => {
  it('is carried for where legs are lifted', () => {
    const plan = makePlan(anInput({}, { ...known, weightKg: 16 }, { favours: 'hind_right' }));
    const feet = plan.steps.find((s) => s.activity === 'feet')!;
    expect(feet.hold.also).toContain('belly_support');
    expect(feet.hold.reasons.map(sayReason).join(' ')).toContain('right hind leg');
  });
});

describe('startRules', () => {
  const step = (
    id: OrderStep['activity'],
    mean: number,
    tier: OrderStep['tier'] = 'asked',
    post: OrderStep['post'] = 'table',
  ): OrderStep => ({
    id,
    activity: id,
    tier,
    post,
    rate: { mean },
  });
  const easy = houseRules();
  const important = houseRules({ start: 'important_first' });
  it('puts the easiest before the hardest, where it is hard enough', () => {
    expect(startRules([step('nails', 6), step('body_clip', 1.5), step('face', 3)], [], easy).map((r) => `${r.first} ${r.then}`)).toEqual([
      'body_clip nails',
    ]);
    expect(startRules([step('nails', 2), step('body_clip', 1.5)], [], easy)).toEqual([]);
    expect(startRules([step('nails', 6)], [], easy)).toEqual([]);
    expect(startRules([], [], easy)).toEqual([]);
  });
  it('does not gainsay another rule, nor count what must wait, the tub, or looks', () => {
    const fixed = [{ first: 'nails', then: 'body_clip', kind: 'before' as const, rule: 'order.nails_before_bath' as const }];
    expect(startRules([step('nails', 6), step('body_clip', 1.5)], fixed, easy)).toEqual([]);
    expect(startRules([step('nails', 6), step('bath', 1, 'asked', 'tub')], [], easy)).toEqual([]);
    expect(startRules([step('nails', 6), step('tidy', 1, 'looks')], [], easy)).toEqual([]);
  });
  it('puts welfare before what was asked for, and makes no circle', () => {
    const fixed = [{ first: 'body_clip', then: 'ears', kind: 'before' as const, rule: 'order.ears_before_bath' as const }];
    const rules = startRules(
      [step('ears', 3, 'welfare'), step('nails', 4, 'welfare'), step('body_clip', 1.5), step('tidy', 1, 'looks')],
      fixed,
      important,
    );
    expect(rules.map((r) => `${r.first} ${r.then}`)).toEqual(['ears tidy', 'nails body_clip', 'nails tidy']);
  });
});

describe('a dog with nothing known', () => {
  it('is told what is a guess', () => {
    const plan = makePlan(anInput({}, { visitsBefore: 0 }));
    const words = plan.steps.flatMap((s) => [...s.reasons, ...(s.blade?.reasons ?? [])]).map(sayReason);
    expect(words.some((w) => w.includes('First clip here'))).toBeTrue();
    expect(aDog().visitsBefore).toBe(3);
  });
});
