import type { ZoneFinding } from '../findings/index.js';
import { heading } from '../locales/index.js';
import { ENGLISH } from '../locales/en/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { ACTIVITIES, type Activity, SERVICE_ITEMS } from '../words/index.js';
import { ACTIVITY_FACTS, ORDER_FACTS } from './index.js';

const at = (zone: ZoneFinding['zone'], found: Partial<ZoneFinding>): ZoneFinding => ({
  zone,
  matGrade: 0,
  skin: 'sound',
  crust: false,
  ...found,
});

/** Plans that between them have every kind of work. */
function plannedSomewhere(): ReadonlySet<Activity> {
  const asked = { items: SERVICE_ITEMS, wantedMm: 9, sessionMinutes: 300 };
  const plans = [
    anInput(
      { asked },
      {},
      { zones: [at('back', { matGrade: 2 }), at('armpit_left', { matGrade: 3 }), at('ear_leather_left', { matGrade: 3 })] },
    ),
    anInput({ asked }, {}, { zones: [at('side_left', { matGrade: 4 }), at('eye_left', { crust: true })] }),
    anInput(
      { asked: { ...asked, items: ['bath', 'tidy', 'face'] } },
      { coat: 'double', nose: 'short', visitsBefore: 0 },
      { zones: [at('thigh_left', { matGrade: 2 })] },
    ),
  ];
  return new Set(plans.flatMap((p) => makePlan(p).steps.map((s) => s.activity)));
}

describe('a kind of work is complete', () => {
  const planned = plannedSomewhere();
  for (const activity of ACTIVITIES) {
    const facts = ACTIVITY_FACTS[activity];
    it(`${activity}: it takes time, costs strain, and is done in some place`, () => {
      expect(facts.minutes).toBeGreaterThan(0);
      expect(facts.ratePerMinute).toBeGreaterThan(0);
      expect(facts.found || facts.zones.length > 0 || facts.groups.length > 0).toBeTrue();
    });
    it(`${activity}: it has a place in the order of a visit`, () =>
      expect(ORDER_FACTS.some((f) => f.first === activity || f.then === activity)).toBeTrue());
    it(`${activity}: it has a name, and its cautions can be said`, () => {
      expect(heading(ENGLISH, 'step', activity).length).toBeGreaterThan(2);
      for (const [rule] of facts.cautions) expect(ENGLISH.sentences[rule].length).withContext(rule).toBeGreaterThan(10);
    });
    it(`${activity}: some dog is planned for it`, () => expect(planned).toContain(activity));
  }
});
