import { wait } from '../faults/bad-network.js';
import { Plain } from '../place.js';

/**
 * Asks again and again until something is so; what throws is not so yet.
 * @returns what it was, and after how many ms
 * @throws Plain that says what did not come, and how it was at the last look
 */
export async function until<T>(
  what: string,
  is: () => Promise<T | undefined>,
  mostMs = 120_000,
  everyMs = 100,
): Promise<{ value: T; ms: number }> {
  const from = performance.now();
  let last = '';
  for (;;) {
    try {
      const value = await is();
      if (value !== undefined && value !== false) return { value, ms: performance.now() - from };
    } catch (error) {
      last = error instanceof Error ? error.message : String(error);
    }
    if (performance.now() - from > mostMs) throw new Plain(`${what}: not within ${Math.round(mostMs / 1000)} s${last ? ` (${last})` : ''}`);
    await wait(everyMs);
  }
}
