import { CONSENT_TEXT_VERSION, standingConsents } from '../agreement/index.js';
import { whoIsTold } from '../hand-back/index.js';
import { chooseBlade } from '../knowledge/blades/index.js';
import { swapLineCelsius } from '../knowledge/heat/index.js';
import { adviseLoop, chooseHold } from '../knowledge/holds/index.js';
import { HOUSE_DEFAULTS, houseRules } from '../knowledge/house-rules/index.js';
import { askTool, chooseDryer } from '../knowledge/tools/index.js';
import { nextVisitDates } from '../next-visit/index.js';
import { aBladeQuestion } from '../testing/blade-questions.js';
import { aDog, anInput, BOLD_HOUSE, SPEC_DAY } from '../testing/dogs.js';
import { aHoldQuestion } from '../testing/hold-questions.js';
import { aToolQuestion } from '../testing/tool-questions.js';
import { BOOKED, eventsOf, VISIT } from '../testing/visit-events.js';
import { replay } from '../visit/index.js';
import { HOUSE_QUESTION_IDS, type HouseQuestion, type HouseRules } from '../words/index.js';
import { type HandlingPlan, limitsOf, makePlan } from './index.js';

const withHouse = (change: Partial<HouseRules>, ...[input, dog, found]: Parameters<typeof anInput>): HandlingPlan =>
  makePlan(anInput({ ...input, house: { ...BOLD_HOUSE, ...change } }, dog, found));
const order = (plan: HandlingPlan): string[] => plan.steps.map((s) => s.activity);
const before = (plan: HandlingPlan, a: string, b: string): boolean => {
  const [i, j] = [order(plan).indexOf(a), order(plan).indexOf(b)];
  expect(Math.min(i, j)).withContext(order(plan).join(' ')).toBeGreaterThanOrEqual(0);
  return i < j;
};
const step = (plan: HandlingPlan, activity: string) => plan.steps.find((s) => s.activity === activity)!;
const says = (plan: HandlingPlan): string[] => plan.reasons.map((r) => r.rule);
const seen = { standingSeenMinutes: 40, visitsBefore: 3 };
const long = (items: NonNullable<Parameters<typeof anInput>[0]>['asked']) => ({ asked: items! });

