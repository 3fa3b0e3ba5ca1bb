/** Size of a mark as it was measured: length × width, mm. */
export interface MarkSize {
  readonly lengthMm: number;
  readonly widthMm: number;
}

const MS_PER_DAY = 86_400_000;

function checked({ lengthMm, widthMm }: MarkSize, name: string): void {
  if (!(lengthMm > 0) || !(widthMm > 0)) throw new RangeError(`${name}: ${lengthMm} × ${widthMm} mm`);
}

/**
 * Area of a mark taken as an ellipse, π·length·width/4, mm².
 * @throws RangeError when a side is not positive
 * @example markAreaMm2({ lengthMm: 12, widthMm: 8 }) // => 75.39822369
 */
export function markAreaMm2(size: MarkSize): number {
  checked(size, 'markAreaMm2');
  return (Math.PI * size.lengthMm * size.widthMm) / 4;
}

/**
 * Volume by the usual approximation, longer × shorter² / 2, mm³: only for comparing one mark with itself.
 * @example markVolumeMm3({ lengthMm: 12, widthMm: 8 }) // => 384
 */
export function markVolumeMm3(size: MarkSize): number {
  checked(size, 'markVolumeMm3');
  const long = Math.max(size.lengthMm, size.widthMm);
  const short = Math.min(size.lengthMm, size.widthMm);
  return (long * short ** 2) / 2;
}

/**
 * Days from one ISO date to another.
 * @throws RangeError when one is no date
 * @example daysBetween('2026-01-01', '2026-01-29') // => 28
 */
export function daysBetween(from: string, to: string): number {
  const days = (Date.parse(to) - Date.parse(from)) / MS_PER_DAY;
  if (!Number.isFinite(days)) throw new RangeError(`daysBetween: "${from}" to "${to}"`);
  return days;
}

/**
 * Doubling time in days, Δt·ln 2 / ln(V₂/V₁) (Schwartz 1961, Cancer 14:1272–1294; Collins et al. 1956). Negative when it shrinks: the
 * time to halve. `Infinity` when nothing changed.
 * @param from size measure then (area or volume), > 0
 * @param to the same measure now, > 0
 * @throws RangeError when a size or the time is not positive
 * @example doublingDays(1, 8, 90) // => 30
 */
export function doublingDays(from: number, to: number, days: number): number {
  if (!(from > 0) || !(to > 0) || !(days > 0)) throw new RangeError(`doublingDays: ${from} to ${to} in ${days} days`);
  return from === to ? Infinity : (days * Math.LN2) / Math.log(to / from);
}

/**
 * Specific growth rate, percent per day (Mehrara et al. 2007, Cancer Res 67:3970–3975): ln(V₂/V₁)/Δt.
 * @example growthPercentPerDay(8 ** 3, 10 ** 3, 28) // => 2.39082376
 */
export function growthPercentPerDay(from: number, to: number, days: number): number {
  if (!(from > 0) || !(to > 0) || !(days > 0)) throw new RangeError(`growthPercentPerDay: ${from} to ${to} in ${days} days`);
  return (100 * Math.log(to / from)) / days;
}
