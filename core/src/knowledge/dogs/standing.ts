import type { FeelOver } from '../../findings/index.js';
import { type Reason, reason } from '../../words/index.js';
import type { DogFacts } from './dog.js';
import { ILL_MINUTES, isIll } from './ill.js';
import { hasKind, type KindFound } from './kinds.js';
import { ageWeeks } from './life-stage.js';
import { GUESS_SPREAD, learnStanding, SEEN_SPREAD } from './stand-seen.js';

export interface StandingLimits {
  /** Minutes on its feet without a rest. */
  readonly continuousMinutes: number;
  /** Minutes on its feet in the whole visit. */
  readonly totalMinutes: number;
  /** Minutes of work in the whole visit; `Infinity` when only the clock on the wall limits it. */
  readonly workMinutes: number;
  /** Seen with this dog, or a guess until it is. */
  readonly known: 'seen' | 'guess';
  readonly reasons: readonly Reason[];
}

/**
 * How long this dog can stand. Unknown until it was seen: a default is a guess, and the dog's own minutes, and its own stands, replace it.
 * Puppy figures: 20 min of work and 5 without a pause under 16 weeks, later 30 and 10. Our defaults.
 */
export function standingLimits(dog: DogFacts, kinds: readonly KindFound[], feelOver: FeelOver, today: string): StandingLimits {
  const reasons: Reason[] = [];
  let continuous = 20;
  let total = 100;
  let work = Infinity;
  if (hasKind(kinds, 'senior')) {
    continuous = 10;
    total = 35;
    reasons.push(reason('standing.senior', { minutes: 10 }, 0.7));
  }
  if (hasKind(kinds, 'puppy')) {
    const young = ageWeeks(dog.born, today) < 16;
    continuous = young ? 5 : 10;
    work = young ? 20 : 30;
    total = work;
    reasons.push(reason('standing.puppy', { minutes: continuous, work }, 0.9));
  }
  if (isIll(dog)) {
    work = Math.min(work, ILL_MINUTES);
    reasons.push(reason('standing.ill', { work: ILL_MINUTES }, 0.9));
  }
  const seen = dog.standingSeenMinutes;
  if (seen !== undefined) {
    continuous = Math.min(hasKind(kinds, 'puppy') ? continuous : Infinity, seen);
    total = Math.max(total, seen * 3);
    reasons.push(reason('standing.seen', { minutes: seen, name: dog.name }, 0.9));
  }
  const stands = dog.stands ?? [];
  const learned = learnStanding(continuous, seen === undefined ? GUESS_SPREAD : SEEN_SPREAD, stands);
  if (learned) {
    const { minutes, range } = learned;
    const [from, to] = range;
    total *= minutes / continuous;
    continuous = minutes;
    reasons.push(
      reason(
        'standing.learned',
        { name: dog.name, minutes, count: stands.length, reached: stands.filter((s) => s.tired).length, from, to },
        0.8,
      ),
    );
  }
  if (seen === undefined && !learned) reasons.push(reason('standing.guess', { minutes: continuous, name: dog.name }, 0.3));
  const worst = worstHindOrBack(feelOver);
  if (worst === 'stiff') {
    continuous = Math.min(continuous, 8);
    total = Math.min(total, 30);
    reasons.push(reason('standing.stiff', { minutes: continuous }, 0.8));
  }
  if (worst === 'painful') {
    continuous = Math.min(continuous, 5);
    total = Math.min(total, 20);
    reasons.push(reason('standing.painful', { minutes: continuous }, 0.9));
  }
  return {
    continuousMinutes: continuous,
    totalMinutes: total,
    workMinutes: work,
    known: seen === undefined && !learned ? 'guess' : 'seen',
    reasons,
  };
}

function worstHindOrBack(feelOver: FeelOver): 'free' | 'stiff' | 'painful' {
  const values = (['hip_left', 'hip_right', 'knee_left', 'knee_right', 'back'] as const).map((j) => feelOver.joints[j] ?? 'free');
  if (values.includes('painful')) return 'painful';
  return values.includes('stiff') ? 'stiff' : 'free';
}
