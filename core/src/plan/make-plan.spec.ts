import fc from 'fast-check';
import type { ZoneFinding } from '../findings/index.js';
import { evidenceFromPoints } from '../strain/index.js';
import { anInput } from '../testing/dogs.js';
import { sayReason, sourceOfReason } from '../testing/english.js';
import { CONDITIONS, JOINTS, MAT_GRADES, type MatGrade, MOODS, type Reason, SERVICE_ITEMS, ZONE_IDS, type ZoneId } from '../words/index.js';
import { orderRules } from '../work/index.js';
import { type HandlingPlan, makePlan, type PlanInput, type PlannedStep } from './index.js';

const mat = (zone: ZoneId, matGrade: MatGrade, change: Partial<ZoneFinding> = {}): ZoneFinding => ({
  zone,
  matGrade,
  skin: 'sound',
  crust: false,
  ...change,
});
const order = (p: HandlingPlan): string[] => p.steps.map((s) => s.activity);
const the = (p: HandlingPlan, activity: string): PlannedStep => {
  const found = p.steps.find((s) => s.activity === activity);
  if (!found) throw new Error(`no step ${activity} in ${order(p).join(', ')}`);
  return found;
};
const rules = (reasons: readonly Reason[]): string[] => reasons.map((r) => r.rule);

describe('makePlan for a healthy grown dog', () => {
  const plan = makePlan(anInput());
  it('does all that was asked for, dried after the bath, clipped clean, the face last', () => {
    const o = order(plan);
    expect([...new Set(o)].sort()).toEqual([
      'bath',
      'bath_head',
      'body_clip',
      'brush_through',
      'dry',
      'easy_end',
      'face',
      'feet',
      'nails',
      'sanitary',
      'towel',
    ]);
    const bath = o.indexOf('bath');
    expect(o.slice(bath, bath + 4)).toEqual(['bath', 'bath_head', 'towel', 'dry']);
    expect(o.indexOf('body_clip')).toBeGreaterThan(o.indexOf('dry'));
    expect(o.at(-1)).toBe('easy_end');
    expect(o.at(-2)).toBe('face');
    expect(o.indexOf('sanitary')).toBeLessThan(o.indexOf('bath'));
  });
  it('keeps strain for what was asked below pause', () => expect(plan.peak).toBeLessThan(50));
  it('gives each step a hold, a place, minutes with a range, and a reason for all of it', () => {
    for (const s of plan.steps) {
      expect(s.hold.reasons.length).withContext(s.name).toBeGreaterThan(0);
      expect(s.whyHere.length).withContext(s.name).toBeGreaterThan(0);
      expect(s.minutesRange[0]).toBeLessThan(s.minutes);
      expect(s.minutesRange[1]).toBeGreaterThan(s.minutes);
    }
  });
});

