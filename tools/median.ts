/** The middle of some numbers; of two middle ones the higher. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** Median time of a call once it is warm, milliseconds. */
export function medianTime(work: () => unknown, rounds: number): number {
  work();
  return median(
    Array.from({ length: rounds }, () => {
      const from = performance.now();
      work();
      return performance.now() - from;
    }),
  );
}
