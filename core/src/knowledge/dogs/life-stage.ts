import type { LifeStage } from '../../words/index.js';
import type { DogFacts } from './dog.js';

const DAYS_PER_YEAR = 365.2425;

/** Age in years on a day. Dates are ISO; a day before the birth gives 0. */
export function ageYears(born: string, today: string): number {
  return Math.max(0, (Date.parse(today) - Date.parse(born)) / 86_400_000 / DAYS_PER_YEAR);
}

/** Age in weeks on a day. */
export function ageWeeks(born: string, today: string): number {
  return Math.max(0, (Date.parse(today) - Date.parse(born)) / 604_800_000);
}

/** Expected life span in years by adult weight. Our default: the guidelines give no table, only "the last 25 %". */
export function expectedLifeYears(weightKg: number): number {
  if (weightKg < 10) return 14.5;
  if (weightKg < 25) return 13;
  return weightKg < 45 ? 11 : 9;
}

/**
 * Life stage: puppy to the end of rapid growth (9 months), young adult to 3 years, senior in the last quarter of the
 * expected life span (AAHA 2019).
 */
export function lifeStage(dog: Pick<DogFacts, 'born' | 'weightKg'>, today: string): LifeStage {
  const age = ageYears(dog.born, today);
  if (age < 0.75) return 'puppy';
  if (age < 3) return 'young_adult';
  return age >= 0.75 * expectedLifeYears(dog.weightKg) ? 'senior' : 'mature_adult';
}

/** Every stage the dog may be in when its birth date is an estimate: of the two ends, and of the date itself. */
export function stagesPerhaps(dog: Pick<DogFacts, 'born' | 'weightKg' | 'bornWithinMonths'>, today: string): LifeStage[] {
  const off = (dog.bornWithinMonths ?? 0) * (DAYS_PER_YEAR / 12) * 86_400_000;
  const ends = [-off, 0, off].map((shift) => new Date(Date.parse(dog.born) + shift).toISOString().slice(0, 10));
  return [...new Set(ends.map((born) => lifeStage({ born, weightKg: dog.weightKg }, today)))];
}

/** Age on a day as an ISO 8601 duration, in the unit that says most: weeks, then months, then years. `ageOf('2026-09-09', '2026-11-25') // => 'P11W'` */
export function ageOf(born: string, today: string): string {
  const weeks = ageWeeks(born, today);
  if (weeks < 20) return `P${Math.floor(weeks)}W`;
  const years = ageYears(born, today);
  return years < 2 ? `P${Math.floor(years * 12)}M` : `P${Math.floor(years)}Y`;
}
