import { randomLcg } from 'd3-random';
import jstat from 'jstat';
import { measureStrain, PAUSE_AT, recoveryPerMinute, STOP_AT } from '../strain/index.js';
import { plainProblem } from '../testing/linear-problems.js';
import {
  DAY_SPREAD,
  type DrawnVisit,
  type DrawnWorld,
  type Odds,
  oddsOf,
  type PlanProblem,
  simulate,
  solve,
  type StepSpread,
  VisitDrawer,
  worldAsModelled,
} from './index.js';

const SURE: StepSpread = { rateShape: 1e7, minutesSpread: 1e-9 };
/** Nothing is drawn but what the steps' spreads say: no noise, no frights, every day and dog like every other. */
const STILL: DrawnWorld = {
  daySpread: 0,
  paceSpread: 0,
  halfLifeMinutes: 6,
  halfLifeSpread: 0,
  noisePoints: 0,
  startlesPerMinute: 0,
  startSpread: 0,
  snapTimes: 1,
  quietShare: 0,
};
const VISITS = 3_000;
const inOrder = (problem: PlanProblem): { step: number; breaks: number[] }[] => problem.steps.map((_, step) => ({ step, breaks: [0] }));
const draw = (problem: PlanProblem, spreads: readonly StepSpread[], world: Partial<DrawnWorld> = {}, visits = VISITS): DrawnVisit[] => {
  const drawer = new VisitDrawer(problem, inOrder(problem), spreads, { ...STILL, ...world }, randomLcg(0.31));
  return Array.from({ length: visits }, () => drawer.draw());
};
const odds = (problem: PlanProblem, spreads: readonly StepSpread[], change: { world?: Partial<DrawnWorld>; seed?: number } = {}): Odds =>
  oddsOf({ problem, chosen: inOrder(problem), spreads, ...change, world: { ...STILL, ...change.world } });
/** Within four standard errors: a seeded draw either is or is not. */
const near = (drawn: readonly DrawnVisit[], is: (v: DrawnVisit) => boolean, exact: number): void => {
  const error = Math.sqrt((exact * (1 - exact)) / drawn.length);
  const share = drawn.filter(is).length / drawn.length;
  expect(Math.abs(share - exact))
    .withContext(`${share} against ${exact}`)
    .toBeLessThan(4 * error + 1e-9);
};

