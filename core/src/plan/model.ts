import type { DogPosture, Post, Tier } from '../words/index.js';
import type { OrderRule, TimeLag } from '../work/index.js';

/** A step as the solver sees it: numbers only. */
export interface SolverStep {
  readonly id: string;
  readonly tier: Tier;
  /** How much this step counts within its tier, > 0. */
  readonly worth: number;
  /** Minutes of work, > 0. */
  readonly minutes: number;
  /** Strain points per minute at the start of the visit, ≥ 0. */
  readonly ratePerMinute: number;
  readonly post: Post;
  readonly standing: boolean;
  /** How the dog may be for it, any of these; one is chosen. Upright when it is not given. */
  readonly postures?: readonly DogPosture[];
  /** It hurts: hands rest after at most this many minutes of it, > 0. */
  readonly longestPart?: number;
  /** A second pair of hands must be there while it is done. */
  readonly helper?: boolean;
  /** What is in the hand: taking up another costs {@link TOOL_CHANGE_MINUTES}. */
  readonly tool?: string;
  /** It wears a muzzle: fitting and taking it off cost minutes, and fitting again is the moment that bites. */
  readonly muzzled?: boolean;
  /** It follows at once: a wet dog does not wait. Breaks may lie inside it. */
  readonly noBreakBefore?: boolean;
}

/** Minutes from the first step, `[from, to]`, in which a helper is there. */
export type HelperWindow = readonly [number, number];

/** Everything the solver reads. */
export interface PlanProblem {
  readonly steps: readonly SolverStep[];
  readonly order: readonly OrderRule[];
  readonly lags?: readonly TimeLag[];
  /** When a helper is there; always, when it is not given. */
  readonly helperWindows?: readonly HelperWindow[];
  /** Steps that the plan must hold, whatever their worth: what a groomer has fixed. */
  readonly required?: readonly string[];
  /** Point-minutes that a minute of the visit counts as; {@link POINT_MINUTES_PER_MINUTE} when it is not given. */
  readonly minutePrice?: number;
  /** Strain that no step may pass, on top of the ceiling of its tier: what the same visit comes to without its looks. */
  readonly peakAtMost?: number;
  /** Strain the dog brings, 0 to 100. */
  readonly startStrain: number;
  readonly halfLifeMinutes: number;
  /** Growth of every rate per minute of work already done: tired dogs get worse. */
  readonly fatiguePerMinute: number;
  readonly continuousStandingMinutes: number;
  readonly totalStandingMinutes: number;
  /** Minutes of work in the visit; `Infinity` when only the session limits it. */
  readonly workMinutes: number;
  /** Minutes from the first step to the last, breaks and changes of place included. */
  readonly sessionMinutes: number;
  /** Where the dog is when it begins, and how long it has stood. */
  readonly startPost: Post;
  /** Upright when it is not given. */
  readonly startPosture?: DogPosture | undefined;
  readonly startStandingMinutes: number;
}

/** Strain that a step of a tier may reach but not pass. Welfare stays below `stop`, what was asked for below `pause`, looks at most at the line of `watch`. */
export const STRAIN_CEILING: Readonly<Record<Tier, number>> = { welfare: 75, asked: 50, looks: 25 };
/** Breaks come in steps of this many minutes. Our default. */
export const BREAK_STEP_MINUTES = 5;
/**
 * Point-minutes of strain above `watch` that a minute of the visit must save to be worth its time. Time on a table is a burden
 * too: without an exchange a plan would rest for an hour to save a trifle. Our default.
 */
export const POINT_MINUTES_PER_MINUTE = 3;
/** A step is cut into parts of at most this many minutes; a break may lie between two parts. Our default. */
const PART_MINUTES = 10;
/** Minutes to carry or lead the dog from one place to another and set up there; nobody works on it, but it does not lie down. Our default. */
export const CHANGEOVER_MINUTES: Readonly<Record<Post, Readonly<Record<Post, number>>>> = {
  table: { table: 0, lap: 1, tub: 3, dryer: 2 },
  lap: { table: 1, lap: 0, tub: 3, dryer: 2 },
  tub: { table: 2, lap: 2, tub: 0, dryer: 1 },
  dryer: { table: 1, lap: 1, tub: 3, dryer: 0 },
};

/** Minutes to lay down one tool or blade and take up another at the same place. Our default; it also keeps like work together. */
const TOOL_CHANGE_MINUTES = 0.5;

/** Minutes to turn the dog over, to lay it down or to let it get up. Common practice, no source: "about a minute". */
const TURN_MINUTES = 1;

/**
 * Minutes to fit a muzzle through which it is fed until it is at ease in it, or to take it off behind it and let it eat. Our default; it also
 * keeps such work together: one fitting.
 */
const MUZZLE_MINUTES = 4;

/** Where the dog is, how, and what is in the hand. */
export interface Station {
  readonly post: Post;
  readonly tool: string | undefined;
  readonly posture?: DogPosture | undefined;
  readonly muzzled?: boolean | undefined;
}

/** On its feet or sitting: it may change between the two as it likes. */
const upright = (posture: DogPosture | undefined): boolean => posture !== 'lying_left' && posture !== 'lying_right' && posture !== 'lap';
const turns = (from: Station, to: Station): boolean => from.posture !== to.posture && !(upright(from.posture) && upright(to.posture));

/** Minutes between two steps, breaks not counted. A change of place or a turn includes the change of tool, not that of a muzzle. */
export function changeMinutes(from: Station, to: Station): number {
  const muzzle = (from.muzzled === true) !== (to.muzzled === true) ? MUZZLE_MINUTES : 0;
  return muzzle + withoutMuzzle(from, to);
}

function withoutMuzzle(from: Station, to: Station): number {
  if (from.post !== to.post) return CHANGEOVER_MINUTES[from.post][to.post];
  if (turns(from, to)) return TURN_MINUTES;
  return from.tool !== undefined && to.tool !== undefined && from.tool !== to.tool ? TOOL_CHANGE_MINUTES : 0;
}

/** Whether each part of a step but the first begins with a rest. */
export const restsBetween = (step: SolverStep): boolean => step.longestPart !== undefined && step.longestPart < PART_MINUTES;

/** One step of a chosen order: the breaks before each of its parts, in minutes, and how the dog is for it. */
export interface ChosenStep {
  readonly step: number;
  readonly breaks: readonly number[];
  /** One of the step's postures; its first when it is not given. */
  readonly posture?: DogPosture | undefined;
}

/** Where a step is done. */
export const stationOf = (step: SolverStep, posture: DogPosture | undefined): Station => ({
  post: step.post,
  tool: step.tool,
  posture: posture ?? step.postures?.[0],
  muzzled: step.muzzled === true,
});

/** Parts of equal length, none longer than {@link PART_MINUTES}, than the dog can stand, or than it bears what hurts in one go. */
export function partsOf(step: SolverStep, continuousStandingMinutes: number): { count: number; minutes: number } {
  const inOneGo = Math.min(PART_MINUTES, step.longestPart ?? PART_MINUTES);
  const longest = step.standing ? Math.min(inOneGo, continuousStandingMinutes) : inOneGo;
  // A dog that cannot stand at all: what needs standing is in no number of parts possible.
  const count = longest > 0 ? Math.max(1, Math.ceil(step.minutes / longest - 1e-9)) : 1;
  return { count, minutes: step.minutes / count };
}
