import { type DogFacts, lifeStage } from '../knowledge/dogs/index.js';
import type { ServiceAsked } from '../plan/index.js';
import type { VisitSummary } from '../visit/index.js';
import { type Reason, reason, type ServiceItem } from '../words/index.js';

/** What is proposed for the next visit of a dog: nothing is assumed that it never had. */
export interface UsualService {
  readonly asked: ServiceAsked;
  readonly because: readonly Reason[];
}

/** Without a visit of its own. Our defaults. */
const FIRST_ITEMS: readonly ServiceItem[] = ['bath', 'nails', 'ears'];
const FIRST_MINUTES = 90;
/** A puppy's visit, and one after a stop. Common practice, no source: short and easy. */
const PUPPY_MINUTES = 45;
const AFTER_STOP_MINUTES = 60;
/** So many of its own visits are looked at; what was asked for in half of them is usual. Our defaults. */
const VISITS = 5;
/** Room beside its own minutes for arriving and handing back. Our default. */
const ROUND_UP_TO = 15;

/**
 * The usual service of a dog and the minutes to keep for it, from its own visits.
 * @param past summaries of its visits, the latest first
 * @param today ISO date
 */
export function usualService(dog: Pick<DogFacts, 'born' | 'weightKg'>, past: readonly VisitSummary[], today: string): UsualService {
  const own = past.filter((s) => (s.outcome === 'finished' || s.outcome === 'stopped') && s.asked !== undefined).slice(0, VISITS);
  const puppy = lifeStage(dog, today) === 'puppy';
  const [last] = own;
  const because: Reason[] = [];
  let items = FIRST_ITEMS;
  let minutes = FIRST_MINUTES;
  if (last?.asked) {
    const usual = last.asked.items.filter((i) => 2 * own.filter((s) => s.asked?.items.includes(i)).length >= own.length);
    items = usual.length > 0 ? usual : last.asked.items;
    because.push(reason('usual.service', { services: items, visits: own.length }, 0.6));
  } else if (!puppy) because.push(reason('usual.none', {}, 0.3));
  const timed = own
    .filter((s) => !s.writtenAfter && s.outcome === 'finished' && s.minutes > 0)
    .map((s) => s.minutes)
    .sort((a, b) => a - b);
  if (timed.length > 0) {
    const [from, to] = [timed[0] ?? 0, timed.at(-1) ?? 0];
    minutes = Math.ceil((to + 5) / ROUND_UP_TO) * ROUND_UP_TO;
    because.push(reason('usual.minutes', { minutes, from: Math.round(from), to: Math.round(to), visits: timed.length }, 0.6));
  } else if (last?.asked) minutes = last.asked.sessionMinutes;
  if (puppy) {
    // A clip of the body is asked for by name, not presumed.
    items = items.filter((i) => i !== 'body_clip' && i !== 'deshed');
    minutes = Math.min(minutes, PUPPY_MINUTES);
    because.push(reason('usual.puppy', { minutes }, 0.8));
  } else if (last?.outcome === 'stopped') {
    minutes = Math.min(minutes, AFTER_STOP_MINUTES);
    because.push(reason('usual.after_stop', { minutes }, 0.8));
  }
  const wantedMm = last?.asked?.wantedMm ?? 9;
  const returnWeeks = last?.asked?.returnWeeks;
  return {
    asked: { items: [...items], wantedMm, sessionMinutes: minutes, ...(returnWeeks === undefined ? {} : { returnWeeks }) },
    because,
  };
}
