/** A chance as sentences tell it, to a tenth of a percent. `inPercent(0.0123) // => 1.2` */
export const inPercent = (chance: number): number => Math.round(1000 * chance) / 10;
