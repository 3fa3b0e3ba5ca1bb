import type { FeelOver } from '../findings/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import type { ToldHours } from '../knowledge/fit/index.js';
import type { EventBody, PlanRecord, PlanTold, Signature, Stamp, VisitEvent } from '../log/index.js';
import type { HelperWindow, PlanWish, ServiceAsked } from '../plan/index.js';
import type { StrainEntry } from '../strain/index.js';
import type {
  Activity,
  BladeId,
  BookingOff,
  ClosingLine,
  ConsentId,
  FeelArea,
  FitSign,
  HarmDegree,
  HealingLook,
  HoldId,
  IncidentKind,
  PieceId,
  PlanWay,
  Reached,
  ResistanceCause,
  SignalId,
  SignCause,
  StepId,
  ToldHow,
  ToldItem,
  ZoneId,
} from '../words/index.js';

export interface ConsentAnswer {
  readonly agreed: boolean;
  readonly name: string;
  readonly atMs: number;
  readonly textVersion: string;
  /** What a vet may cost before we ring first, smallest coin; only for the emergency. */
  readonly limitMinor?: number | undefined;
  /** A second number for an emergency, `null` when there is none; only for the emergency. */
  readonly secondPhone?: string | null | undefined;
  /** `earlier`: it was given at an earlier visit and still holds. */
  readonly via?: 'screen' | 'link' | 'word' | 'earlier' | undefined;
}

export interface StepProgress {
  readonly step: StepId;
  status: 'running' | 'done' | 'part' | 'left';
  /** Hands-on time, breaks not counted. */
  seconds: number;
  /** Strain points of signals seen in it, good signs not taken off. */
  points: number;
  why: string;
}

/** What became of one place of a step. */
export interface PieceProgress {
  readonly piece: PieceId;
  readonly status: 'done' | 'part' | 'left';
  readonly why: string;
  /** It was told with its step, not by itself: when the step goes on, this is open again. */
  readonly withStep: boolean;
}

/** A blade in hand: how warm it is thought to be, and since when. */
export interface BladeClock {
  readonly blade: BladeId;
  runSeconds: number;
  celsius: number;
  touched: 'cool' | 'warm' | 'hot' | undefined;
  /** Its running time when it was last touched. */
  touchedAtRunSeconds: number;
}

export interface WorkState {
  readonly startedMs: number;
  /** Time of the last event: the clocks below are true at this moment. */
  clockMs: number;
  endedMs: number | undefined;
  readonly steps: Map<StepId, StepProgress>;
  /** Pieces that are over; the others are open. */
  readonly pieces: Map<PieceId, PieceProgress>;
  running: StepId | undefined;
  onBreakSinceMs: number | undefined;
  breakSeconds: number;
  breaks: number;
  hold: HoldId | undefined;
  also: readonly HoldId[];
  /** It wears a muzzle: also between two steps, until one begins without it or it is taken off. */
  muzzled: boolean;
  blade: BladeId | undefined;
  /** The blade in hand was not touched since: it was swapped, or the work in a place began. */
  untouchedSince: 'swap' | 'place' | undefined;
  readonly holdSeconds: Map<HoldId, number>;
  /** The stretch that each hold in hand has had without a rest, seconds: what its cap is held against. */
  readonly holdStretch: Map<HoldId, number>;
  readonly blades: Map<BladeId, BladeClock>;
  readonly strain: StrainEntry[];
  /** Signs that were seen, by the entry in `strain`: what each added, and what it was of as far as that was asked. */
  readonly signs: SignSeen[];
  /** Stretches of steps, in order: a step that was taken up again has two. */
  readonly runs: { readonly step: StepId; readonly fromMinute: number; toMinute: number | undefined }[];
  /** Seconds and points by (activity, hold, blade): what rates are learned from. */
  readonly exposure: Map<string, Exposure>;
}

export interface SignSeen {
  readonly eventId: string;
  /** Place in `strain`. */
  readonly at: number;
  readonly signal: SignalId;
  readonly points: number;
  readonly step: StepProgress | undefined;
  readonly exposure: Exposure | undefined;
  cause: SignCause | undefined;
}

