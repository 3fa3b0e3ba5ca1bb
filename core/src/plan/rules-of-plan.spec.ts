import { type FeelOver, NOTHING_FOUND } from '../findings/index.js';
import { type DogFacts, dogKinds } from '../knowledge/dogs/index.js';
import { houseRules } from '../knowledge/house-rules/index.js';
import { aDog, anInput, SPEC_DAY } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { ACTIVITIES, type Activity, TIERS } from '../words/index.js';
import { ACTIVITY_FACTS, CAUTIONS_SHOWN, cautionsFor, orderRules, sizeFactor } from '../work/index.js';
import { findMatWork, makePlan, type PlanInput, stepRate } from './index.js';

const kindsOf = (i: PlanInput) => dogKinds(i.dog, i.feelOver, i.today);
const rate = (activity: Activity, i: PlanInput, skin: 'sound' | 'red' | 'sore' = 'sound') =>
  stepRate(activity, ACTIVITY_FACTS[activity].zones, i, kindsOf(i), 1, skin);

describe('the order of work (common practice, no source)', () => {
  it('holds no circle, whatever the house does and whoever the dog is', () => {
    const steps = ACTIVITIES.map((id, i) => ({
      id,
      activity: id,
      zones: ACTIVITY_FACTS[id].zones,
      tier: ACTIVITY_FACTS[id].tier,
      post: ACTIVITY_FACTS[id].post,
      rate: { mean: 1 + ((i * 7) % 5) },
    }));
    const kinds = [[], dogKinds(aDog({ born: '2009-01-01' }), NOTHING_FOUND, SPEC_DAY)];
    const crust = [{ zone: 'eye_left' as const, matGrade: 0 as const, skin: 'sound' as const, crust: true }];
    let houses = 0;
    for (const start of ['easy_first', 'important_first'] as const)
      for (const feet of ['before_bath', 'after_bath'] as const)
        for (const face of ['last', 'first_when_needed'] as const)
          for (const bathOrClip of ['wash_first', 'rough_clip_first'] as const)
            for (const k of kinds) {
              const house = houseRules({ start, feet, face, bathOrClip });
              const rules = orderRules(steps, k, { house, feelOver: { ...NOTHING_FOUND, zones: crust } });
              const done = new Set<string>();
              for (const _round of ACTIVITIES)
                for (const s of steps) if (rules.every((r) => r.then !== s.id || done.has(r.first))) done.add(s.id);
              expect(done.size).withContext(JSON.stringify({ start, feet, face, bathOrClip })).toBe(ACTIVITIES.length);
              houses++;
            }
    expect(houses).toBe(32);
  });

  const pairs: readonly (readonly [Activity, Activity])[] = [
    ['crust', 'face'],
    ['crust', 'bath'],
    ['clip_tight_fragile', 'bath'],
    ['clip_tight_head', 'bath'],
    ['clip_tight_body', 'bath'],
    ['brush_mats', 'bath'],
    ['sanitary', 'bath'],
    ['ears', 'bath'],
    ['feet', 'bath'],
    ['nails', 'bath'],
    ['bath', 'dry'],
    ['dry', 'tidy'],
    ['dry', 'face'],
    ['body_clip', 'tidy'],
    ['body_clip', 'face'],
  ];
  const mats: FeelOver['zones'] = [
    { zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false },
    { zone: 'ear_base_left', matGrade: 3, skin: 'sound', crust: false },
    { zone: 'thigh_left', matGrade: 2, skin: 'sound', crust: false },
    { zone: 'side_left', matGrade: 3, skin: 'sound', crust: false },
    { zone: 'eye_left', matGrade: 0, skin: 'sound', crust: true },
  ];
  const all: PlanInput['asked'] = {
    items: ['bath', 'body_clip', 'face', 'feet', 'sanitary', 'nails', 'ears', 'tidy'],
    wantedMm: 9,
    sessionMinutes: 300,
  };
  const order = makePlan(anInput({ asked: all }, { standingSeenMinutes: 40 }, { zones: mats })).steps.map((s) => s.activity);
  for (const [first, then] of pairs) {
    it(`${first} comes before ${then}`, () => {
      expect(order).toContain(first);
      expect(order).toContain(then);
      expect(order.indexOf(first)).toBeLessThan(order.indexOf(then));
    });
  }
});

