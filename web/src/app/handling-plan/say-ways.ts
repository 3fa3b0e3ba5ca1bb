import { compareWith, type HandlingPlan, type Odds } from '@mansuet/core/plan';
import type { Words } from '../wording/words.service';
import { inVisits } from './say-odds';

/** A plan with its chances; they come after it. */
export interface Told {
  readonly plan: HandlingPlan;
  readonly odds: Odds | undefined;
}

/**
 * How another way to do a visit differs from the plan in hand, in sentences: minutes, how it is likely to go, what it adds and leaves.
 * What differs by less than a person would notice is not said.
 */
export function sayDifference(words: Words, inHand: Told, other: Told): string[] {
  const d = compareWith(inHand.plan, other.plan);
  const says = [minutesOf(other.plan, d.minutes)];
  const chances = chancesOf(inHand.odds, other.odds);
  if (chances) says.push(chances);
  if (d.more.length > 0) says.push($localize`:@@ways.adds:It also does: ${words.list(d.more.map(words.step))}:steps:.`);
  if (d.less.length > 0) says.push($localize`:@@ways.without:It leaves out: ${words.list(d.less.map(words.step))}:steps:.`);
  if (d.more.length + d.less.length === 0) says.push($localize`:@@ways.sameWork:The same work, in another order or with other breaks.`);
  const second = other.plan.secondVisit;
  if (second && other.plan.notToday.length > inHand.plan.notToday.length) {
    const minutes = Math.round(second.minutes);
    says.push(
      second.inWeeks === 1
        ? $localize`:@@ways.secondSoon:The rest takes about ${minutes}:minutes: min in 1 week.`
        : $localize`:@@ways.second:The rest takes about ${minutes}:minutes: min in ${second.inWeeks}:weeks: weeks.`,
    );
  }
  return says;
}

function minutesOf(plan: HandlingPlan, more: number): string {
  const [minutes, from, to] = [plan.minutes, ...plan.minutesRange].map(Math.round);
  const about = $localize`:@@ways.minutes:About ${minutes}:minutes: min (${from}:from: to ${to}:to:)`;
  if (more === 0) return $localize`:@@ways.asLong:${about}:about:, as long as the plan in hand.`;
  return more > 0
    ? $localize`:@@ways.longer:${about}:about:, ${more}:more: min longer.`
    : $localize`:@@ways.shorter:${about}:about:, ${-more}:less: min shorter.`;
}

/** Pause and stop of the other way, with what they are in hand where that is said otherwise. */
function chancesOf(inHand: Odds | undefined, other: Odds | undefined): string {
  if (!other) return '';
  const instead = (now: number | undefined, then: number): string => {
    const [was, is] = [now === undefined ? undefined : inVisits(now), inVisits(then)];
    return was === undefined || was === is ? is : $localize`:@@ways.instead:${is}:is: instead of ${was}:was:`;
  };
  const pause = instead(inHand?.pause.chance, other.pause.chance);
  const stop = instead(inHand?.stop.chance, other.stop.chance);
  return $localize`:@@ways.chances:Comes to a pause ${pause}:pause:, to a stop ${stop}:stop:.`;
}
