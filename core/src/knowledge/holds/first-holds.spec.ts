import { aHoldQuestion } from '../../testing/hold-questions.js';
import type { HoldId, Reach } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';
import { houseRules } from '../house-rules/index.js';
import { chooseHold, type HoldChoice, type HoldQuestion } from './index.js';

const ask = (...args: Parameters<typeof aHoldQuestion>): HoldChoice => chooseHold(aHoldQuestion(...args));
const rules = (c: HoldChoice): string[] => c.reasons.map((r) => r.rule);

// Common practice, no source: the least hold that reaches a place on a dog of 18 kg with nothing against it.
describe('the least hold for a place', () => {
  const FACTS: readonly (readonly [readonly Reach[], HoldId, readonly HoldId[]])[] = [
    [['body'], 'hand_resting', []],
    [['washing'], 'hand_resting', []],
    [['head'], 'chin_hair', []],
    [['throat'], 'cupped_chin', []],
    [['armpits'], 'foreleg_forward', []],
    [['armpits', 'underside'], 'foreleg_forward', ['belly_support']],
    [['fore_feet'], 'leg_folded', []],
    [['hind_feet'], 'leg_folded', []],
    [['nails'], 'leg_folded', []],
    [['rear'], 'tail_root', []],
    [['rear', 'underside'], 'tail_root', []],
    [['underside'], 'belly_support', []],
  ];
  for (const [reaches, hold, also] of FACTS) {
    it(`${reaches.join(' and ')}: ${hold}`, () => {
      const c = ask({ reaches });
      expect([c.hold, c.also, c.rejected, c.forVet, c.needsHelper]).toEqual([hold, also, [], false, false]);
    });
  }

  it('carries the belly of a dog of 20 kg while a hind leg is up, not of 19.9, and not for a forefoot', () => {
    expect(ask({ reaches: ['hind_feet'] }, { weightKg: 20 }).also).toEqual(['belly_support']);
    expect(rules(ask({ reaches: ['hind_feet'] }, { weightKg: 20 }))).toEqual(['hold.belly_support']);
    expect(ask({ reaches: ['hind_feet'] }, { weightKg: 19.9 }).also).toEqual([]);
    expect(ask({ reaches: ['fore_feet'] }, { weightKg: 30 }).also).toEqual([]);
    expect(ask({ reaches: ['hind_feet'] }, { conditions: ['arthritis'] }).also).toEqual(['belly_support']);
  });
  it('says so once when the belly is carried for two reasons', () =>
    expect(rules(ask({ reaches: ['armpits', 'underside'] })).filter((r) => r === 'hold.belly_support').length).toBe(1));
  it('lies down for the joint that is asked to move, and for no other', () => {
    expect(ask({ reaches: ['hind_feet'] }, {}, { joints: { shoulder_left: 'painful' } }).hold).toBe('leg_folded');
    // A foreleg lifted is weight on a hip that hurts.
    expect(ask({ reaches: ['fore_feet'] }, {}, { joints: { hip_left: 'painful' } }).hold).toBe('lap_or_side');
    expect(ask({ reaches: ['fore_feet'] }, {}, { joints: { hip_left: 'stiff' } }).hold).toBe('leg_folded');
    expect(ask({ reaches: ['fore_feet'] }, {}, { joints: { elbow_right: 'stiff' } }).hold).toBe('lap_or_side');
    expect(ask({ reaches: ['underside'] }, {}, { joints: { knee_right: 'stiff' } }).hold).toBe('lap_or_side');
    expect(ask({ reaches: ['body'] }, {}, { joints: { hip_left: 'painful', shoulder_left: 'painful' } }).hold).toBe('hand_resting');
    const worst = ask({ reaches: ['nails'] }, {}, { joints: { hip_left: 'stiff', knee_right: 'painful' } });
    expect(worst.reasons[0]!.facts).toEqual({ joint: 'knee_right', comfort: 'painful' });
  });
  it('lays no dog down that is short of breath, and holds no head on a sore neck', () => {
    const breathless = ask({ reaches: ['hind_feet'] }, { conditions: ['heart'] }, { joints: { hip_left: 'painful' } });
    expect(breathless.hold).toBe('belly_support');
    expect(breathless.rejected.map((r) => r.hold)).toEqual(jasmine.arrayContaining(['leg_folded', 'lap_or_side']));
    expect(ask({ reaches: ['nails'] }, { conditions: ['airway'], weightKg: 4 }).hold).toBe('leg_folded');
    const neck = ask({ reaches: ['head'] }, {}, { joints: { neck: 'stiff' } });
    expect(neck.hold).toBe('hand_resting');
    expect(rules(neck)).toContain('hold.sore_neck_natural');
  });
  it('lets a senior lie where every reach can be done lying, and says nails never standing', () => {
    const old = { born: '2009-01-01' };
    expect(rules(ask({ reaches: ['nails'] }, old))).toContain('hold.senior_nails_lying');
    expect(rules(ask({ reaches: ['fore_feet'] }, old))).toContain('hold.senior_lies');
    expect(ask({ reaches: ['fore_feet', 'rear'] }, old).hold).toBe('leg_folded');
    expect(ask({ reaches: ['nails'] }, { ...old, weightKg: 5 }).hold).toBe('under_arm');
    expect(ask({ reaches: ['body'] }, old).hold).toBe('hand_resting');
  });
  it('needs a second person for 32 kg in the tub and while a hind leg is up, and says why once', () => {
    const heavy = { weightKg: 40 };
    expect(rules(ask({ reaches: ['hind_feet'] }, heavy))).toEqual(jasmine.arrayContaining(['hold.heavy_helper']));
    expect(ask({ reaches: ['hind_feet'] }, heavy).needsHelper).toBeTrue();
    expect(ask({ reaches: ['washing'] }, heavy).also).toEqual(['helper']);
    expect(ask({ reaches: ['head'] }, heavy).needsHelper).toBeFalse();
    const guarded = ask({ reaches: ['hind_feet'], painful: true, helperThere: true }, { ...heavy, biteHistory: true });
    expect(rules(guarded)).not.toContain('hold.heavy_helper');
    expect(guarded.also.filter((h) => h === 'helper').length).toBe(1);
  });
});

