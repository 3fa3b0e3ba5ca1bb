import type { BladeFamily, BladeId, ToothType } from '../../words/index.js';
/** A blade as the salon owns it. The number alone says neither length nor teeth. */
export interface Blade {
  readonly id: BladeId;
  /** `unknown` is treated as skip. */
  readonly tooth: ToothType;
  /** Millimetres left when cutting with the grain, healthy coat, as engraved; makers differ by about ±20 %. */
  readonly lengthMm: number;
  /** Dull or with a chipped tooth: on no dog until it is sharpened. */
  readonly dull?: boolean;
}

const FAMILIES: Readonly<Record<BladeId, BladeFamily>> = {
  '3F': 'long',
  '4F': 'long',
  '4': 'long',
  '5F': 'long',
  '5': 'long',
  '7F': 'cuts_skin',
  '7': 'cuts_skin',
  '8.5': 'short',
  '9': 'short',
  '10': 'close_teeth',
  '15': 'close_teeth',
  '30': 'nicks',
  '40': 'nicks',
  '50': 'nicks',
};

/** The family of a number: `familyOf('10') // => 'close_teeth'`. */
export function familyOf(id: BladeId): BladeFamily {
  return FAMILIES[id];
}

/** Whether teeth may be skipped: unknown is treated as skip. */
export function isSkip(blade: Pick<Blade, 'tooth'>): boolean {
  return blade.tooth !== 'full';
}

/** Nominal lengths. Common practice, no source; the blade as owned and engraved decides. */
export const BLADES: readonly Blade[] = [
  { id: '3F', tooth: 'full', lengthMm: 13 },
  { id: '4F', tooth: 'full', lengthMm: 9.5 },
  { id: '4', tooth: 'skip', lengthMm: 9.5 },
  { id: '5F', tooth: 'full', lengthMm: 6.3 },
  { id: '5', tooth: 'skip', lengthMm: 6.3 },
  { id: '7F', tooth: 'full', lengthMm: 3.2 },
  { id: '7', tooth: 'skip', lengthMm: 3.2 },
  { id: '8.5', tooth: 'full', lengthMm: 2.8 },
  { id: '9', tooth: 'full', lengthMm: 2 },
  { id: '10', tooth: 'full', lengthMm: 1.5 },
  { id: '15', tooth: 'full', lengthMm: 1.2 },
  { id: '30', tooth: 'full', lengthMm: 0.5 },
  { id: '40', tooth: 'full', lengthMm: 0.25 },
  { id: '50', tooth: 'full', lengthMm: 0.2 },
];

export interface Guard {
  readonly id: string;
  readonly lengthMm: number;
}

/** Guards snapped on over a #30. Common practice, no source. */
export const GUARDS: readonly Guard[] = [
  { id: '5', lengthMm: 3 },
  { id: '4', lengthMm: 6 },
  { id: '3½', lengthMm: 10 },
  { id: '2', lengthMm: 13 },
  { id: '1', lengthMm: 16 },
  { id: '0', lengthMm: 19 },
  { id: 'A', lengthMm: 22 },
  { id: 'C', lengthMm: 25 },
];

/** Against the grain about half the length is left. Common practice, no source. */
const AGAINST_GRAIN_SHARE = 0.5;

/**
 * Millimetres left by a blade.
 * @example lengthLeftMm({ id: '10', tooth: 'full', lengthMm: 1.5 }, 'against') // => 0.75
 */
export function lengthLeftMm(blade: Blade, direction: 'with' | 'against'): number {
  return direction === 'with' ? blade.lengthMm : blade.lengthMm * AGAINST_GRAIN_SHARE;
}
