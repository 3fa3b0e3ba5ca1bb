import fc from 'fast-check';
import { sayReason } from '../../testing/english.js';
import { anyToolQuestion, aToolQuestion } from '../../testing/tool-questions.js';
import { BRUSHES, type RuleId, SHEARS, TOOL_KINDS, ZONE_IDS } from '../../words/index.js';
import { permittedTools, zoneFacts } from '../anatomy/index.js';
import { houseRules } from '../house-rules/index.js';
import { askTool, askTools, chooseDryer, TOOL_BANS, type ToolQuestion } from './index.js';

const answer = (change: Partial<ToolQuestion>): RuleId | 'allowed' => {
  const a = askTool(aToolQuestion(change));
  return a.allowed ? 'allowed' : a.reasons[0]!.rule;
};

// Common practice, no source, unless the rule's own source line says otherwise.
describe('askTool', () => {
  const FACTS: readonly (readonly [string, Partial<ToolQuestion>, RuleId | 'allowed'])[] = [
    ['no thinners under the tail', { tool: 'thinners', zone: 'anus' }, 'tool.no_shears_under_tail'],
    ['no shears against the ear leather', { tool: 'blunt_shears', zone: 'ear_leather_left' }, 'tool.no_shears_on_leather'],
    ['no shears behind the ear, where skin lifts', { tool: 'curved_shears', zone: 'ear_base_right' }, 'tool.no_shears_on_leather'],
    ['no splitter in an armpit', { tool: 'mat_splitter', zone: 'armpit_left', matGrade: 2 }, 'tool.no_splitter_in_folds'],
    ['no splitter in an ear', { tool: 'mat_splitter', zone: 'ear_leather_right', matGrade: 2 }, 'tool.no_splitter_in_folds'],
    ['no splitter in a groin', { tool: 'mat_splitter', zone: 'groin_left', matGrade: 2 }, 'tool.no_splitter_in_folds'],
    ['no splitter in the tuck-up', { tool: 'mat_splitter', zone: 'tuck_up_right', matGrade: 2 }, 'tool.no_splitter_in_folds'],
    ['a splitter on an open mat of the side', { tool: 'mat_splitter', zone: 'side_left', matGrade: 2 }, 'allowed'],
    ['no splitter in a tight mat', { tool: 'mat_splitter', zone: 'side_left', matGrade: 3 }, 'tool.splitter_for_open_mats'],
    ['no splitter where there is no mat', { tool: 'mat_splitter', zone: 'side_left', matGrade: 1 }, 'tool.splitter_for_open_mats'],
    ['air never at a face', { tool: 'high_velocity_dryer', zone: 'cheek_left' }, 'tool.never_blow_a_face'],
    ['air never into an ear', { tool: 'high_velocity_dryer', zone: 'ear_canal_left' }, 'tool.never_blow_a_face'],
    ['no points at an eye', { tool: 'straight_shears', zone: 'eye_left' }, 'tool.no_points_at_eye'],
    ['blunt tips at an eye', { tool: 'blunt_shears', zone: 'eye_left' }, 'allowed'],
    ['thinners at an eye', { tool: 'thinners', zone: 'stop' }, 'allowed'],
    ['a tight mat is never brushed', { tool: 'slicker', matGrade: 3 }, 'tool.no_brushing_tight_mats'],
    ['a pelt is never combed', { tool: 'wide_comb', matGrade: 4 }, 'tool.no_brushing_tight_mats'],
    ['tangles are brushed', { tool: 'slicker', matGrade: 1 }, 'allowed'],
    ['shears only where the fine teeth pass', { tool: 'straight_shears', matGrade: 1 }, 'tool.shears_fine_teeth'],
    ['blunt tips split an open mat', { tool: 'blunt_shears', matGrade: 2 }, 'allowed'],
    ['blunt tips do not cut a tight mat', { tool: 'blunt_shears', matGrade: 3 }, 'tool.shears_fine_teeth'],
    ['red skin is not brushed', { tool: 'slicker', skin: 'red' }, 'tool.red_skin'],
    ['sore skin is a vet’s', { tool: 'fine_comb', skin: 'sore' }, 'tool.sore_skin'],
    ['a sore ear is not cleaned more', { tool: 'cotton', zone: 'ear_canal_left', skin: 'red' }, 'tool.ear_not_sound'],
    ['a sound ear is cleaned', { tool: 'cotton', zone: 'ear_canal_left' }, 'allowed'],
    ['no cotton on a back', { tool: 'cotton' }, 'tool.not_in_this_zone'],
    ['ear hair stays by default', { tool: 'forceps', zone: 'ear_canal_left' }, 'tool.pluck_house_leaves'],
    [
      'ear hair is plucked in a house that does',
      { tool: 'forceps', zone: 'ear_canal_left', house: houseRules({ earHair: 'pluck' }) },
      'allowed',
    ],
    [
      'where only a vet may ask, nobody plucks without',
      { tool: 'forceps', zone: 'ear_canal_left', house: houseRules({ earHair: 'vet_asked' }) },
      'tool.pluck_house_leaves',
    ],
    [
      'where only a vet may ask, a vet’s word is enough',
      { tool: 'forceps', zone: 'ear_canal_left', house: houseRules({ earHair: 'vet_asked' }), vetAskedForPlucking: true },
      'allowed',
    ],
    ['a rake is for double coats', { tool: 'rake', coat: 'curly' }, 'tool.rake_double_coats'],
    ['a double coat is raked', { tool: 'rake', coat: 'double' }, 'allowed'],
    ['thin skin is not raked', { tool: 'rake', coat: 'double', kinds: ['thin_skin'] }, 'tool.rake_thin_skin'],
    ['no points over a mark', { tool: 'curved_shears', markHere: true }, 'tool.mark_round_it'],
    ['a jerking dog meets no shears in the face', { tool: 'thinners', zone: 'cheek_left', movement: 'jerks' }, 'tool.jerks_no_shears'],
    [
      'a shifting dog meets no points in the face',
      { tool: 'curved_shears', zone: 'cheek_left', movement: 'shifts' },
      'tool.shifts_no_points',
    ],
    ['a shifting dog still gets thinners', { tool: 'thinners', zone: 'cheek_left', movement: 'shifts' }, 'allowed'],
    ['a jerking dog’s back can be shorn', { tool: 'curved_shears', zone: 'back', movement: 'jerks' }, 'allowed'],
    [
      'learning hands hold no points in a face',
      { tool: 'straight_shears', zone: 'chin', competence: 'learning' },
      'tool.learning_no_points',
    ],
    ['nails with a clipper', { tool: 'nail_clipper', zone: 'fore_nails_left' }, 'allowed'],
    ['no nail clipper on a side', { tool: 'nail_clipper', zone: 'side_left' }, 'tool.not_in_this_zone'],
    [
      'with blood thinners a grinder',
      { tool: 'nail_clipper', zone: 'hind_nails_right', conditions: ['blood_thinner'] },
      'tool.blood_thinner_grinder',
    ],
    ['no high velocity for a senior', { tool: 'high_velocity_dryer', kinds: ['senior'] }, 'tool.velocity_senior'],
    ['no high velocity at 15 weeks', { tool: 'high_velocity_dryer', ageWeeks: 15 }, 'tool.velocity_puppy'],
    ['high velocity at 16 weeks', { tool: 'high_velocity_dryer', ageWeeks: 16 }, 'allowed'],
    ['no high velocity with fits', { tool: 'high_velocity_dryer', conditions: ['fits'] }, 'tool.velocity_breath'],
    ['no high velocity for a short nose', { tool: 'high_velocity_dryer', kinds: ['short_nose'] }, 'tool.velocity_breath'],
    ['no high velocity on tight mats', { tool: 'high_velocity_dryer', matGrade: 3 }, 'tool.velocity_tight_mats'],
    ['no high velocity for one that minds it', { tool: 'high_velocity_dryer', minds: ['dryer'] }, 'tool.velocity_minded'],
    ['high velocity on a sound grown dog', { tool: 'high_velocity_dryer' }, 'allowed'],
    ['no clipper on the nose leather', { tool: 'clipper', zone: 'nose' }, 'tool.not_in_this_zone'],
  ];
  for (const [name, change, expected] of FACTS) it(name, () => expect(answer(change)).toBe(expected));

  it('says how a permitted tool is used: first what weighs most', () => {
    const how = (change: Partial<ToolQuestion>): string[] => askTool(aToolQuestion(change)).reasons.map((r) => r.rule);
    expect(how({ tool: 'blunt_shears', zone: 'eye_left' })[0]).toBe('tool.how_eye');
    expect(how({ tool: 'curved_shears', zone: 'fore_paw_left' })[0]).toBe('tool.how_shears_pads');
    expect(how({ tool: 'blunt_shears', matGrade: 2 })[0]).toBe('tool.how_split');
    expect(how({ tool: 'curved_shears', zone: 'lips' })).toContain('tool.how_fold');
    expect(how({ tool: 'stand_dryer', kinds: ['short_nose'] })[0]).toBe('tool.how_cool_air');
    expect(how({ tool: 'grinder', zone: 'fore_nails_left', kinds: ['puppy'] })).toContain('tool.how_let_it_hear');
    expect(how({ tool: 'nail_clipper', zone: 'fore_nails_left', kinds: ['puppy'] })).not.toContain('tool.how_let_it_hear');
    expect(how({ tool: 'mat_splitter', zone: 'side_left', matGrade: 2 })).toContain('tool.how_splitter');
    expect(how({ tool: 'rake', coat: 'double' })).toContain('tool.how_brush');
    expect(how({ tool: 'fine_comb' })).toContain('tool.how_comb');
    expect(how({ tool: 'towel' })).toContain('tool.how_towel');
    expect(how({ tool: 'clipper' })).toContain('tool.how_clipper');
    expect(how({ tool: 'high_velocity_dryer' })).toContain('tool.how_velocity');
    expect(how({ tool: 'cotton', zone: 'ear_canal_left' })).toContain('tool.how_cotton');
    expect(how({ tool: 'forceps', zone: 'ear_canal_left', house: houseRules({ earHair: 'pluck' }) })).toContain('tool.how_forceps');
  });

  it('always answers with a whole sentence', () => {
    fc.assert(
      fc.property(anyToolQuestion, (q) => {
        const a = askTool(q);
        expect(a.reasons.length).toBeGreaterThan(0);
        for (const r of a.reasons) expect(sayReason(r)).not.toContain('…');
      }),
      { numRuns: 400 },
    );
  });

  it('never unlocks a tool when a finding gets worse', () => {
    fc.assert(
      fc.property(anyToolQuestion, (q) => {
        if (askTool(q).allowed) return;
        const worse: ToolQuestion[] = [
          { ...q, skin: q.skin === 'sound' ? 'red' : 'sore' },
          { ...q, markHere: true },
          { ...q, movement: q.movement === 'still' ? 'shifts' : 'jerks' },
          { ...q, competence: 'learning' },
          { ...q, kinds: [...q.kinds, 'senior', 'thin_skin', 'short_nose'] },
          { ...q, conditions: [...q.conditions, 'blood_thinner', 'heart', 'ear_trouble'] },
          { ...q, minds: [...q.minds, 'dryer'] },
        ];
        // An open mat is what a splitter and blunt tips are for: there worse is not "more banned", only above grade 2.
        if (q.matGrade >= 2) worse.push({ ...q, matGrade: q.matGrade === 2 ? 3 : 4 });
        for (const w of worse)
          expect(askTool(w).allowed)
            .withContext(`${q.tool} on ${q.zone}: ${JSON.stringify(w)}`)
            .toBeFalse();
      }),
      { numRuns: 600 },
    );
  });

  it('leaves every zone of a sound dog some tool or an explicit refusal for each', () => {
    for (const zone of ZONE_IDS) {
      const answers = askTools(aToolQuestion({ zone }));
      expect(answers.length).toBe(TOOL_KINDS.length);
      expect(answers.some((a) => a.allowed))
        .withContext(zone)
        .toBeTrue();
    }
  });

  it('has no rule that can never speak', () => {
    const seen = new Set<string>();
    const gather = (q: ToolQuestion): unknown => askTools(q).map((a) => (a.allowed ? 0 : seen.add(a.reasons[0]!.rule)));
    fc.assert(
      fc.property(anyToolQuestion, (q) => {
        gather(q);
      }),
      { numRuns: 1500 },
    );
    expect(TOOL_BANS.filter((b) => !seen.has(b.rule)).map((b) => b.rule)).toEqual([]);
  });

  it('agrees with the zone: what is forbidden there is never allowed, and noShears means none', () => {
    for (const zone of ZONE_IDS) {
      const allowed = askTools(aToolQuestion({ zone, coat: 'double', matGrade: 2, house: houseRules({ earHair: 'pluck' }) }))
        .filter((a) => a.allowed)
        .map((a) => a.tool);
      for (const tool of allowed) expect(permittedTools(zone)).withContext(zone).toContain(tool);
      if (zoneFacts(zone).noShears) expect(allowed.filter((t) => SHEARS.includes(t))).toEqual([]);
    }
  });

  it('brushes nothing tight anywhere, whoever asks (floor)', () => {
    for (const zone of ZONE_IDS)
      for (const tool of BRUSHES)
        for (const matGrade of [3, 4] as const)
          expect(askTool(aToolQuestion({ zone, tool, matGrade, competence: 'close_work', coat: 'double' })).allowed).toBeFalse();
  });
});

