import type { PlanInput } from '@mansuet/core/plan';
import { anInput } from '@mansuet/core/testing';

/** What the plan of a short visit of a calm grown dog is made from, and what differs. */
export function aPlanInput(change: Partial<PlanInput> = {}): PlanInput {
  return anInput({ asked: { items: ['bath', 'nails', 'sanitary'], wantedMm: 9, sessionMinutes: 120 }, ...change });
}
