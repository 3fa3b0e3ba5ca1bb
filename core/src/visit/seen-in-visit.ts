import {
  type BreakSeen,
  evidenceOf,
  type RateEvidence,
  MOOD_START,
  SIGNALS,
  type WatchSpell,
  type WholeEvidence,
  watchedBreaks,
  wholeEvidenceOf,
} from '../strain/index.js';
import { type Activity, activityOf, type CalmState } from '../words/index.js';
import { learnedVisitOf } from './watched-visit.js';
import type { VisitState } from './state.js';

/** Breaks of a visit that something is learned from. */
export function breaksOf(state: VisitState): BreakSeen[] {
  const visit = learnedVisitOf(state);
  return visit ? watchedBreaks(visit) : [];
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
  const visit = learnedVisitOf(state);
  if (!visit) return [];
  return evidenceOf(visit, endOf(state)).map((e) => ({
    ...e,
    ratePerMinute: short(e.ratePerMinute),
    kindPerMinute: e.kindPerMinute === undefined ? undefined : short(e.kindPerMinute),
    minutes: short(e.minutes),
    logLikelihoods: e.logLikelihoods.map(short),
    halfLifeMinutes: e.halfLifeMinutes === undefined ? undefined : short(e.halfLifeMinutes),
  }));
}

/** What it says of the dog as a whole. */
export function wholeVisitOf(state: VisitState): WholeEvidence | undefined {
  const visit = learnedVisitOf(state);
  const whole = visit && wholeEvidenceOf(visit, endOf(state));
  if (!whole) return undefined;
  const { believed, minutes, logLikelihoods, halfLives } = whole;
  return {
    believed: short(believed),
    minutes: short(minutes),
    kinds: state.plan?.kinds,
    logLikelihoods: logLikelihoods.map(short),
    halfLives: halfLives && {
      believed: short(halfLives.believed),
      quicker: halfLives.quicker.map(short),
      slower: halfLives.slower.map(short),
    },
  };
}

const endOf = ({ work }: VisitState): number => (work ? ((work.endedMs ?? work.clockMs) - work.startedMs) / 60_000 : 0);
const short = (x: number): number => Math.round(1000 * x) / 1000;

/** Signs that take a dog to watch by themselves: one that is more than early, or the second early one. */
const EARLY_ONES = 2;

/**
 * How long each stretch of work went until a sign took the dog to watch: what was seen alone, whatever the model makes of it. A stretch that
 * began while such a sign was not yet followed by a good one says nothing about the work and is left out.
 */
export function spellsOf(state: VisitState): WatchSpell<Activity>[] {
  const { work, plan } = state;
  const end = endOf(state);
  const seen = (work?.strain ?? []).flatMap((e) => {
    if (e.kind === 'state_seen') return e.mood === 'relaxed' ? [{ minute: e.minute, tier: 'good' as const }] : [];
    return e.kind === 'signal' && e.teachesNothing !== true && !plan?.uncounted?.includes(e.signal)
      ? [{ minute: e.minute, tier: SIGNALS[e.signal].tier }]
      : [];
  });
  return (work?.runs ?? []).flatMap(({ step, fromMinute, toMinute }) => {
    const to = toMinute ?? end;
    const before = seen.filter((s) => s.minute < fromMinute && !['early', 'says_nothing'].includes(s.tier)).at(-1);
    if ((before && before.tier !== 'good') || to <= fromMinute) return [];
    let early = 0;
    const risen = seen.find((s) => {
      if (s.minute < fromMinute || s.minute > to) return false;
      if (s.tier === 'early') early++;
      return early >= EARLY_ONES || (s.tier !== 'early' && s.tier !== 'good' && s.tier !== 'says_nothing');
    });
    return [{ activity: activityOf(step), minutes: (risen?.minute ?? to) - fromMinute, reachedWatch: risen !== undefined }];
  });
}
