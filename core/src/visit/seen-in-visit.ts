import {
  type Belief,
  type BreakSeen,
  evidenceOf,
  type RateEvidence,
  type MeasuredPoint,
  MOOD_START,
  StrainFilter,
  strainQuantile,
  WATCH_AT,
  type WatchSpell,
  type WholeEvidence,
  wholeEvidenceOf,
} from '../strain/index.js';
import { type Activity, activityOf, type CalmState } from '../words/index.js';
import { watchedVisitOf } from './watched-visit.js';
import type { VisitState } from './state.js';

/**
 * Breaks of a visit in which somebody looked and said how the dog is: what recovery is learned from. What the strain was before is what
 * the model believes then, with how sure it is; what it was after is never presumed, only what the look says.
 */
export function breaksOf(state: VisitState): BreakSeen[] {
  const visit = watchedVisitOf(state);
  const filter = visit && new StrainFilter(visit);
  const out: BreakSeen[] = [];
  let begun: (Pick<BreakSeen, 'strainBefore' | 'spread'> & { readonly minute: number }) | undefined;
  let seen: BreakSeen | undefined;
  for (const entry of visit?.entries ?? []) {
    if (entry.kind === 'break_started' && filter) {
      begun = { ...strainOf(filter.at(entry.minute)), minute: entry.minute };
      seen = undefined;
    } else if (entry.kind === 'state_seen' && begun) {
      const { minute, ...before } = begun;
      seen = { ...before, minutes: entry.minute - minute, mood: entry.mood };
    } else if (entry.kind === 'break_ended') {
      if (seen) out.push(seen);
      begun = undefined;
      seen = undefined;
    }
  }
  return out;
}

/** Middle and standard deviation of what is believed, to a tenth of a point: they are kept with the visit. */
function strainOf(belief: Belief): Pick<BreakSeen, 'strainBefore' | 'spread'> {
  const [low, middle, high] = [0.16, 0.5, 0.84].map((p) => Math.round(10 * strainQuantile(belief, p)) / 10) as [number, number, number];
  return { strainBefore: middle, spread: (high - low) / 2 };
}

/** A break as versions kept it that took one strain after each look. */
export interface BreakOfOld {
  readonly strainBefore: number;
  readonly minutes: number;
  readonly strainAfter: number;
  readonly state?: CalmState | undefined;
}
/** How far the meter of those versions lies from the truth, points: a guess from simulated visits. */
const OLD_METER_SPREAD = 12;

/** Lifts a break that an earlier version kept: its look is known again by the strain it was taken for. */
export function liftBreak(b: BreakSeen | BreakOfOld): BreakSeen {
  if ('mood' in b) return b;
  const mood = b.state ?? (b.strainAfter >= MOOD_START.frantic ? 'frantic' : 'tense');
  return { strainBefore: b.strainBefore, spread: OLD_METER_SPREAD, minutes: b.minutes, mood };
}

/** What a visit that has ended says of how hard each kind of work is on the dog, rounded as it is kept. */
export function rateEvidenceOf(state: VisitState): RateEvidence<Activity>[] {
  const visit = watchedVisitOf(state);
  if (!visit) return [];
  return evidenceOf(visit, endOf(state)).map((e) => ({
    ...e,
    ratePerMinute: short(e.ratePerMinute),
    minutes: short(e.minutes),
    logLikelihoods: e.logLikelihoods.map(short),
  }));
}

/** What it says of the dog as a whole. */
export function wholeVisitOf(state: VisitState): WholeEvidence | undefined {
  const visit = watchedVisitOf(state);
  const whole = visit && wholeEvidenceOf(visit, endOf(state));
  return whole && { believed: short(whole.believed), minutes: short(whole.minutes), logLikelihoods: whole.logLikelihoods.map(short) };
}

const endOf = ({ work }: VisitState): number => (work ? ((work.endedMs ?? work.clockMs) - work.startedMs) / 60_000 : 0);
const short = (x: number): number => Math.round(1000 * x) / 1000;

/**
 * How long each stretch of work stayed below watch. A stretch that began above says nothing about the work and is left out.
 * @param points the measured curve of the whole visit
 */
export function spellsOf(state: VisitState, points: readonly MeasuredPoint[]): WatchSpell<Activity>[] {
  const end = points[points.length - 1]?.minute ?? 0;
  return (state.work?.runs ?? []).flatMap(({ step, fromMinute, toMinute }) => {
    const to = toMinute ?? end;
    const before = [...points].reverse().find((p) => p.minute <= fromMinute);
    if ((before?.strain ?? 0) >= WATCH_AT || to <= fromMinute) return [];
    const risen = points.find((p) => p.minute > fromMinute && p.minute <= to && p.strain >= WATCH_AT);
    return [{ activity: activityOf(step), minutes: (risen?.minute ?? to) - fromMinute, reachedWatch: risen !== undefined }];
  });
}
