import { ENGLISH } from '../../locales/en/index.js';
import { aBladeQuestion as ask, bladeOf } from '../../testing/blade-questions.js';
import { sayReason } from '../../testing/english.js';
import { type BladeId, RESISTANCE_CAUSES, type RuleId, ZONE_IDS } from '../../words/index.js';
import { partOf, zoneFacts } from '../anatomy/index.js';
import { houseRules } from '../house-rules/index.js';
import {
  advisePasses,
  answerResistance,
  banOn,
  type Blade,
  BLADE_BANS,
  type BladeQuestion,
  BLADES,
  chooseBlade,
  familyOf,
  isSkip,
  likelyCauses,
  mayGoAgainst,
  PASSES_ON_ONE_PLACE,
} from './index.js';

const ban = (id: BladeId, change: Partial<BladeQuestion>): RuleId | 'allowed' => banOn(bladeOf(id), ask(change))?.rule ?? 'allowed';

// Common practice, no source.
describe('what keeps a blade away', () => {
  const FACTS: readonly (readonly [string, BladeId, Partial<BladeQuestion>, RuleId | 'allowed'])[] = [
    ['#50 is for nobody', '50', { zone: 'fore_paw_left', competence: 'close_work', matGrade: 4 }, 'blade.surgical'],
    ['a bare #30 is banned on a belly', '30', { zone: 'belly', competence: 'close_work' }, 'blade.bare_close_nicks'],
    ['a bare #40 is banned at an eye', '40', { zone: 'eye_left', competence: 'close_work' }, 'blade.bare_close_nicks'],
    ['a bare #30 is banned on a back', '30', { competence: 'close_work' }, 'blade.bare_close_nicks'],
    ['#30 on pads is for the trained', '30', { zone: 'fore_paw_left', matGrade: 3 }, 'blade.untrained'],
    [
      '#30 goes to a tight mat between pads in trained hands',
      '30',
      { zone: 'fore_paw_left', matGrade: 3, competence: 'close_work' },
      'allowed',
    ],
    ['pads start at #10', '30', { zone: 'fore_paw_left', competence: 'close_work' }, 'blade.pads_start_at_10'],
    [
      'a house may start pads at #30 in trained hands',
      '30',
      { zone: 'hind_paw_left', competence: 'close_work', house: houseRules({ pads: 'close_when_trained' }) },
      'allowed',
    ],
    [
      'not even there on a dog that shifts',
      '30',
      { zone: 'hind_paw_left', competence: 'close_work', movement: 'shifts', house: houseRules({ pads: 'close_when_trained' }) },
      'blade.jerks_not_close',
    ],
    [
      'nor over a mark',
      '30',
      { zone: 'hind_paw_left', competence: 'close_work', markHere: true, house: houseRules({ pads: 'close_when_trained' }) },
      'blade.pads_mark',
    ],
    ['#7F does not scoop between pads', '7F', { zone: 'fore_paw_left' }, 'blade.too_long_between_pads'],
    ['#7 never in an armpit', '7', { zone: 'armpit_left' }, 'blade.loose_skin_close_teeth'],
    ['#7F never in a groin', '7F', { zone: 'groin_left' }, 'blade.loose_skin_close_teeth'],
    ['#7 never at sanitary places', '7', { zone: 'sanitary' }, 'blade.loose_skin_close_teeth'],
    ['#7F never on ears', '7F', { zone: 'ear_leather_left' }, 'blade.loose_skin_close_teeth'],
    ['#7 never in the tuck-up', '7', { zone: 'tuck_up_left' }, 'blade.loose_skin_close_teeth'],
    ['#5F not under the tail either', '5F', { zone: 'anus' }, 'blade.loose_skin_close_teeth'],
    ['#10 in an armpit', '10', { zone: 'armpit_left' }, 'allowed'],
    ['#15 in a groin', '15', { zone: 'groin_left' }, 'allowed'],
    ['#7F not through a tight mat', '7F', { matGrade: 3 }, 'blade.not_under_tight_mat'],
    ['#9 not under a pelt', '9', { matGrade: 4 }, 'blade.not_under_tight_mat'],
    ['#10 under a tight mat', '10', { matGrade: 3 }, 'allowed'],
    ['#5F not under an open mat', '5F', { matGrade: 2 }, 'blade.not_under_mat'],
    ['skip teeth not under an open mat', '7', { matGrade: 2 }, 'blade.not_under_mat'],
    ['#7F under an open mat of known skin', '7F', { matGrade: 2 }, 'allowed'],
    ['skip teeth not on red skin', '5', { skin: 'red' }, 'blade.skip_on_fragile_skin'],
    ['skip teeth not on thin skin', '4', { thinSkin: true }, 'blade.skip_on_fragile_skin'],
    ['skip teeth not over a mark', '7', { markHere: true }, 'blade.skip_on_fragile_skin'],
    ['skip teeth not on unknown skin', '5', { skinKnown: false }, 'blade.skip_on_fragile_skin'],
    ['skip teeth on a sound, known back', '5', {}, 'allowed'],
    ['#7F not on thin skin', '7F', { thinSkin: true }, 'blade.seven_on_thin_skin'],
    ['#7F not on unknown skin', '7F', { skinKnown: false }, 'blade.seven_on_unknown_skin'],
    ['#5F is the safer one there', '5F', { skinKnown: false }, 'allowed'],
    ['#7F not on a dog that jerks', '7F', { movement: 'jerks' }, 'blade.seven_jerks'],
    ['#15 not on red skin', '15', { skin: 'red' }, 'blade.red_skin_longer'],
    ['#10 on red skin', '10', { skin: 'red' }, 'allowed'],
    ['#15 not on an overgrown or once burned face', '15', { zone: 'cheek_left', faceCare: true }, 'blade.face_longer_first'],
    [
      '#30 not where it was burned, not even on pads',
      '30',
      { zone: 'fore_paw_left', burnedHere: true, competence: 'close_work', movement: 'still' },
      'blade.burned_close',
    ],
    ['#15 on a face without that', '15', { zone: 'cheek_left' }, 'allowed'],
    ['#15 not at the eye of thin skin', '15', { zone: 'eye_left', thinSkin: true }, 'blade.eye_longer_first'],
    ['#15 not at the eye of a dog that shifts', '15', { zone: 'stop', movement: 'shifts' }, 'blade.eye_longer_first'],
    ['#15 at the eye of a still dog', '15', { zone: 'eye_left' }, 'allowed'],
    ['#15 not on a senior’s skin', '15', { thinSkin: true }, 'blade.thin_skin_not_15'],
    ['#15 not on a dirty coat', '15', { cleanliness: 'dirty' }, 'blade.dirty_close'],
    ['#15 between dirty pads all the same', '15', { zone: 'fore_paw_left', cleanliness: 'dirty' }, 'allowed'],
  ];
  for (const [name, id, change, expected] of FACTS) it(name, () => expect(ban(id, change)).toBe(expected));

  it('names each rule in the facts above, but for the dull blade', () => {
    const named = new Set(FACTS.map(([, , , rule]) => rule));
    expect(BLADE_BANS.map((b) => b.rule).filter((r) => !named.has(r))).toEqual(['blade.dull']);
  });
});

