import { rateInterval90, rateMean, updateRate } from '../../statistics/index.js';
import {
  byWeight,
  type ControlId,
  HAZARD_IDS,
  type HazardId,
  type LearnedTool,
  type Reason,
  reason,
  type RiskBand,
  type ZoneId,
} from '../../words/index.js';
import { type Controlled, controlsOn, shareLeft } from './controls.js';
import { factorsOn, type HazardWork } from './hazard-factors.js';
import { HAZARDS, isPossible } from './hazards.js';
import { likelihoodClass, riskBand, riskScore } from './risk-grid.js';

/** The salon's own count for a hazard with a tool: minutes of it, and incidents that happened. */
export interface HazardSeen {
  readonly hazard: HazardId;
  readonly tool: LearnedTool;
  readonly minutes: number;
  readonly incidents: number;
}

export interface HazardRate {
  readonly per1000Minutes: number;
  readonly interval90: readonly [number, number];
  readonly minutesSeen: number;
  readonly reasons: readonly Reason[];
}

/** Weight of our default, in incidents: it weighs as much as one incident of the salon's own. Our default. */
const PRIOR_INCIDENTS = 1;

/**
 * Rate of a hazard with a tool, before the dog is looked at: our default, updated by what this salon saw (gamma–Poisson).
 * @example baseRate('nick', 'clipper', []).per1000Minutes // => 0.8
 */
export function baseRate(hazard: HazardId, tool: LearnedTool, seen: readonly HazardSeen[]): HazardRate {
  const own = seen.filter((s) => s.hazard === hazard && s.tool === tool);
  const minutes = own.reduce((sum, s) => sum + s.minutes, 0);
  const incidents = own.reduce((sum, s) => sum + s.incidents, 0);
  const prior = { shape: PRIOR_INCIDENTS, minutes: (PRIOR_INCIDENTS * 1000) / HAZARDS[hazard].per1000Minutes };
  const rate = updateRate(prior, incidents, minutes);
  const [low, high] = rateInterval90(rate);
  return {
    per1000Minutes: 1000 * rateMean(rate),
    interval90: [1000 * low, 1000 * high],
    minutesSeen: minutes,
    reasons: [
      minutes > 0
        ? reason(
            'hazard.learned',
            { incidents, minutes: Math.round(minutes), from: HAZARDS[hazard].per1000Minutes, to: 1000 * rateMean(rate) },
            0.4,
          )
        : reason('hazard.default_rate', { rate: HAZARDS[hazard].per1000Minutes }, 0.2),
    ],
  };
}

export interface RegisterRow {
  readonly hazard: HazardId;
  readonly zone: ZoneId;
  readonly tool: LearnedTool;
  readonly severity: number;
  /** Incidents per 1,000 minutes of this work, before and after controls. */
  readonly before: number;
  readonly after: number;
  /** Chance that it happens at all in the minutes planned, 0 to 1, after controls. */
  readonly chanceToday: number;
  readonly scoreBefore: number;
  readonly scoreAfter: number;
  readonly bandBefore: RiskBand;
  readonly bandAfter: RiskBand;
  readonly controls: readonly Controlled[];
  readonly reasons: readonly Reason[];
}

/** A piece of work with the controls that the plan puts on it. */
export interface ControlledWork {
  readonly work: HazardWork;
  readonly controls: readonly ControlId[];
}

/** One hazard in one piece of work; `undefined` where it cannot happen. */
export function assessHazard(hazard: HazardId, { work, controls }: ControlledWork, seen: readonly HazardSeen[]): RegisterRow | undefined {
  if (!isPossible(hazard, work.zone, work.tool)) return undefined;
  const base = baseRate(hazard, work.tool, seen);
  const factors = factorsOn(hazard, work);
  const before = factors.reduce((rate, f) => rate * f.factor, base.per1000Minutes);
  const after = before * shareLeft(hazard, controls);
  const { severity } = HAZARDS[hazard];
  const scoreBefore = riskScore(likelihoodClass(before), severity);
  const scoreAfter = riskScore(likelihoodClass(after), severity);
  return {
    hazard,
    zone: work.zone,
    tool: work.tool,
    severity,
    before,
    after,
    chanceToday: 1 - Math.exp((-after * work.minutes) / 1000),
    scoreBefore,
    scoreAfter,
    bandBefore: riskBand(scoreBefore),
    bandAfter: riskBand(scoreAfter),
    controls: controlsOn(hazard, controls),
    reasons: byWeight([...factors.map((f) => f.because), ...base.reasons]),
  };
}

/**
 * The register of a visit: for each hazard the place where it is likeliest, before and after controls, the worst first.
 * @param works pieces of work with their controls
 * @param seen what this salon has counted
 */
export function hazardRegister(works: readonly ControlledWork[], seen: readonly HazardSeen[] = []): RegisterRow[] {
  return HAZARD_IDS.flatMap((hazard) => {
    const rows = works.flatMap((w) => assessHazard(hazard, w, seen) ?? []);
    const worst = rows.reduce<RegisterRow | undefined>((a, b) => (a && a.before >= b.before ? a : b), undefined);
    if (!worst) return [];
    const quiet = rows.reduce((chance, r) => chance * (1 - r.chanceToday), 1);
    return [{ ...worst, chanceToday: 1 - quiet }];
  }).sort((a, b) => b.scoreAfter - a.scoreAfter || b.scoreBefore - a.scoreBefore || b.before - a.before);
}

/**
 * The same place by place: each hazard that can happen in a place, as it is in the work there that brings it on most; the worst first.
 * @param works pieces of work with their controls
 * @param seen what this salon has counted
 */
export function hazardsByPlace(works: readonly ControlledWork[], seen: readonly HazardSeen[] = []): RegisterRow[] {
  return [...new Set(works.map((w) => w.work.zone))].flatMap((zone) =>
    hazardRegister(
      works.filter((w) => w.work.zone === zone),
      seen,
    ),
  );
}