export interface Exposure {
  readonly activity: Activity;
  readonly hold: HoldId;
  readonly blade: BladeId | undefined;
  /** Watched seconds: strain is learned from no others. */
  seconds: number;
  points: number;
}

/** How it stood when an incident was recorded, from the log; nothing of one that came out later. */
export interface IncidentThen {
  /** Minute of the visit. */
  readonly minute: number;
  readonly step: StepId | undefined;
  readonly hold: HoldId | undefined;
  readonly also: readonly HoldId[];
  /** The longest that a hold in hand had lasted, seconds. */
  readonly heldSeconds: number;
  readonly blade: BladeId | undefined;
  /** Its estimated or measured warmth, °C. */
  readonly celsius: number | undefined;
  /** Nobody had felt it since it was taken up, or the place was begun. */
  readonly bladeNotFelt: boolean;
  /** On its feet without a rest, minutes. */
  readonly standingMinutes: number;
  /** Another hold or blade than planned, or a step that no plan has. */
  readonly offPlan: boolean;
  readonly onBreak: boolean;
}

export interface OwnerTold {
  readonly name: string;
  readonly how: ToldHow;
  readonly said: string;
  readonly atMs: number;
  readonly by: string;
}

/** What was said of an incident after it was recorded, the latest of each. */
export type IncidentDetails = Omit<EventBody<'incident_more'>, 'incidentId' | 'kind' | 'harm' | 'zone' | 'what'>;

export interface IncidentRecord {
  readonly eventId: string;
  readonly incidentId: string;
  readonly kind: IncidentKind;
  /** Nothing while nobody has said. */
  readonly harm: HarmDegree | undefined;
  readonly zone: ZoneId | undefined;
  readonly what: string;
  readonly atMs: number;
  readonly step: StepId | undefined;
  readonly hold: HoldId | undefined;
  readonly blade: BladeId | undefined;
  readonly by: string;
  /** It came out later. */
  readonly later: { readonly on: string; readonly by: string } | undefined;
  readonly then: IncidentThen | undefined;
  readonly details: IncidentDetails;
  /** Each time something was added: when and by whom; what it replaced stays in the log. */
  readonly additions: readonly { readonly atMs: number; readonly by: string; readonly fields: readonly string[] }[];
  readonly ownerTold: OwnerTold | undefined;
}