describe('makePlan reacts to what the hands find', () => {
  it('a tight mat in an armpit: clipped out with #10 before the bath, never brushed, with consent', () => {
    const plan = makePlan(anInput({}, {}, { zones: [mat('armpit_left', 3)] }));
    const s = the(plan, 'clip_tight_fragile');
    expect(s.blade?.blade).toBe('10');
    expect(s.needsConsent).toBeTrue();
    expect(s.hold.hold).toBe('foreleg_forward');
    expect(order(plan).indexOf('clip_tight_fragile')).toBeLessThan(order(plan).indexOf('bath'));
    expect(rules(s.reasons)).toContain('mat.tight_clip');
  });
  it('a stiff left hip: nails and feet lying down, shorter on its feet, a reason that names the hip', () => {
    const before = makePlan(anInput());
    const plan = makePlan(anInput({}, {}, { joints: { hip_left: 'stiff' } }));
    expect(the(plan, 'nails').hold.hold).toBe('lap_or_side');
    expect(the(plan, 'nails').posture).toMatch(/^lying/);
    expect(plan.standing.continuousMinutes).toBeLessThan(before.standing.continuousMinutes);
    expect(the(plan, 'nails').hold.reasons.map(sayReason).join(' ')).toContain('left hip');
  });
  it('a bite told today: a muzzle where it hurts, not at the tub or dryer', () => {
    const zones = [mat('armpit_left', 3)];
    expect(the(makePlan(anInput({}, {}, { zones })), 'clip_tight_fragile').hold.also).not.toContain('muzzle');
    const plan = makePlan(anInput({}, {}, { zones, biteTold: true }));
    expect(the(plan, 'clip_tight_fragile').hold.also).toContain('muzzle');
    expect(the(plan, 'bath').hold.also).not.toContain('muzzle');
    expect(the(plan, 'dry').hold.also).not.toContain('muzzle');
  });
  it('a short nose that bit, without help: painful work goes to a vet', () => {
    const plan = makePlan(anInput({}, { nose: 'short' }, { zones: [mat('armpit_left', 3)], biteTold: true }));
    expect(plan.notToday.find((n) => n.activity === 'clip_tight_fragile')?.to).toBe('vet');
    // A helper is no muzzle.
    const helped = makePlan(anInput({ helperThere: true }, { nose: 'short' }, { zones: [mat('armpit_left', 3)], biteTold: true }));
    expect(helped.notToday.find((n) => n.activity === 'clip_tight_fragile')?.to).toBe('vet');
  });
  it('crust at an eye: combed out before the face', () => {
    const o = order(makePlan(anInput({}, {}, { zones: [mat('eye_left', 0, { crust: true })] })));
    expect(o.indexOf('crust')).toBeGreaterThanOrEqual(0);
    expect(o.indexOf('crust')).toBeLessThan(o.indexOf('face'));
  });
  it('a pelted body: clipped off whole, the wanted length not promised', () => {
    const plan = makePlan(anInput({}, {}, { zones: [mat('back', 4), mat('side_left', 4), mat('side_right', 4)] }));
    expect(rules(the(plan, 'clip_tight_body').reasons)).toContain('step.clip_off_whole');
    expect(plan.notToday.find((n) => n.activity === 'body_clip')?.reasons[0]?.rule).toBe('step.length_not_possible');
  });
  it('one tight zone on the body: that zone at #10, the rest of the body at the wanted length', () => {
    const plan = makePlan(anInput({}, {}, { zones: [mat('side_left', 3)] }));
    expect(the(plan, 'clip_tight_body').blade?.blade).toBe('10');
    expect(the(plan, 'body_clip').zones).not.toContain('side_left');
    expect(the(plan, 'body_clip').blade?.lengthMm).toBeGreaterThan(6);
  });
  it('mats at an ear and in an armpit: two steps, each with its own hold', () => {
    const plan = makePlan(anInput({}, {}, { zones: [mat('ear_leather_left', 3), mat('armpit_left', 3)] }));
    expect(the(plan, 'clip_tight_head').hold.hold).toBe('chin_hair');
    expect(the(plan, 'clip_tight_fragile').hold.hold).toBe('foreleg_forward');
    expect(order(plan).indexOf('clip_tight_head')).toBeLessThan(order(plan).indexOf('bath'));
  });
  it('sore skin under a mat: for a vet, with no blade', () => {
    expect(makePlan(anInput({}, {}, { zones: [mat('groin_left', 3, { skin: 'sore' })] })).notToday.some((n) => n.to === 'vet')).toBeTrue();
  });
  it('a clip refused by the owner: the mat stays, and so the bath falls away', () => {
    const plan = makePlan(anInput({ refused: ['close_clip'] }, {}, { zones: [mat('armpit_left', 3)] }));
    expect(order(plan)).not.toContain('bath');
    expect(order(plan)).not.toContain('clip_tight_fragile');
    expect(plan.notToday.flatMap((n) => rules(n.reasons))).toEqual(
      jasmine.arrayContaining(['step.consent_refused', 'step.no_bath_on_mats']),
    );
  });
  it('a muzzle refused: that step is a vet’s', () => {
    const plan = makePlan(anInput({ refused: ['muzzle'] }, {}, { zones: [mat('armpit_left', 3)], biteTold: true }));
    expect(plan.notToday.find((n) => n.activity === 'clip_tight_fragile')?.to).toBe('vet');
  });
});

