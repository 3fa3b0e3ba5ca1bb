import { signal } from '@angular/core';
import { clockOfMinute, sayClock, sayDate, type DateLength } from '@mansuet/core/days';
import { type KeptUnit, saySize, sayMeasure } from '@mansuet/core/locales';
import { type Formats, USUAL_FORMATS } from '@mansuet/core/words';

/** How this salon writes measures, times and dates. One salon is open at a time, and whoever signs in says which. */
export const FORMATS = signal<Formats>(USUAL_FORMATS);

/** A clock time: `HH:MM` as it is kept. */
export const clockTime = (clock: string): string => sayClock(clock, FORMATS().clock);
/** What the clock shows at a minute of the day, past midnight as well. */
export const clockOf = (minute: number): string => clockTime(clockOfMinute(minute));
/** A full hour on an axis: short, for there are many. */
export const hourOf = (minute: number): string => clockOf(minute).replace(':00 ', ' ');
/** @param date ISO @returns empty for what is no date */
export const dateOf = (date: string, length: DateLength): string => sayDate(date, FORMATS().date, length);

export const measure = (value: number, kept: KeptUnit): string => sayMeasure(value, kept, FORMATS());
export const kgOf = (kg: number): string => measure(kg, 'kg');
export const mmOf = (mm: number): string => measure(mm, 'mm');
export const celsiusOf = (celsius: number): string => measure(celsius, '°C');
/** Length and width of a mark. */
export const sizeOf = (lengthMm: number, widthMm: number): string => saySize({ measures: FORMATS() }, lengthMm, widthMm);
