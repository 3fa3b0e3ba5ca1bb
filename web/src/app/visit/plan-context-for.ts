import type { VisitContext } from '@mansuet/core/contract';
import { BLADES } from '@mansuet/core/knowledge/blades';
import { type PlanContext, planContextOf, type VisitSummary } from '@mansuet/core/visit';

/** What a plan reads beside the visit itself, from what the server tells of it. */
export function planContextFor(
  context: VisitContext,
  { past, trained, today }: { readonly past: readonly VisitSummary[]; readonly trained: boolean; readonly today: string },
): PlanContext {
  return planContextOf(
    {
      dog: context.file.dog,
      trained,
      house: context.salon.house,
      ...(context.salon.bladesOwned ? { drawer: BLADES.filter((b) => context.salon.bladesOwned?.includes(b.id)) } : {}),
      today,
      pace: context.pace,
      pool: context.pool,
      kindPool: context.kindPool,
      knownMarks: context.file.marks.filter((m) => m.visitId !== context.visitId),
    },
    past,
  );
}
