import fc from 'fast-check';
import { type FeelOver, NOTHING_FOUND, type ZoneFinding } from '../../findings/index.js';
import { sayReason } from '../../testing/english.js';
import {
  COMPETENCES,
  CONTROL_IDS,
  CONTROL_LEVELS,
  DOG_KINDS,
  HAZARD_IDS,
  type HazardId,
  LEARNED_TOOLS,
  MAT_GRADES,
  MOVEMENTS,
  RISK_BANDS,
  SKIN_STATES,
  ZONE_IDS,
} from '../../words/index.js';
import {
  assessHazard,
  baseRate,
  CONTROLS,
  controlsOn,
  factorsOn,
  HAZARD_FACTORS,
  hazardRegister,
  hazardsByPlace,
  HAZARDS,
  type HazardWork,
  isPossible,
  LEFT_AFTER,
  likelihoodClass,
  riskBand,
  riskScore,
  shareLeft,
  VET_ONLY,
  vetOnly,
} from './index.js';

const work = (change: Partial<HazardWork> = {}): HazardWork => ({
  zone: 'back',
  tool: 'clipper',
  minutes: 10,
  matGrade: 0,
  skin: 'sound',
  markHere: false,
  movement: 'still',
  competence: 'groomer',
  kinds: [],
  painful: false,
  triggered: false,
  roomCelsius: 20,
  ...change,
});
const per1000 = (hazard: HazardId, change: Partial<HazardWork>): number | undefined =>
  assessHazard(hazard, { work: work(change), controls: [] }, [])?.before;

describe('assessHazard', () => {
  it('has the chance of today from rate and minutes, and says why', () => {
    const row = assessHazard('nick', { work: work(), controls: [] }, []);
    expect(row?.chanceToday).toBeCloseTo(1 - Math.exp((-(row?.after ?? 0) * 10) / 1000), 12);
    expect(row?.chanceToday).toBeGreaterThan(0);
    expect(row?.reasons.length).toBeGreaterThan(0);
  });
});

// Common practice, no source: what can happen where.
describe('isPossible', () => {
  const FACTS: readonly (readonly [string, HazardId, (typeof ZONE_IDS)[number], (typeof LEARNED_TOOLS)[number], boolean])[] = [
    ['a quick is cut on nails', 'quicked_nail', 'fore_nails_left', 'nail_tool', true],
    ['and at a dewclaw', 'quicked_nail', 'dewclaw_left', 'nail_tool', true],
    ['not on a back', 'quicked_nail', 'back', 'nail_tool', false],
    ['nor by shears', 'quicked_nail', 'fore_nails_left', 'shears', false],
    ['an ear’s edge by shears', 'ear_edge_cut', 'ear_leather_left', 'shears', true],
    ['not a tail’s edge', 'ear_edge_cut', 'tail', 'shears', false],
    ['a tongue at the lips', 'tongue_or_lip_cut', 'lips', 'clipper', true],
    ['not at the belly', 'tongue_or_lip_cut', 'belly', 'clipper', false],
    ['an eye by the dryer', 'eye', 'eye_left', 'dryer', true],
    ['not by water’s warmth', 'eye', 'eye_left', 'water', false],
    ['a fold torn by a clipper', 'laceration', 'tuck_up_left', 'clipper', true],
    ['no laceration on a rump without folds', 'laceration', 'rump', 'clipper', false],
    ['overheating at the dryer', 'overheating', 'back', 'dryer', true],
    ['not under the brush', 'overheating', 'back', 'brush', false],
    ['water inhaled in the tub', 'water_inhaled', 'back', 'water', true],
    ['a burn by a clipper', 'clipper_burn', 'back', 'clipper', true],
    ['not by shears', 'clipper_burn', 'back', 'shears', false],
    ['a brush burn by a brush', 'brush_burn', 'back', 'brush', true],
    ['a strained hock', 'joint_or_muscle_strain', 'hock_left', 'clipper', true],
    ['a fall with any tool', 'fall_or_jump', 'back', 'hands', true],
    ['a bite with any tool', 'bite_or_scratch_person', 'belly', 'water', true],
    ['no loop in the tub', 'loop', 'back', 'water', false],
  ];
  for (const [name, hazard, zone, tool, possible] of FACTS) it(name, () => expect(isPossible(hazard, zone, tool)).toBe(possible));
});

