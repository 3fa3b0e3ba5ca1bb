const DAY_MS = 86_400_000;

/** Milliseconds from a moment to noon of its day in UTC; below zero in the afternoon. `msToNoon(Date.UTC(2026, 0, 1, 11)) // => 3_600_000` */
export function msToNoon(nowMs: number): number {
  return DAY_MS / 2 - (((nowMs % DAY_MS) + DAY_MS) % DAY_MS);
}
