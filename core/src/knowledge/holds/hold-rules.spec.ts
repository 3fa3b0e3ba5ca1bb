import fc from 'fast-check';
import { NOTHING_FOUND, otherLeg } from '../../findings/index.js';
import { ENGLISH } from '../../locales/en/index.js';
import { aDog, SPEC_DAY } from '../../testing/dogs.js';
import { sayReason } from '../../testing/english.js';
import { aHoldQuestion } from '../../testing/hold-questions.js';
import { CONDITIONS, HOLD_IDS, type HouseRules, JOINT_COMFORTS, JOINTS, LEGS, REACHES } from '../../words/index.js';
import { type DogFacts, dogKinds } from '../dogs/index.js';
import { HOUSE_DEFAULTS, houseRules } from '../house-rules/index.js';
import {
  adviseLoop,
  adviseReward,
  adviseVoice,
  chooseHold,
  gapsWithoutHold,
  goodSigns,
  type HoldChoice,
  type HoldQuestion,
  HOLDS,
  type LoopAdvice,
  muzzleBan,
  protectionAfter,
  PUPPY_HELD_STILL_MINUTES,
} from './index.js';

const question = aHoldQuestion;
const ask = (...args: Parameters<typeof question>): HoldChoice => chooseHold(question(...args));
const rules = (...args: Parameters<typeof question>): string[] => ask(...args).reasons.map((r) => r.rule);

// Common practice, no source.
describe('the favoured leg', () => {
  it('leaves the weak one with the weight when the strong one is lifted: the body is carried', () => {
    const c = ask({ reaches: ['hind_feet'] }, {}, { favours: 'hind_left' });
    expect(c.also).toContain('belly_support');
    const said = c.reasons.find((r) => r.rule === 'hold.favoured_leg')!;
    expect(said.facts).toEqual({ weak: 'hind_left', strong: 'hind_right' });
    expect(c.reasons.map((r) => r.rule)).toContain('hold.rear_first');
  });
  it('counts in front too, but nobody turns rear first for a foreleg', () => {
    const c = ask({ reaches: ['fore_feet'] }, {}, { favours: 'fore_right' });
    expect(c.also).toContain('belly_support');
    expect(c.reasons.map((r) => r.rule)).not.toContain('hold.rear_first');
  });
  it('does not matter where no leg is lifted, or where the dog lies', () => {
    expect(rules({ reaches: ['head'] }, {}, { favours: 'hind_left' })).not.toContain('hold.favoured_leg');
    expect(rules({ reaches: ['fore_feet'] }, {}, { favours: 'hind_left' })).not.toContain('hold.favoured_leg');
    expect(rules({ reaches: ['nails'] }, { born: '2009-01-01', weightKg: 18 }, { favours: 'hind_left' })).not.toContain(
      'hold.favoured_leg',
    );
  });
  it('has another across', () => {
    for (const leg of LEGS) {
      expect(otherLeg(otherLeg(leg))).toBe(leg);
      expect(otherLeg(leg).slice(0, 4)).toBe(leg.slice(0, 4));
      expect(otherLeg(leg)).not.toBe(leg);
    }
  });
});

