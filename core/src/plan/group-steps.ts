import { type Activity, byWeight, type Reason, reason, type RuleId, saying, type StepId } from '../words/index.js';
import { ACTIVITY_FACTS, CAUTIONS_SHOWN } from '../work/index.js';
import { BLADE_STOP_MINUTES, bladeStopsIn } from './blade-stops.js';
import type { NotPlanned, Piece } from './piece.js';
import type { StepRate } from './rates.js';

/** A step ready to be ordered: neighbouring pieces of one kind of work that share post, tool, hold and the postures they allow. */
export interface BuiltStep extends Pick<
  Piece,
  | 'activity'
  | 'name'
  | 'zones'
  | 'tier'
  | 'post'
  | 'postures'
  | 'standing'
  | 'minutes'
  | 'rate'
  | 'hold'
  | 'blade'
  | 'dryer'
  | 'gaps'
  | 'needsConsent'
  | 'cautions'
  | 'reasons'
> {
  readonly id: StepId;
  /** In the order in which hands come to them. */
  readonly pieces: readonly Piece[];
  readonly worth: number;
  readonly minutesRange: readonly [number, number];
  /** Standard deviation of the logarithm of the minutes. */
  readonly minutesSpread: number;
}

/** Worth of kinds of work that are found, by the urgency of their pieces; of those asked for, what the table says, shared by their pieces. */
function worthOfPieces(activity: Activity, pieces: readonly Piece[]): number {
  const facts = ACTIVITY_FACTS[activity];
  if (facts.found) return Math.max(facts.worth, ...pieces.map((p) => p.urgency));
  const share = pieces.reduce((sum, p) => sum + p.share, 0);
  const most = Math.max(...pieces.map((p) => p.urgency));
  return Math.max(1, Math.round(facts.worth * Math.min(1, share)), most > 3 ? most : 0);
}

/** A step that is put off to another day: its kind of work, and where, when that kind makes several steps. */
export function putOff(step: BuiltStep, all: readonly BuiltStep[], reasons: readonly Reason[]): NotPlanned {
  const several = all.some((s) => s !== step && s.activity === step.activity);
  return {
    what: several ? saying('what.pieces', { step: step.name, zones: step.zones }) : saying('what.step', { step: step.name }),
    activity: step.activity,
    zones: step.zones,
    to: 'another_visit',
    withinDays: undefined,
    reasons,
  };
}

/** What pieces must share to be one step: a blade, a hold or a ban is never passed from one to another. */
export function stepKey(p: Piece): string {
  const blade = p.blade ? `${p.blade.blade ?? 'none'}${p.blade.guard ? ` ${p.blade.guard.id}` : ''}` : '';
  const hold = [p.hold.hold, ...[...p.hold.also].sort()].join('+');
  return [p.activity, p.name, p.post, ACTIVITY_FACTS[p.activity].tool, blade, hold, p.standing, p.postures.join(' ')].join('|');
}

/**
 * Pieces as steps: those of one kind of work that share post, tool, hold and possible postures are done one after the other.
 * A pure function of the pieces; their order within a step is that in which they are given.
 */
export function groupSteps(pieces: readonly Piece[]): BuiltStep[] {
  const groups = new Map<string, Piece[]>();
  for (const p of pieces) {
    const key = stepKey(p);
    const group = groups.get(key);
    if (group) group.push(p);
    else groups.set(key, [p]);
  }
  const all = [...groups.values()];
  return all.map((group) => stepOf(group, all.filter((g) => g[0]?.activity === group[0]?.activity).length === 1));
}

/** @throws RangeError without a piece */
function stepOf(pieces: readonly Piece[], onlyOne: boolean): BuiltStep {
  const [first] = pieces;
  if (!first) throw new RangeError('stepOf: no piece');
  const facts = ACTIVITY_FACTS[first.activity];
  const sum = (of: (p: Piece) => number): number => pieces.reduce((s, p) => s + of(p), 0);
  const raw = sum((p) => p.minutes);
  const minutes = roundHalf(raw + (facts.bladed ? BLADE_STOP_MINUTES * bladeStopsIn(raw) : 0));
  return {
    id: onlyOne ? first.activity : `${first.activity}@${first.place}`,
    activity: first.activity,
    name: first.name,
    pieces,
    zones: [...new Set(pieces.flatMap((p) => p.zones))],
    tier: first.tier,
    worth: worthOfPieces(first.activity, pieces),
    post: first.post,
    postures: first.postures,
    standing: first.standing,
    minutes,
    minutesRange: [roundHalf(minutes * first.range[0]), roundHalf(minutes * first.range[1])],
    minutesSpread: first.spread,
    rate: rateOf(pieces, raw),
    hold: { ...first.hold, reasons: unique(pieces.flatMap((p) => p.hold.reasons)) },
    blade: first.blade,
    dryer: first.dryer,
    gaps: pieces.flatMap((p) => p.gaps),
    needsConsent: pieces.some((p) => p.needsConsent),
    cautions: byWeight(unique(pieces.flatMap((p) => p.cautions))).slice(0, CAUTIONS_SHOWN),
    reasons: unique([...(pieces.length > 1 ? [whyTogether(first, pieces.length)] : []), ...pieces.flatMap((p) => p.reasons)]),
  };
}

function whyTogether(p: Piece, count: number): Reason {
  return p.blade?.blade
    ? reason('step.same_blade_and_hold', { count, blade: p.blade.blade }, 0.35)
    : reason('step.same_tool_and_hold', { count }, 0.35);
}

/** The rate of a step is that of its pieces, each for its minutes. */
function rateOf(pieces: readonly Piece[], minutes: number): StepRate {
  const mean = (of: (r: StepRate) => number): number => pieces.reduce((s, p) => s + of(p.rate) * p.minutes, 0) / Math.max(minutes, 1e-9);
  const hurts = pieces.find((p) => p.rate.painful);
  return {
    mean: mean((r) => r.mean),
    lasting: mean((r) => r.lasting),
    kindLasting: mean((r) => r.kindLasting),
    ofItsKind: mean((r) => r.ofItsKind),
    interval: [mean((r) => r.interval[0]), mean((r) => r.interval[1])],
    shape: Math.min(...pieces.map((p) => p.rate.shape)),
    triggered: pieces.some((p) => p.rate.triggered),
    minded: pieces.some((p) => p.rate.minded),
    painful: hurts !== undefined,
    painfulBy: hurts?.rate.painfulBy,
    reasons: unique(pieces.flatMap((p) => p.rate.reasons)),
  };
}

/** Reasons without those that say the same. */
export function unique(reasons: readonly Reason[]): Reason[] {
  const seen = new Map<RuleId, Reason[]>();
  return reasons.filter((r) => {
    const alike = seen.get(r.rule);
    if (!alike) {
      seen.set(r.rule, [r]);
      return true;
    }
    // Facts are compared only where a rule was said before.
    if (alike.some((x) => x === r || JSON.stringify(x.facts) === JSON.stringify(r.facts))) return false;
    alike.push(r);
    return true;
  });
}

export const roundHalf = (x: number): number => Math.max(0.5, Math.round(x * 2) / 2);
