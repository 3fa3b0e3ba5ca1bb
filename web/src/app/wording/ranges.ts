import type { NumberRange } from '../controls/number-range';

/** Numbers that are typed on screens, stated once. They lie within what the log takes; where the log takes more, why is said. */
export const RANGES = {
  /** Length of the coat that is asked for. A blade leaves 0.5 mm at least. */
  coatLength: { unit: 'mm', min: 0.5, max: 80, step: 0.5 },
  /** From the arrival until the dog is fetched. */
  session: { unit: 'min', min: 10, max: 480, step: 5 },
  /** When the owner will really be back. */
  returnWeeks: { unit: 'weeks', min: 1, max: 104, step: 1 },
  /** A minute of the visit, from its start. */
  minuteOfVisit: { unit: 'min', min: 0, max: 480, step: 5 },
  /** What one step of a plan takes. */
  stepTime: { unit: 'min', min: 0.5, max: 120, step: 0.5 },
  /** How long a dog was seen to stand well. */
  standing: { unit: 'min', min: 1, max: 120, step: 1 },
  /** The side of a mark. */
  markSide: { unit: 'mm', min: 0.5, max: 300, step: 0.5 },
  room: { unit: '°C', min: -10, max: 50, step: 1 },
  /** What somebody lifts at most. */
  lift: { unit: 'kg', min: 1, max: 60, step: 1 },
  /** What hands do in a day at most. */
  handsInDay: { unit: 'min', min: 10, max: 600, step: 10 },
  liftedInDay: { unit: 'kg', min: 10, max: 2000, step: 10 },
  /** Minutes beside the usual that cost nothing. */
  freeMinutes: { unit: 'min', min: 0, max: 120, step: 1 },
  /** A break of somebody’s day. */
  ownBreak: { unit: 'min', min: 5, max: 180, step: 5 },
} as const satisfies Record<string, NumberRange>;

/** What a vet may spend before we ring, in the salon's money. */
export const vetLimit = (currency: string): NumberRange => ({ unit: currency, min: 0, max: 100_000, step: 10 });

/** What a minute beside the usual costs, in the salon's money. */
export const perMinute = (currency: string): NumberRange => ({ unit: currency, min: 0, max: 1000, step: 0.1 });

/** To what a price is rounded up, in the salon's money. */
export const roundedTo = (currency: string): NumberRange => ({ unit: currency, min: 0.01, max: 100, step: 0.5 });