describe('the drawer as the salon owns it', () => {
  const own = (...blades: readonly Partial<Blade>[]): readonly Blade[] =>
    blades.map((b) => ({ id: '10', tooth: 'full', lengthMm: 1.5, ...b }));

  it('decides by number and teeth, never by the length engraved: a #10 that leaves 1.8 mm is still the safe one', () => {
    const c = chooseBlade(ask({ zone: 'armpit_left', matGrade: 3, drawer: own({ lengthMm: 1.8 }, { id: '9', lengthMm: 1.6 }) }));
    expect([c.blade, c.lengthMm]).toEqual(['10', 1.8]);
  });
  it('takes unknown teeth for skip', () => {
    expect(isSkip({ tooth: 'unknown' })).toBeTrue();
    expect(isSkip({ tooth: 'skip' })).toBeTrue();
    expect(isSkip({ tooth: 'full' })).toBeFalse();
    const c = chooseBlade(ask({ thinSkin: true, drawer: own({ id: '5F', tooth: 'unknown', lengthMm: 6.3 }) }));
    expect(c.blade).toBeUndefined();
    expect(c.rejected[0]!.because.rule).toBe('blade.skip_on_fragile_skin');
  });
  it('never takes a dull one, nor one under a guard: it sits on the #10 then', () => {
    const drawer = own({ id: '5F', lengthMm: 6.3, dull: true }, { id: '10' });
    expect(chooseBlade(ask({ drawer })).blade).toBe('10');
    const guarded = ask({ competence: 'close_work', wantedMm: 13, drawer: own({ id: '30', lengthMm: 0.5, dull: true }, { id: '10' }) });
    expect([chooseBlade(guarded).blade, chooseBlade(guarded).guard?.id]).toEqual(['10', '2']);
    expect(chooseBlade({ ...guarded, drawer: own({ id: '30', lengthMm: 0.5 }, { id: '10' }) }).guard?.lengthMm).toBe(13);
    expect(chooseBlade({ ...guarded, drawer: own({ id: '10', dull: true }) }).guard).toBeUndefined();
  });
  it('says so when nothing in it is safe here', () => {
    const c = chooseBlade(ask({ zone: 'armpit_left', drawer: own({ id: '7F', lengthMm: 3.2 }) }));
    expect([c.blade, c.lengthMm, c.stroke, c.sequence]).toEqual([undefined, 0, 'none', []]);
    expect(c.reasons[0]!.rule).toBe('blade.none_left');
    expect(c.rejected.map((r) => r.because.rule)).toEqual(['blade.loose_skin_close_teeth']);
  });
  it('prefers full teeth between equals', () => {
    const c = chooseBlade(ask({ drawer: own({ id: '5', tooth: 'skip', lengthMm: 6.3 }, { id: '5F', lengthMm: 6.3 }) }));
    expect(c.blade).toBe('5F');
  });
  it('knows the family of each number', () => {
    const families = BLADES.map((b) => [b.id, familyOf(b.id)]);
    expect(families.filter(([, f]) => f === 'close_teeth').map(([id]) => id)).toEqual(['10', '15']);
    expect(families.filter(([, f]) => f === 'cuts_skin').map(([id]) => id)).toEqual(['7F', '7']);
    expect(families.filter(([, f]) => f === 'nicks').map(([id]) => id)).toEqual(['30', '40', '50']);
  });
});