describe('factors', () => {
  it('raise what they are about and nothing else', () => {
    expect(per1000('nick', {})).toBeCloseTo(0.8, 12);
    expect(per1000('nick', { matGrade: 3 })).toBeCloseTo(2, 12);
    expect(per1000('nick', { matGrade: 2 })).toBeCloseTo(1.2, 12);
    expect(per1000('nick', { skin: 'red' })).toBeCloseTo(1.6, 12);
    expect(per1000('nick', { markHere: true })).toBeCloseTo(1.6, 12);
    expect(per1000('nick', { kinds: ['thin_skin'] })).toBeCloseTo(1.44, 12);
    expect(per1000('nick', { movement: 'jerks' })).toBeCloseTo(2.4, 12);
    expect(per1000('nick', { movement: 'shifts' })).toBeCloseTo(1.2, 12);
    expect(per1000('nick', { competence: 'learning' })).toBeCloseTo(1.6, 12);
    expect(per1000('nick', { zone: 'armpit_left' })).toBeCloseTo(0.8 * 1.5 * 1.6, 12);
    expect(per1000('nick', { painful: true, triggered: true, roomCelsius: 30 })).toBeCloseTo(0.8, 12);
  });
  it('know joints, age, noses, rooms, bites, triggers and weight', () => {
    const at = (hazard: HazardId, change: Partial<HazardWork>, factor: number): void => {
      const plain = { zone: change.zone ?? 'hock_left', tool: change.tool ?? 'clipper' } as const;
      expect(per1000(hazard, { ...plain, ...change })! / per1000(hazard, plain)!)
        .withContext(`${hazard} ${JSON.stringify(change)}`)
        .toBeCloseTo(factor, 9);
    };
    at('joint_or_muscle_strain', { kinds: ['sore_joints'] }, 2.5);
    at('joint_or_muscle_strain', { kinds: ['senior'] }, 1.5);
    at('joint_or_muscle_strain', { kinds: ['needs_two'] }, 1.5);
    at('fall_or_jump', { kinds: ['puppy'] }, 1.5);
    at('fall_or_jump', { painful: true }, 2.5);
    at('overheating', { tool: 'dryer', kinds: ['short_nose'] }, 4);
    at('overheating', { tool: 'dryer', roomCelsius: 22 }, 2);
    at('overheating', { tool: 'dryer', roomCelsius: 21.9 }, 1);
    at('bite_or_scratch_person', { kinds: ['bite_history'] }, 4);
    at('bite_or_scratch_person', { triggered: true }, 2);
    at('bite_or_scratch_person', { kinds: ['first_visit'] }, 1.5);
    at('ear_haematoma', { zone: 'ear_leather_left', matGrade: 3 }, 6);
    at('quicked_nail', { zone: 'fore_nails_left', tool: 'nail_tool', movement: 'jerks' }, 3);
  });
  it('are never below one, so that a worse finding never lowers a risk', () => {
    for (const f of HAZARD_FACTORS) expect(f.factor).withContext(f.rule).toBeGreaterThan(1);
    fc.assert(
      fc.property(
        fc.constantFrom(...HAZARD_IDS),
        fc.constantFrom(...ZONE_IDS),
        fc.constantFrom(...LEARNED_TOOLS),
        fc.constantFrom(...SKIN_STATES),
        fc.constantFrom(...MOVEMENTS),
        fc.constantFrom(...COMPETENCES),
        fc.subarray([...DOG_KINDS]),
        fc.constantFrom(...MAT_GRADES),
        (hazard, zone, tool, skin, movement, competence, kinds, matGrade) => {
          const w = work({ zone, tool, skin, movement, competence, kinds, matGrade });
          const now = assessHazard(hazard, { work: w, controls: [] }, []);
          if (!now) return;
          for (const worse of [
            { ...w, movement: 'jerks' as const },
            { ...w, markHere: true },
            { ...w, kinds: [...kinds, 'thin_skin' as const] },
            { ...w, skin: 'sore' as const },
            { ...w, painful: true },
            { ...w, matGrade: Math.min(4, matGrade + 1) as typeof matGrade },
          ])
            expect(assessHazard(hazard, { work: worse, controls: [] }, [])!.before).toBeGreaterThanOrEqual(now.before - 1e-12);
          for (const r of now.reasons) expect(sayReason(r)).not.toContain('…');
        },
      ),
      { numRuns: 500 },
    );
  });
  it('carry their factor and place in the reason', () => {
    const [f] = factorsOn('nick', work({ zone: 'side_left', matGrade: 3 }));
    expect(f!.because.facts).toEqual({ zone: 'side_left', factor: 2.5 });
  });
});

