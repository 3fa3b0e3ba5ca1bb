import fc from 'fast-check';
import { ENGLISH } from '../../locales/en/index.js';
import { buildSteps, floorStepOf, makePlan } from '../../plan/index.js';
import { aDog, anInput, SPEC_DAY } from '../../testing/dogs.js';
import { anyHouse } from '../../testing/random-dogs.js';
import {
  CONDITIONS,
  FLOOR_IDS,
  HOLD_IDS,
  JOINTS,
  MAT_GRADES,
  MOODS,
  NOSES,
  RULES,
  SERVICE_ITEMS,
  SKIN_STATES,
  TOOL_KINDS,
  ZONE_IDS,
} from '../../words/index.js';
import { dogKinds } from '../dogs/index.js';
import { fitToGroom } from '../fit/index.js';
import { findFloorBreaches, type FloorCheck, type FloorStep } from './index.js';

function stepsOf(
  change: Parameters<typeof anInput>[0] = {},
  dog: Parameters<typeof anInput>[1] = {},
  found: Parameters<typeof anInput>[2] = {},
): FloorCheck {
  const input = anInput(change, dog, found);
  const built = buildSteps(input, dogKinds(input.dog, input.feelOver, SPEC_DAY));
  return { ...input, steps: built.steps.map(floorStepOf), notToday: built.notPlanned };
}
const broken = (check: FloorCheck): string[] => findFloorBreaches(check).map((b) => b.floor);
const patch = (check: FloorCheck, activity: string, change: Partial<FloorStep>): FloorCheck => ({
  ...check,
  steps: check.steps.map((s) => (s.activity === activity ? { ...s, ...change } : s)),
});