describe('no blade at all', () => {
  it('at an eye of a dog that jerks, on nose leather, in wrinkles and on nails', () => {
    expect(chooseBlade(ask({ zone: 'eye_left', movement: 'jerks' })).reasons[0]!.rule).toBe('blade.eye_jerks');
    for (const zone of ['nose', 'wrinkles', 'fore_nails_left'] as const)
      expect(chooseBlade(ask({ zone })).reasons[0]!.rule).toBe('blade.no_coat_here');
  });
  it('in a tight tuck-up in any but trained hands; in an open one a #10', () => {
    const at = { zone: 'tuck_up_left', matGrade: 3 } as const;
    expect(chooseBlade(ask({ ...at, competence: 'learning' })).reasons[0]!.rule).toBe('blade.tuck_up_leave');
    expect(chooseBlade(ask({ ...at, competence: 'close_work' })).blade).toBe('10');
    expect(chooseBlade(ask({ ...at, matGrade: 2 })).blade).toBe('10');
  });
  it('every zone of a sound dog has a blade or says that none has work there', () => {
    for (const zone of ZONE_IDS) {
      const c = chooseBlade(ask({ zone }));
      const none = ['nose', 'wrinkles', 'fore_nails', 'hind_nails'].includes(partOf(zone));
      expect(c.blade === undefined)
        .withContext(zone)
        .toBe(none);
    }
  });
});

