import type { ZoneId } from '../anatomy/index.js';
import type { SkinState } from '../blades/blade-question.js';
import type { MatGrade } from '../coat/mat-grade.js';
import type { Looked } from '../feel-over/looked.js';

export const JOINTS = [
  'neck',
  'shoulder_left',
  'shoulder_right',
  'elbow_left',
  'elbow_right',
  'back',
  'hip_left',
  'hip_right',
  'knee_left',
  'knee_right',
] as const;
export type Joint = (typeof JOINTS)[number];
export const JOINT_LABELS: Readonly<Record<Joint, string>> = {
  neck: 'neck',
  shoulder_left: 'left shoulder',
  shoulder_right: 'right shoulder',
  elbow_left: 'left elbow',
  elbow_right: 'right elbow',
  back: 'back',
  hip_left: 'left hip',
  hip_right: 'right hip',
  knee_left: 'left knee',
  knee_right: 'right knee',
};
export const JOINT_COMFORTS = ['free', 'stiff', 'painful'] as const;
export type JointComfort = (typeof JOINT_COMFORTS)[number];

export const MOODS = ['relaxed', 'still', 'tense', 'tired_out', 'shut_down', 'frantic'] as const;
/** Relaxed, still, tired out and shut down look alike: they are different entries. */
export type Mood = (typeof MOODS)[number];
export const MOOD_LABELS: Readonly<Record<Mood, string>> = {
  relaxed: 'relaxed',
  still: 'still',
  tense: 'tense',
  tired_out: 'tired out',
  shut_down: 'shut down',
  frantic: 'frantic',
};
/** Strain points a dog brings to the table, by mood. Our default. */
export const MOOD_START: Readonly<Record<Mood, number>> = { relaxed: 4, still: 10, tired_out: 14, tense: 20, shut_down: 26, frantic: 32 };

export const MARK_BORDERS = ['regular', 'irregular'] as const;
export const MARK_SURFACES = ['smooth', 'lumpy', 'scabbed', 'flaky', 'oozing', 'bleeding'] as const;

export interface MarkFound {
  readonly markId: string;
  readonly zone: ZoneId;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly border: (typeof MARK_BORDERS)[number];
  readonly surface: (typeof MARK_SURFACES)[number];
  readonly isNew: boolean;
}

/** What the hands found in one zone. */
export interface ZoneFinding {
  readonly zone: ZoneId;
  readonly matGrade: MatGrade;
  readonly skin: SkinState;
  /** Crust that hides the skin; face zones and under the tail. */
  readonly crust: boolean;
  /** The mat is tight round a limb, or the limb is swollen below it. */
  readonly strangles?: boolean | undefined;
}

export const LEGS = ['fore_left', 'fore_right', 'hind_left', 'hind_right'] as const;
export type Leg = (typeof LEGS)[number];
export const LEG_LABELS: Readonly<Record<Leg, string>> = {
  fore_left: 'left foreleg',
  fore_right: 'right foreleg',
  hind_left: 'left hind leg',
  hind_right: 'right hind leg',
};

/** The leg across: what is left with the weight when the other is lifted. `otherLeg('hind_left') // => 'hind_right'` */
export function otherLeg(leg: Leg): Leg {
  const other: Readonly<Record<Leg, Leg>> = {
    fore_left: 'fore_right',
    fore_right: 'fore_left',
    hind_left: 'hind_right',
    hind_right: 'hind_left',
  };
  return other[leg];
}

/** The hands-on check as the planner reads it. */
export interface FeelOver {
  readonly zones: readonly ZoneFinding[];
  readonly marks: readonly MarkFound[];
  readonly joints: Readonly<Partial<Record<Joint, JointComfort>>>;
  readonly mood: Mood;
  /** Eyes, mouth, ears, nails …: what was seen there; parts that are missing were not looked at. */
  readonly looked?: Looked | undefined;
  /** The leg it spares today: the weak one. */
  readonly favours?: Leg | undefined;
  /** Told today that it has bitten someone while being handled. */
  readonly biteTold: boolean;
}

/** A dog with nothing found. */
export const NOTHING_FOUND: FeelOver = { zones: [], marks: [], joints: {}, mood: 'still', biteTold: false };

/** The finding of a zone; nothing found is sound coat and skin. */
export function findingIn(feelOver: FeelOver, zone: ZoneId): ZoneFinding {
  return feelOver.zones.find((z) => z.zone === zone) ?? { zone, matGrade: 0, skin: 'sound', crust: false };
}
