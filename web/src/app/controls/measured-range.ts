import { type KeptUnit, type Unit, UNITS, unitFor } from '@mansuet/core/locales';
import { FORMATS } from '../wording/formats';
import type { NumberRange } from './number-range';

const KEPT: readonly KeptUnit[] = ['mm', 'kg', '°C'];
/** What a step of the arrow keys adds in other units. Our defaults. */
const STEPS: Readonly<Record<string, number>> = { [UNITS.inch.sign]: 0.05, [UNITS.lb.sign]: 1, [UNITS.fahrenheit.sign]: 1 };

/** In what this salon writes a unit; `undefined` where it writes it as it is kept. */
export function unitOf(unit: string): Unit | undefined {
  const kept = KEPT.find((k) => k === unit);
  const shown = kept && unitFor(kept, FORMATS());
  return shown?.sign === unit ? undefined : shown;
}

/** A range in another unit: nothing is taken that the log would refuse. */
export function rangeIn(range: NumberRange, unit: Unit | undefined): NumberRange {
  if (!unit) return range;
  const parts = 10 ** Math.max(unit.digits, 1);
  const min = Math.ceil(unit.shown(range.min) * parts) / parts;
  const max = Math.floor(unit.shown(range.max) * parts) / parts;
  return { unit: unit.sign, min, max, step: STEPS[unit.sign] ?? range.step };
}
