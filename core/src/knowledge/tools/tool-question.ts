import type {
  Competence,
  Condition,
  DogKind,
  HouseRules,
  MatGrade,
  Movement,
  Reason,
  SkinState,
  ToolKind,
  TriggerCause,
  ZoneId,
} from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';

/** May this tool come to this place on this dog, in these hands, today? */
export interface ToolQuestion {
  readonly tool: ToolKind;
  readonly zone: ZoneId;
  readonly matGrade: MatGrade;
  readonly skin: SkinState;
  /** A lump, wart or scar lies here. */
  readonly markHere: boolean;
  readonly coat: DogFacts['coat'];
  readonly movement: Movement;
  readonly competence: Competence;
  readonly kinds: readonly DogKind[];
  readonly conditions: readonly Condition[];
  /** What this dog is known to mind. */
  readonly minds: readonly TriggerCause[];
  /** Age in weeks, ≥ 0. */
  readonly ageWeeks: number;
  /** A vet has asked for ear hair to be plucked. */
  readonly vetAskedForPlucking: boolean;
  readonly house: HouseRules;
}

export interface ToolAnswer {
  readonly tool: ToolKind;
  readonly allowed: boolean;
  /** Why not; or, when it is allowed, how it is used here. */
  readonly reasons: readonly Reason[];
}
