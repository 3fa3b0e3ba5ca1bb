import { aHoldQuestion } from '../../testing/hold-questions.js';
import { type Condition, HOLD_IDS, type HoldId, type HoldNotFor, type Joint } from '../../words/index.js';
import { chooseHold, HOLDS, type HoldQuestion, notFor } from './index.js';

const withJoint = (joint: Joint): HoldQuestion => aHoldQuestion({}, {}, { joints: { [joint]: 'stiff' } });
const withCondition = (condition: Condition): HoldQuestion => aHoldQuestion({}, { conditions: [condition] });

/** Each thing that speaks against a hold, by every fact that says it. Common practice, no source; the weight is our default. */
const SAID_BY: Readonly<Record<HoldNotFor, readonly HoldQuestion[]>> = {
  short_nose: [aHoldQuestion({}, { nose: 'short' })],
  breath: [withCondition('heart'), withCondition('airway'), withCondition('breath_head_up')],
  cough: [withCondition('cough')],
  sore_hind: (['hip_left', 'hip_right', 'knee_left', 'knee_right'] as const).map(withJoint),
  sore_fore: (['shoulder_left', 'shoulder_right', 'elbow_left', 'elbow_right'] as const).map(withJoint),
  sore_neck: [withJoint('neck')],
  sore_back: [withJoint('back'), withCondition('sore_back')],
  no_front_teeth: [withCondition('no_front_teeth')],
  wet: [aHoldQuestion({ reaches: ['washing'] })],
  may_be_sick: [aHoldQuestion({ mayBeSick: true })],
  fighting: [aHoldQuestion({ fighting: true })],
  heavy: [aHoldQuestion({}, { weightKg: 9.5 })],
  fits: [withCondition('fits')],
  sore_tail: [aHoldQuestion({ soreTail: true })],
};
const light = (q: HoldQuestion): HoldQuestion => ({ ...q, dog: { ...q.dog, weightKg: 6 } });

describe('whom a hold is not for', () => {
  for (const hold of HOLD_IDS)
    for (const who of Object.keys(SAID_BY) as HoldNotFor[])
      it(`${hold}, ${who}`, () => {
        const named = HOLDS[hold].notFor.includes(who);
        for (const q of SAID_BY[who]) {
          // The weight speaks only against being carried, and would otherwise hide what is asked.
          const answer = notFor(hold, who === 'heavy' ? q : light(q));
          if (named) expect(answer).toBe(who);
          else expect(answer).toBeUndefined();
        }
      });
  it('is nobody when nothing speaks against it; at 9 kg it may still be carried', () => {
    for (const hold of HOLD_IDS)
      expect(notFor(hold, aHoldQuestion({}, { weightKg: 9 })))
        .withContext(hold)
        .toBeUndefined();
  });
});

describe('lying down for the work', () => {
  const hold = (change: Partial<HoldQuestion>, dog: Parameters<typeof aHoldQuestion>[1] = {}): HoldId =>
    chooseHold(aHoldQuestion(change, dog)).hold;

  it('is for a dog that cannot stand long, wherever it can lie, unless it is carried or may not be laid down', () => {
    for (const reach of ['body', 'rear', 'underside', 'armpits', 'fore_feet', 'hind_feet'] as const)
      expect([true, false].map((standsShort) => hold({ reaches: [reach], standsShort }) === 'lap_or_side'))
        .withContext(reach)
        .toEqual([true, false]);
    expect(hold({ reaches: ['head'], standsShort: true })).not.toBe('lap_or_side');
    expect(hold({ reaches: ['nails'], standsShort: true }, { weightKg: 6 })).toBe('under_arm');
    expect(hold({ reaches: ['body'], standsShort: true }, { conditions: ['heart'] })).not.toBe('lap_or_side');
    expect(hold({ reaches: ['body'], standsShort: true }, { nose: 'short' })).not.toBe('lap_or_side');
  });
  it('is for brittle nails, unless it is carried or may not be laid down', () => {
    expect(hold({ reaches: ['nails'], brittleNails: true })).toBe('lap_or_side');
    expect(hold({ reaches: ['nails'] })).toBe('leg_folded');
    expect(hold({ reaches: ['nails'], brittleNails: true }, { weightKg: 6 })).toBe('under_arm');
    expect(hold({ reaches: ['nails'], brittleNails: true }, { conditions: ['airway'] })).not.toBe('lap_or_side');
    expect(hold({ reaches: ['body'], brittleNails: true })).toBe('hand_resting');
  });
  it('is for a foreleg that is sore where it would be taken forward', () => {
    const sore = chooseHold(aHoldQuestion({ reaches: ['armpits'] }, {}, { joints: { elbow_left: 'stiff' } }));
    expect(sore.hold).toBe('lap_or_side');
    expect(sore.rejected).toContain(jasmine.objectContaining({ hold: 'foreleg_forward' }));
    expect(sore.reasons.find((r) => r.rule === 'hold.lie_down_for_fore')?.facts).toEqual({ joint: 'elbow_left' });
  });
});