// Each school is held by good groomers: common practice, no source. Changing one changes what the product says or does.
const EFFECTS: Readonly<Record<HouseQuestion, () => void>> = {
  earHair: () => {
    const ears = long({ items: ['ears', 'nails'], wantedMm: 9, sessionMinutes: 90 });
    const leave = step(withHouse({}, ears, seen), 'ears');
    const pluck = step(withHouse({ earHair: 'pluck' }, ears, seen), 'ears');
    expect(pluck.minutes).toBeGreaterThan(leave.minutes);
    expect(pluck.rate.mean).toBeGreaterThan(leave.rate.mean);
    expect(pluck.reasons.map((r) => r.rule)).toContain('step.ears_pluck');
    expect(leave.reasons.map((r) => r.rule)).toContain('step.ears_leave');
    expect(step(withHouse({ earHair: 'vet_asked' }, ears, seen), 'ears').reasons.map((r) => r.rule)).toContain('step.ears_vet');
    // No plucking in an ear that has trouble, whatever the house does.
    expect(step(withHouse({ earHair: 'pluck' }, ears, { ...seen, conditions: ['ear_trouble'] }), 'ears').minutes).toBe(leave.minutes);
    expect(askTool(aToolQuestion({ tool: 'forceps', zone: 'ear_canal_left' })).allowed).toBeFalse();
    const dates = (house: HouseRules) =>
      nextVisitDates({
        dog: aDog(),
        done: ['ears'],
        clipOff: false,
        leftWeeks: undefined,
        stoppedEarly: false,
        newMarks: [],
        returnWeeks: undefined,
        season: undefined,
        house,
        today: SPEC_DAY,
      });
    expect(dates(houseRules({ earHair: 'pluck' })).map((d) => d.because.rule)).toContain('next.ears_plucked');
    expect(dates(HOUSE_DEFAULTS).map((d) => d.because.rule)).not.toContain('next.ears_plucked');
  },
  muzzle: () => {
    const bit = { ...seen, biteHistory: true };
    const mats = { zones: [{ zone: 'armpit_left' as const, matGrade: 3 as const, skin: 'sound' as const, crust: false }] };
    const muzzled = (plan: HandlingPlan): string[] => plan.steps.filter((s) => s.hold.also.includes('muzzle')).map((s) => s.activity);
    const some = muzzled(withHouse({}, {}, bit, mats));
    const all = muzzled(withHouse({ muzzle: 'whole_visit' }, {}, bit, mats));
    expect(some).toEqual(['clip_tight_fragile']);
    expect(all.length).toBeGreaterThan(some.length);
    expect(all).not.toContain('bath');
    const never = withHouse({ muzzle: 'never' }, {}, bit, mats);
    expect(muzzled(never)).toEqual([]);
    expect(never.notToday.filter((n) => n.to === 'vet').map((n) => n.activity)).toContain('clip_tight_fragile');
  },
  loop: () => {
    expect(withHouse({}, {}, seen).loop.loop).toBe('neck');
    const none = withHouse({ loop: 'never' }, {}, seen);
    expect(none.loop.loop).toBe('none');
    expect(step(withHouse({}, {}, seen), 'body_clip').gaps.map((g) => g.zone)).toEqual(['neck']);
    expect(step(none, 'body_clip').gaps).toEqual([]);
    expect(step(none, 'body_clip').cautions.map((c) => c.rule)).not.toContain('caution.loop_off_neck');
    expect(adviseLoop({ dog: aDog(), kinds: [], fighting: false, house: HOUSE_DEFAULTS }).loop).toBe('neck');
  },
  face: () => {
    const crust = { zones: [{ zone: 'eye_left' as const, matGrade: 0 as const, skin: 'sound' as const, crust: true }] };
    expect(before(withHouse({}, {}, seen, crust), 'bath', 'face')).toBeTrue();
    const first = withHouse({ face: 'first_when_needed' }, {}, seen, crust);
    expect(before(first, 'face', 'bath')).toBeTrue();
    expect(before(first, 'crust', 'face')).toBeTrue();
    expect(before(withHouse({ face: 'first_when_needed' }, {}, seen), 'bath', 'face')).toBeTrue();
  },
  bathOrClip: () => {
    expect(before(withHouse({}, {}, seen), 'bath', 'body_clip')).toBeTrue();
    const rough = withHouse({ bathOrClip: 'rough_clip_first' }, {}, seen);
    expect(before(rough, 'prep_clip', 'bath')).toBeTrue();
    expect(before(rough, 'dry', 'body_clip')).toBeTrue();
    expect(withHouse({}, {}, seen).steps.map((s) => s.activity)).not.toContain('prep_clip');
    expect(before(withHouse({}, {}, { ...seen, born: '2010-06-01' }), 'body_clip', 'bath')).toBeTrue();
  },
  bodyClip: () => {
    expect(chooseBlade(aBladeQuestion({ wantedMm: 3.2, house: HOUSE_DEFAULTS })).sequence.length).toBe(2);
    expect(chooseBlade(aBladeQuestion({ wantedMm: 3.2, house: houseRules({ bodyClip: 'straight' }) })).sequence.length).toBe(1);
  },
  brushOut: () => {
    const open = { zones: [{ zone: 'side_left' as const, matGrade: 2 as const, skin: 'sound' as const, crust: false }] };
    expect(order(withHouse({}, {}, seen, open))).toContain('brush_mats');
    const clipped = withHouse({ brushOut: 'always_clip' }, {}, seen, open);
    expect(order(clipped)).toContain('clip_tight_body');
    expect(order(clipped)).not.toContain('brush_mats');
  },
  voice: () => {
    expect(says(withHouse({}, {}, seen))).toContain('settle.find_out');
    expect(says(withHouse({ voice: 'soothing' }, {}, seen))).toContain('settle.house_soothing');
    expect(says(withHouse({ voice: 'quiet' }, {}, seen))).toContain('settle.house_quiet');
  },
  pads: () => {
    const paw = aBladeQuestion({ zone: 'fore_paw_left', competence: 'close_work', wantedMm: 0.3 });
    expect(chooseBlade({ ...paw, house: HOUSE_DEFAULTS }).blade).toBe('15');
    expect(chooseBlade({ ...paw, house: houseRules({ pads: 'close_when_trained' }) }).blade).toBe('40');
  },
  feet: () => {
    expect(before(withHouse({}, {}, seen), 'feet', 'bath')).toBeTrue();
    expect(before(withHouse({ feet: 'after_bath' }, {}, seen), 'dry', 'feet')).toBeTrue();
  },
  brushBeforeBath: () => {
    const short = { ...seen, standingSeenMinutes: 8 };
    const skips = { brushBeforeBath: 'not_short_standers' } as const;
    expect(before(withHouse({}, {}, short), 'brush_through', 'bath')).toBeTrue();
    const no = withHouse(skips, {}, short);
    expect(no.steps.map((s) => s.activity)).not.toContain('brush_through');
    expect(step(no, 'bath').reasons.map((r) => r.rule)).toContain('step.no_brush_before_bath');
    expect(before(withHouse(skips, {}, seen), 'brush_through', 'bath')).toBeTrue();
  },
  dryer: () => {
    const first = aToolQuestion({ kinds: ['first_visit'] });
    expect(chooseDryer(first).dryer).not.toBe(chooseDryer({ ...first, house: houseRules({ dryer: 'high_velocity' }) }).dryer);
    const visit = { standingSeenMinutes: 40, visitsBefore: 0 };
    expect(step(withHouse({}, {}, visit), 'dry').minutes).toBeGreaterThan(
      step(withHouse({ dryer: 'high_velocity' }, {}, visit), 'dry').minutes,
    );
  },
  start: () => {
    const dog = { ...seen, triggers: [{ cause: 'nails' as const }] };
    const easy = withHouse({}, {}, dog);
    const important = withHouse({ start: 'important_first' }, {}, dog);
    expect(order(easy)[0]).not.toBe('nails');
    for (const asked of ['body_clip', 'feet', 'face'])
      for (const welfare of ['nails', 'sanitary']) expect(before(important, welfare, asked)).toBeTrue();
    expect(order(easy)).not.toEqual(order(important));
  },
  puppyStruggle: () => {
    const hold = (house: HouseRules) => chooseHold(aHoldQuestion({ reaches: ['head'], minutes: 3, house }, { born: '2026-08-20' }));
    expect(hold(HOUSE_DEFAULTS).capMinutes).toBeLessThan(hold(houseRules({ puppyStruggle: 'let_go' })).capMinutes);
  },
  rewards: () => {
    expect(says(withHouse({}, {}, seen))).toContain('reward.food');
    expect(says(withHouse({ rewards: 'voice_touch' }, {}, seen))).toContain('reward.voice_touch');
    expect(says(withHouse({ rewards: 'none' }, {}, seen))).toContain('reward.none');
  },
  throatLine: () => {
    const hold = (house: HouseRules): string => chooseHold(aHoldQuestion({ reaches: ['throat'], house })).hold;
    expect([hold(HOUSE_DEFAULTS), hold(houseRules({ throatLine: 'natural' }))]).toEqual(['cupped_chin', 'hand_resting']);
  },
  underTail: () => {
    const anus = aBladeQuestion({ zone: 'anus', competence: 'close_work' });
    expect(chooseBlade({ ...anus, house: HOUSE_DEFAULTS }).stroke).not.toBe(
      chooseBlade({ ...anus, house: houseRules({ underTail: 'little_up_trained' }) }).stroke,
    );
  },
  bladeTooWarm: () =>
    expect(swapLineCelsius('back', houseRules({ bladeTooWarm: 'hot_wrist' }))).toBe(swapLineCelsius('back', HOUSE_DEFAULTS) + 1),
  hardFace: () => {
    const dog = { ...seen, triggers: [{ cause: 'clipper' as const, place: 'face' as const }] };
    const quick = step(withHouse({}, {}, dog), 'face');
    const slow = step(withHouse({ hardFace: 'slow' }, {}, dog), 'face');
    expect(quick.minutes).toBeLessThan(slow.minutes);
    expect(quick.rate.mean).toBeGreaterThan(slow.rate.mean);
    // Short and quick is for trained hands.
    expect(step(withHouse({}, { trained: false }, dog), 'face').minutes).toBe(slow.minutes);
    expect(step(withHouse({ hardFace: 'slow' }, {}, seen), 'face').minutes).toBe(step(withHouse({}, {}, seen), 'face').minutes);
  },
  consentsHold: () => {
    const past = [
      { on: '2026-10-01', consents: [{ id: 'muzzle' as const, agreed: true, name: 'Perpetua Glain', textVersion: CONSENT_TEXT_VERSION }] },
    ];
    const hold = (consentsHold: 'each_visit' | 'half_a_year' | 'a_year'): unknown[] =>
      standingConsents(past, '2027-05-01', houseRules({ consentsHold })).map((c) => c.id);
    expect([hold('each_visit'), hold('half_a_year'), hold('a_year')]).toEqual([[], [], ['muzzle']]);
  },
  stopChance: () => {
    const stops = (['five', 'two', 'ten'] as const).map((stopChance) => limitsOf(houseRules({ stopChance })).stop);
    expect(stops).toEqual([0.05, 0.02, 0.1]);
    const hard = { ...seen, triggers: [{ cause: 'clipper' as const }, { cause: 'nails' as const }] };
    const minutes = (stopChance: 'two' | 'ten'): number => withHouse({ stopChance, biteChance: 'two' }, {}, hard).minutes;
    expect(minutes('two')).toBeLessThan(minutes('ten'));
  },
  biteChance: () => {
    const hard = { ...seen, triggers: [{ cause: 'clipper' as const }, { cause: 'nails' as const }] };
    const minutes = (biteChance: 'half' | 'two'): number => withHouse({ biteChance, stopChance: 'ten' }, {}, hard).minutes;
    expect(minutes('half')).toBeLessThan(minutes('two'));
  },
  whoIsTold: () => {
    const state = replay(
      VISIT,
      eventsOf([
        [0, BOOKED],
        [
          1,
          {
            type: 'incident',
            body: { incidentId: '01900000-0000-7000-8000-00000000000a', kind: 'nick', harm: 'mild', zone: 'back', what: 'small' },
          },
        ],
      ]),
    );
    expect(whoIsTold(state, HOUSE_DEFAULTS).map((r) => r.rule)).toEqual(['told.in_writing']);
    expect(whoIsTold(state, houseRules({ whoIsTold: 'owner_by_word' })).map((r) => r.rule)).toEqual(['told.by_word']);
    expect(whoIsTold(replay(VISIT, eventsOf([[0, BOOKED]])), HOUSE_DEFAULTS)).toEqual([]);
  },
};

describe('changing a house rule changes results', () => {
  for (const question of HOUSE_QUESTION_IDS) it(question, () => EFFECTS[question]());
});
