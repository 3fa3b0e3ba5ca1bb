import type { FeelOver } from '../findings/index.js';
import { type Blade, BLADES, type Guard, GUARDS } from '../knowledge/blades/index.js';
import { type DogFacts, dogFactsOf, type StoredFacts } from '../knowledge/dogs/index.js';
import { CONTACT_MINUTES, type FitResult, fitToGroom, toldWithHours } from '../knowledge/fit/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';
import type { ActivityHistory, CarriedOver, CarriedZone, Pace, PlanInput, StoppedPlan, TimeSeen } from '../plan/index.js';
import type { BreakSeen, PooledKind, PooledWork, RateEvidence, WholeEvidence } from '../strain/index.js';
import type { Activity, Condition, HouseRules, ZoneId } from '../words/index.js';
import { carriedOverFrom, carriedZonesFrom, notFeltYet, withZones } from './carried-over.js';
import type { VisitState } from './state.js';
import { afterStopOf } from './stopped-plan.js';
import { knownFacts, marksStillThere, type MarkOfFile, mindedPlaces, presumedMarks, resentedLately } from './known-from-visits.js';
import { breaksSeenIn, evidenceSeenIn, historyOf, timesOf, type VisitSummary } from './summary.js';

export interface PlanContext {
  readonly dog: DogFacts;
  readonly history: readonly ActivityHistory[];
  readonly evidence: readonly RateEvidence<Activity>[];
  readonly wholeVisits: readonly WholeEvidence[];
  /** Watched breaks of earlier visits. */
  readonly breaks: readonly BreakSeen[];
  /** The groomer is trained with #30 and closer. */
  readonly trained: boolean;
  /** The salon's own answers and tools; our defaults and the nominal set while it has not said. */
  readonly house?: HouseRules;
  readonly drawer?: readonly Blade[];
  readonly guards?: readonly Guard[];
  /** ISO date. */
  readonly today: string;
  readonly times?: readonly TimeSeen[];
  readonly pace?: readonly Pace[];
  /** What the salon's other dogs say of each kind of work. */
  readonly pool?: readonly PooledWork<Activity>[];
  /** The same of each kind of dog. */
  readonly kindPool?: readonly PooledKind[];
  readonly carriedOver?: readonly CarriedOver[];
  readonly carriedZones?: readonly CarriedZone[];
  /** One of the last two visits was stopped for the dog's sake. */
  readonly afterStop?: boolean;
  readonly stopped?: StoppedPlan;
  /** Marks of earlier visits, each as often as it was measured; one that was found gone is left out. */
  readonly knownMarks?: readonly MarkOfFile[];
  /** Places where it minded the hand the last time. */
  readonly resented?: readonly ZoneId[];
}

/**
 * What earlier visits say for today's plan.
 * @param past summaries of the dog's other visits, the latest first
 */
export function planContextOf(
  now: Pick<PlanContext, 'trained' | 'house' | 'drawer' | 'today' | 'pace' | 'pool' | 'kindPool' | 'knownMarks'> & {
    readonly dog: StoredFacts;
  },
  past: readonly VisitSummary[],
): PlanContext {
  return {
    ...now,
    dog: dogFactsOf(
      knownFacts(now.dog, past, now.today),
      past.length,
      past.flatMap((s) => s.stands ?? []),
    ),
    resented: resentedLately(past),
    knownMarks: marksStillThere(now.knownMarks ?? [], past),
    history: historyOf(past),
    evidence: evidenceSeenIn(past),
    wholeVisits: past.flatMap((s) => s.whole ?? []),
    breaks: breaksSeenIn(past),
    times: timesOf(past),
    carriedOver: carriedOverFrom(past),
    carriedZones: carriedZonesFrom(past),
    ...afterStopOf(past),
  };
}

/** The dog of the file with what the scale and the hands say today: what is felt comes before what is written. */
export function dogAsFelt(state: Pick<VisitState, 'weightKg' | 'feelOver' | 'dogAsked'>, dog: DogFacts): DogFacts {
  const { looked } = state.feelOver;
  const felt: Condition[] = [
    ...(looked?.mouth === 'no_front_teeth' ? ['no_front_teeth' as const] : []),
    ...(looked?.breath === 'bad_head_up' ? ['breath_head_up' as const] : []),
  ].filter((c) => !dog.conditions.includes(c));
  return {
    ...dog,
    ...state.dogAsked,
    ...(state.weightKg === undefined ? {} : { weightKg: state.weightKg }),
    ...(felt.length > 0 ? { conditions: [...dog.conditions, ...felt] } : {}),
  };
}

/** Fit to groom, from the answers in the visit and the facts in the file. Unanswered questions hold the plan back. */
export function fitOf(state: VisitState, dog: DogFacts, today: string): FitResult | undefined {
  return (
    state.fit &&
    fitToGroom({
      dog: dogAsFelt(state, dog),
      ...state.fit,
      looked: state.feelOver.looked,
      foundAt: state.feelOver.foundAt,
      sores: state.feelOver.zones.some((z) => z.skin === 'sore') || state.feelOver.marks.some((m) => m.kind === 'sore'),
      pelted: state.feelOver.zones.some((z) => z.matGrade === 4),
      contactMinutes: CONTACT_MINUTES,
      today,
    })
  );
}

/** Today's findings with what is taken to be as it was: marks that nobody looked for, places it minded. */
export function withKnown(feelOver: FeelOver, state: VisitState, context: Pick<PlanContext, 'knownMarks' | 'resented'>): FeelOver {
  const presumed = presumedMarks(context.knownMarks ?? [], state);
  const resents = mindedPlaces(state, context.resented ?? []);
  if (presumed.length === 0 && resents.length === (feelOver.resents ?? []).length) return feelOver;
  return { ...feelOver, marks: [...feelOver.marks, ...presumed], resents };
}

/** Room when nobody read the thermometer, °C. Our default. */
export const USUAL_ROOM_CELSIUS = 21;

const REFUSABLE = ['close_clip', 'clip_off', 'muzzle'] as const;

/** What the planner reads, from a visit and its context; `undefined` until the fit questions are answered. */
export function planInputOf(state: VisitState, context: PlanContext): PlanInput | undefined {
  const fit = fitOf(state, context.dog, context.today);
  const carriedZones = notFeltYet(context.carriedZones ?? [], state);
  return (
    fit && {
      dog: dogAsFelt(state, context.dog),
      feelOver: withKnown(withZones(state.feelOver, carriedZones), state, context),
      asked: state.asked,
      history: context.history,
      evidence: context.evidence,
      wholeVisits: context.wholeVisits,
      pool: context.pool,
      kindPool: context.kindPool,
      fit: fit.verdict,
      helperThere: state.helperThere,
      refused: REFUSABLE.filter((c) => state.consents.get(c)?.agreed === false),
      trained: context.trained,
      breaks: context.breaks,
      told: toldWithHours(state.fit?.told ?? [], state.fit?.hours),
      roomCelsius: state.fit?.roomCelsius ?? USUAL_ROOM_CELSIUS,
      house: context.house ?? HOUSE_DEFAULTS,
      drawer: context.drawer ?? BLADES,
      guards: context.guards ?? GUARDS,
      today: context.today,
      helperWindows: state.helperWindows.length > 0 ? state.helperWindows : undefined,
      times: context.times,
      pace: context.pace,
      carriedOver: context.carriedOver,
      carriedZones,
      afterStop: context.afterStop,
      stopped: context.stopped,
      everyDogAsked: state.dogAsked !== undefined,
      wishes: state.wishes,
      way: state.way,
    }
  );
}