describe('chooseDryer', () => {
  it('takes high velocity for a grown dog that bears it', () => {
    const c = chooseDryer(aToolQuestion());
    expect([c.dryer, c.air, c.minutesFactor]).toEqual(['high_velocity_dryer', 'warm', 1]);
  });
  it('takes a stand dryer for a senior, and says why', () => {
    const c = chooseDryer(aToolQuestion({ kinds: ['senior'] }));
    expect([c.dryer, c.minutesFactor]).toEqual(['stand_dryer', 1.3]);
    expect(c.rejected.map((r) => r.because.rule)).toEqual(['tool.velocity_senior']);
  });
  it('goes by the dog: a first visit begins with a stand dryer, in a house of high velocity it does not', () => {
    const first = aToolQuestion({ kinds: ['first_visit'] });
    expect(chooseDryer(first).dryer).toBe('stand_dryer');
    expect(chooseDryer(first).rejected[0]!.because.rule).toBe('tool.velocity_not_yet');
    expect(chooseDryer({ ...first, house: houseRules({ dryer: 'high_velocity' }) }).dryer).toBe('high_velocity_dryer');
  });
  it('gives a short nose or a sick heart cool air only', () => {
    expect(chooseDryer(aToolQuestion({ kinds: ['short_nose'] })).air).toBe('cool');
    expect(chooseDryer(aToolQuestion({ conditions: ['heart'] })).air).toBe('cool');
    expect(chooseDryer(aToolQuestion({ conditions: ['airway'] })).air).toBe('cool');
  });
  it('dries a dog that fights any dryer with towels', () => {
    const c = chooseDryer(aToolQuestion({ minds: ['dryer'], movement: 'jerks' }));
    expect([c.dryer, c.air, c.minutesFactor]).toEqual(['towel', 'none', 1.8]);
    expect(chooseDryer(aToolQuestion({ minds: ['dryer'] })).dryer).toBe('stand_dryer');
    expect(chooseDryer(aToolQuestion({ minds: ['dryer'], ageWeeks: 11 })).dryer).toBe('towel');
    expect(chooseDryer(aToolQuestion({ minds: ['dryer'], ageWeeks: 12 })).dryer).toBe('stand_dryer');
  });
});