// NIOSH hierarchy of controls, from memory: elimination > substitution > engineering > administrative > protective equipment.
describe('controls', () => {
  it('leave less the higher they stand in the hierarchy', () => {
    expect(CONTROL_LEVELS).toEqual(['eliminate', 'substitute', 'engineer', 'administer', 'protect']);
    const left = CONTROL_LEVELS.map((l) => LEFT_AFTER[l]);
    for (let i = 1; i < left.length; i++) expect(left[i]!).toBeGreaterThan(left[i - 1]!);
    expect(left[0]).toBe(0);
    expect(left[4]).toBeLessThan(1);
  });
  it('multiply, act only on their own hazards, and come in the order of the hierarchy', () => {
    expect(shareLeft('quicked_nail', ['gauze_ready', 'grinder'])).toBeCloseTo(0.35 * 0.85, 12);
    expect(shareLeft('quicked_nail', ['muzzle'])).toBe(1);
    expect(shareLeft('nick', ['leave_out', 'finger_first'])).toBe(0);
    expect(controlsOn('fall_or_jump', ['helper', 'lies_down', 'breaks', 'grinder']).map((c) => c.control)).toEqual([
      'lies_down',
      'breaks',
      'helper',
    ]);
    expect(controlsOn('nick', ['finger_first', 'close_teeth'])[0]!.because.rule).toBe('control.close_teeth');
  });
  it('are there for every hazard, and each acts on one', () => {
    for (const h of HAZARD_IDS.filter((x) => x !== 'loop')) expect(controlsOn(h, CONTROL_IDS).length).withContext(h).toBeGreaterThan(0);
    for (const c of CONTROL_IDS) expect(CONTROLS[c].hazards.length).withContext(c).toBeGreaterThan(0);
  });
});

// IEC 31010 fixes no bands; these are the published ones of NPSA 2008 (from memory). Cox 2008, Risk Analysis 28:497–512: monotone in both axes.
describe('the 5 × 5 grid', () => {
  it('has the published bands', () => {
    expect([1, 2, 3, 4, 5, 6, 8, 9, 10, 12, 15, 16, 20, 25].map(riskBand)).toEqual([
      'low',
      'low',
      'low',
      'moderate',
      'moderate',
      'moderate',
      'high',
      'high',
      'high',
      'high',
      'extreme',
      'extreme',
      'extreme',
      'extreme',
    ]);
  });
  it('is monotone in both axes, and no low cell touches a high one', () => {
    const band = (l: number, s: number): number => RISK_BANDS.indexOf(riskBand(riskScore(l, s)));
    for (let l = 1; l <= 5; l++)
      for (let s = 1; s <= 5; s++) {
        if (l < 5) expect(band(l + 1, s)).toBeGreaterThanOrEqual(band(l, s));
        if (s < 5) expect(band(l, s + 1)).toBeGreaterThanOrEqual(band(l, s));
        if (l < 5 && band(l, s) === 0) expect(band(l + 1, s)).toBeLessThan(2);
        if (s < 5 && band(l, s) === 0) expect(band(l, s + 1)).toBeLessThan(2);
      }
  });
  it('puts rates into classes at its edges', () => {
    expect([0, 0.049, 0.05, 0.49, 0.5, 1.9, 2, 7.9, 8, 500].map(likelihoodClass)).toEqual([1, 1, 2, 2, 3, 3, 4, 4, 5, 5]);
    expect(() => likelihoodClass(-1)).toThrowError(RangeError);
  });
});

