import { BLADES, GUARDS } from '../knowledge/blades/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import type { PlanInput } from '../plan/index.js';
import { readFixture } from './read-fixture.js';

/** A visit of one of the demo's dogs as it was recorded on 2026-11-28, and a digest of its plan. */
export interface RecordedVisit {
  readonly dog: string;
  readonly input: PlanInput;
  readonly plan: unknown;
}

/** The recorded visits, with today's drawer and the default rules of a house. */
export function recordedVisits(): RecordedVisit[] {
  const recorded = readFixture('plan/fixtures/demo-plans.json.gz') as readonly {
    readonly dog: string;
    readonly input: Omit<PlanInput, 'drawer' | 'guards' | 'house'>;
    readonly plan: unknown;
  }[];
  return recorded.map((r) => ({ ...r, input: { ...r.input, drawer: BLADES, guards: GUARDS, house: HOUSE_DEFAULTS } }));
}
