import { gridVisits } from '../testing/grid-visits.js';
import { solveInGrid } from '../testing/highs-grid-model.js';
import { type Highs, highs } from '../testing/highs-models.js';
import { burden, simulate, solve } from './index.js';

/** Steps of each visit, and visits, that the other solver has time for in a test; `npm run bench` takes more. */
const STEPS = 4;
const VISITS = 5;

/**
 * HiGHS on the whole model of the demo's visits in a time grid: order, breaks, strain, ceilings, standing and session at once. Its dose is held
 * from below by tangents, so its optimum is a bound for ours, and its plan, run through our model, can be no better than ours.
 */
describe('the whole plan beside an exact solver that knows nothing of ours', () => {
  let solver: Highs;
  beforeAll(async () => {
    solver = await highs();
  });

  it('is the same optimum on the hardest work of the demo’s dogs', () => {
    let tight = 0;
    for (const { dog, problem } of gridVisits(STEPS).slice(0, VISITS)) {
      const ours = solve(problem);
      const theirs = solveInGrid(solver, problem);
      const run = simulate(problem, theirs.chosen);
      expect(ours.proof).withContext(dog).toBe('proven');
      expect(run.broken).withContext(dog).toBeUndefined();
      expect(theirs.bound)
        .withContext(dog)
        .toBeLessThanOrEqual(burden(ours.value) + 0.05);
      expect(burden(ours.value))
        .withContext(dog)
        .toBeLessThanOrEqual(burden(run) + 1e-6);
      if (burden(run) < theirs.bound * 1.01) tight++;
    }
    // Where the tangents hardly lose anything, bound and plan enclose our optimum within a hundredth.
    expect(tight).toBeGreaterThan(VISITS / 2);
  });
  it('refuses a visit that has no place in the grid', () => {
    const [visit] = gridVisits(STEPS);
    const tired = { ...visit!.problem, fatiguePerMinute: 0.004 };
    expect(() => solveInGrid(solver, tired)).toThrowError(RangeError);
  });
});