describe('schools of the house', () => {
  const bit = { biteHistory: true };
  const house = (change: Partial<HouseRules>): { house: HouseRules } => ({ house: houseRules(change) });
  it('muzzle for painful steps, through the visit, or never', () => {
    expect(ask({ painful: true }, bit).also).toContain('muzzle');
    expect(ask({}, bit).also).not.toContain('muzzle');
    expect(ask(house({ muzzle: 'whole_visit' }), bit).also).toContain('muzzle');
    expect(ask(house({ muzzle: 'whole_visit' })).also).not.toContain('muzzle');
    const never = ask({ painful: true, helperThere: true, ...house({ muzzle: 'never' }) }, bit);
    expect([never.forVet, never.also.includes('muzzle')]).toEqual([true, false]);
    expect(never.rejected[0]!.because.rule).toBe('hold.house_never_muzzle');
  });
  it('the muzzle of the whole visit comes off for water, and sends no calm step to a vet', () => {
    const wet = ask({ reaches: ['washing'], ...house({ muzzle: 'whole_visit' }) }, bit);
    expect([wet.also, wet.forVet]).toEqual([[], false]);
    const short = ask(house({ muzzle: 'whole_visit' }), { ...bit, nose: 'short' });
    expect([short.also, short.forVet]).toEqual([[], false]);
    expect(short.rejected[0]!.because.rule).toBe('hold.no_muzzle_short_nose');
  });
  it('food at the muzzle only where house and owner give it', () => {
    expect(rules({ painful: true }, bit)).toContain('hold.muzzle_before_first_tool');
    expect(rules({ painful: true }, { ...bit, treatsAllowed: false })).toContain('hold.muzzle_without_food');
    expect(rules({ painful: true, ...house({ rewards: 'none' }) }, bit)).toContain('hold.muzzle_without_food');
  });
  it('a struggling puppy is held still for seconds, or let go', () => {
    const puppy = { born: '2026-08-20' };
    const still = ask({ reaches: ['head'] }, puppy);
    expect(still.capMinutes).toBe(PUPPY_HELD_STILL_MINUTES);
    expect(still.reasons.map((r) => r.rule)).toContain('hold.puppy_hold_still');
    const free = ask({ reaches: ['head'], ...house({ puppyStruggle: 'let_go' }) }, puppy);
    expect(free.capMinutes).toBe(HOLDS.behind_jaw.capMinutes);
    expect(free.reasons.map((r) => r.rule)).toContain('hold.puppy_let_go');
    expect(ask({ reaches: ['head'] }).capMinutes).toBe(HOLDS.chin_hair.capMinutes);
  });
  it('the throat with the head up for seconds, or in natural carriage; a sore neck is never held up', () => {
    expect(ask({ reaches: ['throat'] }).hold).toBe('cupped_chin');
    expect(ask({ reaches: ['throat'], ...house({ throatLine: 'natural' }) }).hold).toBe('hand_resting');
    const sore = ask({ reaches: ['throat'] }, {}, { joints: { neck: 'stiff' } });
    expect(sore.hold).toBe('hand_resting');
    expect(sore.rejected.map((r) => r.because.rule)).toContain('hold.sore_neck_not_up');
    expect(rules({ reaches: ['throat'] }, { nose: 'short' })).toContain('hold.short_nose_head_up');
  });
});

describe('a muzzle, in every school (floor)', () => {
  for (const [name, dog, more, rule] of [
    ['a short nose', { nose: 'short' }, {}, 'hold.no_muzzle_short_nose'],
    ['airway disease', { conditions: ['airway'] }, {}, 'hold.no_muzzle_breath'],
    ['heart disease', { conditions: ['heart'] }, {}, 'hold.no_muzzle_breath'],
    ['a cough', { conditions: ['cough'] }, {}, 'hold.no_muzzle_breath'],
    ['a dog that may be sick', {}, { mayBeSick: true }, 'hold.no_muzzle_sick'],
    ['a wet dog', {}, { reaches: ['washing'] }, 'hold.no_muzzle_wet'],
    ['a dog that is already fighting', {}, { fighting: true }, 'hold.no_muzzle_fighting'],
  ] as const satisfies readonly (readonly [string, Partial<DogFacts>, Partial<HoldQuestion>, string])[]) {
    it(`never goes on with ${name}`, () => {
      for (const muzzle of ['painful_steps', 'whole_visit'] as const) {
        const q = question({ painful: true, house: houseRules({ muzzle }), ...more }, { biteHistory: true, ...dog });
        expect(muzzleBan(q)?.rule).toBe(rule);
        expect(chooseHold(q).also).not.toContain('muzzle');
        expect(chooseHold(q).forVet).toBeTrue();
      }
    });
  }
  it('a fighting dog is not held by a helper instead: it is stopped', () => {
    const c = ask({ fighting: true, helperThere: true });
    expect([c.forVet, c.also]).toEqual([true, []]);
    expect(c.reasons[0]!.rule).toBe('hold.fighting_stop');
  });
  it('is not taken off by a friendly sign', () => {
    const after = protectionAfter(['muzzle', 'helper'], 'wag');
    expect(after.protection).toEqual(['muzzle', 'helper']);
    expect(sayReason(after.reasons[0]!)).toContain('basket muzzle, a helper');
    expect(sayReason(protectionAfter([], 'leans_in').reasons[0]!)).toContain('what is planned');
  });
});

