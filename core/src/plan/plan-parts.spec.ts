import type { ZoneFinding } from '../findings/index.js';
import { PAINFUL_MINUTES } from '../knowledge/fit/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';
import { aDog, anInput } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { HAZARD_IDS, type ZoneId } from '../words/index.js';
import { type OrderStep, startRules } from '../work/index.js';
import { makePlan, movementOf, type PlanInput, postureOf, safeFinishOfPlan, seenWork, unfinishedAt, type WayHomeStep } from './index.js';

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
  const pelted = (skin: 'red' | 'sound'): { zones: ZoneFinding[] } => ({
    zones: (
      ['armpit_left', 'armpit_right', 'back', 'rump', 'side_left', 'side_right', 'shoulder_left', 'chest', 'thigh_left'] as const
    ).map((zone) => ({ zone, matGrade: 4, skin, crust: false })),
  });
  const asked = { items: ['nails', 'bath'] as const, wantedMm: 9, sessionMinutes: 200 };

  it('beyond what the dog can take waits for a short visit of its own; what hurts most stays', () => {
    const senior = makePlan(anInput({ asked }, { ...known, born: '2010-01-01' }, pelted('red')));
    expect(senior.painful.minutes).toBeLessThanOrEqual(PAINFUL_MINUTES.senior);
    const later = senior.notToday.filter((n) => n.reasons.some((r) => r.rule === 'fit.painful_later'));
    expect(later.length).toBeGreaterThan(0);
    expect(later.every((n) => n.to === 'another_visit' && n.withinDays === 7)).toBeTrue();
    expect(senior.steps.map((s) => s.activity)).toContain('clip_tight_fragile');
    expect(senior.secondVisit?.steps.map((s) => s.activity)).toContain('clip_tight_body');
    expect(senior.secondVisit?.inWeeks).toBe(1);
  });
  it('counts half where the blade glides under on whole skin', () => {
    const painful = (skin: 'red' | 'sound'): number =>
      makePlan(anInput({ asked }, known, { zones: pelted(skin).zones.slice(0, 2) })).painful.minutes;
    expect(painful('sound')).toBe(painful('red') / 2);
  });
  it('rests after as many minutes as this dog bears in one go', () => {
    const plan = makePlan(anInput({ asked }, known, { zones: pelted('sound').zones.slice(2, 4) }));
    const clip = plan.steps.find((s) => s.activity === 'clip_tight_body')!;
    expect(clip.minutes).toBeGreaterThan(5);
    expect(clip.breaks.filter((b) => b.after > 0).length).toBeGreaterThanOrEqual(Math.ceil(clip.minutes / 5) - 1);
  });
  it('clips no place whose mat was to be brushed out before, and is not today', () => {
    const mat = { zones: [{ zone: 'side_left' as const, matGrade: 2 as const, skin: 'sound' as const, crust: false }] };
    const clip = { items: ['body_clip'] as const, wantedMm: 9, sessionMinutes: 150 };
    const places = (wishes: PlanInput['wishes']): ZoneId[] =>
      makePlan(anInput({ asked: clip, wishes }, known, mat)).steps.flatMap((s) => (s.activity === 'body_clip' ? s.zones : []));
    expect(places([])).toContain('side_left');
    expect(places([{ kind: 'forbid', step: 'brush_mats' }])).not.toContain('side_left');
    expect(places([{ kind: 'forbid', step: 'brush_mats' }])).toContain('side_right');
  });
  it('keeps the muzzle to one fitting in a house that would keep it on: what needs it comes first, calm work goes on without it', () => {
    const input = anInput(
      { house: houseRules({ muzzle: 'whole_visit' }), way: 'with_risk' },
      { biteHistory: true, triggers: [{ cause: 'nails' }] },
    );
    const plan = makePlan(input);
    const muzzled = plan.steps.filter((s) => s.hold.also.includes('muzzle'));
    expect(muzzled.map((s) => s.activity)).toContain('nails');
    expect(muzzled.reduce((sum, s) => sum + s.minutes, 0)).toBeLessThanOrEqual(15.5);
    const off = plan.steps.filter((s) => s.hold.reasons.some((r) => r.rule === 'hold.muzzle_used_up'));
    expect(off.length).toBeGreaterThan(0);
    expect(off.every((s) => !s.rate.painful && !s.rate.triggered)).toBeTrue();
  });
  it('keeps the minutes under a muzzle within one fitting', () => {
    const dog = { ...known, biteHistory: true, triggers: [{ cause: 'clipper' as const }] };
    const plan = makePlan(anInput({ asked: { items: ['body_clip', 'feet', 'sanitary'], wantedMm: 9, sessionMinutes: 200 } }, dog));
    const muzzled = plan.steps.filter((s) => s.hold.also.includes('muzzle'));
    expect(muzzled.length).toBeGreaterThan(0);
    expect(muzzled.reduce((sum, s) => sum + s.minutes, 0)).toBeLessThanOrEqual(15.5);
    expect(plan.notToday.flatMap((n) => n.reasons.map((r) => r.rule))).toContain('hold.muzzle_minutes');
  });
  it('is halved after a visit that was stopped', () => {
    const plan = makePlan(anInput({ asked, afterStop: true }, known, pelted('sound')));
    expect(plan.painful.limitMinutes).toBe(PAINFUL_MINUTES.grown / 2);
    expect(plan.painful.minutes).toBeLessThanOrEqual(PAINFUL_MINUTES.grown / 2);
  });
  it('does not bathe over what stays in, unless the groomer has decided it', () => {
    const input = anInput({ asked }, { ...known, born: '2010-01-01' }, pelted('red'));
    const plan = makePlan(input);
    expect(plan.steps.map((s) => s.activity)).not.toContain('bath');
    expect(plan.notToday.find((n) => n.activity === 'bath')?.reasons[0]?.rule).toBe('step.no_bath_on_mats');
    const decided = makePlan({ ...input, wishes: [{ kind: 'require', step: 'bath' }] });
    expect(decided.steps.find((s) => s.activity === 'bath')?.reasons[0]?.rule).toBe('step.bath_over_mat');
  });
  it('a bath falls whole when its drying is left out, and says so', () => {
    const byHand = makePlan(anInput({ asked: { ...asked, items: ['bath'] }, wishes: [{ kind: 'forbid', step: 'dry' }] }, known));
    expect(byHand.steps).toEqual([]);
    expect(byHand.notToday.map((n) => [n.activity, n.to])).toEqual([
      ['dry', 'another_visit'],
      ['bath', 'another_visit'],
    ]);
    expect(byHand.notToday[1]?.reasons.map(sayReason)).toEqual([
      'A bath is done whole: without “Dry” it is not begun, since no dog goes home wet.',
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
    const slow = Array.from({ length: 20 }, () => ({ strainBefore: 60, spread: 6, minutes: 8, mood: 'tense' as const }));
    const plan = makePlan(anInput({ breaks: slow }, known));
    expect(plan.halfLifeMinutes).toBeGreaterThan(10);
    expect(plan.halfLifeLikely).toBeGreaterThan(8);
    expect(plan.halfLifeLikely).toBeLessThan(plan.halfLifeMinutes);
    expect(plan.reasons.map((r) => r.rule)).toContain('strain.half_life_learned');
    expect(makePlan(anInput({}, known)).halfLifeLikely).toBeCloseTo(6, 1);
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
    const feet = plan.steps.find((s) => s.activity === 'feet' && s.zones.includes('hind_paw_left'))!;
    expect(feet.hold.also).toContain('belly_support');
    expect(plan.steps.find((s) => s.zones.includes('fore_paw_left'))!.hold.also).not.toContain('belly_support');
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
    zones: ['back'],
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
