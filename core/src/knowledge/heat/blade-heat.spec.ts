import { bladeCelsius, NEVER_ABOVE_CELSIUS, secondsUntilCelsius, SWAP_AT_CELSIUS } from './index.js';

// Newton's law with constant heating; reference values computed with an independent RK4 integration.
const MODEL = { ambientCelsius: 22, riseAtFullRunCelsius: 40, tauSeconds: 600 };

describe('blade heat', () => {
  for (const [seconds, celsius] of [
    [60, 25.8065033],
    [300, 37.7387736],
    [600, 47.2848224],
    [900, 53.0747936],
    [1800, 60.0085173],
  ] as const) {
    it(`is ${celsius} °C after ${seconds} s of running`, () => expect(bladeCelsius(22, seconds, true, MODEL)).toBeCloseTo(celsius, 6));
  }
  for (const [celsius, seconds] of [
    [43, 446.66428],
    [48, 629.89327],
    [51, 774.59051],
  ] as const) {
    it(`reaches ${celsius} °C after ${seconds} s`, () => expect(secondsUntilCelsius(22, celsius, MODEL)).toBeCloseTo(seconds, 4));
  }
  it('never reaches the temperature it settles at', () => expect(secondsUntilCelsius(22, 62, MODEL)).toBe(Infinity));

  it('cools from 51 to 40 °C in 286.154 s', () => expect(bladeCelsius(51, 286.15444, false, MODEL)).toBeCloseTo(40, 5));

  it('has the same end whether the time is run in one go or in two', () => {
    expect(bladeCelsius(bladeCelsius(22, 200, true, MODEL), 340, true, MODEL)).toBeCloseTo(bladeCelsius(22, 540, true, MODEL), 10);
  });

  it('swings between 47.597 and 53.264 °C at 300 s on and 120 s off', () => {
    let c = 22;
    for (let i = 0; i < 60; i++) c = bladeCelsius(bladeCelsius(c, 300, true, MODEL), 120, false, MODEL);
    expect(c).toBeCloseTo(47.5968252, 6);
    expect(bladeCelsius(c, 300, true, MODEL)).toBeCloseTo(53.2640329, 6);
  });

  it('follows a published worked example: a thermocouple junction, τ 1 s, 25 to 199 °C in gas of 200 °C takes 5.2 s (Incropera, Fundamentals of Heat and Mass Transfer, Ex. 5.1, from memory)', () => {
    expect(secondsUntilCelsius(25, 199, { ambientCelsius: 25, riseAtFullRunCelsius: 175, tauSeconds: 1 })).toBeCloseTo(5.16479, 4);
  });

  it('keeps our limits below the 43 °C of ISO 13732-1:2006 for metal and long contact (from memory)', () => {
    expect(SWAP_AT_CELSIUS).toBeLessThan(NEVER_ABOVE_CELSIUS);
    expect(NEVER_ABOVE_CELSIUS).toBeLessThan(43);
  });

  it('refuses time that runs backwards', () => expect(() => bladeCelsius(22, -1, true)).toThrowError(RangeError));
});
