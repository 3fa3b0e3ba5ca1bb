import { SIGNAL_IDS } from '@mansuet/core/strain';
import { replay, type VisitEvent } from '@mansuet/core/visit';
import { BOOKED, VISIT, eventsOf } from '../core/src/testing/visit-events.js';

/** Median time of a replay of 2,000 events, printed alone. */
const events: VisitEvent[] = eventsOf([
  [0, BOOKED],
  [0, { type: 'work_started', body: {} }],
  [0, { type: 'step_started', body: { step: 'bath' } }],
  ...Array.from(
    { length: 1997 },
    (_, i) => [0.05, { type: 'signal_seen' as const, body: { signal: SIGNAL_IDS[i % 14] ?? 'yawn' } }] as const,
  ),
]);
const times = Array.from({ length: 25 }, () => {
  const from = performance.now();
  replay(VISIT, events);
  return performance.now() - from;
}).sort((a, b) => a - b);
process.stdout.write(`${(times[12] ?? 0).toFixed(1)}\n`);
