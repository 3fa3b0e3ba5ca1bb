import { BLADES, GUARDS } from '../knowledge/blades/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import { planDigest } from '../testing/plan-digest.js';
import { readFixture } from '../testing/read-fixture.js';
import type { PlanInput } from './index.js';

interface Recorded {
  readonly dog: string;
  readonly input: Omit<PlanInput, 'drawer' | 'guards' | 'house'>;
  readonly plan: unknown;
}

/** Plans of the demo's dogs as they were recorded on 2026-11-28, before the house of the code got its floors. */
const recorded = readFixture('plan/fixtures/demo-plans.json.gz') as readonly Recorded[];

describe('the plans of the demo’s dogs', () => {
  it('are recorded, one for each dog', () => expect(recorded.length).toBe(28));
  for (const { dog, input, plan } of recorded)
    it(`${dog}: order, minutes, tools, holds, breaks and rules are as recorded`, () => {
      const made = planDigest({ ...input, drawer: BLADES, guards: GUARDS, house: HOUSE_DEFAULTS });
      expect(JSON.parse(JSON.stringify(made)) as unknown).toEqual(plan);
    });
});