describe('the floors', () => {
  it('are twelve, each in words', () => {
    expect(FLOOR_IDS.length).toBe(12);
    for (const f of FLOOR_IDS) expect(ENGLISH.labels.floor[f]).withContext(f).toMatch(/\.$/);
  });

  it('a sound plan breaks none', () => expect(broken(stepsOf())).toEqual([]));

  it('no work on a dog that is held back', () => {
    for (const fit of ['not_today', 'ask_vet'] as const) expect(broken({ ...stepsOf(), fit })).toContain('body_alarm_vet_now');
  });
  it('no tight mat under a brush', () => {
    const mats = { zones: [{ zone: 'side_left' as const, matGrade: 2 as const, skin: 'sound' as const, crust: false }] };
    const check = stepsOf({}, {}, mats);
    const tight = { ...check.feelOver, zones: [{ ...check.feelOver.zones[0]!, matGrade: 3 as const }] };
    expect(broken(check)).toEqual([]);
    expect(new Set(broken({ ...check, feelOver: tight }))).toEqual(new Set(['no_tight_mat_brushed']));
  });
  it('no shears under the tail or at the leather', () => {
    const tidy = stepsOf({ asked: { items: ['tidy'], wantedMm: 9, sessionMinutes: 90 } });
    expect(broken(tidy)).toEqual([]);
    expect(new Set(broken(patch(tidy, 'tidy', { zones: ['anus'] })))).toEqual(new Set(['no_shears_under_tail_or_leather']));
    expect(new Set(broken(patch(tidy, 'tidy', { zones: ['ear_leather_left'] })))).toEqual(new Set(['no_shears_under_tail_or_leather']));
  });
  it('no muzzle where there is too little breath, nor in the tub', () => {
    const check = stepsOf();
    const muzzled = (activity: string, dog: FloorCheck['dog']): string[] => {
      const s = check.steps.find((x) => x.activity === activity)!;
      return broken({ ...patch(check, activity, { hold: { ...s.hold, also: ['muzzle'] } }), dog });
    };
    expect(muzzled('nails', { nose: 'medium', conditions: [] })).toEqual([]);
    expect(muzzled('nails', { nose: 'short', conditions: [] })).toEqual(['no_muzzle_without_breath']);
    expect(muzzled('nails', { nose: 'medium', conditions: ['heart'] })).toEqual(['no_muzzle_without_breath']);
    expect(muzzled('nails', { nose: 'medium', conditions: ['airway'] })).toEqual(['no_muzzle_without_breath']);
    expect(muzzled('bath', { nose: 'medium', conditions: [] })).toEqual(['no_muzzle_without_breath']);
  });
  it('no leg folded over a painful hip', () => {
    const check = stepsOf({}, { weightKg: 25 });
    const hip = { ...check, feelOver: { ...check.feelOver, joints: { hip_left: 'painful' as const } } };
    expect(broken(hip)).toContain('no_lifting_by_limb_or_tail');
    expect(broken(stepsOf({}, { weightKg: 25 }, { joints: { hip_left: 'painful' } }))).toEqual([]);
  });
  it('what is sore is named for a vet', () => {
    const check = stepsOf({}, {}, { zones: [{ zone: 'side_left', matGrade: 0, skin: 'sore', crust: false }] });
    expect(broken(check)).toEqual([]);
    expect(broken({ ...check, notToday: [] })).toEqual(['what_hurts_goes_to_a_vet']);
    // Another place for a vet, or this one for another day, does not do.
    const vet = check.notToday.filter((n) => n.to === 'vet');
    expect(vet.length).toBeGreaterThan(0);
    expect(broken({ ...check, notToday: vet.map((n) => ({ ...n, zones: ['tail'] })) })).toEqual(['what_hurts_goes_to_a_vet']);
    expect(broken({ ...check, notToday: vet.map((n) => ({ ...n, to: 'another_visit' })) })).toEqual(['what_hurts_goes_to_a_vet']);
  });
  it('no cage, no scruff, no drug among the tools, holds and words', () => {
    expect(TOOL_KINDS.filter((t) => /cage|box|cabinet/.test(t))).toEqual([]);
    expect(HOLD_IDS.filter((h) => /scruff|neck|limb/.test(h))).toEqual([]);
    for (const [code, text] of Object.entries(ENGLISH.sentences))
      expect(text)
        .withContext(code)
        .not.toMatch(/\bmg\b|milligram|sedate it|give .* tablet/i);
  });
  it('never alone: what ties or covers a dog is attended', () => {
    expect(ENGLISH.holdHow.loop).toContain('never left alone');
    expect(ENGLISH.holdHow.muzzle).toContain('watched');
    expect(RULES['caution.never_alone'].source).toBe('floor');
    expect(RULES['loop.attended'].source).toBe('floor');
  });
  it('a body alarm is for a vet now, whatever was agreed', () => {
    const fit = fitToGroom({
      dog: aDog(),
      signs: ['collapse'],
      vetAgreed: true,
      told: [],
      pelted: false,
      contactMinutes: 10,
      roomCelsius: 20,
      today: SPEC_DAY,
    });
    expect([fit.verdict, fit.vetNow]).toEqual(['not_today', true]);
    expect(makePlan(anInput({ fit: fit.verdict })).steps).toEqual([]);
  });

  it('stand in any house, with any dog and any finding', () => {
    fc.assert(
      fc.property(
        anyHouse,
        fc.constantFrom(...NOSES),
        fc.subarray([...CONDITIONS], { maxLength: 3 }),
        fc.boolean(),
        fc.constantFrom(...MOODS),
        fc.array(
          fc.record({
            zone: fc.constantFrom(...ZONE_IDS),
            matGrade: fc.constantFrom(...MAT_GRADES),
            skin: fc.constantFrom(...SKIN_STATES),
            crust: fc.boolean(),
          }),
          { maxLength: 6 },
        ),
        fc.constantFrom(...JOINTS),
        fc.boolean(),
        (house, nose, conditions, biteHistory, mood, zones, joint, helperThere) => {
          const once = zones.filter((z, i) => zones.findIndex((x) => x.zone === z.zone) === i);
          const check = stepsOf(
            { house, helperThere, asked: { items: SERVICE_ITEMS, wantedMm: 9, sessionMinutes: 200 } },
            { nose, conditions, biteHistory },
            { zones: once, mood, joints: { [joint]: 'painful' } },
          );
          expect(findFloorBreaches(check)).toEqual([]);
          // The rules themselves left nothing for the second look to take out.
          expect(check.notToday.flatMap((n) => n.reasons.map((r) => r.rule))).not.toContain('floor.broken');
        },
      ),
      { numRuns: 150 },
    );
  });
});
