import fc from 'fast-check';
import { HEAT_ACTIONS, ZONE_IDS } from '../../words/index.js';
import { HOUSE_DEFAULTS, houseRules } from '../house-rules/index.js';
import {
  adviseHeat,
  BLADE_HEAT_DEFAULTS,
  bladeCelsius,
  celsiusAfter,
  cem43Minutes,
  cem43OfRamp,
  doseOfZone,
  fitHeatModel,
  type HeatQuestion,
  metalThresholdCelsius,
  NEVER_ABOVE_CELSIUS,
  passesUntilCheck,
  secondsToCool,
  swapLineCelsius,
  takeTurns,
} from './index.js';

const MODEL = { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 };

// Sapareto & Dewey 1984, Int J Radiat Oncol Biol Phys 10:787–800: worked values computed from the definition.
describe('cem43Minutes', () => {
  const WORKED: readonly (readonly [number, number, number])[] = [
    [43, 60, 60],
    [44, 60, 120],
    [45, 10, 40],
    [45, 60, 240],
    [46, 30, 240],
    [42, 60, 15],
    [41, 60, 3.75],
    [40, 60, 0.9375],
    [39, 60, 0.234375],
    [48, 1, 32],
    [50, 1, 128],
  ];
  for (const [celsius, minutes, dose] of WORKED)
    it(`is ${dose} min for ${minutes} min at ${celsius} °C`, () => expect(cem43Minutes([{ celsius, minutes }])).toBeCloseTo(dose, 10));
  it('adds steps: 41, 42, 43, 44 °C for 5 min each are 16.5625', () =>
    expect(cem43Minutes([41, 42, 43, 44].map((celsius) => ({ celsius, minutes: 5 })))).toBeCloseTo(16.5625, 12));
  it('integrates ramps in closed form, either way', () => {
    expect(cem43OfRamp(43, 47, 10)).toBeCloseTo(54.10106403, 7);
    expect(cem43OfRamp(47, 43, 10)).toBeCloseTo(54.10106403, 7);
    expect(cem43OfRamp(39, 43, 10)).toBeCloseTo(1.79632439, 7);
    expect(cem43OfRamp(45, 45, 10)).toBe(40);
    expect(cem43OfRamp(41, 45, 10)).toBeCloseTo(cem43OfRamp(41, 43, 5) + cem43OfRamp(43, 45, 5), 9);
  });
  it('agrees with a sum of a thousand small steps', () => {
    const steps = Array.from({ length: 1000 }, (_, i) => ({ celsius: 40 + ((i + 0.5) * 6) / 1000, minutes: 12 / 1000 }));
    expect(cem43OfRamp(40, 46, 12)).toBeCloseTo(cem43Minutes(steps), 2);
  });
  it('lies between 256 and 480 at the three points of ISO 13732-1:2006 for metal: two standards agree', () => {
    for (const [celsius, minutes] of [
      [51, 1],
      [48, 10],
      [43, 480],
    ] as const) {
      const dose = cem43Minutes([{ celsius, minutes }]);
      expect(dose).toBeGreaterThanOrEqual(256);
      expect(dose).toBeLessThanOrEqual(480);
      expect(metalThresholdCelsius(minutes)).toBe(celsius);
    }
  });
  it('refuses negative time', () => {
    expect(() => cem43Minutes([{ celsius: 43, minutes: -1 }])).toThrowError(RangeError);
    expect(() => cem43OfRamp(40, 44, -1)).toThrowError(RangeError);
  });
});