describe('strain rates (our defaults)', () => {
  const calm = rate('nails', anInput()).mean;
  const harder: readonly (readonly [string, Partial<DogFacts>, Partial<FeelOver>])[] = [
    ['a puppy', { born: '2026-07-01' }, {}],
    ['a senior', { born: '2012-01-01' }, {}],
    ['a first visit', { visitsBefore: 0 }, {}],
    ['a bite history', { biteHistory: true }, {}],
    ['a trigger', { triggers: [{ cause: 'nails' }] }, {}],
    ['another trigger', { triggers: [{ cause: 'dryer' }] }, {}],
    ['strangers', { triggers: [{ cause: 'strangers' }] }, {}],
    ['a stiff hip', {}, { joints: { hip_left: 'stiff' } }],
    ['a tense mood', {}, { mood: 'tense' }],
    ['a frantic mood', {}, { mood: 'frantic' }],
    ['shutting down', {}, { mood: 'shut_down' }],
    ['being tired out', {}, { mood: 'tired_out' }],
  ];
  for (const [name, dog, found] of harder) {
    it(`rise with ${name}, and say so`, () => {
      const r = rate('nails', anInput({}, dog, found));
      expect(r.mean).toBeGreaterThan(calm);
      expect(r.reasons.length).toBeGreaterThan(0);
    });
  }
  it('rise more with a painful joint than with a stiff one', () => {
    expect(rate('nails', anInput({}, {}, { joints: { hip_left: 'painful' } })).mean).toBeGreaterThan(
      rate('nails', anInput({}, {}, { joints: { hip_left: 'stiff' } })).mean,
    );
  });
  it('rise with red and more with sore skin, and call it painful', () => {
    const [sound, red, sore] = (['sound', 'red', 'sore'] as const).map((skin) => rate('body_clip', anInput(), skin));
    expect(red!.mean).toBeGreaterThan(sound!.mean);
    expect(sore!.mean).toBeGreaterThan(red!.mean);
    expect([sound!.painful, red!.painful]).toEqual([false, true]);
  });
  it('count a trigger only in its place', () => {
    const there = rate('feet', anInput({}, { triggers: [{ cause: 'held', place: 'feet' }] }));
    const elsewhere = rate('face', anInput({}, { triggers: [{ cause: 'held', place: 'feet' }] }));
    expect([there.triggered, elsewhere.triggered]).toEqual([true, false]);
  });
  it('hold the mean inside its interval', () => {
    for (const a of ACTIVITIES) {
      const r = rate(a, anInput());
      expect(r.interval[0]).withContext(a).toBeLessThan(r.mean);
      expect(r.interval[1]).withContext(a).toBeGreaterThan(r.mean);
    }
  });
});

