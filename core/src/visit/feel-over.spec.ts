import {
  areaOf,
  changedZones,
  FEEL_AREA_FACTS,
  type FeelOver,
  foundBefore,
  isLooked,
  type Looked,
  nextArea,
  NOTHING_FOUND,
  stiffBefore,
  type ZoneFinding,
} from '../findings/index.js';
import { dogKinds } from '../knowledge/dogs/index.js';
import { fitToGroom, leftByLooks, lookedEffects } from '../knowledge/fit/index.js';
import { ENGLISH } from '../locales/en/index.js';
import { type HandlingPlan, makePlan } from '../plan/index.js';
import { aDog, anInput, SPEC_DAY } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import {
  type FeelArea,
  FEEL_AREAS,
  LOOKED_FINDINGS,
  LOOKED_PARTS,
  type LookedFinding,
  type LookedPart,
  type ServiceItem,
  type ZoneId,
  ZONE_IDS,
} from '../words/index.js';

const ITEMS: readonly ServiceItem[] = ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears'];
const asked = { items: ITEMS, wantedMm: 9, sessionMinutes: 240 };
const seen = { standingSeenMinutes: 60, visitsBefore: 4 };
const planOf = (looked: Looked, dog = {}): HandlingPlan => makePlan(anInput({ asked }, { ...seen, ...dog }, { looked }));
const step = (plan: HandlingPlan, activity: string) => plan.steps.find((s) => s.activity === activity);
const forVet = (plan: HandlingPlan): string =>
  plan.notToday
    .filter((n) => n.to === 'vet')
    .map((n) => sayReason(n.what))
    .join('; ');
const UNHEALTHY = LOOKED_PARTS.flatMap((part) =>
  LOOKED_FINDINGS[part].slice(1).map((finding): [LookedPart, LookedFinding] => [part, finding]),
);

import { openMirrors } from './index.js';

describe('the areas of the hands', () => {
  it('hold every zone once, so that nothing is forgotten and nothing felt twice', () => {
    const all = FEEL_AREAS.flatMap((a) => FEEL_AREA_FACTS[a].zones);
    expect([...all].sort()).toEqual([...ZONE_IDS].sort());
    for (const zone of ZONE_IDS) expect(FEEL_AREA_FACTS[areaOf(zone)].zones).withContext(zone).toContain(zone);
  });

  it('look at every part once', () => {
    expect(FEEL_AREAS.flatMap((a) => FEEL_AREA_FACTS[a].looks).sort()).toEqual([...LOOKED_PARTS].sort());
  });

  it('go from the nose to the tail, and then to what moves', () => {
    expect(FEEL_AREAS[0]).toBe('head');
    expect(FEEL_AREAS.slice(-2)).toEqual(['rear', 'joints']);
    expect(nextArea(new Set())).toBe('head');
    expect(nextArea(new Set(['head', 'neck_and_chest']))).toBe('ears');
    expect(nextArea(new Set(FEEL_AREAS))).toBeUndefined();
  });
});

describe('what is looked at', () => {
  it('has words for each finding, and no finding in a part that cannot have it', () => {
    for (const [part, finding] of UNHEALTHY) {
      expect(ENGLISH.labels.lookedFinding[finding]).withContext(finding).toBeTruthy();
      expect(isLooked(part, finding)).toBeTrue();
    }
    expect(isLooked('ears', 'grown_in')).toBeFalse();
  });

  it('changes nothing when it is healthy, or not looked at', () => {
    const healthy = Object.fromEntries(LOOKED_PARTS.map((p) => [p, LOOKED_FINDINGS[p][0]]));
    expect(lookedEffects({ looked: healthy })).toEqual([]);
    expect(lookedEffects({})).toEqual([]);
    expect(planOf(healthy).minutes).toBe(planOf({}).minutes);
  });

  for (const [part, finding] of UNHEALTHY) {
    it(`shows in the plan: ${part} ${finding}`, () => {
      const effects = lookedEffects({ looked: { [part]: finding } });
      expect(effects.length).toBe(1);
      const [effect] = effects;
      const [with_, without] = [planOf({ [part]: finding }, { nose: 'short' }), planOf({}, { nose: 'short' })];
      const told = with_.steps.some((s) => [...s.cautions, ...s.reasons].some((r) => r.rule === effect?.because.rule));
      const left = with_.notToday.some((n) => n.reasons.some((r) => r.rule === effect?.because.rule));
      expect(told || left)
        .withContext('the sentence stands where it matters')
        .toBeTrue();
      expect(left).toBe(effect?.vet ?? false);
      expect(sayReason(effect!.because)).not.toContain('…');
      // Monotone caution: no finding adds work, and none makes a place that is for a vet workable.
      for (const s of with_.steps) {
        expect(s.zones.filter((z) => leftByLooks({ looked: { [part]: finding } }).includes(z)))
          .withContext(s.name)
          .toEqual([]);
        const usual = step(without, s.activity);
        if (usual && s.zones.length === usual.zones.length) expect(s.minutes).withContext(s.name).toBeGreaterThanOrEqual(usual.minutes);
      }
      // Dirt under the tail is the one finding that brings work of its own: it is soaked and loosened.
      const added = with_.steps.filter((s) => !without.steps.some((o) => o.activity === s.activity)).map((s) => s.activity);
      expect([...new Set(added)].sort()).toEqual(
        part === 'anal' && finding === 'dirty' ? ['crust', 'soak'] : part === 'folds' && finding === 'damp' ? added : [],
      );
    });
  }

  // Common practice, no source.
  it('leaves foul ears to a vet: no ear work, and no water in them', () => {
    const plan = planOf({ ears: 'foul' });
    expect(step(plan, 'ears')).toBeUndefined();
    expect(forVet(plan)).toContain('Ears: black or foul');
    expect(step(plan, 'bath_head')?.cautions.map((c) => c.rule)).toContain('looked.ears_foul');
  });
  it('keeps the face but for a sore eye', () => {
    const face = step(planOf({ eyes: 'sore' }), 'face');
    expect(face?.zones).not.toContain('eye_left');
    expect(face?.zones).toContain('cheek_left');
  });
  it('does the other nails when one has grown in, and takes longer', () => {
    const plan = planOf({ nails: 'grown_in' });
    expect(step(plan, 'nails')!.minutes).toBeGreaterThan(step(planOf({}), 'nails')!.minutes);
    expect(forVet(plan)).toContain('Nails: grown in');
  });
  it('leaves cut pads alone', () => expect(step(planOf({ pads: 'cut' }), 'feet')).toBeUndefined());
  it('keeps away from a swelling beside the anus', () => {
    const plan = planOf({ anal: 'swollen' });
    expect(step(plan, 'sanitary')?.zones).not.toContain('anus');
    expect(forVet(plan)).toContain('swollen');
  });
  it('treats a dog whose ribs feel like a rake as thin-skinned', () => {
    const kinds = dogKinds(aDog(), { ...NOTHING_FOUND, looked: { ribs: 'thin' } }, SPEC_DAY);
    expect(kinds.map((k) => k.kind)).toContain('thin_skin');
  });
  it('lets a dog that is heavy under its coat into a warm room less than a lean one', () => {
    const fit = (looked: Looked, nose: 'short' | 'medium' = 'medium') =>
      fitToGroom({
        dog: aDog({ nose }),
        signs: [],
        vetAgreed: false,
        told: [],
        looked,
        pelted: false,
        contactMinutes: 10,
        roomCelsius: 19,
        today: SPEC_DAY,
      });
    expect(fit({ ribs: 'heavy' }, 'short').heat.limitCelsius).toBeLessThan(fit({}, 'short').heat.limitCelsius);
    expect(fit({ anal: 'swollen' }).verdict).toBe('go_with_limits');
    expect(fit({ anal: 'dirty' }).verdict).toBe('go');
  });
});

