import {
  DEFAULT_HALF_LIFE_MINUTES,
  type DogFactor,
  learnDog,
  learnHalfLife,
  learnRate,
  type LearnedRate,
  type WholeEvidence,
} from '../strain/index.js';
import { breaksSeenIn, evidenceSeenIn, type VisitSummary } from '../visit/index.js';
import { type Activity, ACTIVITIES, type Reason, reason } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';

/** Sure enough to be said: nine of ten for a kind of work, four of five for a change. Our defaults. */
const SAID_FROM = 0.9;
const CHANGE_SAID_FROM = 0.8;
/** Nothing is told as surer than this: what is learned is no more certain than its model. */
const NEVER_SURER = 95;
/** A year, days. */
const YEAR_DAYS = 365;
const DAY_MS = 86_400_000;
/** More of one kind would not be read. Our default. */
const SHOWN = 4;

/** What a dog's visits teach, in sentences, what matters first; each with how sure it is. */
export interface DogExplained {
  readonly minds: readonly Reason[];
  readonly bears: readonly Reason[];
  readonly whole: readonly Reason[];
  readonly calms: readonly Reason[];
  readonly sinceLastYear: readonly Reason[];
}

/**
 * A dog in plain words: what it minds, what it bears, how it compares with dogs of its kind, what calms it, what changed since last year.
 * @param past summaries of its visits, the latest first
 * @param today ISO day
 */
export function explainDog(past: readonly VisitSummary[], today: string): DogExplained {
  const dog = learnDog(wholeOf(past), breaksSeenIn(past));
  const works = worksOf(past, dog);
  const harder = works.filter((w) => w.learned.harder >= SAID_FROM).sort((a, b) => b.factor - a.factor);
  const easier = works.filter((w) => w.learned.harder <= 1 - SAID_FROM).sort((a, b) => a.factor - b.factor);
  const others = works.length - Math.min(SHOWN, harder.length) - Math.min(SHOWN, easier.length);
  const say = (rule: 'file.work_harder' | 'file.work_easier', { work, factor, learned }: WorkLearned): Reason =>
    reason(
      rule,
      { step: work, factor: tenth(factor), visits: learned.visits, percent: sure(Math.max(learned.harder, 1 - learned.harder)) },
      0.7,
    );
  return {
    minds: [
      ...(works.length === 0 ? [reason('file.nothing_seen', {}, 0.2)] : []),
      ...(works.length > 0 && harder.length === 0 ? [reason('file.minds_nothing', {}, 0.2)] : []),
      ...harder.slice(0, SHOWN).map((w) => say('file.work_harder', w)),
    ],
    bears: [
      ...easier.slice(0, SHOWN).map((w) => say('file.work_easier', w)),
      ...(easier.length > 0 ? [reason('file.no_leave', {}, 0.8)] : []),
    ],
    whole: [...(dog.visits === 0 ? [] : [sayWhole(dog)]), ...(others > 0 ? [reason('file.works_alike', { count: others }, 0.3)] : [])],
    calms: [sayBreaks(past)],
    sinceLastYear: [sayYear(past, today)],
  };
}

export interface WorkLearned {
  readonly work: Activity;
  /** Times what its kind makes of it. */
  readonly factor: number;
  readonly learned: LearnedRate;
}

/** Each kind of work that was seen, against its kind as it was last taken to be. */
export function worksOf(past: readonly VisitSummary[], dog: DogFactor): WorkLearned[] {
  const evidence = evidenceSeenIn(past);
  return ACTIVITIES.flatMap((work) => {
    const own = evidence.filter((e) => e.work === work);
    if (own.length === 0) return [];
    const priorPerMinute = own.find((e) => e.kindPerMinute !== undefined)?.kindPerMinute ?? ACTIVITY_FACTS[work].ratePerMinute;
    const learned = learnRate({ work, priorPerMinute }, own, dog);
    return [{ work, factor: learned.mean / priorPerMinute, learned }];
  });
}

export const wholeOf = (visits: readonly VisitSummary[]): WholeEvidence[] => visits.flatMap((s) => s.whole ?? []);

function sayWhole(dog: DogFactor): Reason {
  const harder = above(dog.middle, dog.variance);
  const facts = { factor: tenth(Math.exp(dog.middle)), visits: dog.visits, percent: sure(Math.max(harder, 1 - harder)) };
  if (harder >= SAID_FROM) return reason('file.dog_harder', facts, 0.6);
  return harder <= 1 - SAID_FROM ? reason('file.dog_easier', facts, 0.6) : reason('file.dog_alike', { visits: dog.visits }, 0.4);
}

function sayBreaks(past: readonly VisitSummary[]): Reason {
  const breaks = breaksSeenIn(past);
  const { middle, breaks: told } = learnHalfLife(breaks, wholeOf(past));
  if (told === 0) return reason('file.never_looked', { likely: DEFAULT_HALF_LIFE_MINUTES }, 0.2);
  return reason(
    'file.comes_down',
    { count: breaks.length, reached: breaks.filter((b) => b.mood === 'relaxed').length, likely: Math.round(middle) },
    0.5,
  );
}

/** This year's visits against those before, each learned by themselves. */
function sayYear(past: readonly VisitSummary[], today: string): Reason {
  const day = Date.parse(today);
  const isLate = (s: VisitSummary): boolean => day - Date.parse(s.on ?? today) < YEAR_DAYS * DAY_MS;
  const of = (visits: readonly VisitSummary[]): DogFactor => learnDog(wholeOf(visits), breaksSeenIn(visits));
  const now = of(past.filter(isLate));
  const then = of(past.filter((s) => !isLate(s)));
  if (now.visits === 0 || then.visits === 0) return reason('file.no_year', {}, 0.2);
  const change = now.middle - then.middle;
  const harder = above(change, now.variance + then.variance);
  const facts = { factor: tenth(Math.exp(change)), visits: now.visits, count: then.visits, percent: sure(Math.max(harder, 1 - harder)) };
  if (harder >= CHANGE_SAID_FROM) return reason('file.now_harder', facts, 0.6);
  return harder <= 1 - CHANGE_SAID_FROM
    ? reason('file.now_easier', facts, 0.6)
    : reason('file.no_change', { visits: now.visits, count: then.visits }, 0.3);
}

/** Probability that a normal variable is above zero, to a hundredth, by a logistic curve (Haley 1952, Stanford technical report 15: 1.702; from memory). */
function above(middle: number, variance: number): number {
  return 1 / (1 + Math.exp((-1.702 * middle) / Math.sqrt(variance)));
}

/** No finer than it is known. */
export const tenth = (x: number): number => Math.round(10 * x) / 10;

/** In steps of five. `sure(0.93) // => 95` */
function sure(chance: number): number {
  return Math.min(NEVER_SURER, 5 * Math.round(20 * chance));
}
