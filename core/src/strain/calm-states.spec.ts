import fc from 'fast-check';
import { CALM_STATES, MOODS, SIGNAL_IDS, type SIGNAL_TIERS, type SignalId, STRAIN_BANDS } from '../words/index.js';
import { isCalmState, measureStrain, PAD_SIGNALS, readCalmState, SIGNALS, type StrainEntry, uncountedSignals } from './index.js';

const at = (minute: number, signal: SignalId): StrainEntry => ({ kind: 'signal', minute, signal });
const look = (minute: number, mood: (typeof MOODS)[number]): StrainEntry => ({ kind: 'state_seen', minute, mood });

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
  it('set the band of the meter until somebody looks again', () => {
    const band = (...entries: StrainEntry[]): string => measureStrain(entries, 5, 6, 10).band;
    expect(band(look(1, 'still'))).toBe('settled');
    expect(band(look(1, 'tired_out'))).toBe('watch');
    expect(band(look(1, 'shut_down'))).toBe('pause');
    expect(band(look(1, 'shut_down'), look(2, 'relaxed'))).toBe('settled');
    expect(band(look(1, 'shut_down'), look(2, 'tense'))).toBe('settled');
    expect(band(look(1, 'tired_out'), at(2, 'growl'))).toBe('pause');
  });
  it('lower strain only when the dog is seen relaxed', () => {
    const strain = (mood: (typeof MOODS)[number]): number => measureStrain([look(1, mood)], 30, 6, 2).strain;
    expect(strain('relaxed')).toBe(22);
    for (const mood of MOODS.filter((m) => m !== 'relaxed')) expect(strain(mood)).withContext(mood).toBe(30);
    expect(measureStrain([look(1, 'relaxed')], 3, 6, 2).strain).toBe(0);
  });
  it('count as having been looked at', () => {
    expect(measureStrain([look(8, 'still')], 5, 6, 10).observed).toBeTrue();
    expect(measureStrain([look(2, 'still')], 5, 6, 10).observed).toBeFalse();
  });
});

describe('signs that say nothing, and signs that do not count', () => {
  it('a wag and lying down add nothing, lower nothing, and set no band', () => {
    for (const s of ['wag', 'lies_down'] as const) {
      expect(SIGNALS[s]).toEqual(jasmine.objectContaining({ tier: 'says_nothing', points: 0 }));
      expect(SIGNALS[s].sets).toBeUndefined();
      const m = measureStrain([at(1, 'growl'), at(2, s)], 10, 6, 3);
      expect([m.band, m.strain]).toEqual(['pause', measureStrain([at(1, 'growl')], 10, 6, 3).strain]);
    }
  });
  it('soiling counts, unless the dog is incontinent', () => {
    expect(uncountedSignals(['incontinent', 'heart'])).toEqual(['soiling']);
    expect(uncountedSignals(['heart'])).toEqual([]);
    expect(measureStrain([at(1, 'soiling')], 0, 6, 2).strain).toBe(14);
    expect(measureStrain([at(1, 'soiling')], 0, 6, 2, ['soiling']).strain).toBe(0);
  });
  it('no friendly sign ever lowers the band below what a hard sign has set', () => {
    const good = SIGNAL_IDS.filter((s) => SIGNALS[s].tier === 'good' || SIGNALS[s].tier === 'says_nothing');
    fc.assert(
      fc.property(
        fc.constantFrom('growl' as const, 'freeze' as const, 'bite' as const),
        fc.array(fc.constantFrom(...good), { maxLength: 12 }),
        (hard, signs) => {
          const entries = [at(1, hard), ...signs.map((s, i) => at(2 + i, s))];
          const before = measureStrain([at(1, hard)], 10, 6, 2).band;
          expect(STRAIN_BANDS.indexOf(measureStrain(entries, 10, 6, 30).band)).toBeGreaterThanOrEqual(STRAIN_BANDS.indexOf(before));
        },
      ),
    );
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
