import type { PlanRecord } from '../log/index.js';
import type { HoldId, StepId, StepName } from '../words/index.js';

/** One thing in which a new plan is other than the one at the table. */
export type PlanChange = { readonly step: StepId; readonly name: StepName } & (
  | { readonly kind: 'new' }
  | { readonly kind: 'gone' }
  | { readonly kind: 'moved'; readonly after: StepName | undefined }
  | { readonly kind: 'hold'; readonly hold: HoldId }
  | { readonly kind: 'minutes'; readonly was: number; readonly now: number }
);

/** Minutes that a step may differ by and still be planned alike: both at least this many and at least this share. Our default. */
export const ALIKE = { minutes: 2, share: 0.2 } as const;

/** What has happened since the plan was taken. */
export interface Since {
  /** Steps that are over: both plans are read without them. */
  readonly over?: readonly StepId[];
  /** The step in hand: it has fewer minutes left than it was planned for, and that alone is no change. */
  readonly running?: StepId | undefined;
  /** Steps whose minutes the groomer has set: every minute counts. */
  readonly byHand?: readonly StepId[];
}

type Step = PlanRecord['steps'][number];

/**
 * What a new plan changes in what is still to do. A few seconds more or less are no change: a plan at the table is not taken away
 * for them.
 */
export function planChanges(taken: PlanRecord, next: PlanRecord, { over = [], running, byHand = [] }: Since = {}): PlanChange[] {
  const open = (plan: PlanRecord): Step[] => plan.steps.filter((s) => !over.includes(s.id));
  const [before, after] = [open(taken), open(next)];
  const named = (s: Step): { step: StepId; name: StepName } => ({ step: s.id, name: s.name });
  const added = after.filter((s) => !before.some((b) => b.id === s.id));
  const dropped = before.filter((b) => !after.some((s) => s.id === b.id));
  const both = after.flatMap((s) => {
    const was = before.find((b) => b.id === s.id);
    return was ? [{ s, was }] : [];
  });
  const kept = inTheSameOrder(
    both.map(({ s }) => s.id),
    before.map((b) => b.id),
  );
  return [
    ...added.map((s) => ({ ...named(s), kind: 'new' as const })),
    ...dropped.map((s) => ({ ...named(s), kind: 'gone' as const })),
    ...both
      .filter(({ s }) => !kept.has(s.id))
      .map(({ s }) => ({ ...named(s), kind: 'moved' as const, after: after[after.indexOf(s) - 1]?.name })),
    ...both.filter(({ s, was }) => s.hold !== was.hold).map(({ s }) => ({ ...named(s), kind: 'hold' as const, hold: s.hold })),
    ...both
      .filter(({ s, was }) => s.id !== running && (byHand.includes(s.id) ? s.minutes !== was.minutes : !alike(s.minutes, was.minutes)))
      .map(({ s, was }) => ({ ...named(s), kind: 'minutes' as const, was: was.minutes, now: s.minutes })),
  ];
}

const alike = (a: number, b: number): boolean => Math.abs(a - b) < ALIKE.minutes || Math.abs(a - b) < ALIKE.share * Math.max(a, b);

/** The most steps that stand in the same order in both lists: the others have moved (longest increasing run of places). */
function inTheSameOrder(now: readonly StepId[], before: readonly StepId[]): Set<StepId> {
  const longest: StepId[][] = [];
  for (const [i, step] of now.entries()) {
    const earlier = longest.filter((_, j) => before.indexOf(now[j] ?? step) < before.indexOf(step));
    longest[i] = [...earlier.reduce<StepId[]>((best, run) => (run.length > best.length ? run : best), []), step];
  }
  return new Set(longest.reduce<StepId[]>((best, run) => (run.length > best.length ? run : best), []));
}