describe('against the grain', () => {
  it('leaves half, on the sound body of a still dog: 0.75 mm is a #10 against', () => {
    const c = chooseBlade(ask({ wantedMm: 0.7 }));
    expect([c.blade, c.direction, c.lengthMm]).toEqual(['10', 'against', 0.75]);
    expect(chooseBlade(ask({ wantedMm: 0.6 })).blade).toBe('15');
    expect(chooseBlade(ask({ wantedMm: 0.8 })).lengthMm).toBe(0.75);
    expect(c.reasons.map((r) => r.rule)).toContain('blade.against_grain');
  });
  it('is never chosen where anything speaks against it', () => {
    for (const change of [
      { skin: 'red' },
      { skinKnown: false },
      { thinSkin: true },
      { markHere: true },
      { matGrade: 1 },
      { cleanliness: 'dirty' },
      { movement: 'shifts' },
      { competence: 'learning' },
      { zone: 'armpit_left' },
      { zone: 'belly' },
    ] as const satisfies readonly Partial<BladeQuestion>[]) {
      expect(mayGoAgainst(ask(change)))
        .withContext(JSON.stringify(change))
        .toBeFalse();
      expect(chooseBlade(ask({ wantedMm: 0.7, ...change })).direction).toBe('with');
    }
    expect(mayGoAgainst(ask())).toBeTrue();
  });
  it('is not a way to a longer cut: 1.6 mm is a #10 with the grain, not a #7F against', () =>
    expect(chooseBlade(ask({ wantedMm: 1.6 })).direction).toBe('with'));
});

