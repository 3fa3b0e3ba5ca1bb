import { activityOf, type BladeId, type DogPosture, isStepId, type PieceId, type Post, reason, type StepId } from '../words/index.js';
import { BATHING, cannotDoWithout, type OrderContext, type OrderRule, type Soaked } from '../work/index.js';
import { afterHardSign, type HardSignsNow } from './after-hard-sign.js';
import { type BuiltStep, roundHalf } from './group-steps.js';
import type { PlanProblem } from './model.js';
import { type NotPlanned, type Piece, whatOf } from './piece.js';

/** Where the work stands when the rest is planned anew. */
export interface PlanNow {
  /** Minutes since the work began. */
  readonly minute: number;
  /** Measured strain, 0 to 100. */
  readonly strain: number;
  /** Minutes on the feet without a rest, and in all. */
  readonly standingMinutes: number;
  readonly standingTotalMinutes: number;
  /** Minutes of work done. */
  readonly workedMinutes: number;
  readonly post: Post;
  readonly posture?: DogPosture | undefined;
  /** Steps that were begun: `running` goes on, the others are over. */
  readonly begun: readonly {
    readonly step: StepId;
    readonly status: 'running' | 'done' | 'part' | 'left';
    readonly minutes: number;
    /** What it was planned to hold. */
    readonly pieces: readonly PieceId[];
  }[];
  /** Pieces that are over, whatever step they were in; what was done in part and then left open is not among them. */
  readonly pieces: readonly { readonly piece: PieceId; readonly status: 'done' | 'part' | 'left' }[];
  /** Soaks that are over, each with the minutes since: the comb still waits for them. */
  readonly soaked?: readonly Soaked[] | undefined;
  /** Hard signs so far; none when it is not given. */
  readonly hard?: HardSignsNow | undefined;
  /** What the plan at the table would still do, in its order. */
  readonly order?: readonly StepId[] | undefined;
  /** Blades that are not cold, °C. */
  readonly blades?: readonly { readonly blade: BladeId; readonly celsius: number }[];
}

/** A running step has at least this much left, minutes. */
const LEAST_LEFT_MINUTES = 1;

/** What is left to do: the running step with what is open of it, no piece that is over, none whose ground was left out. */
export function stepsFromHere(
  steps: readonly BuiltStep[],
  now: PlanNow,
  at: OrderContext,
): { readonly steps: BuiltStep[]; readonly notPlanned: NotPlanned[] } {
  const pieces = steps.flatMap((s) => s.pieces);
  const status = new Map(now.pieces.map((p) => [p.piece, p.status]));
  const over = (p: Piece): boolean => status.has(p.id);
  const needs = withoutGround(
    pieces.filter((p) => !over(p)),
    pieces.filter((p) => status.get(p.id) === 'left'),
    at,
  );
  const allowed = afterHardSign(
    pieces.filter((p) => !over(p) && !needs.has(p)),
    now,
  );
  const open = (p: Piece): boolean => allowed.open.includes(p);
  const notPlanned = [...needs].map(([p, other]): NotPlanned => ({
    what: whatOf(p),
    activity: p.activity,
    zones: p.zones,
    to: 'another_visit',
    withinDays: undefined,
    reasons: [reason('left.needs_other', { other: other.name }, 0.9)],
  }));
  const running = now.begun.find((b) => b.status === 'running');
  const left = steps.flatMap((s) => {
    const rest = s.pieces.filter(open);
    if (rest.length === 0) return [];
    const goesOn = running !== undefined && rest.some((p) => running.pieces.includes(p.id));
    return [withPieces(s, rest, goesOn ? running : undefined)];
  });
  return { steps: left, notPlanned: [...notPlanned, ...allowed.notPlanned] };
}

