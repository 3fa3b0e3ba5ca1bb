import type {
  AskedSignal,
  AccountSection,
  BITE_TOLD,
  BiteLevel,
  BookingOff,
  BladeId,
  Care,
  ClosingLine,
  COATS,
  Condition,
  DogPosture,
  ConsentId,
  CONTACT_ROLES,
  DateForm,
  DogKind,
  DogSize,
  FeelArea,
  FitSign,
  FitVerdict,
  FloorId,
  GroomedBy,
  GuardFinger,
  Guarded,
  HarmDegree,
  HealingLook,
  HeatFactor,
  HoldId,
  HouseQuestion,
  HouseRules,
  IncidentClass,
  IncidentFactor,
  IncidentKind,
  IncidentLook,
  InjuryKind,
  Joint,
  JointComfort,
  LearnedTool,
  Leg,
  LiesOn,
  LookedFinding,
  LookedPart,
  BUILDS,
  EAR_SETS,
  NOSES,
  SEXES,
  TAIL_SETS,
  MARK_BORDERS,
  MARK_SURFACES,
  MarkFollow,
  MarkKind,
  MatGrade,
  Measures,
  Mood,
  Phase,
  PHOTO_KINDS,
  ProblemCode,
  ResentedPlace,
  ResistanceCause,
  RiskBand,
  Role,
  HandWork,
  SalonPost,
  RuleId,
  ServiceItem,
  SignalId,
  SkinState,
  SourceId,
  StepName,
  StrainBand,
  Stroke,
  Tension,
  Tier,
  ToldHow,
  ToldItem,
  ToolKind,
  TriggerCause,
  Warning,
  Weekday,
  ZoneGroup,
  ZoneId,
  ZonePart,
} from '../words/index.js';
/** Ids of each closed set that has words of its own. */
export interface LabelIds {
  accountSection: AccountSection;
  band: StrainBand;
  biteLevel: BiteLevel;
  blade: BladeId;
  biteTold: (typeof BITE_TOLD)[number];
  border: (typeof MARK_BORDERS)[number];
  build: (typeof BUILDS)[number];
  care: Care;
  cause: TriggerCause;
  closing: ClosingLine;
  coat: (typeof COATS)[number];
  comfort: JointComfort;
  condition: Condition;
  consent: ConsentId;
  contactRole: (typeof CONTACT_ROLES)[number];
  dogKind: DogKind;
  dogSize: DogSize;
  earSet: (typeof EAR_SETS)[number];
  feelArea: FeelArea;
  fitSign: FitSign;
  fitVerdict: FitVerdict;
  floor: FloorId;
  guardFinger: GuardFinger;
  harm: HarmDegree;
  heatFactor: HeatFactor;
  hold: HoldId;
  houseQuestion: HouseQuestion;
  healing: HealingLook;
  incident: IncidentKind;
  incidentClass: IncidentClass;
  incidentFactor: IncidentFactor;
  incidentLook: IncidentLook;
  injury: InjuryKind;
  groomedBy: GroomedBy;
  guarded: Guarded;
  liesOn: LiesOn;
  joint: Joint;
  learnedTool: LearnedTool;
  leg: Leg;
  lookedFinding: LookedFinding;
  lookedPart: LookedPart;
  matGrade: MatGrade;
  markKind: MarkKind;
  markFollow: MarkFollow;
  mood: Mood;
  nose: (typeof NOSES)[number];
  phase: Phase;
  problem: ProblemCode;
  photoKind: (typeof PHOTO_KINDS)[number];
  resented: ResentedPlace;
  resistance: ResistanceCause;
  risk: RiskBand;
  role: Role;
  bookingOff: BookingOff;
  handWork: HandWork;
  salonPost: SalonPost;
  weekday: Weekday;
  service: ServiceItem;
  sex: (typeof SEXES)[number];
  signal: SignalId;
  elsewhere: AskedSignal;
  step: StepName;
  skin: SkinState;
  stroke: Stroke;
  surface: (typeof MARK_SURFACES)[number];
  tailSet: (typeof TAIL_SETS)[number];
  tension: Tension;
  tier: Tier;
  posture: DogPosture;
  told: ToldItem;
  toldHow: ToldHow;
  tool: ToolKind;
  warning: Warning;
  zone: ZoneId;
  zoneGroup: ZoneGroup;
}
export type LabelKind = keyof LabelIds;

/** What each id is called within a sentence. A heading or a list begins it with a capital: `heading`. */
export type Labels = { readonly [K in LabelKind]: Readonly<Record<LabelIds[K], string>> };

/**
 * Other forms of a word that sentences ask for: `{zone_part}` reads `forms.zone.part`. A language that declines its words adds its
 * own; `{zone_cap}`, with a capital, is there for every fact.
 */
export interface Forms {
  readonly hold: { readonly prevents: Readonly<Record<HoldId, string>> };
  readonly tool: { readonly a: Readonly<Record<ToolKind, string>> };
  readonly markKind: { readonly told: Readonly<Record<MarkKind, string>> };
  readonly zone: { readonly part: Readonly<Record<ZoneId, string>> };
}

export interface SchoolWords {
  readonly label: string;
  readonly why: string;
}
/** A question on which groomers disagree: what is asked, what the answer changes, each school with its why. */
export type HouseWords = {
  readonly [Q in HouseQuestion]: {
    readonly question: string;
    readonly changes: string;
    readonly schools: Readonly<Record<HouseRules[Q], SchoolWords>>;
  };
};

/** A word that differs between groomers, or that an owner may not know. */
export interface Term {
  /** The word that this product uses. */
  readonly word: string;
  /** Words that groomers also use for it. */
  readonly also: readonly string[];
  readonly means: string;
  readonly part: ZonePart | undefined;
}

/**
 * All words of core in one language. Another language is one folder that makes an object of this type: the compiler names what it
 * lacks, `findWordingFaults` the facts that a sentence lost.
 */
export interface Language {
  /** BCP 47 tag; numbers, lists, units and months are written its way. */
  readonly tag: string;
  /** ICU MessageFormat: `{zone}` is a fact, `{has_zone, select, yes {…} other {…}}` asks whether it is told, `{zones_n}` is how many. */
  readonly sentences: Readonly<Record<RuleId, string>>;
  readonly sources: Readonly<Record<SourceId, string>>;
  readonly labels: Labels;
  readonly forms: Forms;
  readonly holdHow: Readonly<Record<HoldId, string>>;
  readonly holdMustNotPress: Readonly<Record<HoldId, string>>;
  readonly feelAreaHow: Readonly<Record<FeelArea, string>>;
  /** What to do at once after an incident, in order. */
  readonly atOnce: Readonly<Record<IncidentKind, readonly string[]>>;
  readonly house: HouseWords;
  /** What the owner agrees to, by the version of the text. */
  readonly consentTexts: Readonly<Record<string, Readonly<Record<ConsentId, string>>>>;
  readonly terms: readonly Term[];
  /** In what a salon writes its measures; left out: mm, kg and °C, as everything is kept. */
  readonly measures?: Measures;
  /** And its dates. */
  readonly dates?: DateForm;
  /** "s" and "min", as they follow a number. */
  readonly units: { readonly seconds: string; readonly minutes: string };
}
