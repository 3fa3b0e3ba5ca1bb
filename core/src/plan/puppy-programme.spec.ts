import { dogKinds } from '../knowledge/dogs/index.js';
import { anInput } from '../testing/dogs.js';
import { type Activity, SERVICE_ITEMS } from '../words/index.js';
import { ageWeeks } from '../knowledge/dogs/index.js';
import { makePlan } from './make-plan.js';
import type { PlanInput } from './plan-input.js';
import { PUPPY_PARTS, PUPPY_VISITS, type PuppyProgramme, puppyProgramme, sayProgramme } from './puppy-programme.js';

const TODAY = '2026-11-25';
/** 13 and 19 weeks old on that day. */
const [YOUNG, OLDER] = ['2026-08-26', '2026-07-15'];

const visit = (change: Partial<PlanInput>, born = OLDER, visitsBefore = 0): PlanInput => ({
  ...anInput(change, { born, visitsBefore, coat: 'wool', weightKg: 5 }),
  today: TODAY,
});
const asked = (...items: (typeof SERVICE_ITEMS)[number][]): PlanInput['asked'] => ({ items, wantedMm: 13, sessionMinutes: 90 });
const programme = (input: PlanInput): PuppyProgramme => {
  const found = puppyProgramme(input, dogKinds(input.dog, input.feelOver, input.today), ageWeeks(input.dog.born, input.today));
  if (!found) throw new Error('not a puppy');
  return found;
};
const met = (...works: Activity[]): PlanInput['history'] =>
  works.map((activity) => ({ activity, group: 'body', tool: 'hands', posture: 'standing', minutes: 3, points: 1 }));
const put = (input: PlanInput): (string | undefined)[] =>
  makePlan(input).notToday.flatMap((n) => (n.to === 'another_visit' ? n.activity : []));

// Handbook of the trade, the rows of the puppy. Common practice, no source; where it gives no figure, our default.
describe('a puppy’s programme over its visits', () => {
  it('is no business of a grown dog', () => {
    const grown = anInput({}, { born: '2021-01-01' });
    expect(puppyProgramme(grown, dogKinds(grown.dog, grown.feelOver, grown.today), 200)).toBeUndefined();
  });

  it('meets every part once within about four visits, even if nobody asks for any', () => {
    let known: Activity[] = [];
    for (let before = 0; before < PUPPY_VISITS; before++) {
      const now = programme(visit({ asked: asked(), history: met(...known) }, YOUNG, before));
      expect(now.visit).toBe(before + 1);
      expect(now.dueNow.length).toBeGreaterThan(0);
      expect(now.dueNow.length).toBeLessThanOrEqual(2);
      known = [...known, ...now.dueNow];
    }
    // The body clip alone is never offered: it is asked for, and has its age.
    expect(PUPPY_PARTS.filter((p) => !known.includes(p))).toEqual(['body_clip']);
  });

  it('gives the body clip a visit of its own, and face, feet and ears the one after it', () => {
    const first = visit({ asked: asked('body_clip', 'face', 'feet', 'nails') });
    expect(programme(first).apart).toEqual(['face', 'feet']);
    expect(new Set(put(first))).toEqual(new Set<Activity>(['face', 'feet']));
    expect(makePlan(first).steps.some((s) => s.activity === 'body_clip')).toBeTrue();

    const carriedOver = (['face', 'feet'] as const).map((activity) => ({ activity, from: '2026-11-04' }));
    const next = visit({ asked: asked('body_clip', 'face', 'feet'), carriedOver, history: met('body_clip') }, OLDER, 1);
    expect(programme(next).apart).toEqual(['body_clip']);
    expect(makePlan(next).steps.some((s) => s.activity === 'body_clip')).toBeFalse();
    expect(makePlan(next).steps.some((s) => s.activity === 'face')).toBeTrue();
    expect(put(next)).toContain('body_clip');
  });

  it('leaves a body clip alone that nothing else is asked beside, or that is too early anyway', () => {
    expect(programme(visit({ asked: asked('body_clip', 'nails') })).apart).toEqual([]);
    expect(programme(visit({ asked: asked('body_clip', 'face') }, YOUNG)).apart).toEqual([]);
  });

  it('offers what nobody asked for, and says what waits', () => {
    const input = visit({ asked: asked('nails'), history: met('bath', 'dry') }, YOUNG, 2);
    const said = sayProgramme(programme(input), input);
    expect(said.map((r) => r.rule)).toEqual(['plan.puppy_programme', 'plan.puppy_offer', 'plan.puppy_later']);
    expect(said[0]?.facts.works).toEqual(['bath', 'dry']);
    expect(said[1]?.facts.works).not.toContain('nails');
    const all = visit({ asked: asked(), history: met(...PUPPY_PARTS) }, OLDER, 5);
    expect(sayProgramme(programme(all), all).map((r) => r.rule)).toEqual(['plan.puppy_all_met']);
  });

  it('brings early what the last visit had no time for; what is minded waits for one easy piece', () => {
    const left = (activity: Activity): PlanInput['carriedOver'] => [{ activity, from: '2026-11-04' }];
    const work = (change: Partial<PlanInput>, resents: boolean): string[] => {
      const input = visit({ asked: asked('nails', 'ears', 'feet'), ...change }, YOUNG, 1);
      const minded = resents ? { resents: ['fore_nails_left', 'fore_nails_right', 'hind_nails_left', 'hind_nails_right'] as const } : {};
      const plan = makePlan({ ...input, feelOver: { ...input.feelOver, ...minded } });
      return plan.steps.map((s) => s.activity);
    };
    // Before any work a puppy meets the tool.
    expect(work({ carriedOver: left('nails') }, false).slice(0, 2)).toEqual(['meet_tool', 'nails']);
    expect(work({ carriedOver: left('ears') }, false).slice(0, 2)).toEqual(['meet_tool', 'ears']);
    const minded = work({ carriedOver: left('nails') }, true);
    expect(minded.indexOf('nails')).toBe(1);
    expect(minded.at(-1)).toBe('easy_end');
  });
});
