import type { Chance } from '@mansuet/core/plan';

/** A chance in percent, no finer than the model is sure: "under 1 %", "3 %", "about 40 %", "over 95 %". */
export function inPercent({ chance }: Chance): string {
  const percent = Math.round(chance * 100);
  if (percent < 1) return $localize`:@@odds.underOne:under 1 %`;
  if (percent > 95) return $localize`:@@odds.overNinetyFive:over 95 %`;
  return percent < 10 ? `${percent} %` : $localize`:@@odds.aboutPercent:about ${5 * Math.round(percent / 5)}:percent: %`;
}

/** A chance as one says it across a table: "hardly ever", "about 1 visit in 20", "about 1 visit in 3", "more often than not". */
export function inVisits(chance: number): string {
  if (chance < 0.01) return $localize`:@@odds.hardlyEver:in hardly any visit`;
  if (chance > 0.9) return $localize`:@@odds.nearlyAlways:in nearly every visit`;
  if (chance > 0.55) return $localize`:@@odds.mostVisits:in most visits`;
  if (chance > 0.45) return $localize`:@@odds.everyOther:in every other visit`;
  const one = Math.round(1 / chance);
  return $localize`:@@odds.oneIn:in about 1 visit in ${one > 20 ? Math.round(one / 10) * 10 : one}:count:`;
}

/** The first line of a plan: minutes, breaks, and how it is likely to go. Chances are left out while they are worked out. */
export function sayPlan(p: {
  readonly minutes: number;
  readonly range: readonly [number, number];
  readonly breaks: number;
  readonly inTime: number | undefined;
  readonly pause: number | undefined;
  readonly stop: number | undefined;
  readonly bite: number | undefined;
}): string {
  const [minutes, from, to] = [p.minutes, ...p.range].map(Math.round);
  const breaks =
    p.breaks === 0
      ? $localize`:@@planSays.noBreak:without a break`
      : p.breaks === 1
        ? $localize`:@@planSays.oneBreak:with 1 break`
        : $localize`:@@planSays.breaks:with ${p.breaks}:count: breaks`;
  const work = $localize`:@@planSays.minutes:About ${minutes}:minutes: min (${from}:from: to ${to}:to:), ${breaks}:breaks:.`;
  if (p.stop === undefined || p.pause === undefined || p.inTime === undefined || p.bite === undefined) return work;
  const chances = $localize`:@@planSays.chances:Comes to a pause ${inVisits(p.pause)}:pause:, to a stop ${inVisits(p.stop)}:stop:, to a snap or bite ${inVisits(p.bite)}:bite:; over time ${inVisits(1 - p.inTime)}:late:.`;
  return `${work} ${chances}`;
}
