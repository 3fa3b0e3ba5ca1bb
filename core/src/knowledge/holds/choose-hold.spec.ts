import { ENGLISH } from '../../locales/en/index.js';
import { stretch } from '../../locales/index.js';
import { aHoldQuestion } from '../../testing/hold-questions.js';
import { HOLD_IDS } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';
import { chooseHold, type HoldChoice, HOLDS } from './index.js';

const ask = (...args: Parameters<typeof aHoldQuestion>): HoldChoice => chooseHold(aHoldQuestion(...args));

// Common practice, no source.
describe('chooseHold', () => {
  it('rests a hand on a calm dog', () => expect(ask({}).hold).toBe('hand_resting'));
  it('holds small dogs like a parcel for nails', () => expect(ask({ reaches: ['nails'] }, { weightKg: 6 }).hold).toBe('under_arm'));
  it('lets a senior lie for nails, feet and folds', () => {
    for (const reaches of [['nails'], ['fore_feet', 'hind_feet'], ['armpits']] as const)
      expect(ask({ reaches }, { born: '2009-01-01' }).hold).toBe('lap_or_side');
  });
  it('lifts no leg over a stiff hip, and says why', () => {
    const c = ask({ reaches: ['hind_feet'] }, {}, { joints: { hip_left: 'stiff' } });
    expect(c.hold).toBe('lap_or_side');
    expect(c.rejected.map((r) => r.because.rule)).toContain('hold.sore_hind_not_lifted');
  });
  it('takes no foreleg forward with a sore shoulder', () =>
    expect(ask({ reaches: ['armpits'] }, {}, { joints: { shoulder_left: 'painful' } }).hold).toBe('lap_or_side'));
  it('carries the belly of a big dog while a leg is up', () =>
    expect(ask({ reaches: ['hind_feet'] }, { weightKg: 28 }).also).toContain('belly_support'));
  it('lifts a heavy dog by two into the tub', () => {
    const c = ask({ reaches: ['washing'] }, { weightKg: 40 });
    expect(c.also).toContain('helper');
    expect(c.reasons[0]?.rule).toBe('hold.heavy_lift');
  });
  it('carries no belly while no leg is up', () => expect(ask({ reaches: ['rear', 'underside'] }).also).toEqual([]));
  it('does not grip a short nose', () => {
    const c = ask({ reaches: ['head'] }, { nose: 'short' });
    expect(c.rejected.map((r) => r.hold)).toContain('muzzle_steady');
    expect(c.hold).toBe('behind_jaw');
  });
  it('lets a puppy move, not leave', () => expect(ask({ reaches: ['head'] }, { born: '2026-08-20' }).hold).toBe('behind_jaw'));
  it('muzzles a dog that bit where it hurts, before the first tool', () => {
    const c = ask({ painful: true }, { biteHistory: true });
    expect(c.also).toContain('muzzle');
    expect(c.reasons[0]?.rule).toBe('hold.muzzle_before_first_tool');
  });
  it('muzzles nobody for a bite history alone', () => expect(ask({}, { biteHistory: true }).also).not.toContain('muzzle'));

  for (const [name, dog, reaches] of [
    ['a short nose', { nose: 'short' }, ['body']],
    ['a heart', { conditions: ['heart'] }, ['body']],
    ['a tub', {}, ['washing']],
  ] as const) {
    it(`puts no muzzle on with ${name}: what hurts is a vet’s, a helper stands in only for what does not`, () => {
      const dangerous = { biteHistory: true, ...dog } as Partial<DogFacts>;
      const alone = ask({ painful: true, reaches }, dangerous);
      expect(alone.also).not.toContain('muzzle');
      expect(alone.forVet).toBeTrue();
      const helped = ask({ painful: true, reaches, helperThere: true }, dangerous);
      expect([helped.forVet, helped.also.includes('helper')]).toEqual([true, false]);
      const painless = ask({ triggered: true, reaches, helperThere: true }, dangerous);
      expect(painless.forVet).toBeFalse();
      expect(painless.also).toContain('helper');
    });
  }
  it('touches before each move on a blind or deaf dog', () =>
    expect(ask({}, { conditions: ['blind'] }).reasons.map((r) => r.rule)).toContain('hold.touch_before_move'));
  it('always gives a reason', () => expect(ask({}).reasons.length).toBeGreaterThan(0));

  it('knows of each hold where it must not press, and a cap', () => {
    for (const h of HOLD_IDS) {
      expect(ENGLISH.holdMustNotPress[h].length).withContext(h).toBeGreaterThan(0);
      expect(HOLDS[h].capMinutes).withContext(h).toBeGreaterThan(0);
    }
    expect((['cupped_chin', 'muzzle'] as const).map((h) => stretch(ENGLISH, HOLDS[h].capMinutes))).toEqual(['5 s', '15 min']);
    expect(HOLDS.muzzle.capMinutes).toBeLessThanOrEqual(15);
  });
});
