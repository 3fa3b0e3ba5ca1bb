import { type GammaRate, priorRate, rateInterval90, rateMean, updateRate } from '../statistics/index.js';
import { type LearnedTool, type Posture, type Reason, reason, type ZoneGroup } from '../words/index.js';

/** What was done, where, with what, how the dog stood: minutes and strain points seen. */
export interface SeenWork<A extends string = string> {
  readonly activity: A;
  readonly group: ZoneGroup;
  readonly tool: LearnedTool;
  readonly posture: Posture;
  readonly minutes: number;
  readonly points: number;
}

export interface RateQuestion<A extends string = string> {
  readonly activity: A;
  readonly group: ZoneGroup;
  readonly tool: LearnedTool;
  /** Points per minute for this kind of dog before anything was seen, > 0. */
  readonly priorPerMinute: number;
}

export interface LearnedRate {
  readonly rate: GammaRate;
  readonly mean: number;
  readonly interval90: readonly [number, number];
  /** Minutes of the same work in the same place with the same tool. */
  readonly minutesSame: number;
  /** Minutes that are only like it: they count in part. */
  readonly minutesAlike: number;
  readonly reasons: readonly Reason[];
}

/** What is only alike (same work elsewhere or with another tool) counts this much. Our default. */
export const ALIKE_COUNTS = 0.5;

/**
 * Rate of a piece of work for one dog: the prior of its kind, then its own minutes. Minutes of the same work in the same place with
 * the same tool count whole, minutes of the same work elsewhere or with another tool count half.
 * @example learnRate({ activity: 'nails', group: 'paws', tool: 'nail_tool', priorPerMinute: 4 }, []).mean // => 4
 */
export function learnRate<A extends string>(q: RateQuestion<A>, seen: readonly SeenWork<A>[]): LearnedRate {
  const ofActivity = seen.filter((s) => s.activity === q.activity && s.minutes > 0);
  const same = ofActivity.filter((s) => s.group === q.group && s.tool === q.tool);
  const alike = ofActivity.filter((s) => !same.includes(s));
  const sum = (list: readonly SeenWork<A>[], of: 'minutes' | 'points'): number => list.reduce((x, s) => x + s[of], 0);
  const points = sum(same, 'points') + ALIKE_COUNTS * sum(alike, 'points');
  const minutes = sum(same, 'minutes') + ALIKE_COUNTS * sum(alike, 'minutes');
  const rate = updateRate(priorRate(q.priorPerMinute), points, minutes);
  const reasons: Reason[] = [];
  if (minutes > 0)
    reasons.push(
      reason(
        'rate.learned',
        {
          minutes: Math.round(sum(ofActivity, 'minutes')),
          points: Math.round(sum(ofActivity, 'points')),
          from: q.priorPerMinute,
          to: rateMean(rate),
        },
        0.7,
      ),
    );
  if (alike.length > 0) reasons.push(reason('rate.alike', { minutes: Math.round(sum(alike, 'minutes')) }, 0.2));
  if (reasons.length === 0) reasons.push(reason('rate.prior_only', { rate: q.priorPerMinute }, 0.2));
  return {
    rate,
    mean: rateMean(rate),
    interval90: rateInterval90(rate),
    minutesSame: sum(same, 'minutes'),
    minutesAlike: sum(alike, 'minutes'),
    reasons,
  };
}
