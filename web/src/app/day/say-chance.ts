/** Above this and below its opposite a chance is said without a count. Our default. */
const ALMOST = 0.95;

/** A chance in plain words: "about 8 in 10". */
export function inTen(chance: number): string {
  if (chance >= ALMOST) return $localize`:@@chance.almostSurely:almost surely`;
  if (chance <= 1 - ALMOST) return $localize`:@@chance.hardly:hardly ever`;
  return $localize`:@@chance.inTen:about ${Math.round(chance * 10)}:count: in 10`;
}