describe('drawn strain against closed forms', () => {
  // One step: strain ends at S·e^(−kd) + (r/k)(1 − e^(−kd)), linear in a rate that is gamma. Quantities of jstat.
  for (const shape of [2, 5, 20])
    it(`passes a line as often as a gamma rate of shape ${shape} has it`, () => {
      // Below the strain at which the meter would ask for a pause.
      const problem = plainProblem([{ minutes: 4, ratePerMinute: 4 }], { startStrain: 10, workMinutes: 100 });
      const k = recoveryPerMinute(6);
      const decay = Math.exp(-k * 4);
      const gain = (4 / k) * (1 - decay);
      const above = (line: number): number => 1 - jstat.gamma.cdf((line - 10 * decay) / gain, shape, 1 / shape);
      const drawn = draw(problem, [{ ...SURE, rateShape: shape }]).filter((v) => !v.paused);
      expect(drawn.length).toBeGreaterThan(0.97 * VISITS);
      near(drawn, (v) => v.hiddenPeak >= 18, above(18));
    });

  it('ends in time as often as log-normal minutes have it', () => {
    const problem = plainProblem([{ minutes: 9, ratePerMinute: 0.1 }], { sessionMinutes: 10, startStrain: 0 });
    const found = odds(problem, [{ ...SURE, minutesSpread: 0.25 }]);
    const exact = jstat.normal.cdf(Math.log(10 / 9) / 0.25, 0, 1);
    expect(Math.abs(found.inTime.chance - exact)).toBeLessThan(4 * found.inTime.standardError + 0.01);
    expect(found.inTime.standardError).toBeCloseTo(Math.sqrt((found.inTime.chance * (1 - found.inTime.chance)) / found.visits), 12);
    expect(found.minutes[2]).toBeCloseTo(9, 0);
    expect(found.minutes[4]).toBeCloseTo(9 * Math.exp(1.645 * 0.25), 0);
  });

  it('has the mean and spread of the process with its noise (Ornstein and Uhlenbeck 1930, Phys. Rev. 36: 823, from memory)', () => {
    const problem = plainProblem([{ minutes: 20, ratePerMinute: 2 }], { startStrain: 2 / recoveryPerMinute(6) });
    const drawn = draw(problem, [SURE], { noisePoints: 1.5 }, 4000).filter((v) => !v.paused);
    const k = recoveryPerMinute(6);
    // The highest of a stationary path lies some standard deviations above its mean, and never below it.
    const sd = Math.sqrt(1.5 ** 2 / (2 * k));
    const mean = drawn.reduce((sum, v) => sum + v.hiddenPeak, 0) / drawn.length;
    expect(mean).toBeGreaterThan(2 / k + 0.7 * sd);
    expect(mean).toBeLessThan(2 / k + 2.5 * sd);
  });

  it('what the day does: a log-normal factor on all rates', () => {
    const problem = plainProblem([{ minutes: 4, ratePerMinute: 5 }], { startStrain: 0 });
    const k = recoveryPerMinute(6);
    const gain = (5 / k) * (1 - Math.exp(-k * 4));
    const drawn = draw(problem, [SURE], { daySpread: DAY_SPREAD }).filter((v) => !v.paused);
    near(drawn, (v) => v.hiddenPeak >= 18, 1 - jstat.normal.cdf(Math.log(18 / gain) / DAY_SPREAD, 0, 1));
  });

  it('a sure plan is as it was computed', () => {
    const problem = plainProblem(
      [
        { minutes: 6, ratePerMinute: 2, post: 'table' },
        { minutes: 8, ratePerMinute: 1, post: 'tub' },
      ],
      { startStrain: 10, sessionMinutes: 60, fatiguePerMinute: 0.01 },
    );
    const solution = solve(problem);
    const drawer = new VisitDrawer(problem, solution.chosen, [SURE, SURE], STILL, randomLcg(0.7));
    const drawn = Array.from({ length: 200 }, () => drawer.draw()).filter((v) => !v.paused);
    expect(drawn.length).toBeGreaterThan(150);
    for (const v of drawn) {
      expect(v.minutes).toBeCloseTo(solution.value.minutes, 3);
      expect(v.hiddenPeak).toBeCloseTo(simulate(problem, solution.chosen).peak, 1);
      expect(v.finished).toBeTrue();
    }
  });
});