// ISO 13732-1:2006 Table 1, uncoated metal, from memory.
describe('metalThresholdCelsius', () => {
  it('steps down at 1 min, 10 min and 8 h, and says nothing below a minute', () => {
    expect([0.9, 1, 9.9, 10, 479, 480].map(metalThresholdCelsius)).toEqual([undefined, 51, 51, 48, 48, 43]);
  });
  it('marks a zone that met more than human skin may, and never says harmless', () => {
    const over = doseOfZone([{ celsius: 51, minutes: 1 }], 'back');
    expect(over.reasons.map((r) => r.rule)).toEqual(['heat.dose', 'heat.over_human_limit']);
    const under = doseOfZone([{ celsius: 41, minutes: 4 }], 'back');
    expect(under.reasons.map((r) => r.rule)).toEqual(['heat.dose']);
    expect([under.hottestCelsius, under.longestMinutes]).toEqual([41, 4]);
    expect(under.cem43).toBeCloseTo(0.25, 12);
    expect([doseOfZone([], 'back').cem43, doseOfZone([], 'back').hottestCelsius]).toEqual([0, 0]);
  });
  it('keeps our own limit well below the limit for people', () => {
    expect(NEVER_ABOVE_CELSIUS).toBeLessThan(43);
  });
});

describe('several blades in turn', () => {
  it('reads a run, a rest, a spray and a thermometer', () => {
    expect(celsiusAfter([{ kind: 'run', seconds: 600 }], MODEL)).toBeCloseTo(47.2848224, 6);
    expect(celsiusAfter([{ kind: 'run', seconds: 600 }, { kind: 'spray' }], MODEL)).toBeCloseTo(22 + 25.2848224 / 2, 6);
    expect(
      celsiusAfter(
        [
          { kind: 'run', seconds: 600 },
          { kind: 'read', celsius: 30 },
        ],
        MODEL,
      ),
    ).toBe(30);
    expect(
      celsiusAfter(
        [
          { kind: 'read', celsius: 51 },
          { kind: 'rest', seconds: 286.15444 },
        ],
        MODEL,
      ),
    ).toBeCloseTo(40, 4);
    expect(celsiusAfter([])).toBe(BLADE_HEAT_DEFAULTS.ambientCelsius);
  });
  // Newton cooling in closed form: 51 to 40 °C at 22 °C, τ 600 s.
  it('cools from 51 to 40 °C in 286.15444 s, never below the room, at once when it is cool', () => {
    expect(secondsToCool(51, 40, MODEL)).toBeCloseTo(286.15444, 4);
    expect(secondsToCool(51, 22, MODEL)).toBe(Infinity);
    expect(secondsToCool(38, 40, MODEL)).toBe(0);
  });
  // Duty cycle of 300 s on and 120 s off, computed: peak 53.2640329, trough 47.5968252.
  it('settles at the published duty cycle', () => {
    const turns = Array.from({ length: 60 }, () => [
      { kind: 'run' as const, seconds: 300 },
      { kind: 'rest' as const, seconds: 120 },
    ]).flat();
    expect(celsiusAfter(turns, MODEL)).toBeCloseTo(47.5968252, 5);
    expect(celsiusAfter(turns.slice(0, -1), MODEL)).toBeCloseTo(53.2640329, 5);
  });
  it('never lets a blade pass the line, works all the time asked for, and waits less with more blades', () => {
    const waits = [1, 2, 3, 4].map((n) => {
      const plan = takeTurns(n, 1500, 40, MODEL);
      expect(plan.warmestCelsius).toBeLessThanOrEqual(40 + 1e-9);
      expect(plan.stints.reduce((sum, s) => sum + s.toSeconds - s.fromSeconds, 0)).toBeCloseTo(1500, 6);
      for (let i = 1; i < plan.stints.length; i++)
        expect(plan.stints[i]!.fromSeconds).toBeGreaterThanOrEqual(plan.stints[i - 1]!.toSeconds - 1e-9);
      return plan.waitedSeconds;
    });
    for (let i = 1; i < waits.length; i++) expect(waits[i]!).toBeLessThanOrEqual(waits[i - 1]!);
    expect(waits[0]!).toBeGreaterThan(0);
  });
  it('needs one stint for a short clip, begun at room temperature', () => {
    const plan = takeTurns(1, 60, 40, MODEL);
    expect(plan.stints).toEqual([{ blade: 0, fromSeconds: 0, toSeconds: 60, endCelsius: bladeCelsius(22, 60, true, MODEL) }]);
    expect(plan.waitedSeconds).toBe(0);
    expect(takeTurns(2, 0, 40, MODEL).stints).toEqual([]);
  });
  it('refuses no blade, and a room in which none cools', () => {
    expect(() => takeTurns(0, 60)).toThrowError(RangeError);
    expect(() => takeTurns(2, 60, 40, { ...MODEL, ambientCelsius: 34 })).toThrowError(RangeError);
  });
});

