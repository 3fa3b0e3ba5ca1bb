import { byWeight, HEAT_ACTIONS, type HeatAction, type HouseRules, type Reason, reason, type ZoneId } from '../../words/index.js';
import { zoneFacts } from '../anatomy/index.js';
import {
  BLADE_HEAT_DEFAULTS,
  type BladeHeatModel,
  CHECK_BY_SECONDS,
  NEVER_ABOVE_CELSIUS,
  secondsUntilCelsius,
  SWAP_AT_CELSIUS,
} from './blade-heat.js';

export interface HeatQuestion {
  /** Estimated temperature now, °C. */
  readonly celsius: number;
  /** Seconds of running since it was last touched to the wrist. */
  readonly sinceTouchSeconds: number;
  /** What the last touch said, while it counts. */
  readonly touched: 'cool' | 'warm' | 'hot' | undefined;
  /** Not touched since it was swapped, or since the work in this place began. */
  readonly untouchedSince?: 'swap' | 'place' | undefined;
  /** Where it goes next. */
  readonly zone: ZoneId;
  /** Another blade of the number lies cool in the drawer. */
  readonly coolOneThere: boolean;
  readonly house: HouseRules;
  readonly model?: BladeHeatModel;
}

export interface HeatAdvice {
  readonly action: HeatAction;
  /** Minutes of running until the swap line; `Infinity` when it is never reached. */
  readonly minutesToSwap: number;
  readonly reasons: readonly Reason[];
}

/** On thin skin a blade is swapped this many °C earlier. Our default. */
const THIN_SKIN_EARLIER_CELSIUS = 1;
/** Before thin skin a blade was touched within this time of running, seconds. Our default. */
const THIN_SKIN_CHECK_SECONDS = 60;

/**
 * Temperature at which a blade is swapped or cooled. In a house where only a hot wrist counts it is a degree later, and never
 * above the floor.
 * @example swapLineCelsius('back', house) // => 40
 */
export function swapLineCelsius(zone: ZoneId, house: HouseRules): number {
  const line = house.bladeTooWarm === 'hot_wrist' ? SWAP_AT_CELSIUS + 1 : SWAP_AT_CELSIUS;
  return Math.min(NEVER_ABOVE_CELSIUS, isThin(zone) ? line - THIN_SKIN_EARLIER_CELSIUS : line);
}

const isThin = (zone: ZoneId): boolean => zoneFacts(zone).fragile.includes('thin_skin');

/** What to do with the blade before it meets the next place. A touch that says warm overrules any estimate; cool overrules none. */
export function adviseHeat(q: HeatQuestion): HeatAdvice {
  const zone = q.zone;
  const line = swapLineCelsius(q.zone, q.house);
  const minutesToSwap = secondsUntilCelsius(q.celsius, line, q.model ?? BLADE_HEAT_DEFAULTS) / 60;
  const found: { action: HeatAction; because: Reason }[] = [];
  const cooler: HeatAction = q.coolOneThere ? 'swap' : 'cool';
  if (q.celsius > NEVER_ABOVE_CELSIUS)
    found.push({ action: 'stop', because: reason('heat.never_above', { celsius: q.celsius, limit: NEVER_ABOVE_CELSIUS }, 1) });
  if (q.touched === 'hot') found.push({ action: 'stop', because: reason('heat.touch_hot', {}, 1) });
  if (q.touched === 'warm' && q.house.bladeTooWarm === 'warm_inner_arm')
    found.push({ action: cooler, because: reason('heat.touch_warm', {}, 1) });
  if (q.touched === 'warm' && q.house.bladeTooWarm === 'hot_wrist')
    found.push({ action: 'check', because: reason('heat.touch_warm_watch', {}, 0.8) });
  if (q.celsius >= line) found.push({ action: cooler, because: reason('heat.swap_line', { celsius: q.celsius, limit: line, zone }, 0.9) });
  if (q.sinceTouchSeconds >= CHECK_BY_SECONDS)
    found.push({ action: 'check', because: reason('heat.check_by', { minutes: CHECK_BY_SECONDS / 60 }, 0.7) });
  if (isThin(q.zone) && q.sinceTouchSeconds >= THIN_SKIN_CHECK_SECONDS)
    found.push({ action: 'check', because: reason('heat.check_thin_skin', { zone }, 0.75) });
  if (q.untouchedSince === 'swap') found.push({ action: 'check', because: reason('heat.touch_after_swap', {}, 0.78) });
  else if (q.untouchedSince === 'place' && isThin(q.zone))
    found.push({ action: 'check', because: reason('heat.check_thin_skin', { zone }, 0.75) });
  if (found.length === 0)
    return { action: 'go_on', minutesToSwap, reasons: [reason('heat.go_on', { minutes: Math.min(minutesToSwap, 60) }, 0.2)] };
  const action = HEAT_ACTIONS[Math.max(...found.map((f) => HEAT_ACTIONS.indexOf(f.action)))] ?? 'stop';
  return { action, minutesToSwap, reasons: byWeight(found.map((f) => f.because)) };
}

/**
 * Passes of a blade over one zone before it is touched again: how far the estimate lies from the swap line, in strokes.
 * @param secondsPerPass seconds of running a pass takes, > 0
 * @throws RangeError when a pass takes no time
 * @example passesUntilCheck(22, 'back', 4, house) // => 45
 */
export function passesUntilCheck(celsius: number, zone: ZoneId, secondsPerPass: number, house: HouseRules): number {
  if (!(secondsPerPass > 0)) throw new RangeError(`passesUntilCheck: a pass of ${secondsPerPass} s`);
  const seconds = Math.min(CHECK_BY_SECONDS, secondsUntilCelsius(celsius, swapLineCelsius(zone, house)));
  return Math.floor(seconds / secondsPerPass);
}