/** A visit as its events tell it. */
export interface VisitState {
  readonly visitId: string;
  dogId: string | undefined;
  groomerId: string | undefined;
  /** Who has the dog now: the groomer it was booked with, until somebody else takes over. */
  handsId: string | undefined;
  arrivesAt: string | undefined;
  /** When it is expected, where that is another time than it was booked for. */
  expectedAt: string | undefined;
  /** When it will be ready, as its owner was told last; nothing where that is as it was booked. */
  readyToldAt: string | undefined;
  /** When it came in, where somebody said so. */
  arrivedMs: number | undefined;
  /** It is not held. */
  off: { readonly how: BookingOff; readonly why: string; readonly atMs: number; readonly by: string } | undefined;
  /** The day it belongs to where the salon is, ISO. */
  day: string | undefined;
  asked: ServiceAsked;
  helperThere: boolean;
  /** Stretches of the visit in which the helper is there, minutes from the start; the whole visit when there are none. */
  helperWindows: readonly HelperWindow[];
  /** What the groomer has fixed by hand, and the way the visit is planned. */
  wishes: readonly PlanWish[];
  way: PlanWay;
  fileReadMs: number | undefined;
  fit:
    | {
        readonly signs: readonly FitSign[];
        readonly vetAgreed: boolean;
        readonly told: readonly ToldItem[];
        readonly roomCelsius: number;
        readonly hours?: ToldHours | undefined;
      }
    | undefined;
  /** What was asked of it today, as far as it is otherwise than in the file; nothing while nobody has asked. */
  dogAsked: Partial<Pick<DogFacts, 'muzzleUsed' | 'soreWhenLifted' | 'liesOn' | 'guards' | 'slipsCollar'>> | undefined;
  feelOver: FeelOver;
  moodFelt: boolean;
  /** Areas that both hands went over. */
  readonly areasFelt: Map<FeelArea, 'sound' | 'as_before'>;
  /** Marks of earlier visits that were looked for and are not there. */
  readonly marksGone: Set<string>;
  /** Places where it was said not to mind the hand: what earlier visits say of them counts no more. */
  readonly bearsAt: Set<ZoneId>;
  /** On the scale today, kg. */
  weightKg: number | undefined;
  feelOverDone: boolean;
  readonly consents: Map<ConsentId, ConsentAnswer>;
  agreed:
    | {
        readonly name: string;
        readonly atMs: number;
        readonly extraMinutes: number;
        readonly extraPriceMinor: number;
        /** The event that closed it: taken back when the owner changes something. */
        readonly eventId: string;
        readonly signature?: Signature | undefined;
        readonly via?: 'screen' | 'link' | 'word' | undefined;
      }
    | undefined;
  plan: PlanRecord | undefined;
  /** What hands had found when it was taken: what came since is new to it. */
  planFrom: FeelOver | undefined;
  /** What was told with it. */
  told: PlanTold | undefined;
  /** Plans from where the work stood that were offered and not taken. */
  readonly plansKept: { readonly minutes: number; readonly why: string; readonly atMs: number }[];
  /** It was written down after it happened: its times say nothing. */
  writtenAfter: boolean;
  work: WorkState | undefined;
  /** Where a tool did not go on, and of what. */
  readonly toolStops: { readonly zone: ZoneId; readonly cause: ResistanceCause; readonly atMs: number }[];
  /** The end was asked for, and what of the list that makes it safe is done. */
  closing: { begun: boolean; readonly done: Set<ClosingLine>; readonly skipped: Map<ClosingLine, string> };
  readonly incidents: IncidentRecord[];
  /** The owner's account in other words: `null` leaves a line out. */
  readonly accountLines: Map<string, string | null>;
  nextVisit: EventBody<'next_visit'> | undefined;
  /** How places of earlier incidents look today. */
  readonly healing: Map<string, HealingLook>;
  /** What was due after this visit and is done: what came of it. */
  readonly followUpsDone: Map<string, { readonly says: string; readonly atMs: number; readonly by: string }>;
  /** Why it was opened again after it was closed. */
  readonly reopened: { readonly why: string; readonly atMs: number; readonly by: string }[];
  /** Photographs of the visit, in order. */
  readonly photos: (EventBody<'photo_taken'> & { readonly atMs: number })[];
  readonly notes: { readonly eventId: string; readonly text: string; readonly by: string; readonly atMs: number }[];
  ended: { readonly outcome: 'finished' | 'stopped' | 'not_today'; readonly why: string; readonly atMs: number } | undefined;
  handedBack:
    { readonly toldTo: string; readonly nextVisit: string | undefined; readonly vetAdvised: boolean; readonly atMs: number } | undefined;
  /** Events that count whose time is that of their arrival, since the clock of their device was wrong. */
  timedByArrival: number;
  /** Events that count, voided ones left out. */
  eventCount: number;
  lastStamp: Stamp | undefined;
  /** The latest event that can be taken back, of whoever wrote it, and of each person. */
  undoable: Undoable | undefined;
  readonly undoableBy: Map<string, Undoable>;
}

/**
 * The phase a visit has reached: the first one that is not finished. `gone` when the dog went home, `off` when it is not held.
 * @example phaseOf(replay('…', [])) // => 'know'
 */
export function phaseOf(s: VisitState): Reached {
  if (s.handedBack) return 'gone';
  if (s.off) return 'off';
  if (s.ended) return 'hand_back';
  if (s.plan) return 'work';
  if (s.agreed) return 'plan';
  if (s.feelOverDone) return 'agree';
  return s.fileReadMs !== undefined ? 'feel_over' : 'know';
}

/** What can be taken back: all that one stroke wrote. */
export interface Undoable {
  /** Of the event by which it is named: the last one. */
  readonly id: string;
  readonly type: string;
  readonly event: VisitEvent;
  /** Of all its events. */
  readonly ids: readonly string[];
}
