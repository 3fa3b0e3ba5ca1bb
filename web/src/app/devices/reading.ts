import { KG_PER_LB, MM_PER_INCH } from '@mansuet/core/words';
/** What a device measured. */
export type Reading =
  | { readonly device: 'scale'; readonly kg: number }
  | { readonly device: 'caliper'; readonly mm: number }
  | { readonly device: 'thermometer'; readonly celsius: number };

/**
 * One line of text as serial scales, calipers and thermometers send it: a number and its unit, with or without words before them, such as
 * "ST,GS,+ 12.30 kg", "8.4 mm" or "38.5 C". Common practice, no source.
 * @returns `undefined` for a line that is no measure
 */
export function readLine(line: string): Reading | undefined {
  const found = /(?:^|[^\d.])([+-]?\s*\d+(?:[.,]\d+)?)\s*(kg|lbs?|mm|inch|in|°?\s*c|°?\s*f)\b\s*$/i.exec(line.trim());
  const value = Number(found?.[1]?.replace(/\s/g, '').replace(',', '.'));
  if (!found?.[2] || !Number.isFinite(value)) return undefined;
  switch (found[2].toLowerCase().replace(/[°\s]/g, '')) {
    case 'kg':
      return { device: 'scale', kg: value };
    case 'lb':
    case 'lbs':
      return { device: 'scale', kg: value * KG_PER_LB };
    case 'mm':
      return { device: 'caliper', mm: value };
    case 'in':
    case 'inch':
      return { device: 'caliper', mm: value * MM_PER_INCH };
    case 'c':
      return { device: 'thermometer', celsius: value };
    default:
      return { device: 'thermometer', celsius: ((value - 32) * 5) / 9 };
  }
}

/**
 * A weight as a scale sends it over Bluetooth: flags, then the weight in steps of 0.005 kg or 0.01 lb. Bluetooth SIG, Weight Scale Service 1.0,
 * characteristic 0x2A9D; from memory.
 * @param bytes at least three
 */
export function readWeightMeasurement(bytes: DataView): Reading | undefined {
  if (bytes.byteLength < 3) return undefined;
  const steps = bytes.getUint16(1, true);
  // All ones: it could not be weighed.
  if (steps === 0xffff) return undefined;
  const imperial = (bytes.getUint8(0) & 1) === 1;
  return { device: 'scale', kg: imperial ? steps * 0.01 * KG_PER_LB : steps * 0.005 };
}

/**
 * A temperature as a thermometer sends it over Bluetooth: flags, then a number of 32 bits with a decimal exponent (IEEE 11073). Bluetooth SIG,
 * Health Thermometer Service 1.0, characteristic 0x2A1C; from memory.
 * @param bytes at least five
 */
export function readTemperatureMeasurement(bytes: DataView): Reading | undefined {
  if (bytes.byteLength < 5) return undefined;
  const raw = bytes.getUint32(1, true);
  const mantissa = ((raw & 0xffffff) << 8) >> 8;
  const exponent = bytes.getInt8(4);
  // Values that stand for "not a number", "too hot to tell" and the like.
  if ((raw & 0xffffff) >= 0x7ffffe && (raw & 0xffffff) <= 0x800002) return undefined;
  const value = mantissa * 10 ** exponent;
  const fahrenheit = (bytes.getUint8(0) & 1) === 1;
  return { device: 'thermometer', celsius: fahrenheit ? ((value - 32) * 5) / 9 : value };
}
