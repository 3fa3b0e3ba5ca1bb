import type { Chance } from '@mansuet/core/plan';

/** A chance as people say it, no finer than what was drawn: "under 0.1 %", "3.2 %", "97 %". */
export function inPercent({ chance }: Chance): string {
  if (chance <= 0) return 'under 0.1 %';
  if (chance >= 1) return 'over 99.9 %';
  const percent = chance * 100;
  if (percent < 0.1) return 'under 0.1 %';
  if (percent > 99.9) return 'over 99.9 %';
  return percent < 10 || percent > 99 ? `${percent.toFixed(1)} %` : `${Math.round(percent)} %`;
}