describe('mats as work', () => {
  const find = (zones: FeelOver['zones'], dog: Partial<DogFacts> = {}) => {
    const i = anInput({}, dog, { zones });
    return findMatWork(i, kindsOf(i));
  };
  const two = (zone: FeelOver['zones'][number]['zone']): FeelOver['zones'][number] => ({ zone, matGrade: 2, skin: 'sound', crust: false });
  it('sorts them by place: body, thin skin, head', () => {
    const w = find([
      { ...two('back'), matGrade: 3 },
      { ...two('armpit_left'), matGrade: 3 },
      { ...two('ear_leather_left'), matGrade: 3 },
    ]);
    expect([w.body, w.fragile, w.head].map((list) => list.map((a) => a.zone))).toEqual([['back'], ['armpit_left'], ['ear_leather_left']]);
  });
  it('ends brushing at 15 min a visit, 10 for puppies and seniors: the largest is clipped instead', () => {
    const zones = [two('neck'), two('chest'), two('side_left')];
    const grown = find(zones);
    expect(grown.brush.reduce((sum, a) => sum + a.minutes, 0)).toBeLessThanOrEqual(15);
    expect(grown.body.flatMap((a) => a.reasons.map((r) => r.rule))).toContain('mat.brush_visit_limit');
    expect(find(zones, { born: '2011-01-01' }).brush.reduce((sum, a) => sum + a.minutes, 0)).toBeLessThanOrEqual(10);
  });
  it('clips the body off whole from three tenths of its coat', () => {
    const four = (zone: FeelOver['zones'][number]['zone']): FeelOver['zones'][number] => ({ ...two(zone), matGrade: 4 });
    expect(find([four('back')]).clipOff).toBeFalse();
    expect(find([four('back'), four('side_left'), four('neck')]).clipOff).toBeTrue();
  });
});

describe('cautions', () => {
  const ask = (
    activity: Activity,
    zones: Parameters<typeof cautionsFor>[0]['zones'],
    dog: Partial<DogFacts> = {},
    found: Partial<FeelOver> = {},
  ): string[] => {
    const d = aDog(dog);
    const feelOver = { ...NOTHING_FOUND, ...found };
    return cautionsFor({ activity, zones, feelOver, dog: d, kinds: dogKinds(d, feelOver, SPEC_DAY), told: [], loop: 'neck' }).map(
      sayReason,
    );
  };
  it('are shown with every kind of work, six at most', () => {
    for (const activity of ACTIVITIES.filter((a) => a !== 'easy_end')) {
      const shown = ask(activity, ['back']);
      expect(shown.length).withContext(activity).toBeGreaterThan(0);
      expect(shown.length).withContext(activity).toBeLessThanOrEqual(CAUTIONS_SHOWN);
    }
  });
  it('forbid shears under the tail', () => expect(ask('sanitary', ['anus']).join()).toContain('Never shears under the tail'));
  it('name a mark with its size before anything else', () => {
    const marks: FeelOver['marks'] = [
      { markId: 'm', zone: 'back', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', isNew: false },
    ];
    expect(ask('body_clip', ['back'], {}, { marks })[0]).toContain('8 × 6 mm');
  });
  it('leave sore skin out', () =>
    expect(ask('body_clip', ['back'], {}, { zones: [{ zone: 'back', matGrade: 0, skin: 'sore', crust: false }] })[0]).toContain(
      'leave it out',
    ));
  it('listen to the breath of a short nose', () => expect(ask('dry', ['back'], { nose: 'short' }).join()).toContain('breath'));
  it('never leave a dog alone in the tub', () => expect(ask('bath', ['back']).join()).toContain('Someone stays'));
});

describe('activities', () => {
  it('belong to a tier and a place, and take longer on a bigger dog', () => {
    for (const a of ACTIVITIES) {
      expect(TIERS).toContain(ACTIVITY_FACTS[a].tier);
      expect(ACTIVITY_FACTS[a].minutes).withContext(a).toBeGreaterThan(0);
    }
    expect([4, 10, 20, 40].map(sizeFactor)).toEqual([4, 10, 20, 40].map(sizeFactor).sort((a, b) => a - b));
  });
  it('put health before what was asked, and scissoring last', () => {
    for (const a of [
      'crust',
      'nails',
      'sanitary',
      'ears',
      'clip_tight_fragile',
      'clip_tight_head',
      'clip_tight_body',
      'brush_mats',
    ] as const)
      expect(ACTIVITY_FACTS[a].tier).withContext(a).toBe('welfare');
    expect(ACTIVITY_FACTS.tidy.tier).toBe('looks');
  });
});
