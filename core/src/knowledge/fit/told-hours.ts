import { type Condition, type Reason, reason, type ToldItem } from '../../words/index.js';

/** When it ate and what it was given, as the owner tells it. Times of day on the salon's clock, `HH:MM`. */
export interface ToldHours {
  /** When this was told. */
  readonly toldAt: string;
  /** Its last meal; left out where it was not told. */
  readonly meal?: string | undefined;
  /** Medicines of today, by the name that the owner says; never a dose. */
  readonly medicines?: readonly MedicineTold[] | undefined;
}

export interface MedicineTold {
  readonly what: string;
  /** `HH:MM`. */
  readonly at: string;
}

/** Fed within so many minutes counts as just fed. Common practice, no source. */
const JUST_FED_MINUTES = 60;
const DAY_MINUTES = 24 * 60;

/**
 * Minutes from one time of day to a later one, over midnight where it must be.
 * @param from `HH:MM`
 * @param to `HH:MM`
 * @throws RangeError when one of them is no time of day
 * @example minutesUntil('23:30', '08:00') // => 510
 */
export function minutesUntil(from: string, to: string): number {
  const [start, end] = [from, to].map((text) => {
    const parts = /^([01]\d|2[0-3]):([0-5]\d)$/.exec(text);
    if (!parts) throw new RangeError(`minutesUntil: ${text} is no time of day`);
    return Number(parts[1]) * 60 + Number(parts[2]);
  }) as [number, number];
  return (end - start + DAY_MINUTES) % DAY_MINUTES;
}

/** What is told today with what follows from the hours: a meal within the hour is a dog just fed, whoever ticked it or not. */
export function toldWithHours(told: readonly ToldItem[], hours: ToldHours | undefined): readonly ToldItem[] {
  const fed = hours?.meal !== undefined && minutesUntil(hours.meal, hours.toldAt) <= JUST_FED_MINUTES;
  return fed && !told.includes('just_fed') ? [...told, 'just_fed'] : told;
}

/** What it was given and when; `undefined` while nobody told. */
export function medicinesInWords(hours: ToldHours | undefined): string | undefined {
  const given = hours?.medicines ?? [];
  return given.length > 0 ? given.map((m) => `${m.what} ${m.at}`).join(', ') : undefined;
}

/** Hours that must be asked for: meal and insulin of a diabetic dog. Common practice, no source. */
export function hoursMissing(conditions: readonly Condition[], hours: ToldHours | undefined): Reason[] {
  const both = hours?.meal !== undefined && (hours.medicines ?? []).length > 0;
  return conditions.includes('diabetes') && !both ? [reason('told_today.diabetes_hours', {}, 0.9)] : [];
}