describe('what was there the last time', () => {
  const before: FeelOver = {
    ...NOTHING_FOUND,
    zones: [
      { zone: 'armpit_left', matGrade: 3, skin: 'red', crust: false },
      { zone: 'armpit_right', matGrade: 0, skin: 'sound', crust: false },
    ],
    marks: [{ markId: 'm', zone: 'back', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', isNew: false }],
    looked: { nails: 'long', pads: 'sound' },
    joints: { hip_left: 'stiff', neck: 'free' },
    favours: 'hind_left',
  };
  const last = { on: '2026-10-01', feelOver: before };

  it('is told area by area, and only what was not healthy', () => {
    expect(foundBefore('forelegs', last)).toEqual([
      { kind: 'zone', zone: 'armpit_left', grade: 3, skin: 'red', crust: false, strangles: undefined },
      { kind: 'looked', part: 'nails', finding: 'long' },
    ]);
    expect(foundBefore('back_and_sides', last).map((f) => f.kind)).toEqual(['mark']);
    expect(foundBefore('ears', last)).toEqual([]);
    expect(foundBefore('ears', undefined)).toEqual([]);
    expect(stiffBefore(last)).toEqual({ joints: ['hip_left'], favours: 'hind_left' });
    expect(stiffBefore(undefined)).toEqual({ joints: [], favours: undefined });
  });

  it('stands out when it is otherwise, both ways, and only where a hand was', () => {
    const now: FeelOver = { ...NOTHING_FOUND, zones: [{ zone: 'ear_base_left', matGrade: 2, skin: 'sound', crust: false }] };
    expect(changedZones(now, new Set(), last)).toEqual(['ear_base_left']);
    expect(changedZones(now, new Set(['forelegs']), last).sort()).toEqual(['armpit_left', 'ear_base_left']);
    expect(changedZones(before, new Set(FEEL_AREAS), last)).toEqual([]);
    expect(changedZones(now, new Set(FEEL_AREAS), undefined)).toEqual([]);
  });
});

// Common practice, no source: what is matted on one side is looked for on the other.
describe('the other side', () => {
  const mat = (zone: ZoneId, matGrade: 1 | 2 | 3): ZoneFinding => ({ zone, matGrade, skin: 'sound', crust: false });
  const open = (zones: readonly ZoneFinding[], felt: readonly FeelArea[] = []): ZoneId[] =>
    openMirrors({ feelOver: { ...NOTHING_FOUND, zones }, areasFelt: new Map(felt.map((area) => [area, 'sound' as const])) });
  it('is asked for from grade 2 on, where a dog has two', () => {
    expect(open([mat('armpit_left', 3), mat('groin_right', 2), mat('side_left', 1), mat('tail', 3)])).toEqual([
      'armpit_right',
      'groin_left',
    ]);
  });
  it('is not asked for once a hand was there, on the place or on its stretch', () => {
    expect(open([mat('armpit_left', 3), mat('armpit_right', 1)])).toEqual([]);
    expect(open([mat('armpit_left', 3)], ['forelegs'])).toEqual([]);
    expect(open([mat('armpit_left', 3)], ['ears'])).toEqual(['armpit_right']);
  });
});
