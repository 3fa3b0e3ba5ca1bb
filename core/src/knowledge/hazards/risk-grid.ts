import type { RiskBand } from '../../words/index.js';
/** Upper edges of the likelihood classes 1 to 4, incidents per 1,000 minutes of the work. Our default. */
const LIKELIHOOD_EDGES = [0.05, 0.5, 2, 8] as const;

/**
 * Likelihood class 1 (rare) to 5 (almost certain in a day of such work).
 * @throws RangeError for a negative rate
 * @example likelihoodClass(1) // => 3
 */
export function likelihoodClass(per1000Minutes: number): 1 | 2 | 3 | 4 | 5 {
  if (!(per1000Minutes >= 0)) throw new RangeError(`likelihoodClass: ${per1000Minutes} per 1,000 min`);
  const [rare, unlikely, possible, likely] = LIKELIHOOD_EDGES;
  if (per1000Minutes < rare) return 1;
  if (per1000Minutes < unlikely) return 2;
  if (per1000Minutes < possible) return 3;
  return per1000Minutes < likely ? 4 : 5;
}

/** Likelihood × severity, 1 to 25. `riskScore(3, 4) // => 12` */
export function riskScore(likelihood: number, severity: number): number {
  return likelihood * severity;
}

/** The band of a score. `riskBand(12) // => 'high'` */
export function riskBand(score: number): RiskBand {
  if (score >= 15) return 'extreme';
  if (score >= 8) return 'high';
  return score >= 4 ? 'moderate' : 'low';
}
