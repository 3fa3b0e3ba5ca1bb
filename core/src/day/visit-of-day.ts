import { clockOf, minuteOfDay, type Zone } from '../days/index.js';
import { CONTACT_MINUTES, contagion } from '../knowledge/fit/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import type { HandlingPlan } from '../plan/index.js';
import { dogAsFelt, type PlanContext, type VisitState } from '../visit/index.js';
import type { BladeId } from '../words/index.js';
import { blocksOfPlan, type PlanOfDay } from './blocks-of-plan.js';
import { dogOfDay } from './dog-of-day.js';
import { hereSince } from './here-since.js';
import type { DayBlock, DayDog, DayStretch } from './model.js';
import { planOfRecord } from './plan-of-record.js';

/** What is read of a plan that was made for a visit to come. */
export interface PlanForDay extends PlanOfDay {
  /** Point-minutes above the watch band. */
  readonly dose: number;
  readonly blades: readonly BladeId[];
}

/** A plan without what its day does not read. */
export const planForDay = (plan: HandlingPlan): PlanForDay => ({
  dose: plan.dose,
  blades: plan.steps.flatMap((s) => s.pieces.flatMap((p) => p.blade?.blade ?? [])),
  curve: plan.curve.map(({ minute, strain, low, high }) => ({ minute, strain, low, high })),
  steps: plan.steps.map(({ activity, post, minutes, minutesSpread, from, to, hold, dryer, breaks }) => ({
    activity,
    post,
    minutes,
    minutesSpread,
    from,
    to,
    hold: { hold: hold.hold, also: hold.also },
    dryer: dryer && { dryer: dryer.dryer },
    breaks: breaks.map((b) => ({ minutes: b.minutes, after: b.after })),
  })),
});

export interface BookedVisit {
  readonly state: VisitState;
  readonly context: PlanContext;
  readonly kinds: readonly KindFound[];
  /** What is thought of it before it comes, or the plan that was made of what is known today; none where nothing could be planned. */
  readonly expected: PlanForDay | undefined;
}

export interface DaySet {
  readonly zone: Zone;
  /** Put by hand. */
  readonly fixed: ReadonlyMap<string, DayDog['fixed']>;
  /** Minutes by which the arrival of who has not come may be moved: their owners are told. */
  readonly movable: number;
}

/** Reading the file, hands over all of it, and what the owner agrees to, before any tool. Our default, minutes. */
export const BEFORE_WORK_MINUTES = 10;
const BEFORE_WORK_SPREAD = 0.3;
/** At the end of the work: off the table, the owner rung, the table wiped. Our default, minutes. */
export const CLOSING_MINUTES = 5;
/** Somebody else than the one it was booked with, in minutes of an owner's waiting. Our default. */
export const OTHER_THAN_BOOKED = 15;
/** These are for who is trained. Handbook 14.10. */
const TRAINED_BLADES: readonly BladeId[] = ['30', '40', '50'];
/** A visit of which nothing is known takes its minutes, more or less. Our default. */
const UNKNOWN_SPREAD = 0.25;

/** A booked visit as its day sees it: when it comes, what it needs of hands and posts, from its own plan. */
export function visitOfDay({ state, context, kinds, expected }: BookedVisit, { zone, fixed, movable }: DaySet): DayDog {
  const arrives = minuteOfDay(clockOf(state.arrivesAt ?? 0, zone));
  const by = hereSince(state) === undefined ? movable : 0;
  const dog = dogAsFelt(state, context.dog);
  const sores = state.feelOver.zones.some((z) => z.skin === 'sore');
  const spread = contagion(state.fit?.signs ?? [], CONTACT_MINUTES, { sores, told: state.fit?.told ?? [] });
  const lifted = { weightKg: dog.weightKg, stiff: hasKind(kinds, 'sore_joints'), lift: false };
  const plan = state.plan ? planOfRecord(state.plan, state.work) : expected;
  const work = plan && plan.steps.length > 0 ? blocksOfPlan(plan, lifted) : [];
  // Of a plan that was worked through nothing is left but to hand the dog back.
  const blocks = work.length > 0 || state.plan ? withClosing(work) : [usualBlock(state.asked.sessionMinutes)];
  const blades = state.plan ? state.plan.steps.flatMap((s) => s.pieces.map((p) => p.blade)) : (expected?.blades ?? []);
  return dogOfDay({
    visitId: state.visitId,
    dog: { weightKg: dog.weightKg, triggers: dog.triggers },
    kinds,
    contagion: spread,
    blocks: state.plan || state.work ? blocks : withBeforeWork(blocks),
    dose: expected?.dose ?? 0,
    trainedOnly: blades.some((b) => b && TRAINED_BLADES.includes(b)),
    arrives: { from: arrives - by, to: arrives + by },
    wishedBy: { at: arrives + state.asked.sessionMinutes, weight: 1 },
    wishes: {},
    fixed: fixed.get(state.visitId) ?? {},
  });
}

const usualBlock = (minutes: number): DayBlock => ({
  work: 'table',
  restBefore: 0,
  stretches: [{ minutes, spread: UNKNOWN_SPREAD, posts: ['table'], hands: 1, load: minutes, loud: false }],
});

const CLOSING: DayStretch = {
  minutes: CLOSING_MINUTES,
  spread: BEFORE_WORK_SPREAD,
  posts: ['table'],
  hands: 1,
  load: CLOSING_MINUTES,
  loud: false,
};
/** Whoever has it last brings it off the table. */
function withClosing(blocks: readonly DayBlock[]): DayBlock[] {
  const last = blocks.at(-1);
  if (last?.work !== 'table') return [...blocks, { work: 'table', restBefore: 0, stretches: [CLOSING] }];
  return [...blocks.slice(0, -1), { ...last, stretches: [...last.stretches, CLOSING] }];
}

/** Whoever takes it feels it over first. */
function withBeforeWork(blocks: readonly DayBlock[]): DayBlock[] {
  const before = {
    minutes: BEFORE_WORK_MINUTES,
    spread: BEFORE_WORK_SPREAD,
    posts: ['table' as const],
    hands: 1 as const,
    load: BEFORE_WORK_MINUTES,
    loud: false,
  };
  const [first, ...rest] = blocks;
  if (first?.work !== 'table') return [{ work: 'table', restBefore: 0, stretches: [before] }, ...blocks];
  return [{ ...first, stretches: [before, ...first.stretches] }, ...rest];
}

/** That it stays with the one it was booked with, as far as that weighs. @param people ids */
export const wishesFor = (groomerId: string | undefined, people: readonly string[]): DayDog['wishes'] =>
  Object.fromEntries(people.flatMap((p) => (p === groomerId || groomerId === undefined ? [] : [[p, OTHER_THAN_BOOKED]])));