/** A step with some of its pieces; one that goes on keeps its name and the minutes that are left of it. */
function withPieces(s: BuiltStep, rest: readonly Piece[], running: PlanNow['begun'][number] | undefined): BuiltStep {
  if (rest.length === s.pieces.length && !running) return s;
  const sum = (list: readonly Piece[]): number => list.reduce((all, p) => all + p.minutes, 0);
  const over = s.pieces.filter((p) => !rest.includes(p) && (running?.pieces.includes(p.id) ?? false));
  const share = sum(rest) / sum(s.pieces);
  // What the pieces that are over took is not taken from those that are open.
  const spent = running ? Math.max(0, running.minutes - (s.minutes * sum(over)) / sum(s.pieces)) : 0;
  const minutes = Math.max(running ? LEAST_LEFT_MINUTES : 0.5, roundHalf(s.minutes * share) - spent);
  const ratio = minutes / s.minutes;
  return {
    ...s,
    id: running?.step ?? s.id,
    pieces: rest,
    zones: [...new Set(rest.flatMap((p) => p.zones))],
    minutes,
    minutesRange: [s.minutesRange[0] * ratio, s.minutesRange[1] * ratio],
  };
}

/** Pieces that cannot be done because something they need was left, each with what it needs; and what needs those in turn. */
function withoutGround(open: readonly Piece[], left: readonly Piece[], at: OrderContext): ReadonlyMap<Piece, Piece> {
  const needs = new Map<Piece, Piece>();
  const gone = [...left];
  for (let next = gone.pop(); next !== undefined; next = gone.pop())
    for (const p of open)
      if (!needs.has(p) && cannotDoWithout(p, next, at)) {
        needs.set(p, next);
        gone.push(p);
      }
  return needs;
}

/** Minutes of rest and ways that drying a strained dog may take beside its work, when the owner is due. Our default. */
const REST_WHILE_WET_MINUTES = 30;

/** A wet dog does not wait for other work. */
function waitForDrying(steps: PlanProblem['steps']): OrderRule[] {
  const ofBath = (id: string): boolean => isStepId(id) && BATHING.includes(activityOf(id));
  return steps
    .filter((s) => ofBath(s.id))
    .flatMap((first) =>
      steps.filter((s) => !ofBath(s.id)).map((then) => ({ first: first.id, then: then.id, kind: 'before', rule: 'now.wet' })),
    );
}

/** The same problem from where the work stands: strain, clocks, place, and what of the limits is left. */
export function problemFromHere(problem: PlanProblem, now: PlanNow): PlanProblem {
  const tired = 1 + problem.fatiguePerMinute * now.workedMinutes;
  const running = now.begun.find((b) => b.status === 'running')?.step;
  const has = (id: string): boolean => problem.steps.some((s) => s.id === id);
  const wet = has('dry') && now.begun.some((b) => b.status !== 'left' && BATHING.includes(activityOf(b.step)));
  // A wet dog is dried, whatever the clocks say: what that takes is always left.
  const drying = wet ? problem.steps.filter((s) => BATHING.some((a) => a === s.id)) : [];
  const dryingMinutes = drying.reduce((sum, s) => sum + s.minutes, 0);
  const dryingStanding = drying.reduce((sum, s) => sum + (s.standing ? s.minutes : 0), 0);
  return {
    ...problem,
    steps: problem.steps.map((s) => ({ ...s, ratePerMinute: s.ratePerMinute * tired })),
    order: [
      ...problem.order,
      ...(running !== undefined && has(running)
        ? problem.steps.flatMap((s) =>
            s.id === running || (wet && !BATHING.includes(activityOf(running)) && BATHING.some((a) => a === s.id))
              ? []
              : [{ first: running, then: s.id, kind: 'before' as const, rule: 'now.running' as const }],
          )
        : []),
      ...(wet ? waitForDrying(problem.steps) : []),
    ],
    required: [...(problem.required ?? []), ...(wet ? BATHING.filter((a) => has(a) && a !== 'bath') : [])],
    startStrain: now.strain,
    startStandingMinutes: now.standingMinutes,
    startPost: now.post,
    startPosture: now.posture,
    fatiguePerMinute: problem.fatiguePerMinute / tired,
    totalStandingMinutes: Math.max(dryingStanding, problem.totalStandingMinutes - now.standingTotalMinutes),
    workMinutes: Math.max(dryingMinutes, problem.workMinutes - now.workedMinutes),
    sessionMinutes: Math.max(wet ? dryingMinutes + REST_WHILE_WET_MINUTES : 0, problem.sessionMinutes - now.minute),
    ...(problem.helperWindows
      ? {
          helperWindows: problem.helperWindows
            .map(([from, to]) => [from - now.minute, to - now.minute] as const)
            .filter(([, to]) => to > 0),
        }
      : {}),
  };
}
