import type { MarkFound } from '../findings/index.js';
import type { BladeChoice } from '../knowledge/blades/index.js';
import type { GapWithoutHold, HoldChoice } from '../knowledge/holds/index.js';
import type { DryerChoice } from '../knowledge/tools/index.js';
import {
  type Activity,
  type DogPosture,
  type PieceId,
  type Post,
  type Reason,
  type Saying,
  saying,
  type StepName,
  type Tier,
  type ZoneId,
} from '../words/index.js';
import { ACTIVITY_FACTS, isForEase } from '../work/index.js';
import type { StepRate } from './rates.js';

/** One kind of work in one place, with what is in the hand there, how it is held, and why. It is done, done in part or left by itself. */
export interface Piece {
  readonly id: PieceId;
  readonly activity: Activity;
  /** What the step that holds it is called. */
  readonly name: StepName;
  readonly place: ZoneId;
  readonly zones: readonly ZoneId[];
  readonly tier: Tier;
  /** What is left undone when it is not done, 1 (looks) to 9 (hurts at every step). */
  readonly urgency: number;
  readonly post: Post;
  /** How the dog may be for it. */
  readonly postures: readonly DogPosture[];
  /** On its feet, which it can be for so long only. */
  readonly standing: boolean;
  /** Not rounded: a step rounds the sum. */
  readonly minutes: number;
  /** 90 % of visits, as factors of {@link minutes}. */
  readonly range: readonly [number, number];
  /** Standard deviation of the logarithm of the minutes. */
  readonly spread: number;
  /** Share of what this kind of work is on the whole dog. */
  readonly share: number;
  readonly rate: StepRate;
  /** Minutes as they count against what hurts in one visit; 0 when it does not hurt. */
  readonly painfulMinutes: number;
  readonly hold: HoldChoice;
  readonly blade: BladeChoice | undefined;
  readonly dryer: DryerChoice | undefined;
  /** Moments in which nothing holds the dog. */
  readonly gaps: readonly GapWithoutHold[];
  readonly marks: readonly MarkFound[];
  readonly needsConsent: boolean;
  readonly cautions: readonly Reason[];
  readonly reasons: readonly Reason[];
}

/** Work that is not planned today, before any order is tried. */
export interface NotPlanned {
  readonly what: Saying;
  readonly activity: Activity | undefined;
  readonly zones: readonly ZoneId[];
  readonly to: 'vet' | 'another_visit' | 'left';
  /** Days until it must be done or seen; `undefined` when it can wait for any day. */
  readonly withinDays: number | undefined;
  readonly reasons: readonly Reason[];
}

/** What a piece is called by itself: its work and its place; what is done to the whole dog is called by its work. */
export function whatOf(p: Pick<Piece, 'activity' | 'name' | 'place'>): Saying {
  const wholeDog = ACTIVITY_FACTS[p.activity].bath !== undefined || isForEase(p.activity);
  return wholeDog ? saying('what.step', { step: p.name }) : saying('what.piece', { step: p.name, zone: p.place });
}