describe('teeth, backs and heads', () => {
  it('does not hold a mouth shut over bad or missing teeth, and feels for the tongue', () => {
    for (const c of ['bad_teeth', 'no_front_teeth'] as const)
      expect(ask({ reaches: ['head'] }, { conditions: [c] }).rejected.map((r) => r.because.rule)).toEqual(['hold.teeth_no_grip']);
    expect(rules({ reaches: ['head'] }, { conditions: ['no_front_teeth'] })).toContain('hold.tongue_without_teeth');
    expect(rules({ reaches: ['body'] }, { conditions: ['no_front_teeth'] })).not.toContain('hold.tongue_without_teeth');
  });
  it('takes no small dog with a sore back under the arm', () => {
    expect(ask({ reaches: ['nails'] }, { weightKg: 6 }).hold).toBe('under_arm');
    expect(ask({ reaches: ['nails'] }, { weightKg: 9 }).hold).toBe('under_arm');
    expect(ask({ reaches: ['nails'] }, { weightKg: 9.5 }).hold).toBe('leg_folded');
    expect(ask({ reaches: ['nails'] }, { weightKg: 6, conditions: ['sore_back'] }).hold).not.toBe('under_arm');
    expect(ask({ reaches: ['nails'] }, { weightKg: 6 }, { joints: { back: 'stiff' } }).hold).toBe('lap_or_side');
  });
  it('knows of each hold whom it is not for and what it needs', () => {
    expect(HOLDS.muzzle.notFor).toEqual(jasmine.arrayContaining(['short_nose', 'breath', 'wet', 'may_be_sick', 'fighting']));
    expect(HOLDS.loop.notFor).toContain('cough');
    expect(HOLDS.muzzle_steady.needs).toEqual(jasmine.arrayContaining(['span_of_hand', 'front_teeth']));
    expect(HOLDS.leg_folded.notFor).toContain('sore_hind');
    expect(HOLDS.foreleg_forward.notFor).toContain('sore_fore');
    expect(HOLDS.helper.needs).toEqual(['second_person']);
    for (const h of HOLD_IDS) expect(HOLDS[h].needs.length).withContext(h).toBeGreaterThan(0);
    // No pressure on a throat: what is round the head or the neck names it.
    for (const h of ['muzzle_steady', 'chin_hair', 'behind_jaw', 'cupped_chin', 'loop', 'muzzle'] as const)
      expect(ENGLISH.holdMustNotPress[h]).withContext(h).toContain('throat');
  });
});

describe('adviseLoop', () => {
  const loop = (dog: Partial<DogFacts> = {}, change: { fighting?: boolean; house?: HouseRules } = {}): LoopAdvice => {
    const facts = aDog(dog);
    return adviseLoop({ dog: facts, kinds: dogKinds(facts, NOTHING_FOUND, SPEC_DAY), fighting: false, house: HOUSE_DEFAULTS, ...change });
  };
  it('is round the neck of a grown sound dog, attended', () => {
    expect(loop().loop).toBe('neck');
    expect(loop().reasons.map((r) => r.rule)).toEqual(['loop.attended']);
  });
  for (const [name, dog] of [
    ['a puppy', { born: '2026-08-20' }],
    ['a senior', { born: '2009-01-01' }],
    ['a short nose', { nose: 'short' }],
    ['a cough', { conditions: ['cough'] }],
    ['fits', { conditions: ['fits'] }],
    ['airway disease', { conditions: ['airway'] }],
  ] as const satisfies readonly (readonly [string, Partial<DogFacts>])[])
    it(`is round the chest of ${name}, never round the throat`, () => expect(loop(dog).loop).toBe('chest'));
  it('is none in a house without, or on a dog that fights', () => {
    expect(loop({}, { house: houseRules({ loop: 'never' }) }).loop).toBe('none');
    expect(loop({}, { fighting: true }).loop).toBe('none');
  });
  it('comes off where it lies in the way: those moments are known', () => {
    expect(gapsWithoutHold(['neck', 'back', 'throat'], 'neck').map((g) => g.zone)).toEqual(['neck', 'throat']);
    expect(gapsWithoutHold(['neck', 'chest', 'armpit_left'], 'chest').map((g) => g.zone)).toEqual(['chest', 'armpit_left']);
    expect(gapsWithoutHold(['neck', 'chest'], 'none')).toEqual([]);
  });
});

