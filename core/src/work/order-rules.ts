import type { FeelOver } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { ACTIVITIES, type Activity, type HouseRules, type RuleId, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, SOAK_MINUTES } from './activities.js';
import type { OrderKind, OrderRule, TimeLag } from './order.js';
import { type OrderStep, startRules } from './start-rules.js';

export interface OrderContext {
  readonly kinds: readonly KindFound[];
  readonly input: {
    readonly house: HouseRules;
    readonly feelOver: FeelOver;
    readonly carriedOver?: readonly { readonly activity: Activity; readonly place?: ZoneId | undefined }[] | undefined;
  };
}

interface OrderFact {
  readonly first: Activity;
  readonly then: Activity;
  readonly kind: OrderKind;
  readonly rule: RuleId;
  readonly when?: (at: OrderContext) => boolean;
}

/** Rough-clip before the bath: less to dry, less time on the feet. Common practice, no source. */
export const clipsFirst = ({ kinds, input }: OrderContext): boolean =>
  hasKind(kinds, 'senior') ||
  hasKind(kinds, 'matted') ||
  // Greasy and not matted: washed first, whatever the house says.
  (input.house.bathOrClip === 'rough_clip_first' && input.feelOver.looked?.grease !== 'greasy');
/** A senior is clipped once, before the bath, so that it stands less; others are clipped roughly before it and finished on a clean coat. */
export const clipsInTwo = (at: OrderContext): boolean => clipsFirst(at) && !hasKind(at.kinds, 'senior');
const clipsOnceBefore = (at: OrderContext): boolean => clipsFirst(at) && hasKind(at.kinds, 'senior');
const clipsAfter = (at: OrderContext): boolean => !clipsOnceBefore(at);
/** The house does the face first when crust or wet hair hides the eyes. */
const faceFirst = ({ input }: OrderContext): boolean =>
  input.house.face === 'first_when_needed' && input.feelOver.zones.some((z) => z.crust && zoneFacts(z.zone).group === 'face');
const faceLate = (at: OrderContext): boolean => !faceFirst(at);
const feetBefore = ({ input }: OrderContext): boolean => input.house.feet === 'before_bath';
const feetAfter = ({ input }: OrderContext): boolean => input.house.feet === 'after_bath';

const before = (first: Activity, then: Activity, rule: RuleId): OrderFact => ({ first, then, kind: 'before', rule });

