import { type Reason, reason, type ZoneId } from '../../words/index.js';

/** A contact at one temperature. */
export interface Contact {
  readonly celsius: number;
  /** Minutes, ≥ 0. */
  readonly minutes: number;
}

/** Above 43 °C each degree halves the time, below it quarters it (Sapareto & Dewey 1984). */
const R_ABOVE = 0.5;
const R_BELOW = 0.25;
const REFERENCE_CELSIUS = 43;

/**
 * Cumulative equivalent minutes at 43 °C: Σ tᵢ·R^(43−Tᵢ), R = 0.5 from 43 °C on and 0.25 below, at every temperature (some
 * authors count nothing below 39 °C; we count it). Sapareto & Dewey 1984, Int J Radiat Oncol Biol Phys 10:787–800.
 * For looking back at an incident, never as an all-clear, and it overstates hot contacts of under a minute.
 * @throws RangeError for negative minutes
 * @example cem43Minutes([{ celsius: 45, minutes: 10 }]) // => 40
 */
export function cem43Minutes(contacts: readonly Contact[]): number {
  return contacts.reduce((sum, { celsius, minutes }) => {
    if (!(minutes >= 0)) throw new RangeError(`cem43Minutes: ${minutes} min`);
    return sum + minutes * (celsius >= REFERENCE_CELSIUS ? R_ABOVE : R_BELOW) ** (REFERENCE_CELSIUS - celsius);
  }, 0);
}

/**
 * The same for a contact whose temperature runs in a straight line: the integral in closed form.
 * @example cem43OfRamp(43, 47, 10) // => 54.10106403
 */
export function cem43OfRamp(fromCelsius: number, toCelsius: number, minutes: number): number {
  if (!(minutes >= 0)) throw new RangeError(`cem43OfRamp: ${minutes} min`);
  const low = Math.min(fromCelsius, toCelsius);
  const high = Math.max(fromCelsius, toCelsius);
  if (high === low) return cem43Minutes([{ celsius: low, minutes }]);
  const perDegree = minutes / (high - low);
  const part = (a: number, b: number, r: number): number =>
    b <= a ? 0 : (perDegree * (r ** (REFERENCE_CELSIUS - b) - r ** (REFERENCE_CELSIUS - a))) / -Math.log(r);
  return part(low, Math.min(high, REFERENCE_CELSIUS), R_BELOW) + part(Math.max(low, REFERENCE_CELSIUS), high, R_ABOVE);
}

/** Burn thresholds of uncoated metal on healthy adult human skin, °C: 1 min, 10 min, 8 h and longer. ISO 13732-1:2006 Table 1, from memory. */
const ISO13732_METAL_CELSIUS = { oneMinute: 51, tenMinutes: 48, eightHours: 43 } as const;

/**
 * The threshold of the table for a contact at least this long: a step, not a line, as the table gives it.
 * Below a minute the standard gives bands that we do not have: `undefined`.
 * @example metalThresholdCelsius(1) // => 51
 */
export function metalThresholdCelsius(minutes: number): number | undefined {
  if (minutes < 1) return undefined;
  if (minutes < 10) return ISO13732_METAL_CELSIUS.oneMinute;
  return minutes < 480 ? ISO13732_METAL_CELSIUS.tenMinutes : ISO13732_METAL_CELSIUS.eightHours;
}

export interface DoseOfZone {
  readonly cem43: number;
  readonly longestMinutes: number;
  readonly hottestCelsius: number;
  readonly reasons: readonly Reason[];
}

/** What a zone met in a visit, for looking back after an incident. It never says that a contact was harmless. */
export function doseOfZone(contacts: readonly Contact[], zone: ZoneId): DoseOfZone {
  const cem43 = cem43Minutes(contacts);
  const longestMinutes = Math.max(0, ...contacts.map((c) => c.minutes));
  const hottestCelsius = contacts.length === 0 ? 0 : Math.max(...contacts.map((c) => c.celsius));
  const reasons = [reason('heat.dose', { zone, minutes: cem43, celsius: hottestCelsius }, 0.4)];
  const line = metalThresholdCelsius(longestMinutes);
  if (line !== undefined && hottestCelsius >= line) reasons.push(reason('heat.over_human_limit', { zone, celsius: line }, 1));
  return { cem43, longestMinutes, hottestCelsius, reasons };
}
