/**
 * The fewest items that cannot hold together, by implicit hitting sets (Ignatiev, Previti, Liffiton, Marques-Silva 2015, "Smallest MUS
 * extraction with minimal hitting set dualization", CP 2015; from memory). What is asked must not get harder when items are left out.
 * A smallest set that meets every known correction (a set without which all the rest hold) is tried; if it can hold, it is grown until
 * it no longer can, and what stayed out is a new correction; if it cannot hold, nothing smaller can clash.
 * @param holds whether some of the items can hold together
 * @returns `undefined` when all items hold together
 * @example smallestClash([1, 2, 3], (kept) => !(kept.includes(1) && kept.includes(3))) // => [1, 3]
 */
export function smallestClash<T>(items: readonly T[], holds: (kept: readonly T[]) => boolean): T[] | undefined {
  if (holds(items)) return undefined;
  const corrections: number[][] = [];
  for (;;) {
    const hit = smallestHittingSet(corrections);
    const kept = new Set(hit);
    const of = (): T[] => items.filter((_, i) => kept.has(i));
    if (!holds(of())) return of();
    for (let i = 0; i < items.length; i++) {
      if (kept.has(i)) continue;
      kept.add(i);
      if (!holds(of())) kept.delete(i);
    }
    corrections.push(items.flatMap((_, i) => (kept.has(i) ? [] : [i])));
  }
}

/** The fewest numbers that have one in each set. `smallestHittingSet([[1, 2], [2, 3]]) // => [2]` */
export function smallestHittingSet(sets: readonly (readonly number[])[]): number[] {
  let best: number[] | undefined;
  const visit = (taken: readonly number[]): void => {
    if (best && taken.length >= best.length) return;
    const open = sets.filter((s) => !s.some((x) => taken.includes(x))).sort((a, b) => a.length - b.length)[0];
    if (!open) {
      best = [...taken];
      return;
    }
    for (const x of open) visit([...taken, x]);
  };
  visit([]);
  return best ?? [];
}
