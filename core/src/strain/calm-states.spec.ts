import { looks, readMeter, sign } from '../testing/read-meter.js';
import { CALM_STATES, MOODS, SIGNAL_IDS, type SIGNAL_TIERS } from '../words/index.js';
import { isCalmState, PAD_SIGNALS, readCalmState, SIGNALS, type StrainEntry, uncountedSignals } from './index.js';

// Common practice, no source: relaxed, still, tired out and shut down look alike: they are four different entries.
describe('calm states', () => {
  it('are four, and only one is recovery seen', () => {
    expect(CALM_STATES).toEqual(['relaxed', 'still', 'tired_out', 'shut_down']);
    expect(CALM_STATES.map((s) => readCalmState(s).recovers)).toEqual([true, true, false, false]);
    expect(CALM_STATES.map((s) => readCalmState(s).bandAtLeast)).toEqual(['settled', 'settled', 'watch', 'pause']);
    expect(CALM_STATES.map((s) => readCalmState(s).goOn)).toEqual([true, true, true, false]);
    expect(CALM_STATES.map((s) => readCalmState(s).reasons[0]!.rule)).toEqual([
      'calm.relaxed',
      'calm.still',
      'calm.tired_out',
      'calm.shut_down',
    ]);
  });
  it('are told from the other moods', () => expect(MOODS.filter(isCalmState)).toEqual(['relaxed', 'still', 'tired_out', 'shut_down']));
  it('lower strain only when the dog is seen relaxed', () => {
    const strain = (entries: readonly StrainEntry[]): number => readMeter(entries, 2, { start: 30 }).strain;
    expect(strain([looks(1, 'relaxed')])).toBeLessThan(strain([]) - 1);
    for (const mood of MOODS.filter((m) => m !== 'relaxed'))
      expect(strain([looks(1, mood)]))
        .withContext(mood)
        .toBeGreaterThanOrEqual(strain([]) - 1e-9);
  });
});

describe('signs that say nothing, and signs that do not count', () => {
  it('a wag and lying down add nothing, lower nothing, and set no band', () => {
    for (const s of ['wag', 'lies_down'] as const) {
      expect(SIGNALS[s]).toEqual(jasmine.objectContaining({ tier: 'says_nothing', points: 0 }));
      expect(SIGNALS[s].sets).toBeUndefined();
      const m = readMeter([sign(1, 'growl'), sign(2, s)], 3);
      expect([m.band, m.strain]).toEqual(['pause', readMeter([sign(1, 'growl')], 3).strain]);
    }
  });
  it('soiling counts, unless the dog is incontinent', () => {
    expect(uncountedSignals(['incontinent', 'heart'])).toEqual(['soiling']);
    expect(uncountedSignals(['heart'])).toEqual([]);
    const none = readMeter([], 2).strain;
    expect(readMeter([sign(1, 'soiling')], 2).strain).toBeGreaterThan(none + 2);
    expect(readMeter([sign(1, 'soiling')], 2, { uncounted: ['soiling'] }).strain).toBeCloseTo(none, 9);
  });
});

// Canine ladder of aggression, K. Shepherd, BSAVA Manual of Canine and Feline Behavioural Medicine, 2nd ed. 2009, from memory.
describe('points of signals', () => {
  it('rise with the rung of the ladder', () => {
    const rungs = SIGNAL_IDS.filter((s) => SIGNALS[s].rung !== undefined).sort((a, b) => SIGNALS[a].rung! - SIGNALS[b].rung!);
    expect(rungs.length).toBeGreaterThan(10);
    for (const a of rungs)
      for (const b of rungs)
        if (SIGNALS[b].rung! - SIGNALS[a].rung! >= 3)
          expect(SIGNALS[b].points).withContext(`${a} below ${b}`).toBeGreaterThan(SIGNALS[a].points);
    expect(rungs.at(-1)).toBe('bite');
    expect(SIGNALS.growl.points).toBeLessThan(SIGNALS.snap.points);
    expect(SIGNALS.snap.points).toBeLessThan(SIGNALS.bite.points);
  });
  it('rise with the tier, and only good ones lower strain', () => {
    const of = (tier: (typeof SIGNAL_TIERS)[number]): number[] =>
      SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier).map((s) => SIGNALS[s].points);
    expect(Math.max(...of('early'))).toBeLessThan(Math.min(...of('rising')));
    expect(Math.max(...of('rising'))).toBeLessThan(Math.min(...of('hard')));
    expect(Math.max(...of('good'))).toBeLessThan(0);
    expect(of('body_alarm').every((p) => p >= 40)).toBeTrue();
  });
  it('hard signs pause and then stop; snap, bite and body alarms stop at once', () => {
    for (const s of ['freeze', 'growl', 'scream', 'struggle'] as const) expect(SIGNALS[s].sets).withContext(s).toEqual(['pause', 'stop']);
    for (const s of ['snap', 'bite', 'gums_colour', 'hard_breath', 'collapse', 'fit', 'bloat_retch'] as const)
      expect(SIGNALS[s].sets).withContext(s).toEqual(['stop', 'stop']);
    for (const s of SIGNAL_IDS) expect(SIGNALS[s].sets !== undefined).toBe(['hard', 'body_alarm'].includes(SIGNALS[s].tier));
    for (const s of PAD_SIGNALS) expect(SIGNAL_IDS).toContain(s);
  });
});
