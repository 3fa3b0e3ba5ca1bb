import { planDigest } from '../testing/plan-digest.js';
import { recordedVisits } from '../testing/recorded-visits.js';

const recorded = recordedVisits();

describe('the plans of the demo’s dogs', () => {
  it('are recorded, one for each dog', () => expect(recorded.length).toBe(28));
  for (const { dog, input, plan } of recorded)
    it(`${dog}: order, minutes, tools, holds, breaks and rules are as recorded`, () =>
      expect(JSON.parse(JSON.stringify(planDigest(input))) as unknown).toEqual(plan));
});