describe('how it is clipped', () => {
  it('steps down on a loose coat, straight on a matted one or by the house', () => {
    const house = houseRules({ bodyClip: 'step_down' });
    expect(chooseBlade(ask({ wantedMm: 3.2, house })).sequence).toEqual(['5F', '7F']);
    expect(chooseBlade(ask({ wantedMm: 3.2, house })).reasons.map((r) => r.rule)).toContain('blade.step_down');
    expect(chooseBlade(ask({ wantedMm: 3.2 })).sequence).toEqual(['7F']);
    expect(chooseBlade(ask({ wantedMm: 3.2, house, matGrade: 2 })).sequence).toEqual(['7F']);
    expect(chooseBlade(ask({ wantedMm: 13, house })).sequence).toEqual(['3F']);
    expect(chooseBlade(ask({ wantedMm: 1.5, house, zone: 'armpit_left' })).sequence).toEqual(['10']);
    for (const id of ['4', '5', '7'] as const) expect(chooseBlade(ask({ wantedMm: 3.2, house })).sequence).not.toContain(id);
  });
  it('keeps a double coat that a comb passes at 13 mm or more; a pelted one is clipped', () => {
    const double = ask({ coat: 'double', wantedMm: 3 });
    expect(chooseBlade(double).lengthMm).toBe(13);
    expect(chooseBlade(double).reasons[0]!.rule).toBe('blade.double_coat_raked');
    expect(chooseBlade({ ...double, matGrade: 3 }).blade).toBe('10');
    expect(chooseBlade({ ...double, zone: 'sanitary' }).blade).toBe('10');
    expect(chooseBlade({ ...double, wantedMm: 16, competence: 'close_work' }).lengthMm).toBe(16);
  });
  it('strokes as the zone asks; a little upwards under the tail only by the house, trained, on a still dog', () => {
    const anus = ask({ zone: 'anus' });
    const house = houseRules({ underTail: 'little_up_trained' });
    expect(chooseBlade(anus).stroke).toBe('sideways_and_down');
    expect(chooseBlade({ ...anus, house }).stroke).toBe('sideways_and_down');
    expect(chooseBlade({ ...anus, house, competence: 'close_work' }).stroke).toBe('with_grain');
    for (const change of [{ movement: 'shifts' }, { skin: 'red' }, { matGrade: 2 }] as const)
      expect(chooseBlade({ ...anus, house, competence: 'close_work', ...change }).stroke).toBe('sideways_and_down');
    expect(chooseBlade(ask({ zone: 'tuck_up_left' })).stroke).toBe('inside_out');
  });
  it('says what matters here: unknown, thin or marked skin, a mat, a length that cannot be', () => {
    const rules = (change: Partial<BladeQuestion>): string[] => chooseBlade(ask(change)).reasons.map((r) => r.rule);
    expect(rules({ skinKnown: false })).toContain('blade.unknown_skin');
    expect(rules({ thinSkin: true })).toContain('blade.thin_skin_light_hand');
    expect(rules({ markHere: true })).toContain('blade.mark_here');
    expect(rules({ matGrade: 3, wantedMm: 13 })).toEqual(
      jasmine.arrayContaining(['blade.starts_under_tight_mat', 'blade.length_not_possible']),
    );
    expect(rules({})).toEqual(['blade.default']);
  });
  it('guards go where a comb passes on sound skin: not on feet, ears, folds, marks not looked for, or for less than 3 mm', () => {
    const trained = (change: Partial<BladeQuestion>): unknown =>
      chooseBlade(ask({ competence: 'close_work', wantedMm: 19, ...change })).guard?.id;
    expect(trained({})).toBe('0');
    for (const change of [
      { matGrade: 1 },
      { skin: 'red' },
      { zone: 'ear_leather_left' },
      { zone: 'fore_paw_left' },
      { zone: 'lips', inFold: true },
      { markHere: true, markUnseen: true },
    ] as const)
      expect(trained(change)).withContext(JSON.stringify(change)).toBeUndefined();
    expect(trained({ zone: 'belly', wantedMm: 3 })).toBe('5');
    expect(trained({ zone: 'belly', wantedMm: 2.8 })).toBeUndefined();
    expect(trained({ wantedMm: 9.5 })).toBeUndefined();
    expect(trained({ guards: [] })).toBeUndefined();
  });
  it('a guard sits on a #30 for the trained and on a #10 for everyone else, and what it then leaves is said (common practice, no source)', () => {
    const over = (competence: 'close_work' | 'groomer' | 'learning'): unknown[] => {
      const c = chooseBlade(ask({ competence, wantedMm: 19 }));
      return [c.blade, c.guard?.id, c.lengthMm];
    };
    expect(over('close_work')).toEqual(['30', '0', 19]);
    expect(over('groomer')).toEqual(['10', '0', 20]);
    expect(over('learning')).toEqual(['10', '0', 20]);
  });
});