describe('fitHeatModel', () => {
  const at = (seconds: number, noise = 0) => ({ runSeconds: seconds, celsius: bladeCelsius(22, seconds, true, MODEL) + noise });
  it('finds the model that made exact readings, with no error', () => {
    const result = fitHeatModel(
      [60, 180, 300, 600, 900].map((s) => at(s)),
      22,
    );
    if (!result.ok) throw new Error(result.why);
    expect(result.fit.model.tauSeconds).toBeCloseTo(600, 2);
    expect(result.fit.model.riseAtFullRunCelsius).toBeCloseTo(40, 4);
    expect(result.fit.residualCelsius).toBeLessThan(1e-4);
    expect(result.fit.readings).toBe(5);
  });
  it('is the least-squares optimum: no neighbour fits better, and errors grow with noise', () => {
    const noisy = [at(60, 1), at(240, -1), at(360, 0.8), at(600, -0.6), at(900, 0.5)];
    const result = fitHeatModel(noisy, 22);
    if (!result.ok) throw new Error(result.why);
    const { model } = result.fit;
    const squares = (rise: number, tau: number): number =>
      noisy.reduce((sum, r) => sum + (r.celsius - 22 - rise * (1 - Math.exp(-r.runSeconds / tau))) ** 2, 0);
    const best = squares(model.riseAtFullRunCelsius, model.tauSeconds);
    for (const [dr, dt] of [
      [0.2, 0],
      [-0.2, 0],
      [0, 8],
      [0, -8],
      [0.2, 8],
    ] as const)
      expect(squares(model.riseAtFullRunCelsius + dr, model.tauSeconds + dt)).toBeGreaterThan(best);
    expect(result.fit.residualCelsius).toBeCloseTo(Math.sqrt(best / 3), 6);
    const doubled = fitHeatModel([at(60, 2), at(240, -2), at(360, 1.6), at(600, -1.2), at(900, 1)], 22);
    if (!doubled.ok) throw new Error(doubled.why);
    expect(doubled.fit.riseError).toBeGreaterThan(result.fit.riseError);
    expect(doubled.fit.tauError).toBeGreaterThan(result.fit.tauError);
    expect(result.fit.tauError).toBeGreaterThan(10);
  });
  it('says why when readings tell nothing', () => {
    expect(fitHeatModel([at(60), at(120), at(300)], 22)).toEqual({ ok: false, why: 'too_few' });
    expect(fitHeatModel([at(0), at(60), at(120), at(300)], 22)).toEqual({ ok: false, why: 'too_few' });
    expect(fitHeatModel([at(300), at(310), at(320), at(330)], 22)).toEqual({ ok: false, why: 'too_close' });
    expect(
      fitHeatModel(
        [60, 200, 400, 800].map((runSeconds) => ({ runSeconds, celsius: 20 })),
        22,
      ),
    ).toEqual({ ok: false, why: 'not_warming' });
  });
});

