import type { HandWear, SalonPost } from '../words/index.js';
import type { Span } from './hours-on.js';

/** A pair of hands. All times of a day are minutes from midnight on the salon's clock. */
export interface DayPerson {
  readonly id: string;
  /** When they work, in order, not overlapping. */
  readonly works: readonly Span[];
  /** Breaks that are kept: so long, begun between two times. */
  readonly breaks: readonly { readonly minutes: number; readonly from: number; readonly to: number }[];
  /** For close blades and guards on them. */
  readonly trained: boolean;
  /** Bathes and dries, and nothing else. */
  readonly bathOnly: boolean;
  /** Lifts nothing heavier; `null`: as everybody. */
  readonly liftKg: number | null;
  readonly noBiters: boolean;
  readonly noCatching: boolean;
  /** Load borne already today, points. */
  readonly borne: number;
}

export interface DayPost {
  readonly id: string;
  readonly kind: SalonPost;
  readonly room: string;
}

/** Some minutes of a visit at one post with the same hands. */
export interface DayStretch {
  /** As likely longer as shorter. */
  readonly minutes: number;
  /** Standard deviation of the logarithm of the minutes. */
  readonly spread: number;
  /** Kinds of post it can be done at, the best first; none where it needs none. */
  readonly posts: readonly SalonPost[];
  /** Pairs of hands: none while the dog rests or is dried by a stand dryer that is watched from the next table. */
  readonly hands: 0 | 1 | 2;
  /** What it costs the one who does it, points; the second pair of hands bears half. */
  readonly load: number;
  /** Loud all over its room. */
  readonly loud: boolean;
  /** What of it wears hands, wrists and back out; nothing where nobody knows. */
  readonly wear?: HandWear;
}

/** Stretches that follow each other at once, by one person: a wet dog does not wait. */
export interface DayBlock {
  readonly work: 'bath' | 'table';
  /** Minutes of the dog's own rest before it; none before the first. */
  readonly restBefore: number;
  readonly stretches: readonly DayStretch[];
  /** Whose it is and stays, such as the one that is in hand. */
  readonly by?: string;
}

/** A dog that is booked. */
export interface DayDog {
  readonly id: string;
  /** When it may come: the owner was told one of these minutes, or may be told one. */
  readonly arrives: Span;
  readonly blocks: readonly DayBlock[];
  /** Minutes it may wait beyond its own rests. */
  readonly waitsAtMost: number;
  /** When its owner would like to have it back, and what a minute later is worth; `undefined`: any time. */
  readonly wishedBy: { readonly at: number; readonly weight: number } | undefined;
  /** What it is worth, in minutes, that it is not with somebody; people who are not named are as good as any. */
  readonly wishes: Readonly<Record<string, number>>;
  readonly weightKg: number;
  readonly trainedOnly: boolean;
  readonly biter: boolean;
  /** Something catching: what it has touched is not used until the product has acted. */
  readonly catching: boolean;
  /** Not vaccinated in full: a room to itself, at posts that no other dog was on today. */
  readonly apart: boolean;
  readonly fearsLoud: boolean;
  /** Puppy, senior or fearful: waiting and noise count double. */
  readonly sensitive: boolean;
  /** Much strain: two such dogs after each other, or one at the end of the day, wear the hands out. */
  readonly hard: boolean;
  /** Set by hand: with whom, and from when. */
  readonly fixed: { readonly person?: string; readonly from?: number };
}

export interface DayProblem {
  /** From the opening to the last minute that a dog may be here. */
  readonly from: number;
  readonly to: number;
  /** Grid of all times, minutes. */
  readonly slot: number;
  /** How long people may stay beyond their hours, minutes. */
  readonly overtime: number;
  /** Minutes that the product needs where a catching dog was. */
  readonly contactMinutes: number;
  readonly people: readonly DayPerson[];
  readonly posts: readonly DayPost[];
  readonly dogs: readonly DayDog[];
}

/** A stretch with its time, hands and post. */
export interface PlacedStretch {
  readonly dog: string;
  readonly block: number;
  readonly stretch: number;
  readonly from: number;
  readonly to: number;
  readonly person: string | undefined;
  readonly helper: string | undefined;
  readonly post: string | undefined;
}

export interface DaySchedule {
  readonly stretches: readonly PlacedStretch[];
  readonly breaks: readonly { readonly person: string; readonly from: number; readonly to: number }[];
  /** Dogs, and breaks of people, for which no place was found. */
  readonly unplaced: readonly string[];
}

/** What a good day keeps small, the weightiest first: a later one never outweighs an earlier one. */
export const DAY_GOALS = ['unplaced', 'load', 'waiting', 'wishes', 'overtime', 'gaps'] as const;

/**
 * Dogs and breaks without a place · how much less even the load of hands is than it could be, in steps · minutes of waiting and noise, those of
 * sensitive dogs doubled · minutes beyond what owners wish · minutes of people beyond their hours · minutes in which they only wait.
 */
export type DayGoal = (typeof DAY_GOALS)[number];
export type DayTerms = Readonly<Record<DayGoal, number>>;

/** Minutes of a stretch on the grid: never none. */
export const slotsOf = (stretch: Pick<DayStretch, 'minutes'>, slot: number): number => Math.max(1, Math.round(stretch.minutes / slot));
