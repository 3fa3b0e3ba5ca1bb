import { KG_PER_LB, type Measures, type DogSize, type Reason, reason, type Saying, saying } from '../../words/index.js';
import type { DogFacts } from './dog.js';

/** Weights that are believed without asking back, kg, by the size that people name. Our default, wide on purpose. */
export const SIZE_KG: Readonly<Record<DogSize, readonly [number, number]>> = {
  toy: [0.3, 7],
  small: [2, 16],
  medium: [5, 35],
  large: [12, 60],
  giant: [20, 120],
};
/** A dog of light build does not weigh more than this without a question, kg. Our default. */
const LIGHT_UP_TO_KG = 45;
/** A grown dog does not change by more than this between two weighings without a question, as a share. Our default. */
const ASK_FROM_CHANGE = 0.3;
/** Weight lost within this many days is shown to a vet from the share below. Our defaults. */
const LOSS_WINDOW_DAYS = 120;
const LOSS_TO_VET = 0.1;

/**
 * Asks back about a weight that may be a slip; nothing is refused. `undefined` when it is believed.
 * @param dog its weight as given, kg, with what is said of its size and build
 * @param beforeKg the last weight known of this dog, if any
 * @param grown the dog is past its rapid growth: a puppy may double
 * @example weightQuestion({ weightKg: 70, size: 'toy', build: 'light' }, undefined, true)?.rule // => 'ask.weight_for_size'
 */
export function weightQuestion(
  dog: { readonly weightKg: number; readonly size: DogSize | null; readonly build: DogFacts['build'] },
  beforeKg: number | undefined,
  grown: boolean,
): Saying | undefined {
  const { weightKg: kg, size } = dog;
  const range = size ? SIZE_KG[size] : undefined;
  // A young dog of a large kind still weighs little.
  if (size && range && (kg > range[1] || (grown && kg < range[0])))
    return saying('ask.weight_for_size', { dog_size: size, kg, from: range[0], to: range[1] });
  if (!size && dog.build === 'light' && kg > LIGHT_UP_TO_KG) return saying('ask.weight_light', { kg });
  if (beforeKg === undefined) return undefined;
  const change = kg / beforeKg - 1;
  if (grown && Math.abs(change) >= ASK_FROM_CHANGE)
    return saying(change > 0 ? 'ask.weight_more' : 'ask.weight_less', { from: beforeKg, percent: Math.round(100 * Math.abs(change)) });
  return undefined;
}

/**
 * Reads a weight as people type it: a comma or a point, kg, g or lb.
 * @param bare what a number without a unit is
 * @returns kg rounded to 10 g, or `undefined` when it is no weight
 * @example readWeight('26,5 kg') // => 26.5
 * @example readWeight('58 lb') // => 26.31
 */
export function readWeight(text: string, bare: Measures['weight'] = 'kg'): number | undefined {
  const found = /^\s*(\d{1,4}(?:[.,]\d{1,3})?)\s*(kg|kgs|kilos?|g|lbs?|pounds?)?\s*$/i.exec(text);
  if (!found?.[1]) return undefined;
  const value = Number(found[1].replace(',', '.'));
  const unit = (found[2] ?? bare).toLowerCase();
  const kg = unit === 'g' ? value / 1000 : unit.startsWith('lb') || unit.startsWith('pound') ? value * KG_PER_LB : value;
  return Math.round(kg * 100) / 100;
}

export interface Weighing {
  /** ISO date. */
  readonly on: string;
  readonly kg: number;
}

export interface WeightChange {
  /** Share against the first weighing in the window, negative when lighter. */
  readonly change: number;
  readonly showVet: boolean;
  readonly because: Reason;
}

/**
 * What the weights of a dog say: lost {@link LOSS_TO_VET} or more within {@link LOSS_WINDOW_DAYS} is shown to a vet.
 * @param weighings in any order
 * @returns `undefined` for fewer than two weighings
 */
export function weightChange(weighings: readonly Weighing[]): WeightChange | undefined {
  const inOrder = [...weighings].sort((a, b) => a.on.localeCompare(b.on));
  const last = inOrder[inOrder.length - 1];
  if (!last || inOrder.length < 2) return undefined;
  const from = Date.parse(last.on) - LOSS_WINDOW_DAYS * 86_400_000;
  const recent = inOrder.slice(0, -1).filter((w) => Date.parse(w.on) >= from);
  // The heaviest of the window: a loss that came in two halves is one loss.
  const base = recent.length > 0 ? recent.reduce((a, b) => (b.kg > a.kg ? b : a)) : inOrder[inOrder.length - 2];
  if (!base) return undefined;
  const change = last.kg / base.kg - 1;
  const facts = { percent: Math.round(Math.abs(change) * 100), on: base.on };
  return {
    change,
    showVet: recent.length > 0 && change <= -LOSS_TO_VET,
    because: reason(change < 0 ? 'weight.lost' : 'weight.gained', facts, change <= -LOSS_TO_VET ? 0.9 : 0.3),
  };
}
