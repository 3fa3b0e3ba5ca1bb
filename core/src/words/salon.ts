/** What work is done at, or a dog rests in. */
export const SALON_POSTS = ['table', 'tub', 'stand_dryer', 'high_velocity_dryer', 'resting_place'] as const;

export type SalonPost = (typeof SALON_POSTS)[number];

/** What wears the hands, wrists and back of who works: minutes of each, and of what is lifted the kilograms. */
export const HAND_WORK = ['clip', 'brush', 'bent', 'lifted'] as const;

export type HandWork = (typeof HAND_WORK)[number];
export type HandWear = Readonly<Record<HandWork, number>>;

/**
 * What somebody does of it in a day at most: minutes, and kilograms lifted on and off tables and out of tubs. Our defaults, of no published limit: a house
 * that knows its people sets its own.
 */
export const HAND_LIMITS: HandWear = { clip: 180, brush: 90, bent: 150, lifted: 150 };

/** How the time beside the usual is priced: minutes of each visit that cost nothing, and to what the sum is rounded up, hundredths of the currency. */
export interface PriceRule {
  readonly freeMinutes: number;
  readonly roundMinor: number;
}
/** Every minute, to the smallest coin. */
export const USUAL_PRICE_RULE: PriceRule = { freeMinutes: 0, roundMinor: 1 };

/** How lengths, weights and temperatures are written. They are kept in mm, kg and °C whatever is shown. */
export const LENGTH_UNITS = ['mm', 'inch'] as const;
export const WEIGHT_UNITS = ['kg', 'lb'] as const;
export const TEMPERATURE_UNITS = ['celsius', 'fahrenheit'] as const;
export interface Measures {
  readonly length: (typeof LENGTH_UNITS)[number];
  readonly weight: (typeof WEIGHT_UNITS)[number];
  readonly temperature: (typeof TEMPERATURE_UNITS)[number];
}
export const METRIC: Measures = { length: 'mm', weight: 'kg', temperature: 'celsius' };

/** mm in an inch and kg in a pound, exactly (international yard and pound agreement, 1959; NIST SP 811, 2008, appendix B.8). */
export const MM_PER_INCH = 25.4;
export const KG_PER_LB = 0.45359237;

/** How a time of day and a date are written. */
export const CLOCK_FORMS = ['hours_24', 'hours_12'] as const;
export const DATE_FORMS = ['day_month', 'month_day', 'year_month_day'] as const;
export type ClockForm = (typeof CLOCK_FORMS)[number];
export type DateForm = (typeof DATE_FORMS)[number];
export interface Formats extends Measures {
  readonly clock: ClockForm;
  readonly date: DateForm;
}
export const USUAL_FORMATS: Formats = { ...METRIC, clock: 'hours_24', date: 'day_month' };

/** Monday first, as the weeks of ISO 8601. */
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;

export type Weekday = (typeof WEEKDAYS)[number];