describe('the meter of a drawn visit', () => {
  const hard = plainProblem([{ minutes: 30, ratePerMinute: 16 }], { startStrain: 30, workMinutes: 100 });
  const calm = plainProblem([{ minutes: 10, ratePerMinute: 0.2 }], { startStrain: 2 });
  it('asks for pauses and says stop of a dog that is driven, hardly ever of a calm one', () => {
    const driven = odds(hard, [SURE]);
    expect(driven.pause.chance).toBeGreaterThan(0.95);
    expect(driven.stop.chance).toBeGreaterThan(0.1);
    // Pauses that do not help end it as well.
    const drawn = draw(hard, [SURE], {}, 300);
    expect(drawn.some((v) => !v.finished && !v.stopped)).toBeTrue();
    expect(drawn.filter((v) => v.finished).length).toBeLessThan(240);
    expect(odds(calm, [SURE]).pause.chance).toBeLessThan(0.02);
  });
  it('says stop only after it asked for a pause, and what was stopped is not done', () => {
    for (const v of draw(hard, [SURE], {}, 500)) {
      if (v.stopped) expect([v.paused, v.finished, v.peak >= STOP_AT]).toEqual([true, false, true]);
    }
  });
  it('sees less of dogs that go quiet: fewer pauses for the same strain', () => {
    const work = plainProblem([{ minutes: 20, ratePerMinute: 4 }], { startStrain: 20 });
    const share = (quietShare: number): number => odds(work, [SURE], { world: { quietShare } }).pause.chance;
    expect(share(1)).toBeLessThan(share(0));
  });
  it('is the one that the table would show, on a coarser grain: nearly the same peak, pauses and stops', () => {
    const steps = Array.from({ length: 6 }, (_, i) => ({ minutes: 9, ratePerMinute: 1 + (i % 3) }));
    const problem = plainProblem(steps, { startStrain: 10, workMinutes: 300 });
    const spreads = steps.map((_, i) => ({ rateShape: 6, minutesSpread: 0.2, work: String(i % 3) }));
    const drawer = new VisitDrawer(problem, inOrder(problem), spreads, worldAsModelled(6), randomLcg(0.83));
    const both = Array.from({ length: 250 }, () => {
      const drawn = drawer.draw(true);
      return { drawn, table: measureStrain(drawn.seen!, drawn.minutes) };
    });
    const share = (is: (b: (typeof both)[number]) => boolean): number => both.filter(is).length / both.length;
    const off = both.reduce((sum, b) => sum + Math.abs(b.drawn.peak - b.table.peak), 0) / both.length;
    expect(off).toBeLessThan(2);
    expect(share((b) => b.drawn.paused === b.table.peak >= PAUSE_AT)).toBeGreaterThan(0.92);
    expect(Math.abs(share((b) => b.drawn.paused) - share((b) => b.table.peak >= PAUSE_AT))).toBeLessThan(0.04);
    expect(share((b) => b.drawn.stopped === (b.table.band === 'stop'))).toBeGreaterThan(0.98);
    expect(share((b) => b.drawn.paused)).toBeGreaterThan(0.2);
  });
  it('ends at a snap: a dog that goes quiet gives less warning', () => {
    const work = plainProblem([{ minutes: 30, ratePerMinute: 9 }], { startStrain: 30, workMinutes: 100 });
    const drawer = new VisitDrawer(work, inOrder(work), [SURE], { ...STILL, quietShare: 1 }, randomLcg(0.21));
    const snapped = Array.from({ length: 500 }, () => drawer.draw(true)).filter((v) =>
      v.seen!.entries.some((e) => e.kind === 'signal' && (e.signal === 'snap' || e.signal === 'bite')),
    );
    expect(snapped.length).toBeGreaterThan(20);
    for (const v of snapped) expect([v.stopped, v.finished, v.paused]).toEqual([true, false, true]);
  });
  it('takes longer where it pauses', () => {
    const drawn = draw(hard, [SURE], {}, 300).filter((v) => v.paused && v.finished);
    for (const v of drawn) expect(v.minutes).toBeGreaterThan(35.9);
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
    expect(odds(problem, spreads, { seed: 5 }).minutes).not.toEqual(odds(problem, spreads, { seed: 6 }).minutes);
  });
  it('names the step that makes the peak differ', () => {
    const found = odds(problem, [SURE, { rateShape: 2, minutesSpread: 0.3 }]);
    expect(found.drivers[0]?.cause).toEqual({ kind: 'step', step: 1 });
    expect(found.drivers[0]?.share).toBeGreaterThan(0.95);
    expect(found.drivers.reduce((sum, d) => sum + d.share, 0)).toBeCloseTo(1, 9);
    expect(odds(problem, [SURE, SURE], { world: { daySpread: 0.3 } }).drivers[0]?.cause).toEqual({ kind: 'day' });
  });
  it('counts every visit once in the cells of the peak', () => {
    const found = odds(problem, [
      { rateShape: 2, minutesSpread: 0.3 },
      { rateShape: 2, minutesSpread: 0.3 },
    ]);
    expect(found.peakCells.reduce((a, b) => a + b, 0)).toBe(found.visits);
    expect(found.peak).toEqual([...found.peak].sort((a, b) => a - b));
  });
  it('refuses a step whose spread it was not told', () =>
    expect(() => oddsOf({ problem, chosen: [{ step: 1, breaks: [0] }], spreads: [SURE] })).toThrowError(RangeError));
});
