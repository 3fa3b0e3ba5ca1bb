import type {
  CombTest,
  DryerTest,
  Joint,
  JointComfort,
  Leg,
  LiftTest,
  MARK_BORDERS,
  MARK_SURFACES,
  MarkKind,
  MatGrade,
  Mood,
  SkinState,
  Warning,
  ZoneId,
} from '../words/index.js';
import type { FoundAt, Looked } from './looked.js';

export interface MarkFound {
  readonly markId: string;
  readonly zone: ZoneId;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly border: (typeof MARK_BORDERS)[number];
  readonly surface: (typeof MARK_SURFACES)[number];
  readonly isNew: boolean;
  /** How it meets a blade; not said by versions that did not ask. */
  readonly kind?: MarkKind | undefined;
  /** Where it lies in its place, as shares of the width and height of the drawing of that place. */
  readonly spot?: readonly [number, number] | undefined;
  /** A hand found it as on that day, ISO; nobody measured it today. */
  readonly asBefore?: string | undefined;
  /** Known from an earlier visit and not looked for today: the day it was last seen, ISO. */
  readonly presumedSince?: string | undefined;
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
  /** What the grade comes from; empty where no test was made. Left out of findings that earlier versions kept. */
  readonly tests?: ZoneTests | undefined;
}

/** Tests as they were made, none invented: the comb, the lift, the dryer after the wash, or "as before" without a test. */
export interface ZoneTests {
  readonly comb?: CombTest | undefined;
  readonly lift?: LiftTest | undefined;
  readonly dryer?: DryerTest | undefined;
  /** Day of the visit that a hand found it to be the same as, ISO. */
  readonly asBefore?: string | undefined;
}

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
  /** The leg it spares today, the weak one; `none` when it was looked at and spares none, nothing when nobody looked. */
  readonly favours?: Leg | 'none' | undefined;
  /** Places where it minds the hand today. */
  readonly resents?: readonly ZoneId[] | undefined;
  /** Places of a grass seed or a tick. */
  readonly foundAt?: FoundAt | undefined;
  /** What it did today before any work. */
  readonly warned?: Warning | undefined;
  /** Told today that it has bitten someone while being handled. */
  readonly biteTold: boolean;
}

/** A dog with nothing found. */
export const NOTHING_FOUND: FeelOver = { zones: [], marks: [], joints: {}, mood: 'still', biteTold: false };

/** The finding of a zone; nothing found is sound coat and skin. */
export function findingIn(feelOver: FeelOver, zone: ZoneId): ZoneFinding {
  return feelOver.zones.find((z) => z.zone === zone) ?? { zone, matGrade: 0, skin: 'sound', crust: false };
}