describe('answerResistance', () => {
  const answer = (cause: (typeof RESISTANCE_CAUSES)[number], zone: BladeQuestion['zone'], blade: BladeId, trained = false) =>
    answerResistance({ cause, zone, blade, competence: trained ? 'close_work' : 'groomer' });

  it('stops for a growth, lets go drawn skin, takes a closer blade for a mat: three answers', () => {
    expect(answer('growth', 'back', '10').action).toBe('stop_and_look');
    expect(answer('skin_drawn_in', 'back', '10').action).toBe('let_go_tension');
    expect(answer('tight_mat', 'back', '7F')).toEqual(jasmine.objectContaining({ action: 'closer_blade', next: '10' }));
  });
  it('steps from #10 to #15, and then leaves it', () => {
    expect(answer('tight_mat', 'back', '10').next).toBe('15');
    expect(answer('tight_mat', 'back', '15').action).toBe('leave_or_vet');
    expect(answer('tight_mat', 'back', '15', true).action).toBe('leave_or_vet');
  });
  it('goes on to #30 and #40 between pads, in trained hands alone', () => {
    expect(answer('tight_mat', 'fore_paw_left', '10', true).next).toBe('30');
    expect(answer('tight_mat', 'hind_paw_left', '30', true).next).toBe('40');
    expect(answer('tight_mat', 'fore_paw_left', '40', true).action).toBe('leave_or_vet');
    expect(answer('tight_mat', 'fore_paw_left', '10').next).toBe('15');
    expect(answer('tight_mat', 'fore_paw_left', '15').action).toBe('leave_or_vet');
  });
  it('never offers a longer blade or one that is banned there', () => {
    for (const zone of ZONE_IDS)
      for (const b of BLADES)
        for (const trained of [true, false]) {
          const { next } = answer('tight_mat', zone, b.id, trained);
          if (next === undefined) continue;
          expect(bladeOf(next).lengthMm).toBeLessThan(b.lengthMm);
          const q = ask({ zone, matGrade: 3, competence: trained ? 'close_work' : 'groomer' });
          expect(banOn(bladeOf(next), q))
            .withContext(`${next} on ${zone}`)
            .toBeUndefined();
        }
  });
  it('adds the way out of a fold where there is one', () => {
    expect(answer('skin_drawn_in', 'armpit_left', '10').reasons.map((r) => r.rule)).toEqual(['resist.skin', 'resist.fold_inside_out']);
    expect(answer('skin_drawn_in', 'back', '10').reasons.map((r) => r.rule)).toEqual(['resist.skin']);
  });
  it('asks about each cause, the likeliest first: a known mark, then loose skin, then the mat', () => {
    expect(likelyCauses({ zone: 'back', matGrade: 0, markHere: true })[0]).toBe('growth');
    expect(likelyCauses({ zone: 'armpit_left', matGrade: 2, markHere: false })[0]).toBe('skin_drawn_in');
    expect(likelyCauses({ zone: 'back', matGrade: 3, markHere: false })[0]).toBe('tight_mat');
    expect(likelyCauses({ zone: 'back', matGrade: 2, markHere: false })[0]).toBe('tight_mat');
    expect(likelyCauses({ zone: 'back', matGrade: 0, markHere: false })[0]).toBe('growth');
    expect(likelyCauses({ zone: 'armpit_left', matGrade: 4, markHere: true })).toEqual(['growth', 'tight_mat', 'skin_drawn_in']);
    for (const c of RESISTANCE_CAUSES) expect(ENGLISH.labels.resistance[c]).toMatch(/\?$/);
    for (const c of RESISTANCE_CAUSES) expect(sayReason(answer(c, 'back', '10').reasons[0]!)).not.toContain('…');
  });
});

describe('advisePasses', () => {
  it('leaves a place in peace after three strokes, after one on thin or red skin', () => {
    expect([0, 1, 2, 3, 4].map((n) => advisePasses(n, false).enough)).toEqual([false, false, false, true, true]);
    expect([0, 1].map((n) => advisePasses(n, true).enough)).toEqual([false, true]);
    expect(advisePasses(2, false).limit).toBe(PASSES_ON_ONE_PLACE.soundSkin);
    expect(advisePasses(3, false).reasons[0]!.rule).toBe('blade.passes_enough');
    expect(advisePasses(1, false).reasons[0]!.rule).toBe('blade.passes_left');
    expect(() => advisePasses(-1, false)).toThrowError(RangeError);
  });
});

describe('danger is not a function of length', () => {
  it('a #10 is allowed where a longer and a shorter blade are banned, in every zone of thin or loose skin', () => {
    for (const zone of ZONE_IDS.filter((z) => zoneFacts(z).closeToothOnly && chooseBlade(ask({ zone: z })).blade)) {
      const rules = chooseBlade(ask({ zone, competence: 'close_work', wantedMm: 6 }));
      expect(banOn(bladeOf('10'), ask({ zone, competence: 'close_work' })))
        .withContext(zone)
        .toBeUndefined();
      const banned = rules.rejected.filter((r) => r.because.rule !== 'blade.further_from_wanted').map((r) => r.blade);
      expect(banned).withContext(zone).toContain('5F');
      expect(banned).withContext(zone).toContain('40');
    }
  });
});
