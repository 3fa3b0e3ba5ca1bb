import type { HandlingPlan } from '../plan/index.js';
import { WATCH_AT } from '../strain/index.js';
import type { SalonPost } from '../words/index.js';
import { BATHING, isMatWork } from '../work/index.js';
import { addWear, NO_WEAR, wearOfWork } from './hand-wear.js';
import type { DayBlock, DayStretch } from './model.js';

/** What is read of a plan. */
export type PlanOfDay = Pick<HandlingPlan, 'curve'> & { readonly steps: readonly StepOfDay[] };
type Planned = HandlingPlan['steps'][number];
interface StepOfDay extends Pick<Planned, 'activity' | 'post' | 'minutes' | 'minutesSpread' | 'from' | 'to'> {
  readonly hold: Pick<Planned['hold'], 'hold' | 'also'>;
  readonly dryer: Pick<NonNullable<Planned['dryer']>, 'dryer'> | undefined;
  readonly breaks: readonly Pick<Planned['breaks'][number], 'minutes' | 'after'>[];
}

/** A rest of the dog from here on frees the hands: it is shorter than it takes to begin with another dog otherwise. Our default. */
const FREES_FROM_MINUTES = 10;
/** Two people, a ramp or a lift from here, kg; from the second when the dog is stiff or struggles. Handbook 14.19. */
const TWO_LIFT_FROM_KG = 18;
const TWO_LIFT_STIFF_FROM_KG = 12;
/** On and off a table or out of a tub, minutes. Our default. */
const LIFT_MINUTES = 5;
/** Load, points: each minute with hands on counts one; what makes it heavy counts again, and lifting by weight. Our defaults. */
const LOAD = { minute: 1, strained: 1, matted: 1, muzzled: 1, liftedKg: 0.2 };

export interface Lifted {
  readonly weightKg: number;
  /** Stiff, or it struggles. */
  readonly stiff: boolean;
  /** A ramp, or a table that goes down: nobody lifts. */
  readonly lift: boolean;
}

/**
 * A visit as its salon's day sees it: blocks by one pair of hands, from the plan of the visit. A bath with its drying is one, for a wet dog does not wait; a
 * rest that is long enough for other work ends one. A dog that rests on the table is watched, and one that soaks is held: both keep the hands.
 * @param lifted what it takes to lift it
 */
export function blocksOfPlan(plan: PlanOfDay, lifted: Lifted): DayBlock[] {
  const parts = plan.steps.flatMap((s) => partsOf(s, plan.curve));
  const blocks: { work: DayBlock['work']; restBefore: number; stretches: DayStretch[] }[] = [];
  for (const p of parts) {
    const last = blocks.at(-1);
    if (!last || last.work !== p.work || p.restBefore > 0)
      blocks.push({ work: p.work, restBefore: last ? p.restBefore : 0, stretches: [p.stretch] });
    else add(last.stretches, p.stretch);
  }
  const two = !lifted.lift && lifted.weightKg >= (lifted.stiff ? TWO_LIFT_STIFF_FROM_KG : TWO_LIFT_FROM_KG);
  return blocks.map((b) => ({ ...b, stretches: b.stretches.flatMap((s, i) => (i === 0 ? withLift(s, lifted, two) : [s])) }));
}

interface Part {
  readonly work: DayBlock['work'];
  readonly restBefore: number;
  readonly stretch: DayStretch;
}

/** The work of a step between its long rests. */
function partsOf(step: StepOfDay, curve: PlanOfDay['curve']): Part[] {
  const work = BATHING.includes(step.activity) ? 'bath' : 'table';
  const rests = step.breaks.filter((b) => b.minutes >= FREES_FROM_MINUTES && work === 'table').sort((a, b) => a.after - b.after);
  const short = step.breaks.filter((b) => !rests.includes(b)).reduce((sum, b) => sum + b.minutes, 0);
  const strained = shareAbove(curve, step.from, step.to);
  const times =
    LOAD.minute +
    LOAD.strained * strained +
    (isMatWork(step.activity) ? LOAD.matted : 0) +
    (step.hold.also.includes('muzzle') || step.hold.hold === 'muzzle' ? LOAD.muzzled : 0);
  const ends = [...rests.map((b) => b.after), step.minutes];
  let from = 0;
  return ends.flatMap((to, i) => {
    const minutes = to - from;
    from = to;
    const rest = rests[i - 1]?.minutes ?? 0;
    // Nothing was done before a rest that comes first: it is told with what follows.
    if (minutes <= 0) return [];
    const stretch: DayStretch = {
      minutes: minutes + (short * minutes) / step.minutes,
      spread: step.minutesSpread,
      posts: postsOf(step),
      hands: step.hold.also.includes('helper') || step.hold.hold === 'helper' ? 2 : 1,
      load: minutes * times,
      wear: wearOfWork(step.activity, minutes),
      loud: step.dryer?.dryer === 'high_velocity_dryer',
    };
    return [{ work, restBefore: rest, stretch }];
  });
}

function postsOf(step: StepOfDay): SalonPost[] {
  if (step.post === 'tub') return ['tub'];
  if (step.post !== 'dryer') return ['table'];
  return step.dryer?.dryer === 'high_velocity_dryer'
    ? ['high_velocity_dryer']
    : step.dryer?.dryer === 'stand_dryer'
      ? ['stand_dryer']
      : ['table', 'tub'];
}

/** Share of a stretch of the plan in which strain is expected to be at the watch band or above. */
function shareAbove(curve: PlanOfDay['curve'], from: number, to: number): number {
  const own = curve.filter((p) => p.minute >= from && p.minute <= to);
  return own.length === 0 ? 0 : own.filter((p) => p.strain >= WATCH_AT).length / own.length;
}

/** Same hands, same post, as loud: one stretch, its spread that of the sum of both. */
function add(stretches: DayStretch[], next: DayStretch): void {
  const last = stretches.at(-1);
  if (!last || last.hands !== next.hands || last.loud !== next.loud || last.posts.join() !== next.posts.join()) {
    stretches.push(next);
    return;
  }
  const minutes = last.minutes + next.minutes;
  const deviation = Math.hypot(last.minutes * last.spread, next.minutes * next.spread);
  stretches[stretches.length - 1] = {
    ...last,
    minutes,
    spread: minutes > 0 ? deviation / minutes : last.spread,
    load: last.load + next.load,
    wear: addWear(last.wear, next.wear),
  };
}

/** The lift at the beginning of a block: by two where one may not. */
function withLift(first: DayStretch, { weightKg, lift }: Lifted, two: boolean): DayStretch[] {
  const load = lift ? 0 : LOAD.liftedKg * weightKg;
  // Two who lift share it: each bears half.
  const lifted = lift ? 0 : two || first.hands === 2 ? weightKg / 2 : weightKg;
  const wear = { ...NO_WEAR, lifted };
  if (!two || first.hands === 2) return [{ ...first, load: first.load + load, wear: addWear(first.wear, wear) }];
  const on: DayStretch = { ...first, minutes: LIFT_MINUTES, spread: 0, hands: 2, load, loud: false, wear };
  return [on, first];
}