describe('makePlan for each kind of dog', () => {
  it('gives a young puppy no body clip, at most 20 min of work, and a second short visit', () => {
    const plan = makePlan(anInput({}, { born: '2026-08-25', weightKg: 4, visitsBefore: 0 }));
    expect(plan.notToday.find((n) => n.activity === 'body_clip')?.reasons[0]?.rule).toBe('step.puppy_no_body_clip');
    expect(plan.steps.reduce((sum, s) => sum + s.minutes, 0)).toBeLessThanOrEqual(20);
    expect(plan.secondVisit?.inWeeks).toBeLessThanOrEqual(2);
  });
  it('clips a senior before the bath, dries it lying, does nails lying', () => {
    const plan = makePlan(
      anInput(
        { asked: { items: ['bath', 'body_clip', 'nails'], wantedMm: 6, sessionMinutes: 180 } },
        { born: '2011-01-01', weightKg: 9, standingSeenMinutes: 20 },
      ),
    );
    expect(order(plan).indexOf('body_clip')).toBeLessThan(order(plan).indexOf('bath'));
    expect(the(plan, 'dry').standing).toBeFalse();
    expect(['lap_or_side', 'under_arm']).toContain(the(plan, 'nails').hold.hold);
  });
  it('raises the rate of a known trigger and says so', () => {
    const calm = the(makePlan(anInput()), 'nails').rate.mean;
    const rate = the(makePlan(anInput({}, { triggers: [{ cause: 'nails' }] })), 'nails').rate;
    expect(rate.mean).toBeGreaterThan(calm);
    expect(rules(rate.reasons)).toContain('rate.trigger');
  });
  it('learns from the dog’s own minutes', () => {
    const rate = the(makePlan(anInput({ evidence: [evidenceFromPoints('nails', 60, 30)] })), 'nails').rate;
    expect(rate.mean).toBeLessThan(0.75 * the(makePlan(anInput()), 'nails').rate.mean);
    expect(rules(rate.reasons)).toContain('rate.learned');
  });
  for (const fit of ['not_today', 'ask_vet'] as const) {
    it(`plans nothing when the verdict is ${fit}`, () => expect(makePlan(anInput({ fit })).steps).toEqual([]));
  }
  it('moves what does not fit to a second visit, with the limit that it would pass', () => {
    const plan = makePlan(anInput({ asked: { items: SERVICE_ITEMS, wantedMm: 9, sessionMinutes: 60 } }));
    const left = plan.notToday.filter((n) => n.to === 'another_visit');
    expect(left.length).toBeGreaterThan(0);
    expect(left.flatMap((n) => rules(n.reasons))).toContain('left.session');
    expect(plan.secondVisit).toBeDefined();
  });
});

describe('every plan', () => {
  const input = fc
    .record({
      zones: fc.uniqueArray(
        fc.record({
          zone: fc.constantFrom(...ZONE_IDS),
          matGrade: fc.constantFrom(...MAT_GRADES),
          skin: fc.constantFrom('sound' as const, 'red' as const, 'sore' as const),
          crust: fc.constant(false),
        }),
        { maxLength: 4, selector: (z) => z.zone },
      ),
      joint: fc.constantFrom(...JOINTS),
      comfort: fc.constantFrom('free' as const, 'stiff' as const, 'painful' as const),
      mood: fc.constantFrom(...MOODS),
      biteTold: fc.boolean(),
      conditions: fc.subarray([...CONDITIONS], { maxLength: 2 }),
      nose: fc.constantFrom('short' as const, 'medium' as const),
      born: fc.constantFrom('2026-08-20', '2025-01-01', '2021-01-01', '2011-01-01'),
      weightKg: fc.constantFrom(4, 14, 38),
      helperThere: fc.boolean(),
      sessionMinutes: fc.constantFrom(45, 120),
    })
    .map((r): PlanInput =>
      anInput(
        {
          helperThere: r.helperThere,
          asked: { items: ['bath', 'face', 'feet', 'sanitary', 'nails'], wantedMm: 9, sessionMinutes: r.sessionMinutes },
        },
        { conditions: r.conditions, nose: r.nose, born: r.born, weightKg: r.weightKg },
        { zones: r.zones, joints: { [r.joint]: r.comfort }, mood: r.mood, biteTold: r.biteTold },
      ),
    );

  it('keeps the floors and explains itself, whatever the dog', () => {
    fc.assert(
      fc.property(input, (i) => {
        const p = makePlan(i);
        for (const s of p.steps) {
          const grades = s.zones.map((z) => i.feelOver.zones.find((f) => f.zone === z)?.matGrade ?? 0);
          if (s.activity === 'brush_mats') expect(Math.max(...grades)).toBeLessThan(3);
          if (s.hold.also.includes('muzzle')) expect(i.dog.nose).not.toBe('short');
          if (s.activity === 'bath' || s.activity === 'dry') expect(s.hold.also).not.toContain('muzzle');
          expect(s.strainTo).toBeLessThan(75);
        }
        const every = [
          ...p.reasons,
          ...p.standing.reasons,
          ...p.notToday.flatMap((n) => n.reasons),
          ...p.steps.flatMap((s) => [
            ...s.cautions,
            ...s.reasons,
            ...s.whyHere,
            ...s.hold.reasons,
            ...(s.blade?.reasons ?? []),
            ...s.breaks.map((b) => b.because),
          ]),
        ];
        for (const r of every) {
          expect(sayReason(r)).withContext(r.rule).not.toContain('…');
          expect(sourceOfReason(r).length).toBeGreaterThan(0);
        }
        expect(p.notToday.every((n) => n.reasons.length > 0)).toBeTrue();
      }),
      { numRuns: 60 },
    );
  });
});

describe('rules', () => {
  it('of order apply only to steps that are there', () => expect(orderRules([], [], anInput())).toEqual([]));
});