describe('adviseHeat', () => {
  const ask = (change: Partial<HeatQuestion> = {}): HeatQuestion => ({
    celsius: 28,
    sinceTouchSeconds: 0,
    touched: undefined,
    zone: 'back',
    coolOneThere: true,
    house: HOUSE_DEFAULTS,
    ...change,
  });
  const action = (change: Partial<HeatQuestion>): string => adviseHeat(ask(change)).action;

  it('asks for a touch after a swap, and before each thin-skinned place (handbook 10; common practice, no source)', () => {
    const cool = { celsius: 24, sinceTouchSeconds: 0, touched: undefined };
    expect(action({ ...cool, zone: 'back', untouchedSince: 'swap' })).toBe('check');
    expect(action({ ...cool, zone: 'back', untouchedSince: 'place' })).toBe('go_on');
    expect(action({ ...cool, zone: 'belly', untouchedSince: 'place' })).toBe('check');
    expect(action({ ...cool, zone: 'belly' })).toBe('go_on');
  });

  it('goes on with a cool blade, and says how long', () => {
    const a = adviseHeat(ask());
    expect(a.action).toBe('go_on');
    expect(a.minutesToSwap).toBeCloseTo((600 * Math.log(34 / 22)) / 60, 9);
    expect(a.reasons.length).toBe(1);
  });
  // Common practice, no source: check by 3 min, and before each thin-skinned zone.
  it('checks by 3 min of running', () => {
    expect(action({ sinceTouchSeconds: 179 })).toBe('go_on');
    expect(action({ sinceTouchSeconds: 180 })).toBe('check');
  });
  it('checks before thin skin after a minute', () => {
    expect(action({ zone: 'groin_left', sinceTouchSeconds: 59 })).toBe('go_on');
    expect(action({ zone: 'groin_left', sinceTouchSeconds: 60 })).toBe('check');
  });
  it('swaps or cools at 40 °C, a degree sooner on thin skin', () => {
    expect(action({ celsius: 39.9 })).toBe('go_on');
    expect(action({ celsius: 40 })).toBe('swap');
    expect(action({ celsius: 40, coolOneThere: false })).toBe('cool');
    expect(action({ celsius: 39, zone: 'groin_left' })).toBe('swap');
    expect(swapLineCelsius('groin_left', HOUSE_DEFAULTS)).toBe(39);
  });
  it('stops above 42 °C, in any house (floor)', () => {
    for (const bladeTooWarm of ['warm_inner_arm', 'hot_wrist'] as const) {
      expect(action({ celsius: 42.01, house: houseRules({ bladeTooWarm }) })).toBe('stop');
      for (const zone of ZONE_IDS) expect(swapLineCelsius(zone, houseRules({ bladeTooWarm }))).toBeLessThanOrEqual(42);
    }
    expect(action({ celsius: 42 })).toBe('swap');
  });
  it('believes a touch before any estimate: warm swaps, hot stops; cool proves nothing', () => {
    expect(action({ touched: 'warm' })).toBe('swap');
    expect(action({ touched: 'hot' })).toBe('stop');
    expect(action({ touched: 'cool', celsius: 41 })).toBe('swap');
  });
  it('watches a warm blade where only a hot wrist counts, and swaps a degree later (house rule)', () => {
    const house = houseRules({ bladeTooWarm: 'hot_wrist' });
    expect(action({ touched: 'warm', house })).toBe('check');
    expect(action({ celsius: 40.5, house })).toBe('go_on');
    expect(action({ celsius: 41, house })).toBe('swap');
  });
  it('counts passes to the next touch: the 3 min come first on a cold blade, the line on a warm one', () => {
    expect(passesUntilCheck(22, 'back', 4, HOUSE_DEFAULTS)).toBe(45);
    expect(passesUntilCheck(38, 'back', 4, HOUSE_DEFAULTS)).toBe(Math.floor((600 * Math.log(24 / 22)) / 4));
    expect(passesUntilCheck(40, 'back', 4, HOUSE_DEFAULTS)).toBe(0);
    expect(() => passesUntilCheck(22, 'back', 0, HOUSE_DEFAULTS)).toThrowError(RangeError);
  });
  it('is never less careful for a hotter blade or a longer run', () => {
    const order = (q: HeatQuestion): number => HEAT_ACTIONS.indexOf(adviseHeat(q).action);
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 48, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 300 }),
        fc.constantFrom(...ZONE_IDS),
        fc.constantFrom(undefined, 'cool' as const, 'warm' as const),
        (celsius, hotter, seconds, longer, zone, touched) => {
          const q = ask({ celsius, sinceTouchSeconds: seconds, zone, touched });
          expect(order({ ...q, celsius: celsius + hotter })).toBeGreaterThanOrEqual(order(q));
          expect(order({ ...q, sinceTouchSeconds: seconds + longer })).toBeGreaterThanOrEqual(order(q));
          expect(order({ ...q, touched: 'hot' })).toBe(HEAT_ACTIONS.indexOf('stop'));
        },
      ),
    );
  });
});