describe('who is guarded', () => {
  const guarded = (change: Partial<HoldQuestion>, dog: Partial<DogFacts> = {}): boolean => ask(change, dog).also.includes('muzzle');
  const reacts = { triggers: [{ cause: 'nails' as const }] };
  it('a dog that bit, where it hurts or minds; another where it hurts and minds and is known to react', () => {
    expect(guarded({ painful: true }, { biteHistory: true })).toBeTrue();
    expect(guarded({ triggered: true }, { biteHistory: true })).toBeTrue();
    expect(guarded({}, { biteHistory: true })).toBeFalse();
    expect(guarded({ painful: true, triggered: true }, reacts)).toBeTrue();
    expect(guarded({ painful: true }, reacts)).toBeFalse();
    expect(guarded({ triggered: true }, reacts)).toBeFalse();
    expect(guarded({ painful: true, triggered: true })).toBeFalse();
  });
  it('a helper stands at the head when there is one, and the whole visit is said only by that house', () => {
    const c = ask({ triggered: true, helperThere: true }, { biteHistory: true, muzzleUsed: true });
    expect(c.also).toEqual(['muzzle', 'helper']);
    expect([c.needsHelper, c.forVet]).toEqual([true, false]);
    expect(rules(c)).toEqual(['hold.muzzle_before_first_tool', 'hold.helper_with_bite']);
    const alone = ask({ painful: true }, { biteHistory: true });
    expect([alone.also, alone.needsHelper]).toEqual([['muzzle'], false]);
    const whole = ask({ painful: true, house: houseRules({ muzzle: 'whole_visit' }) }, { biteHistory: true });
    expect(rules(whole)).toContain('hold.house_muzzle_whole_visit');
  });
  it('instead of a muzzle a helper, who is needed', () => {
    const c = ask({ triggered: true, helperThere: true }, { biteHistory: true, nose: 'short' });
    expect([c.also, c.needsHelper, c.forVet]).toEqual([['helper'], true, false]);
    expect(rules(c)).toEqual(['hold.helper_instead_of_muzzle']);
  });
});
