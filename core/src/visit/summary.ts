import type { FeelOver, ZoneFinding } from '../findings/index.js';
import type { StandSeen } from '../knowledge/dogs/index.js';
import { type ActivityHistory, type Pace, seenWork, type StoppedPlan, type TimeSeen } from '../plan/index.js';
import {
  type StandingMeter,
  type BreakSeen,
  evidenceFromPoints,
  type RateEvidence,
  STEP_MINUTES,
  type WatchSpell,
  type WholeEvidence,
} from '../strain/index.js';
import {
  type Activity,
  activityOf,
  type BladeId,
  type ConsentId,
  type HarmDegree,
  type HealingLook,
  type HoldId,
  type IncidentKind,
  type Leg,
  type Reached,
  type SignalId,
  type StepId,
  type StrainBand,
  type Warning,
  type ZoneId,
} from '../words/index.js';
import { leftZonesIn, undoneIn, type UndonePiece, undonePiecesIn, undoneZonesIn } from './carried-over.js';
import { coatDoneIn, warnedIn } from './known-from-visits.js';
import { type BreakOfOld, breaksOf, liftBreak, rateEvidenceOf, spellsOf, wholeVisitOf } from './seen-in-visit.js';
import { phaseOf, type VisitState } from './state.js';
import { calmedMinutesIn, setOffIn } from './set-off.js';
import { standsOf } from './stands.js';
import { sawGoodSign, stoppedPlanOf } from './stopped-plan.js';
import { workNow } from './work-clock.js';

/** A visit in short: the strip in the dog's file, the tag on the lead wall. Plain JSON, stored beside the events and rebuilt from them. */
export interface VisitSummary {
  readonly visitId: string;
  readonly phase: Reached;
  readonly outcome: 'finished' | 'stopped' | 'not_today' | null;
  readonly why: string;
  readonly minutes: number;
  readonly peak: number;
  readonly band: StrainBand;
  readonly plannedMinutes: number | null;
  /** What was told with the plan, to be held against what came; not in summaries written by earlier versions. */
  readonly told?: VisitState['told'] | null;
  readonly curve: readonly { readonly minute: number; readonly strain: number }[];
  readonly steps: readonly {
    readonly step: StepId;
    readonly status: string;
    readonly minutes: number;
    readonly points: number;
    /** Minutes it was planned for; not in summaries written by earlier versions. */
    readonly planned?: number | null;
    /** Share of this kind of work on the whole dog; all of it in summaries written by earlier versions. */
    readonly share?: number | undefined;
  }[];
  /** Work that was planned or put off and not finished; not in summaries written by earlier versions. */
  readonly undone?: readonly Activity[];
  /** The same, place by place; not in summaries written by earlier versions. */
  readonly undonePieces?: readonly UndonePiece[];
  /** Zones whose mats or crusts were to be worked on and were not; not in summaries written by earlier versions. */
  readonly leftZones?: readonly ZoneId[];
  /** What the hands found in those that they were on; not in summaries written by earlier versions. */
  readonly undoneZones?: readonly ZoneFinding[];
  /** Day of the visit, ISO; not in summaries written by earlier versions. */
  readonly on?: string | null;
  readonly holds: readonly { readonly hold: HoldId; readonly minutes: number }[];
  readonly exposure: readonly {
    readonly activity: Activity;
    readonly hold: HoldId;
    readonly blade: BladeId | null;
    readonly minutes: number;
    readonly points: number;
  }[];
  /** Breaks that were watched, and how long each step stayed below watch; not in summaries written by earlier versions. */
  readonly breaks?: readonly (BreakSeen | BreakOfOld)[];
  readonly spells?: readonly WatchSpell<Activity>[];
  /** How long it stood from rest to rest; not in summaries written by earlier versions. */
  readonly stands?: readonly StandSeen[];
  /** What it says of how hard each kind of work is on the dog, once it has ended; not in summaries written by earlier versions. */
  readonly evidence?: readonly RateEvidence<Activity>[] | null;
  readonly whole?: WholeEvidence | null;
  /** Zones of grade 2 and up that were felt; not in summaries written by earlier versions. */
  readonly mattedZones?: number;
  /** Joints that were not free, the leg it spared, its weight on the scale; not in summaries written by earlier versions. */
  readonly joints?: FeelOver['joints'];
  readonly favours?: Leg | null;
  readonly weightKg?: number | null;
  readonly incidents: readonly {
    readonly kind: IncidentKind;
    /** `null`: nobody has said. */
    readonly harm: HarmDegree | null;
    readonly what: string;
    readonly zone?: ZoneId | null;
    /** Not in summaries written by earlier versions, as all that follows. */
    readonly incidentId?: string;
    readonly prevented?: string | undefined;
    readonly action?: string | undefined;
  }[];
  /** What was asked for, what set it off, and minutes of rest that calmed it; not in summaries written by earlier versions. */
  readonly asked?: VisitState['asked'];
  readonly setOff?: readonly Activity[];
  readonly hardSigns?: readonly SignalId[];
  readonly calmedMinutes?: number | null;
  /** How places of earlier incidents looked that day, by incident. */
  readonly healing?: Readonly<Record<string, HealingLook>>;
  /** Who was told at the end, and what was said in our own words. */
  readonly toldTo?: string | null;
  readonly ownTold?: readonly string[];
  /** How far it went to be let be, places it minded, and whether its body coat was done; not in summaries written by earlier versions. */
  readonly warned?: Warning | null;
  readonly resents?: readonly ZoneId[];
  /** What was asked of the dog, as far as it was otherwise than in the file; not in summaries written by earlier versions. */
  readonly dogAsked?: VisitState['dogAsked'] | null;
  /** Marks that were looked for and not found; not in summaries written by earlier versions. */
  readonly marksGone?: readonly string[];
  /** Places where it was said not to mind the hand any more; not in summaries written by earlier versions. */
  readonly bearsAt?: readonly ZoneId[];
  readonly coatDone?: boolean;
  /** Its plan, where it was stopped; whether a good sign was seen; not in summaries written by earlier versions. */
  readonly stopped?: StoppedPlan | null;
  readonly goodSign?: boolean;
  /** What the owner answered; not in summaries written by earlier versions. */
  readonly consents?: readonly {
    readonly id: ConsentId;
    readonly agreed: boolean;
    readonly name: string;
    readonly textVersion: string;
    readonly limitMinor?: number | undefined;
    readonly secondPhone?: string | null | undefined;
  }[];
  /** It was written down after it happened: no time of it teaches anything; not in summaries written by earlier versions. */
  readonly writtenAfter?: boolean;
  readonly notes: readonly string[];
  readonly nextVisit: string | null;
}

