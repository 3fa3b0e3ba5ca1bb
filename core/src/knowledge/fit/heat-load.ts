import { type HeatFactor, type Reason, reason } from '../../words/index.js';
import { ageYears, type DogFacts, expectedLifeYears } from '../dogs/index.js';

/** Room caution for dogs that bear heat badly, °C. Our default. */
const HEAT_CAUTION_CELSIUS = 22;
/** Above this no dog is groomed: people and dogs both need a cooler room. Our default. */
const HEAT_NOT_TODAY_CELSIUS = 32;
/** Each point of heat load lowers the room's limit by this much, °C, down to the caution. Our default. */
const CELSIUS_PER_POINT = 2;

/** Points of heat load. Our default; a short nose alone gives the limit of 26 °C. */
const HEAT_POINTS = { shortNose: 3, heart: 2, airway: 3, heavy: 1, old: 1, thickCoat: 1, pelted: 1, warmDryer: 1 } as const;

export interface HeatLoadQuestion {
  readonly dog: Pick<DogFacts, 'born' | 'weightKg' | 'nose' | 'build' | 'coat' | 'conditions'>;
  /** The coat is one sheet somewhere: no air gets through. */
  readonly pelted: boolean;
  /** A dryer with warm air is planned. */
  readonly warmDryer: boolean;
  readonly roomCelsius: number;
  /** ISO date. */
  readonly today: string;
}

export interface HeatLoad {
  readonly points: number;
  /** Room temperature above which this dog is not groomed, °C. */
  readonly limitCelsius: number;
  readonly verdict: 'go' | 'go_with_limits' | 'not_today';
  readonly reasons: readonly Reason[];
}

/**
 * How much heat this dog carries, and the room that is too warm for it.
 * @example heatLoad({ dog: aDog({ nose: 'short' }), pelted: false, warmDryer: false, roomCelsius: 27, today: '2026-11-25' }).verdict // => 'not_today'
 */
export function heatLoad(q: HeatLoadQuestion): HeatLoad {
  const old = ageYears(q.dog.born, q.today) >= 0.75 * expectedLifeYears(q.dog.weightKg);
  const parts: (readonly [HeatFactor, number])[] = [];
  const add = (holds: boolean, why: HeatFactor, points: number): void => {
    if (holds) parts.push([why, points]);
  };
  add(q.dog.nose === 'short', 'short_nose', HEAT_POINTS.shortNose);
  add(q.dog.conditions.includes('heart'), 'heart', HEAT_POINTS.heart);
  add(q.dog.conditions.includes('airway'), 'airway', HEAT_POINTS.airway);
  add(q.dog.build === 'heavy', 'heavy', HEAT_POINTS.heavy);
  add(old, 'old', HEAT_POINTS.old);
  add(q.dog.coat === 'double', 'thick_coat', HEAT_POINTS.thickCoat);
  add(q.pelted, 'pelted', HEAT_POINTS.pelted);
  const ofDog = parts.reduce((sum, [, p]) => sum + p, 0);
  add(q.warmDryer && ofDog > 0, 'warm_dryer', HEAT_POINTS.warmDryer);
  const points = parts.reduce((sum, [, p]) => sum + p, 0);
  const limitCelsius = Math.max(HEAT_CAUTION_CELSIUS, HEAT_NOT_TODAY_CELSIUS - CELSIUS_PER_POINT * points);
  const facts = { celsius: q.roomCelsius, limit: limitCelsius, factors: parts.map(([factor]) => factor) };
  if (q.roomCelsius > limitCelsius)
    return { points, limitCelsius, verdict: 'not_today', reasons: [reason('fit.heat_over_limit', facts, 1)] };
  if (points > 0 && q.roomCelsius >= HEAT_CAUTION_CELSIUS)
    return { points, limitCelsius, verdict: 'go_with_limits', reasons: [reason('fit.heat_caution', facts, 0.7)] };
  return { points, limitCelsius, verdict: 'go', reasons: [reason('fit.heat_go', facts, 0.1)] };
}