describe('settling', () => {
  it('talks as the file says, or as the house does', () => {
    expect(adviseVoice(HOUSE_DEFAULTS, 'soft_voice').rule).toBe('settle.soft_voice');
    expect(adviseVoice(HOUSE_DEFAULTS, 'no_voice').rule).toBe('settle.no_voice');
    expect(adviseVoice(HOUSE_DEFAULTS, undefined).rule).toBe('settle.find_out');
    expect(adviseVoice(houseRules({ voice: 'soothing' }), 'no_voice').rule).toBe('settle.house_soothing');
    expect(adviseVoice(houseRules({ voice: 'quiet' }), 'soft_voice').rule).toBe('settle.house_quiet');
  });
  it('rewards with food, voice or nothing, and asks for treats only where there are some', () => {
    const dog = aDog();
    expect(adviseReward(HOUSE_DEFAULTS, dog).rule).toBe('reward.food');
    expect(adviseReward(HOUSE_DEFAULTS, { ...dog, conditions: ['skin_allergy'] }).rule).toBe('reward.food_named');
    expect(adviseReward(HOUSE_DEFAULTS, { ...dog, treatsAllowed: false }).rule).toBe('reward.voice_touch');
    expect(adviseReward(houseRules({ rewards: 'voice_touch' }), dog).rule).toBe('reward.voice_touch');
    expect(adviseReward(houseRules({ rewards: 'none' }), dog).rule).toBe('reward.none');
    expect(goodSigns(HOUSE_DEFAULTS, true)).toContain('takes_treat');
    expect(goodSigns(HOUSE_DEFAULTS, false)).not.toContain('takes_treat');
    expect(goodSigns(houseRules({ rewards: 'none' }), true)).toEqual(['soft_body', 'leans_in', 'comes_back']);
  });
});

describe('least force, monotone', () => {
  const force = (c: HoldChoice): number =>
    c.forVet ? 100 : Math.max(...[c.hold, ...c.also].map((h) => (h === 'muzzle' || h === 'helper' ? 10 : 0)));
  it('guards no less a dog that bit, is in pain, or fights; and always says why', () => {
    fc.assert(
      fc.property(
        fc.subarray([...REACHES], { minLength: 1 }),
        fc.subarray([...CONDITIONS]),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom(...JOINTS),
        fc.constantFrom(...JOINT_COMFORTS),
        (reaches, conditions, painful, triggered, helperThere, joint, comfort) => {
          const q = question(
            { reaches, painful, triggered, helperThere },
            { conditions, biteHistory: true },
            { joints: { [joint]: comfort } },
          );
          const now = chooseHold(q);
          expect(force(chooseHold({ ...q, painful: true }))).toBeGreaterThanOrEqual(force(now));
          expect(chooseHold({ ...q, fighting: true }).forVet).toBeTrue();
          expect(now.reasons.length).toBeGreaterThan(0);
          for (const r of [...now.reasons, ...now.rejected.map((x) => x.because)]) expect(sayReason(r)).not.toContain('…');
          expect(now.needsHelper).toBe(now.also.includes('helper'));
        },
      ),
      { numRuns: 300 },
    );
  });
});