/**
 * The summary at the last event, or at a given moment while the work runs.
 * @param meter one that stands where it was last read, where the same visit is summed up as it grows
 */
export function summarize(state: VisitState, nowMs?: number, meter?: StandingMeter): VisitSummary {
  const now = workNow(state, nowMs ?? state.work?.clockMs ?? 0, meter);
  // Minutes of the writing are not minutes of the dog.
  const timed = !state.writtenAfter;
  const teaches = timed && state.ended !== undefined;
  return {
    visitId: state.visitId,
    phase: phaseOf(state),
    outcome: state.ended?.outcome ?? null,
    why: state.ended?.why ?? '',
    minutes: round(now?.minute ?? 0),
    peak: Math.round(now?.strain.peak ?? 0),
    band: now?.strain.band ?? 'settled',
    plannedMinutes: state.plan?.minutes ?? null,
    told: state.told ?? null,
    // A point a minute, and one at each entry, draw it.
    curve:
      now?.strain.points.filter((p) => p.minute % 1 !== STEP_MINUTES).map((p) => ({ minute: round(p.minute), strain: round(p.strain) })) ??
      [],
    steps: [...(state.work?.steps.values() ?? [])].map((s) => ({
      step: s.step,
      status: s.status,
      minutes: round(s.seconds / 60),
      points: s.points,
      planned: state.plan?.steps.find((p) => p.id === s.step)?.minutes ?? null,
      share: state.plan?.steps.find((p) => p.id === s.step)?.share,
    })),
    undone: undoneIn(state),
    undonePieces: undonePiecesIn(state),
    leftZones: leftZonesIn(state),
    undoneZones: undoneZonesIn(state),
    on: state.day ?? null,
    holds: [...(state.work?.holdSeconds ?? [])].map(([hold, seconds]) => ({ hold, minutes: round(seconds / 60) })),
    exposure: [...((timed && state.work?.exposure.values()) || [])].map((e) => ({
      activity: e.activity,
      hold: e.hold,
      blade: e.blade ?? null,
      minutes: round(e.seconds / 60),
      points: e.points,
    })),
    mattedZones: state.feelOver.zones.filter((z) => z.matGrade >= 2).length,
    joints: state.feelOver.joints,
    favours: sparedLeg(state.feelOver.favours),
    weightKg: state.weightKg ?? null,
    breaks: teaches ? breaksOf(state) : [],
    evidence: teaches ? rateEvidenceOf(state) : null,
    whole: teaches ? (wholeVisitOf(state) ?? null) : null,
    spells: timed ? spellsOf(state) : [],
    stands: teaches ? standsOf(state, now?.minute ?? 0).map((s) => ({ ...s, minutes: round(s.minutes) })) : [],
    incidents: state.incidents.map((i) => ({
      kind: i.kind,
      harm: i.harm ?? null,
      what: i.what,
      zone: i.zone ?? null,
      incidentId: i.incidentId,
      prevented: i.details.prevented,
      action: i.details.action,
    })),
    asked: state.asked,
    setOff: setOffIn(state),
    hardSigns: [...new Set(now?.strain.hardSigns ?? [])],
    calmedMinutes: timed ? calmedMinutesIn(state) : null,
    healing: Object.fromEntries(state.healing),
    toldTo: state.handedBack?.toldTo ?? null,
    ownTold: [...state.accountLines].flatMap(([key, text]) => (key.startsWith('own.') && text !== null ? [text] : [])),
    warned: warnedIn(state) ?? null,
    resents: state.feelOver.resents ?? [],
    marksGone: [...state.marksGone],
    bearsAt: [...state.bearsAt],
    dogAsked: state.dogAsked ?? null,
    coatDone: coatDoneIn(state),
    stopped: stoppedPlanOf(state) ?? null,
    goodSign: sawGoodSign(state),
    consents: [...state.consents].flatMap(([id, c]) =>
      // What only held from an earlier visit is no new answer: it does not begin its time again.
      c.via === 'earlier'
        ? []
        : [
            {
              id,
              agreed: c.agreed,
              name: c.name,
              textVersion: c.textVersion,
              limitMinor: c.limitMinor,
              ...(c.secondPhone === undefined ? {} : { secondPhone: c.secondPhone }),
            },
          ],
    ),
    writtenAfter: state.writtenAfter,
    notes: state.notes.map((n) => n.text),
    nextVisit: state.nextVisit?.on ?? state.handedBack?.nextVisit ?? null,
  };
}

