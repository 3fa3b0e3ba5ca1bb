import { type Reason, reason } from '../../words/index.js';

/** A visit as far as mats go. */
export interface MatVisit {
  /** ISO date. */
  readonly on: string;
  /** Zones of grade 2 and up. */
  readonly mattedZones: number;
}

export interface MatSeason {
  /** Month, 1 to 12, in the middle of the season. */
  readonly month: number;
  /** Share of the year's matting that falls in the three months round it, 0 to 1. */
  readonly share: number;
  readonly reasons: readonly Reason[];
}

/** A season is said from this many visits with mats, in at least two years, and from this share in three months. Our defaults. */
const SEASON_FROM_VISITS = 3;
const SEASON_FROM_SHARE = 0.6;

/**
 * The time of year when this dog mats, if there is one: dogs mat at the same time each year. Months are averaged over the visits
 * in them, so that many visits in one season do not make it.
 * @returns `undefined` while too little was seen, or when it mats all year round
 */
export function mattingSeason(visits: readonly MatVisit[]): MatSeason | undefined {
  const matted = visits.filter((v) => v.mattedZones > 0);
  const years = new Set(matted.map((v) => v.on.slice(0, 4)));
  if (matted.length < SEASON_FROM_VISITS || years.size < 2) return undefined;
  const mean = Array.from({ length: 12 }, (_, m) => {
    const inMonth = visits.filter((v) => Number(v.on.slice(5, 7)) === m + 1);
    return inMonth.length === 0 ? 0 : inMonth.reduce((s, v) => s + v.mattedZones, 0) / inMonth.length;
  });
  const total = mean.reduce((a, b) => a + b, 0);
  const around = mean.map((_, m) => (mean[(m + 11) % 12] ?? 0) + (mean[m] ?? 0) + (mean[(m + 1) % 12] ?? 0));
  const best = around.reduce((at, x, m) => (x > (around[at] ?? 0) ? m : at), 0);
  const share = (around[best] ?? 0) / total;
  if (share < SEASON_FROM_SHARE) return undefined;
  const month = best + 1;
  return {
    month,
    share,
    reasons: [reason('coat.season', { month, percent: Math.round(share * 100), visits: matted.length }, 0.5)],
  };
}