/** What comes before what. Common practice, no source; where groomers disagree the house rule decides. */
const BETWEEN_WORKS: readonly OrderFact[] = [
  { first: 'soak', then: 'crust', kind: 'finishes', rule: 'order.soak_first' },
  { first: 'crust', then: 'sanitary', kind: 'requires', rule: 'order.crust_first' },
  { first: 'brush_through', then: 'bath', kind: 'before', rule: 'order.brush_before_bath' },
  { first: 'dry', then: 'deshed', kind: 'before', rule: 'order.deshed_dry' },
  { first: 'bath', then: 'deshed', kind: 'before', rule: 'order.deshed_dry' },
  { first: 'brush_mats', then: 'deshed', kind: 'before', rule: 'order.mats_then_brush' },
  { first: 'deshed', then: 'tidy', kind: 'before', rule: 'order.comb_before_shears' },
  { first: 'deshed', then: 'body_clip', kind: 'before', rule: 'order.comb_before_shears', when: clipsAfter },
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
  { first: 'feet', then: 'bath', kind: 'before', rule: 'order.feet_before_bath', when: feetBefore },
  { first: 'dry', then: 'feet', kind: 'before', rule: 'order.feet_after_bath', when: feetAfter },
  { first: 'bath', then: 'feet', kind: 'before', rule: 'order.feet_after_bath', when: feetAfter },
  { first: 'nails', then: 'bath', kind: 'before', rule: 'order.nails_before_bath' },
  { first: 'bath', then: 'bath_head', kind: 'finishes', rule: 'order.head_last' },
  { first: 'bath_head', then: 'rinse_folds', kind: 'requires', rule: 'order.folds_after_head' },
  { first: 'rinse_folds', then: 'towel', kind: 'before', rule: 'order.folds_before_towel' },
  { first: 'bath_head', then: 'towel', kind: 'finishes', rule: 'order.towel_first' },
  { first: 'bath', then: 'towel', kind: 'finishes', rule: 'order.towel_first' },
  { first: 'towel', then: 'dry', kind: 'finishes', rule: 'order.dry_after_bath' },
  { first: 'bath', then: 'dry', kind: 'finishes', rule: 'order.dry_after_bath' },
  { first: 'dry', then: 'body_clip', kind: 'before', rule: 'order.wash_first', when: clipsAfter },
  { first: 'bath', then: 'body_clip', kind: 'before', rule: 'order.wash_first', when: clipsAfter },
  { first: 'body_clip', then: 'bath', kind: 'before', rule: 'order.clip_first', when: clipsOnceBefore },
  { first: 'clip_tight_body', then: 'prep_clip', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'clip_tight_fragile', then: 'prep_clip', kind: 'before', rule: 'order.mats_then_trim' },
  { first: 'brush_mats', then: 'prep_clip', kind: 'requires', rule: 'order.mats_then_trim' },
  { first: 'prep_clip', then: 'bath', kind: 'before', rule: 'order.rough_clip_first' },
  { first: 'prep_clip', then: 'body_clip', kind: 'before', rule: 'order.rough_then_finish' },
  { first: 'dry', then: 'tidy', kind: 'before', rule: 'order.shears_on_dry_coat' },
  { first: 'bath', then: 'tidy', kind: 'before', rule: 'order.shears_on_dry_coat' },
  { first: 'body_clip', then: 'tidy', kind: 'requires', rule: 'order.clip_before_shears' },
  { first: 'face', then: 'bath', kind: 'before', rule: 'order.face_first', when: faceFirst },
  { first: 'face', then: 'body_clip', kind: 'before', rule: 'order.face_first', when: faceFirst },
  { first: 'dry', then: 'face', kind: 'before', rule: 'order.face_dry', when: faceLate },
  { first: 'bath', then: 'face', kind: 'before', rule: 'order.face_dry', when: faceLate },
  { first: 'body_clip', then: 'face', kind: 'before', rule: 'order.face_late', when: faceLate },
  { first: 'tidy', then: 'face', kind: 'before', rule: 'order.face_late', when: faceLate },
  { first: 'feet', then: 'face', kind: 'before', rule: 'order.face_late', when: faceLate },
];

/** What comes before what, the two ends of a visit and the brush on the way to the tub included. */
export const ORDER_FACTS: readonly OrderFact[] = [
  ...BETWEEN_WORKS,
  // The tool is met before any work; something easy comes last of all.
  ...ACTIVITIES.filter((a) => a !== 'meet_tool').map((then) => before('meet_tool', then, 'order.meet_tool')),
  ...ACTIVITIES.filter((a) => a !== 'easy_end' && a !== 'meet_tool').map((first) => before(first, 'easy_end', 'order.easy_end')),
  // Brushed through on the way to the tub: whatever comes before the bath comes before that.
  ...BETWEEN_WORKS.filter((f) => f.then === 'bath' && f.first !== 'brush_through').map((f): OrderFact => ({
    ...f,
    then: 'brush_through',
    kind: 'before',
    rule: 'order.brush_last',
  })),
];

type Step = Pick<OrderStep, 'id' | 'activity' | 'zones'>;
const pairs = <S extends Step>(steps: readonly S[], first: Activity, then: Activity): [S, S][] =>
  steps
    .filter((a) => a.activity === first)
    .flatMap((a) => steps.filter((b) => b.activity === then && b.id !== a.id).map((b): [S, S] => [a, b]));
const inOnePlace = (a: Omit<Step, 'id'>, b: Omit<Step, 'id'>): boolean => a.zones.some((z) => b.zones.includes(z));