describe('baseRate', () => {
  it('is our default until the salon has counted, and says so', () => {
    const r = baseRate('nick', 'clipper', []);
    expect(r.per1000Minutes).toBeCloseTo(0.8, 12);
    expect([r.minutesSeen, r.reasons[0]!.rule]).toEqual([0, 'hazard.default_rate']);
    expect(r.interval90[0]).toBeLessThan(0.8);
    expect(r.interval90[1]).toBeGreaterThan(0.8);
  });
  it('learns from exposure and incidents: 1 + 9 in 1,250 + 8,750 min is 1 per 1,000', () => {
    const r = baseRate('nick', 'clipper', [
      { hazard: 'nick', tool: 'clipper', minutes: 5000, incidents: 4 },
      { hazard: 'nick', tool: 'clipper', minutes: 3750, incidents: 5 },
      { hazard: 'nick', tool: 'shears', minutes: 9000, incidents: 90 },
      { hazard: 'eye', tool: 'clipper', minutes: 9000, incidents: 90 },
    ]);
    expect(r.per1000Minutes).toBeCloseTo(1, 12);
    expect(r.minutesSeen).toBe(8750);
    expect(r.reasons[0]!.rule).toBe('hazard.learned');
    expect(r.interval90[1] - r.interval90[0]).toBeLessThan(2);
  });
});

describe('hazardRegister', () => {
  it('shows each hazard once, where it is likeliest, before and after controls', () => {
    const rows = hazardRegister([
      { work: work({ zone: 'armpit_left', matGrade: 3, minutes: 20 }), controls: ['close_teeth', 'finger_first'] },
      { work: work({ minutes: 20 }), controls: [] },
    ]);
    const nick = rows.find((r) => r.hazard === 'nick')!;
    expect(nick.zone).toBe('armpit_left');
    expect(nick.before).toBeCloseTo(0.8 * 2.5 * 1.5 * 1.6, 9);
    expect(nick.after).toBeCloseTo(nick.before * 0.35 * 0.7, 9);
    expect(nick.chanceToday).toBeCloseTo(1 - Math.exp(-(nick.after * 20 + 0.8 * 20) / 1000), 9);
    expect(nick.scoreBefore).toBe(likelihoodClass(nick.before) * HAZARDS.nick.severity);
    expect([nick.bandBefore, nick.bandAfter]).toEqual([riskBand(nick.scoreBefore), riskBand(nick.scoreAfter)]);
    expect(new Set(rows.map((r) => r.hazard)).size).toBe(rows.length);
    expect(rows.find((r) => r.hazard === 'water_inhaled')).toBeUndefined();
  });
  it('puts the worst first', () => {
    const rows = hazardRegister([
      { work: work({ zone: 'ear_leather_left', matGrade: 4, kinds: ['bite_history'], painful: true }), controls: [] },
    ]);
    for (let i = 1; i < rows.length; i++) expect(rows[i]!.scoreAfter).toBeLessThanOrEqual(rows[i - 1]!.scoreAfter);
  });
  it('is empty for no work', () => expect(hazardRegister([])).toEqual([]));
});

describe('hazardsByPlace', () => {
  it('tells of every place by itself, each hazard once there', () => {
    const rows = hazardsByPlace([
      { work: work({ zone: 'armpit_left', matGrade: 3, minutes: 20 }), controls: ['finger_first'] },
      { work: work({ zone: 'back', minutes: 5 }), controls: [] },
      { work: work({ zone: 'back', minutes: 5, painful: true }), controls: [] },
    ]);
    const at = (zone: string): string[] => rows.filter((r) => r.zone === zone).map((r) => r.hazard);
    expect(at('armpit_left')).toContain('nick');
    expect(at('back')).toContain('nick');
    for (const zone of ['armpit_left', 'back']) expect(new Set(at(zone)).size).toBe(at(zone).length);
    const nick = rows.find((r) => r.zone === 'back' && r.hazard === 'nick')!;
    expect(nick.chanceToday).toBeCloseTo(1 - Math.exp((-nick.after * 10) / 1000), 9);
  });
});

