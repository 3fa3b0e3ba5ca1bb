import { hasKind, type KindFound } from '../dogs/index.js';
import type { RuleCode } from '../reasons/index.js';
import type { BuiltStep } from './build-steps.js';
import type { Activity } from './activities.js';
import type { OrderKind, OrderRule } from './model.js';

interface OrderFact {
  readonly first: Activity;
  readonly then: Activity;
  readonly kind: OrderKind;
  readonly rule: RuleCode;
  readonly when?: (kinds: readonly KindFound[]) => boolean;
}

/** Rough-clip before the bath: less to dry, less time on the feet. Common practice, no source. */
const clipsFirst = (kinds: readonly KindFound[]): boolean => hasKind(kinds, 'senior') || hasKind(kinds, 'matted');
const washesFirst = (kinds: readonly KindFound[]): boolean => !clipsFirst(kinds);

/** What comes before what. Common practice, no source; where groomers disagree this is our default. */
export const ORDER_FACTS: readonly OrderFact[] = [
  { first: 'crust', then: 'face', kind: 'requires', rule: 'order.crust_first' },
  { first: 'crust', then: 'ears', kind: 'before', rule: 'order.crust_early' },
  { first: 'crust', then: 'bath', kind: 'before', rule: 'order.crust_early' },
  { first: 'clip_tight_fragile', then: 'bath', kind: 'requires', rule: 'order.mats_before_bath' },
  { first: 'clip_tight_head', then: 'bath', kind: 'requires', rule: 'order.mats_before_bath' },
  { first: 'clip_tight_head', then: 'face', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_head', then: 'ears', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_body', then: 'bath', kind: 'requires', rule: 'order.mats_before_bath' },
  { first: 'brush_mats', then: 'bath', kind: 'requires', rule: 'order.mats_before_bath' },
  { first: 'clip_tight_fragile', then: 'sanitary', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_fragile', then: 'body_clip', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_body', then: 'body_clip', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_body', then: 'tidy', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'brush_mats', then: 'body_clip', kind: 'requires', rule: 'order.mats_then_trim' },
  { first: 'brush_mats', then: 'tidy', kind: 'requires', rule: 'order.comb_before_shears' },
  { first: 'sanitary', then: 'bath', kind: 'before', rule: 'order.sanitary_before_bath' },
  { first: 'ears', then: 'bath', kind: 'before', rule: 'order.ears_before_bath' },
  { first: 'feet', then: 'bath', kind: 'before', rule: 'order.feet_before_bath' },
  { first: 'nails', then: 'bath', kind: 'before', rule: 'order.nails_before_bath' },
  { first: 'bath', then: 'dry', kind: 'finishes', rule: 'order.dry_after_bath' },
  { first: 'dry', then: 'body_clip', kind: 'before', rule: 'order.wash_first', when: washesFirst },
  { first: 'bath', then: 'body_clip', kind: 'before', rule: 'order.wash_first', when: washesFirst },
  { first: 'body_clip', then: 'bath', kind: 'before', rule: 'order.clip_first', when: clipsFirst },
  { first: 'dry', then: 'tidy', kind: 'before', rule: 'order.shears_on_dry_coat' },
  { first: 'bath', then: 'tidy', kind: 'before', rule: 'order.shears_on_dry_coat' },
  { first: 'body_clip', then: 'tidy', kind: 'before', rule: 'order.clip_before_shears' },
  { first: 'dry', then: 'face', kind: 'before', rule: 'order.face_dry' },
  { first: 'bath', then: 'face', kind: 'before', rule: 'order.face_dry' },
  { first: 'body_clip', then: 'face', kind: 'before', rule: 'order.face_late' },
];

/** The order rules that apply to these steps. Bath before drying leaves no gap: what could come between is shut out. */
export function orderRules(steps: readonly BuiltStep[], kinds: readonly KindFound[]): OrderRule[] {
  const has = (a: Activity): boolean => steps.some((s) => s.activity === a);
  return ORDER_FACTS.filter((f) => has(f.first) && has(f.then) && (f.when?.(kinds) ?? true)).map(({ first, then, kind, rule }) => ({
    first,
    then,
    kind,
    rule,
  }));
}
