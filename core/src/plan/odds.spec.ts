import jstat from 'jstat';
import { recoveryPerMinute } from '../strain/index.js';
import { plainProblem } from '../testing/linear-problems.js';
import { DAY_SPREAD, type Odds, oddsOf, type PlanProblem, solve, type StepSpread } from './index.js';

const SURE: StepSpread = { rateShape: 1e7, minutesSpread: 1e-9 };
const odds = (problem: PlanProblem, spreads: readonly StepSpread[], change: { daySpread?: number; seed?: number } = {}): Odds =>
  oddsOf({
    problem,
    chosen: problem.steps.map((_, step) => ({ step, breaks: [0] })),
    spreads,
    daySpread: 0,
    ...change,
  });
/** Within four standard errors: a seeded draw either is or is not. */
const near = (chance: { chance: number; standardError: number }, exact: number): void => {
  const error = Math.sqrt((exact * (1 - exact)) / 10_000);
  expect(Math.abs(chance.chance - exact))
    .withContext(`${chance.chance} against ${exact}`)
    .toBeLessThan(4 * error + 1e-9);
};

describe('oddsOf against closed forms', () => {
  // One step: strain ends at S·e^(−kd) + (r/k)(1 − e^(−kd)), linear in a rate that is gamma. Quantities of jstat.
  for (const shape of [2, 5, 20])
    it(`chance of stop and pause of one step with a gamma rate of shape ${shape}`, () => {
      const problem = plainProblem([{ minutes: 8, ratePerMinute: 6 }], { startStrain: 20, workMinutes: 100 });
      const k = recoveryPerMinute(6);
      const decay = Math.exp(-k * 8);
      const gain = (6 / k) * (1 - decay);
      const above = (line: number): number => 1 - jstat.gamma.cdf((line - 20 * decay) / gain, shape, 1 / shape);
      const found = odds(problem, [{ ...SURE, rateShape: shape }]);
      near(found.stop, above(75));
      near(found.pause, above(50));
      expect(found.stop.standardError).toBeCloseTo(Math.sqrt((found.stop.chance * (1 - found.stop.chance)) / 10_000), 12);
    });

  it('chance to end in time of one step with log-normal minutes', () => {
    const problem = plainProblem([{ minutes: 9, ratePerMinute: 1 }], { sessionMinutes: 10 });
    const found = odds(problem, [{ ...SURE, minutesSpread: 0.25 }]);
    near(found.inTime, jstat.normal.cdf(Math.log(10 / 9) / 0.25, 0, 1));
    expect(found.minutes[2]).toBeCloseTo(9, 0);
    expect(found.minutes[4]).toBeCloseTo(9 * Math.exp(1.645 * 0.25), 0);
  });

  it('what the day does: a log-normal factor of mean 1', () => {
    const problem = plainProblem([{ minutes: 8, ratePerMinute: 8 }], { startStrain: 0 });
    const k = recoveryPerMinute(6);
    const gain = (8 / k) * (1 - Math.exp(-k * 8));
    const above = (line: number): number => 1 - jstat.normal.cdf((Math.log(line / gain) + DAY_SPREAD ** 2 / 2) / DAY_SPREAD, 0, 1);
    near(odds(problem, [SURE], { daySpread: DAY_SPREAD }).pause, above(50));
  });

  it('a sure plan is as it was computed', () => {
    const problem = plainProblem(
      [
        { minutes: 6, ratePerMinute: 3, post: 'table' },
        { minutes: 8, ratePerMinute: 2, post: 'tub' },
      ],
      { startStrain: 10, sessionMinutes: 60, fatiguePerMinute: 0.01 },
    );
    const solution = solve(problem);
    const found = oddsOf({ problem, chosen: solution.chosen, spreads: [SURE, SURE], daySpread: 0 });
    expect(found.minutes[2]).toBeCloseTo(solution.value.minutes, 4);
    expect([found.inTime.chance, found.stop.chance]).toEqual([1, 0]);
    expect(found.peak[0]).toBeCloseTo(found.peak[4], 1);
  });
});

describe('oddsOf', () => {
  const problem = plainProblem(
    [
      { minutes: 6, ratePerMinute: 3 },
      { minutes: 6, ratePerMinute: 3 },
    ],
    { startStrain: 10, sessionMinutes: 13 },
  );
  it('draws the same visits from the same seed', () => {
    const spreads = [
      { rateShape: 3, minutesSpread: 0.2 },
      { rateShape: 3, minutesSpread: 0.2 },
    ];
    expect(odds(problem, spreads)).toEqual(odds(problem, spreads));
    expect(odds(problem, spreads, { seed: 5 }).peak).not.toEqual(odds(problem, spreads, { seed: 6 }).peak);
  });
  it('names the step that makes the peak differ', () => {
    const found = odds(problem, [SURE, { rateShape: 2, minutesSpread: 0.3 }]);
    expect(found.drivers[0]?.cause).toEqual({ kind: 'step', step: 1 });
    expect(found.drivers[0]?.share).toBeGreaterThan(0.95);
    expect(found.drivers.reduce((sum, d) => sum + d.share, 0)).toBeCloseTo(1, 9);
    expect(odds(problem, [SURE, SURE], { daySpread: 0.3 }).drivers[0]?.cause).toEqual({ kind: 'day' });
  });
  it('counts every visit once in the cells of the peak', () => {
    const found = odds(problem, [
      { rateShape: 2, minutesSpread: 0.3 },
      { rateShape: 2, minutesSpread: 0.3 },
    ]);
    expect(found.peakCells.reduce((a, b) => a + b, 0)).toBe(10_000);
    expect(found.peak).toEqual([...found.peak].sort((a, b) => a - b));
  });
  it('refuses a step whose spread it was not told', () =>
    expect(() => oddsOf({ problem, chosen: [{ step: 1, breaks: [0] }], spreads: [SURE] })).toThrowError(RangeError));
});
