import { type DogKind, type Reason, reason, type RuleId } from '../../words/index.js';

const CHANGES: Readonly<Record<DogKind, readonly RuleId[]>> = {
  puppy: ['change.puppy_short', 'change.puppy_hear'],
  senior: ['change.senior_order'],
  sore_joints: ['change.joints'],
  reactive: ['change.reactive'],
  matted: ['change.matted'],
  short_nose: ['change.short_nose'],
  thin_skin: ['change.senior_skin'],
  lumps: ['change.lumps'],
  bite_history: ['change.bite'],
  first_visit: ['change.first_visit'],
  needs_two: ['change.two'],
};

/** What a kind of dog changes in the plan, so that nobody reads it as a label. `whatKindChanges('needs_two').length // => 1` */
export function whatKindChanges(kind: DogKind): Reason[] {
  return CHANGES[kind].map((rule) => reason(rule, {}, 0.6));
}