const sparedLeg = (favours: FeelOver['favours']): Leg | null => (favours === undefined || favours === 'none' ? null : favours);

const round = (x: number): number => Math.round(x * 100) / 100;

/** Minutes and points over past visits, by work, place, tool and posture: what the planner learns from. */
export function historyOf(summaries: readonly VisitSummary[]): ActivityHistory[] {
  const sums = new Map<string, ActivityHistory>();
  for (const e of summaries.flatMap((s) => s.exposure)) {
    const seen = seenWork(e.activity, e.hold, e.minutes, e.points);
    const key = `${seen.activity}|${seen.group}|${seen.tool}|${seen.posture}`;
    const sum = sums.get(key);
    sums.set(key, sum ? { ...sum, minutes: sum.minutes + e.minutes, points: sum.points + e.points } : seen);
  }
  return [...sums.values()];
}

/**
 * Minutes that kinds of work took on the whole dog: of each visit in which all steps of a kind were done, by the share of it that was
 * planned. @param summaries past visits, the latest first
 */
export function timesOf(summaries: readonly VisitSummary[]): TimeSeen[] {
  return summaries.flatMap((s) => {
    if (s.writtenAfter) return [];
    const kinds = [...new Set(s.steps.map((x) => activityOf(x.step)))];
    return kinds.flatMap((activity) => {
      const steps = s.steps.filter((x) => activityOf(x.step) === activity);
      const sum = (of: (x: (typeof steps)[number]) => number): number => steps.reduce((all, x) => all + of(x), 0);
      const share = Math.min(
        1,
        sum((x) => x.share ?? 1),
      );
      return steps.every((x) => x.status === 'done') && share > 0 ? [{ activity, minutes: sum((x) => x.minutes) / share }] : [];
    });
  });
}

/** How fast a groomer is: minutes taken over minutes planned, by work, as a geometric mean. */
export function paceOf(summaries: readonly VisitSummary[]): Pace[] {
  const logs = new Map<Activity, number[]>();
  for (const s of summaries.filter((v) => !v.writtenAfter))
    for (const x of s.steps)
      if (x.status === 'done' && x.planned && x.planned > 0 && x.minutes >= SHORTEST_MINUTES)
        logs.set(activityOf(x.step), [...(logs.get(activityOf(x.step)) ?? []), Math.log(x.minutes / x.planned)]);
  return [...logs].map(([activity, list]) => ({
    activity,
    visits: list.length,
    ratio: Math.exp(list.reduce((a, b) => a + b, 0) / list.length),
  }));
}
/** A step that ended sooner says nothing about pace, minutes. */
const SHORTEST_MINUTES = 0.5;

/** Watched breaks over past visits. */
export function breaksSeenIn(summaries: readonly VisitSummary[]): BreakSeen[] {
  return summaries.flatMap((s) => (s.breaks ?? []).map(liftBreak));
}

/** What past visits say of how hard each kind of work is; those that were kept by minutes and points only say less. */
export function evidenceSeenIn(summaries: readonly VisitSummary[]): RateEvidence<Activity>[] {
  return summaries.flatMap((s) => s.evidence ?? evidenceFromExposure(s));
}

function evidenceFromExposure({ exposure, outcome }: VisitSummary): RateEvidence<Activity>[] {
  if (outcome === null) return [];
  return [...new Set(exposure.map((e) => e.activity))].flatMap((activity) => {
    const own = exposure.filter((e) => e.activity === activity);
    const [minutes, points] = [own.reduce((sum, e) => sum + e.minutes, 0), own.reduce((sum, e) => sum + e.points, 0)];
    return minutes > 0 ? [evidenceFromPoints(activity, minutes, points)] : [];
  });
}

/** Times to first watch over past visits. */
export function spellsSeenIn(summaries: readonly VisitSummary[]): WatchSpell<Activity>[] {
  return summaries.flatMap((s) => s.spells ?? []);
}