// Common practice, no source; hard rules.
describe('vetOnly', () => {
  const finding = (change: Partial<ZoneFinding>): ZoneFinding => ({ zone: 'back', matGrade: 0, skin: 'sound', crust: false, ...change });
  const ask = (
    zones: readonly ZoneFinding[],
    more: Partial<FeelOver> = {},
    dog = { sex: 'female' as 'female' | 'male', neutered: false },
  ): string[] => vetOnly({ dog, feelOver: { ...NOTHING_FOUND, zones, ...more }, strangled: [] }).map((v) => v.because.rule);
  it('takes sore skin anywhere', () => expect(ask([finding({ skin: 'sore' })])).toEqual(['vet.sore_skin']));
  it('takes tight mats round the testicles, of an intact male', () => {
    const z = [finding({ zone: 'sanitary', matGrade: 3 })];
    expect(ask(z, {}, { sex: 'male', neutered: false })).toEqual(['vet.testicles']);
    expect(ask(z, {}, { sex: 'male', neutered: true })).toEqual([]);
    expect(ask(z)).toEqual([]);
    expect(ask([finding({ zone: 'sanitary', matGrade: 2 })], {}, { sex: 'male', neutered: false })).toEqual([]);
  });
  it('takes a matted or red ear canal, a sore eye, weeping skin under the tail', () => {
    expect(ask([finding({ zone: 'ear_canal_left', matGrade: 3 })])).toEqual(['vet.ear_canal']);
    expect(ask([finding({ zone: 'ear_canal_left', skin: 'red' })])).toEqual(['vet.ear_canal']);
    expect(ask([finding({ zone: 'ear_canal_left', matGrade: 2 })])).toEqual([]);
    expect(ask([finding({ zone: 'eye_left', skin: 'sore' })])).toEqual(['vet.eye']);
    expect(ask([finding({ zone: 'anus', skin: 'sore' })])).toEqual(['vet.weeping_under_tail']);
    expect(ask([finding({ zone: 'eye_left', skin: 'red' }), finding({ zone: 'anus', skin: 'red' })])).toEqual([]);
  });
  it('takes a mat that strangles, felt or only told', () => {
    const q = { dog: { sex: 'female' as const, neutered: true }, strangled: ['hock_left' as const] };
    expect(
      vetOnly({ ...q, feelOver: { ...NOTHING_FOUND, zones: [finding({ zone: 'hock_left', matGrade: 1 })] } }).map((v) => v.zone),
    ).toEqual(['hock_left']);
    const told = vetOnly({ ...q, feelOver: NOTHING_FOUND });
    expect(told.map((v) => [v.because.rule, v.because.facts])).toEqual([['vet.strangled', { zone: 'hock_left' }]]);
  });
  it('takes a mark beside the anus, and one at an eye that is not smooth', () => {
    const mark = (zone: 'anus' | 'eye_left' | 'back', surface: 'smooth' | 'oozing') => ({
      markId: 'm',
      zone,
      lengthMm: 4,
      widthMm: 4,
      border: 'regular' as const,
      surface,
      isNew: true,
    });
    expect(ask([], { marks: [mark('anus', 'smooth')] })).toEqual(['vet.mark_there']);
    expect(ask([], { marks: [mark('eye_left', 'oozing')] })).toEqual(['vet.mark_there']);
    expect(ask([], { marks: [mark('eye_left', 'smooth'), mark('back', 'oozing')] })).toEqual([]);
  });
  it('has a test for each of its rules', () => expect(VET_ONLY.length).toBe(6));
});
