import { addDays } from '../days/index.js';
import type { MatSeason } from '../knowledge/coat/index.js';
import { type DogFacts, lifeStage } from '../knowledge/dogs/index.js';
import { type Activity, type HouseRules, type Reason, reason, type ZoneId } from '../words/index.js';

export interface NextVisitQuestion {
  readonly dog: Pick<DogFacts, 'born' | 'weightKg' | 'coat' | 'ears' | 'conditions' | 'triggers' | 'biteHistory' | 'warned'>;
  /** Steps finished today. */
  readonly done: readonly Activity[];
  readonly clipOff: boolean;
  /** Weeks until the second visit for what was left, if anything was. */
  readonly leftWeeks: number | undefined;
  readonly stoppedEarly: boolean;
  /** Places of marks that were not there the last time. */
  readonly newMarks: readonly ZoneId[];
  /** When the owner will really be back, weeks, as far as it was asked. */
  readonly returnWeeks: number | undefined;
  /** When this dog mats, if it has a season. */
  readonly season: MatSeason | undefined;
  readonly house: HouseRules;
  /** ISO date. */
  readonly today: string;
}

export interface NextVisitDate {
  /** ISO date. */
  readonly date: string;
  readonly weeks: number;
  readonly because: Reason;
}

/** Weeks between coat visits. Common practice, no source: coat visits 4 to 8 weeks, an easy short clip about 6. */
export const COAT_WEEKS: Readonly<Record<DogFacts['coat'], number>> = { curly: 6, wool: 6, silky: 6, wire: 8, double: 8, smooth: 8 };
const NAIL_WEEKS = 4;
const CLIP_OFF_WEEKS = 8;
const PUPPY_WEEKS = 3;
const HABIT_WEEKS = 4;
const EAR_WEEKS = 8;
const STOPPED_WEEKS = 2;
/** Skin under a pelted coat is looked at 1 to 2 weeks after it came off; a new mark after 4. Common practice, no source. */
const SKIN_AFTER_PELT_WEEKS = 2;
const MARKS_WEEKS = 4;
/** From this return on nails, ears and hygiene are done in between. Common practice, no source; when is our default. */
const LONG_RETURN_WEEKS = 12;
const BETWEEN_WEEKS = 6;

/** Every date that speaks for a next visit, the earliest first. The first one is the proposal. */
export function nextVisitDates(q: NextVisitQuestion): NextVisitDate[] {
  const dates: NextVisitDate[] = [];
  const add = (weeks: number, because: Reason): void => {
    dates.push({ date: addWeeks(q.today, weeks), weeks, because });
  };
  if (q.clipOff) add(CLIP_OFF_WEEKS, reason('next.clip_off', { weeks: CLIP_OFF_WEEKS }, 0.6));
  else add(COAT_WEEKS[q.dog.coat], reason('next.coat', { coat: q.dog.coat, weeks: COAT_WEEKS[q.dog.coat] }, 0.5));
  if (q.clipOff) add(SKIN_AFTER_PELT_WEEKS, reason('next.skin_after_pelt', { weeks: SKIN_AFTER_PELT_WEEKS }, 0.8));
  if (q.newMarks.length > 0) add(MARKS_WEEKS, reason('next.marks', { weeks: MARKS_WEEKS, zones: [...new Set(q.newMarks)] }, 0.7));
  if ((q.returnWeeks ?? 0) >= LONG_RETURN_WEEKS) add(BETWEEN_WEEKS, reason('next.between', { weeks: BETWEEN_WEEKS }, 0.6));
  if (q.done.includes('nails')) add(NAIL_WEEKS, reason('next.nails', { weeks: NAIL_WEEKS }, 0.4));
  if (lifeStage(q.dog, q.today) === 'puppy') add(PUPPY_WEEKS, reason('next.puppy', { weeks: PUPPY_WEEKS }, 0.7));
  if (q.dog.triggers.length > 0 || q.dog.biteHistory || q.dog.warned !== null)
    add(HABIT_WEEKS, reason('next.habit', { weeks: HABIT_WEEKS }, 0.6));
  if (q.dog.ears === 'drop' && q.dog.conditions.includes('ear_trouble')) add(EAR_WEEKS, reason('next.ears', { weeks: EAR_WEEKS }, 0.4));
  if (q.house.earHair === 'pluck' && q.done.includes('ears')) add(EAR_WEEKS, reason('next.ears_plucked', { weeks: EAR_WEEKS }, 0.4));
  if (q.season) {
    const weeks = weeksBefore(q.season.month, q.today);
    if (weeks > 0) add(weeks, reason('next.season', { weeks, month: q.season.month }, 0.5));
  }
  if (q.leftWeeks !== undefined) add(q.leftWeeks, reason('next.left', { weeks: q.leftWeeks }, 0.9));
  if (q.stoppedEarly) add(STOPPED_WEEKS, reason('next.nothing_done', { weeks: STOPPED_WEEKS }, 0.8));
  return dates.sort((a, b) => a.weeks - b.weeks);
}

/** Whole weeks until the first day of the month before a season's middle; the season is three months long. */
function weeksBefore(month: number, today: string): number {
  const from = new Date(Date.parse(today));
  const starts = Date.UTC(from.getUTCFullYear(), month - 2, 1);
  const next = starts > from.getTime() ? starts : Date.UTC(from.getUTCFullYear() + 1, month - 2, 1);
  return Math.floor((next - from.getTime()) / 604_800_000);
}

/** A date some weeks later, ISO. `addWeeks('2026-01-01', 2) // => '2026-01-15'` */
export function addWeeks(date: string, weeks: number): string {
  return addDays(date, 7 * weeks);
}
