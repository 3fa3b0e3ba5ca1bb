import type { Mood } from '../words/index.js';
/** Strain points a dog brings to the table, by mood. Our default. */
export const MOOD_START: Readonly<Record<Mood, number>> = { relaxed: 4, still: 10, tired_out: 14, tense: 20, shut_down: 26, frantic: 32 };