/** Time that must lie between two steps: crust soaks. */
export function timeLags(steps: readonly Step[]): TimeLag[] {
  return pairs(steps, 'soak', 'crust')
    .filter(([soak, crust]) => inOnePlace(soak, crust))
    .map(([soak, crust]) => ({ first: soak.id, then: crust.id, minutes: SOAK_MINUTES, rule: 'order.soak_first' }));
}

/** A soak that was done, and how long ago. */
export interface Soaked {
  readonly zones: readonly ZoneId[];
  readonly minutesAgo: number;
}

/** Waits that run already when the rest is planned anew: crust that was soaked a moment ago is not combed yet. */
export function runningLags(steps: readonly Step[], soaked: readonly Soaked[]): TimeLag[] {
  return steps
    .filter((s) => s.activity === 'crust')
    .flatMap((crust) => {
      const ago = soaked.filter((k) => k.zones.some((z) => crust.zones.includes(z))).map((k) => k.minutesAgo);
      const minutes = SOAK_MINUTES - Math.min(Infinity, ...ago);
      return minutes > 0 ? [{ first: undefined, then: crust.id, minutes, rule: 'order.soak_first' as const }] : [];
    });
}

/** Work in one place needs the work before it in that very place; what water does to the whole dog needs it everywhere. */
function kindOf(fact: OrderFact, first: Omit<Step, 'id'>, then: Omit<Step, 'id'>): OrderKind {
  if (fact.kind === 'before' || [fact.first, fact.then].some((a) => ACTIVITY_FACTS[a].bath !== undefined)) return fact.kind;
  return inOnePlace(first, then) ? fact.kind : 'before';
}

/**
 * Whether some work cannot be done once other work was left: a bath with a tight mat in, shears where no comb went.
 * @param at the visit
 */
export function cannotDoWithout(then: Omit<Step, 'id'>, left: Omit<Step, 'id'>, at: OrderContext): boolean {
  return ORDER_FACTS.some(
    (f) =>
      f.first === left.activity &&
      f.then === then.activity &&
      f.kind !== 'before' &&
      (f.when?.(at) ?? true) &&
      kindOf(f, left, then) !== 'before',
  );
}

/** Steps of one kind of work keep their natural order: nose to tail. It is the hand's way, and leaves fewer orders to try. */
function inOneKind(steps: readonly OrderStep[]): OrderRule[] {
  return steps.flatMap((s, i) => {
    const next = steps.slice(i + 1).find((t) => t.activity === s.activity);
    return next ? [{ first: s.id, then: next.id, kind: 'before' as const, rule: 'order.natural' as const }] : [];
  });
}

/** What a puppy's last visit left undone. */
function skippedByPuppy(steps: readonly OrderStep[], kinds: readonly KindFound[], input: OrderContext['input']): OrderStep[] {
  if (!hasKind(kinds, 'puppy')) return [];
  return steps.filter((s) =>
    input.carriedOver?.some((c) => c.activity === s.activity && (c.place === undefined || s.zones.includes(c.place))),
  );
}

/** Rules of how a visit starts: nothing of them is left once it has. */
const AT_THE_START: readonly RuleId[] = ['order.easy_first', 'order.minded_not_first', 'order.painful_not_first', 'order.skipped_early'];

/**
 * The order rules that apply to these steps. Bath before drying leaves no gap: what could come between is shut out.
 * @param begun the work has begun: how it starts is over
 */
export function orderRules(
  steps: readonly OrderStep[],
  kinds: readonly KindFound[],
  input: OrderContext['input'],
  begun = false,
): OrderRule[] {
  const rules = ORDER_FACTS.filter((f) => f.when?.({ kinds, input }) ?? true).flatMap((f) =>
    pairs(steps, f.first, f.then).map(([a, b]): OrderRule => ({ first: a.id, then: b.id, kind: kindOf(f, a, b), rule: f.rule })),
  );
  const fixed = [...rules, ...inOneKind(steps)];
  const ofStart = startRules(steps, fixed, input.house, skippedByPuppy(steps, kinds, input));
  return [...fixed, ...(begun ? ofStart.filter((r) => !AT_THE_START.includes(r.rule)) : ofStart)];
}
