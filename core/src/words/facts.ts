import type { BladeId } from './blades.js';
import type { Joint, JointComfort, Leg } from './body.js';
import type { Care } from './care.js';
import type { COATS, Condition, DogKind, DogSize, InjuryKind, TriggerCause, Warning } from './dogs.js';
import type { FitSign, HeatFactor } from './fit.js';
import type { FloorId } from './floors.js';
import type { HazardId, RiskBand } from './hazards.js';
import type { HoldId } from './holds.js';
import type { HouseQuestion } from './house-rules.js';
import type { HealingLook } from './after.js';
import type { ClosingLine } from './closing.js';
import type { HarmDegree, IncidentKind, IncidentLook } from './incidents.js';
import type { LookedFinding, LookedPart } from './looked.js';
import type { MARK_SURFACES, MarkFollow, MarkKind } from './marks.js';
import type { Mood } from './moods.js';
import type { Saying } from './reason.js';
import type { SignalId, StrainBand } from './strain.js';
import type { LearnedTool, ToolKind } from './tools.js';
import type { ServiceItem, StepName, Tier } from './work.js';
import type { ZoneGroup } from './zone-features.js';
import type { ZoneId } from './zone-ids.js';

/** Values of each kind of fact. Ids and numbers: a language makes words of them, last. */
export interface FactKinds {
  number: number;
  /** A difference, written with its sign. */
  signed: number;
  /** Counts that are written with their unit: "6 weeks". */
  weeks: number;
  days: number;
  months: number;
  /** ISO 8601 duration of one unit: P11W, P7M, P12Y. */
  duration: string;
  /** ISO date. */
  day: string;
  /** 1 to 12. */
  month: number;
  /** Length and width, mm. */
  size: readonly [number, number];
  /** As a person wrote it: a name, a remark, a reason. It is not translated. */
  text: string;
  saying: Saying;
  sayings: readonly Saying[];
  blade: BladeId;
  guard: string;
  zone: ZoneId;
  zones: readonly ZoneId[];
  zoneGroup: ZoneGroup;
  care: Care;
  step: StepName;
  steps: readonly StepName[];
  joint: Joint;
  joints: readonly Joint[];
  leg: Leg;
  comfort: JointComfort;
  condition: Condition;
  fitSign: FitSign;
  fitSigns: readonly FitSign[];
  heatFactors: readonly HeatFactor[];
  signals: readonly SignalId[];
  hold: HoldId;
  holds: readonly HoldId[];
  tool: ToolKind;
  learnedTool: LearnedTool;
  cause: TriggerCause;
  causes: readonly TriggerCause[];
  mood: Mood;
  tier: Tier;
  coat: (typeof COATS)[number];
  band: StrainBand;
  risk: RiskBand;
  hazard: HazardId;
  floor: FloorId;
  harm: HarmDegree;
  incident: IncidentKind;
  surface: (typeof MARK_SURFACES)[number];
  lookedPart: LookedPart;
  lookedFinding: LookedFinding;
  dogSize: DogSize;
  houseQuestion: HouseQuestion;
  injury: InjuryKind;
  warning: Warning;
  markKind: MarkKind;
  dogKind: DogKind;
  markFollow: MarkFollow;
  closing: ClosingLine;
  incidentLook: IncidentLook;
  healing: HealingLook;
  services: readonly ServiceItem[];
}
export type FactKind = keyof FactKinds;

/** What each fact is, by the name that sentences call it by. */
export const FACTS = {
  after: 'number',
  before: 'number',
  bite: 'number',
  bite_limit: 'number',
  break_minutes: 'number',
  celsius: 'number',
  contact: 'number',
  count: 'number',
  factor: 'number',
  from: 'number',
  incidents: 'number',
  instead: 'number',
  kg: 'number',
  least: 'number',
  likely: 'number',
  left: 'number',
  limit: 'number',
  minute: 'number',
  minutes: 'number',
  mm: 'number',
  needed: 'number',
  now: 'number',
  passes: 'number',
  peak: 'number',
  percent: 'number',
  points: 'number',
  rate: 'number',
  reached: 'number',
  saved: 'number',
  seconds: 'number',
  steps: 'number',
  stop: 'number',
  stop_limit: 'number',
  strain: 'number',
  tight: 'number',
  to: 'number',
  visits: 'number',
  wanted: 'number',
  was: 'number',
  work: 'number',
  would: 'number',
  dose_more: 'signed',
  minutes_more: 'signed',
  weeks: 'weeks',
  days: 'days',
  months: 'months',
  age: 'duration',
  on: 'day',
  since: 'day',
  month: 'month',
  size: 'size',
  was_size: 'size',
  name: 'text',
  why: 'text',
  text: 'text',
  without: 'saying',
  things: 'sayings',
  changes: 'sayings',
  blade: 'blade',
  first_blade: 'blade',
  guard: 'guard',
  zone: 'zone',
  zones: 'zones',
  place: 'zoneGroup',
  care: 'care',
  step: 'step',
  other: 'step',
  first: 'step',
  then: 'step',
  steps_done: 'steps',
  works: 'steps',
  joint: 'joint',
  joints: 'joints',
  weak: 'leg',
  strong: 'leg',
  comfort: 'comfort',
  condition: 'condition',
  sign: 'fitSign',
  signs: 'fitSigns',
  factors: 'heatFactors',
  signals: 'signals',
  hold: 'hold',
  instead_hold: 'hold',
  holds: 'holds',
  tool: 'tool',
  learned_tool: 'learnedTool',
  cause: 'cause',
  causes: 'causes',
  mood: 'mood',
  tier: 'tier',
  coat: 'coat',
  band: 'band',
  risk: 'risk',
  was_risk: 'risk',
  hazard: 'hazard',
  floor: 'floor',
  harm: 'harm',
  incident: 'incident',
  surface: 'surface',
  was_surface: 'surface',
  part: 'lookedPart',
  finding: 'lookedFinding',
  dog_size: 'dogSize',
  question: 'houseQuestion',
  injury: 'injury',
  warned: 'warning',
  mark_kind: 'markKind',
  dog_kind: 'dogKind',
  follow: 'markFollow',
  closing_line: 'closing',
  incident_look: 'incidentLook',
  healing: 'healing',
  services: 'services',
} as const satisfies Record<string, FactKind>;

export type FactName = keyof typeof FACTS;
export type FactValue<F extends FactName> = FactKinds[(typeof FACTS)[F]];

/** Any facts, each with a value of its kind. */
export type Facts = { readonly [F in FactName]?: FactValue<F> | undefined };
