import fc from 'fast-check';
import { dogKinds } from '../knowledge/dogs/index.js';
import { anInput } from '../testing/dogs.js';
import { anyPlanInput } from '../testing/random-dogs.js';
import type { MatGrade, ZoneId } from '../words/index.js';
import { type BuiltStep, findPieces, groupSteps, makePlan, type PlanInput, posturesFor, stepKey } from './index.js';

const known = { standingSeenMinutes: 40, visitsBefore: 3 };
const at = (zone: ZoneId, matGrade: MatGrade) => ({ zone, matGrade, skin: 'sound' as const, crust: false });
const built = (input: PlanInput): readonly BuiltStep[] =>
  groupSteps(findPieces(input, dogKinds(input.dog, input.feelOver, input.today)).pieces);
const holding = (steps: readonly BuiltStep[], zone: ZoneId, activity?: string): BuiltStep => {
  const found = steps.find((s) => s.zones.includes(zone) && (activity === undefined || s.activity === activity));
  if (!found) throw new Error(`no step at ${zone}`);
  return found;
};

describe('groupSteps', () => {
  it('joins only what shares post, tool, hold and postures, and loses no piece', () => {
    fc.assert(
      fc.property(anyPlanInput, (input) => {
        const { pieces } = findPieces(input, dogKinds(input.dog, input.feelOver, input.today));
        const steps = groupSteps(pieces);
        expect(steps.flatMap((s) => s.pieces).length).toBe(pieces.length);
        for (const s of steps) {
          expect(new Set(s.pieces.map(stepKey)).size)
            .withContext(s.id)
            .toBe(1);
          for (const p of s.pieces) {
            expect([p.post, p.hold.hold, p.blade?.blade]).toEqual([s.post, s.hold.hold, s.blade?.blade]);
            expect(p.postures).toEqual(s.postures);
            expect(p.postures.length).toBeLessThanOrEqual(3);
          }
        }
        expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
        expect(new Set(pieces.map((p) => p.id)).size).toBe(pieces.length);
      }),
      { numRuns: 300 },
    );
  });
  it('a pebble between two pads changes its own tool, not the whole round of feet', () => {
    const input = anInput({ asked: { items: ['feet'], wantedMm: 9, sessionMinutes: 120 } }, known, { zones: [at('hind_paw_left', 3)] });
    const steps = built(input);
    expect(holding(steps, 'hind_paw_left').blade?.blade).toBe('30');
    expect(holding(steps, 'hind_paw_right').blade?.blade).toBe('10');
    expect(holding(steps, 'hind_paw_right').pieces.map((p) => p.place)).toEqual(['fore_paw_left', 'fore_paw_right', 'hind_paw_right']);
  });
  it('a spared hind leg changes how the hind feet are held, not the fore feet', () => {
    const steps = built(anInput({}, { ...known, weightKg: 16 }, { favours: 'hind_left' }));
    expect(holding(steps, 'hind_paw_right', 'feet').hold.also).toContain('belly_support');
    expect(holding(steps, 'fore_paw_right', 'feet').hold.also).toEqual([]);
  });
  it('a usual visit has eight to sixteen steps', () => {
    const steps = makePlan(
      anInput(
        { asked: { items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'], wantedMm: 9, sessionMinutes: 240 } },
        known,
      ),
    ).steps;
    expect(steps.length).toBeGreaterThanOrEqual(8);
    expect(steps.length).toBeLessThanOrEqual(16);
  });
  it('an armpit is clipped before a body is done, and the old dog of 5 kg does not stand for its clip', () => {
    const old = { born: '2011-06-01', weightKg: 5, standingSeenMinutes: 3 };
    const found = { zones: [at('armpit_left', 3), at('groin_left', 3), at('back', 1)] };
    const plan = makePlan(anInput({ asked: { items: ['bath', 'body_clip', 'nails'], wantedMm: 6, sessionMinutes: 150 } }, old, found));
    for (const a of ['body_clip', 'nails', 'clip_tight_fragile', 'brush_mats'])
      for (const s of plan.steps.filter((x) => x.activity === a)) expect(s.standing).withContext(s.id).toBeFalse();
    const order = plan.steps.map((s) => s.activity);
    expect(order.indexOf('clip_tight_fragile')).toBeLessThan(order.indexOf('body_clip'));
    expect(order.at(-1)).toBe('easy_end');
    expect(order[0]).not.toBe('clip_tight_fragile');
  });
});

describe('posturesFor', () => {
  const q = { hold: 'lap_or_side', post: 'table', standing: true, weightKg: 20 } as const;
  it('lays the dog so that the place lies open', () => {
    expect(posturesFor({ ...q, zones: ['side_left'] })).toEqual(['lying_right']);
    expect(posturesFor({ ...q, zones: ['armpit_left'] })).toEqual(['lying_left']);
    expect(posturesFor({ ...q, zones: ['back'] })).toEqual(['lying_left', 'lying_right']);
    expect(posturesFor({ ...q, zones: ['hind_paw_left'] })).toEqual(['lying_left', 'lying_right']);
    expect(posturesFor({ ...q, zones: ['back'], weightKg: 5 })).toEqual(['lap']);
    expect(posturesFor({ ...q, zones: ['back'], hold: 'hand_resting' })).toEqual(['standing']);
    expect(posturesFor({ ...q, zones: ['chin'], hold: 'chin_hair', standing: false })).toEqual(['sitting']);
    expect(posturesFor({ ...q, zones: ['back'], hold: 'hand_resting', post: 'tub' })).toEqual(['in_tub']);
  });
});
