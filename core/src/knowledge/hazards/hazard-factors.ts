import {
  type Competence,
  type DogKind,
  type HazardId,
  type LearnedTool,
  type MatGrade,
  type Movement,
  type Reason,
  reason,
  type RuleId,
  type SkinState,
  type ZoneId,
} from '../../words/index.js';
import { zoneFacts } from '../anatomy/index.js';

/** Work as the register sees it: one step in one place. */
export interface HazardWork {
  readonly zone: ZoneId;
  readonly tool: LearnedTool;
  readonly minutes: number;
  readonly matGrade: MatGrade;
  readonly skin: SkinState;
  readonly markHere: boolean;
  readonly movement: Movement;
  readonly competence: Competence;
  readonly kinds: readonly DogKind[];
  /** It hurts, or the dog is known to mind it. */
  readonly painful: boolean;
  readonly triggered: boolean;
  readonly roomCelsius: number;
}

export interface HazardFactor {
  readonly factor: number;
  readonly because: Reason;
}

interface FactorRule {
  readonly rule: RuleId;
  readonly factor: number;
  readonly hazards: readonly HazardId[];
  readonly when: (w: HazardWork) => boolean;
}

const SKIN: readonly HazardId[] = ['clipper_burn', 'brush_burn', 'nick', 'laceration'];
const CUTS: readonly HazardId[] = ['nick', 'laceration', 'ear_edge_cut', 'tongue_or_lip_cut', 'eye'];
const loose = (w: HazardWork): boolean => zoneFacts(w.zone).fragile.some((f) => f === 'fold' || f === 'flap' || f === 'web');

/** Factors on the rate, each at least 1: a worse finding never lowers a risk. Our defaults; what raises it is common practice. */
export const HAZARD_FACTORS: readonly FactorRule[] = [
  {
    rule: 'hazard.tight_mats',
    factor: 2.5,
    hazards: ['nick', 'laceration', 'clipper_burn', 'brush_burn', 'ear_edge_cut'],
    when: (w) => w.matGrade >= 3,
  },
  { rule: 'hazard.ear_mats', factor: 6, hazards: ['ear_haematoma'], when: (w) => w.matGrade >= 3 },
  { rule: 'hazard.open_mats', factor: 1.5, hazards: ['nick', 'brush_burn'], when: (w) => w.matGrade === 2 },
  { rule: 'hazard.thin_skin', factor: 1.8, hazards: SKIN, when: (w) => w.kinds.includes('thin_skin') },
  { rule: 'hazard.thin_zone', factor: 1.5, hazards: SKIN, when: (w) => zoneFacts(w.zone).fragile.includes('thin_skin') },
  { rule: 'hazard.loose_skin', factor: 1.6, hazards: ['nick', 'laceration'], when: loose },
  { rule: 'hazard.red_skin', factor: 2, hazards: SKIN, when: (w) => w.skin !== 'sound' },
  { rule: 'hazard.mark', factor: 2, hazards: ['nick', 'laceration'], when: (w) => w.markHere },
  { rule: 'hazard.jerks', factor: 3, hazards: [...CUTS, 'quicked_nail', 'fall_or_jump', 'loop'], when: (w) => w.movement === 'jerks' },
  { rule: 'hazard.shifts', factor: 1.5, hazards: [...CUTS, 'quicked_nail', 'fall_or_jump'], when: (w) => w.movement === 'shifts' },
  { rule: 'hazard.learning', factor: 2, hazards: [...SKIN, ...CUTS, 'quicked_nail'], when: (w) => w.competence === 'learning' },
  {
    rule: 'hazard.sore_joints',
    factor: 2.5,
    hazards: ['joint_or_muscle_strain', 'fall_or_jump'],
    when: (w) => w.kinds.includes('sore_joints'),
  },
  {
    rule: 'hazard.old',
    factor: 1.5,
    hazards: ['joint_or_muscle_strain', 'fall_or_jump', 'overheating'],
    when: (w) => w.kinds.includes('senior'),
  },
  { rule: 'hazard.young', factor: 1.5, hazards: ['fall_or_jump', 'eye', 'escape', 'quicked_nail'], when: (w) => w.kinds.includes('puppy') },
  { rule: 'hazard.short_nose', factor: 4, hazards: ['overheating', 'water_inhaled', 'eye'], when: (w) => w.kinds.includes('short_nose') },
  { rule: 'hazard.warm_room', factor: 2, hazards: ['overheating'], when: (w) => w.roomCelsius >= 22 },
  { rule: 'hazard.has_bitten', factor: 4, hazards: ['bite_or_scratch_person'], when: (w) => w.kinds.includes('bite_history') },
  { rule: 'hazard.it_hurts', factor: 2.5, hazards: ['bite_or_scratch_person', 'fall_or_jump'], when: (w) => w.painful },
  { rule: 'hazard.trigger', factor: 2, hazards: ['bite_or_scratch_person', 'fall_or_jump', 'loop', 'escape'], when: (w) => w.triggered },
  { rule: 'hazard.first_visit', factor: 1.5, hazards: ['bite_or_scratch_person', 'escape'], when: (w) => w.kinds.includes('first_visit') },
  { rule: 'hazard.heavy', factor: 1.5, hazards: ['joint_or_muscle_strain', 'fall_or_jump'], when: (w) => w.kinds.includes('needs_two') },
];

/** What raises a hazard in this work, each with its factor. */
export function factorsOn(hazard: HazardId, work: HazardWork): HazardFactor[] {
  return HAZARD_FACTORS.filter((f) => f.hazards.includes(hazard) && f.when(work)).map((f) => ({
    factor: f.factor,
    because: reason(f.rule, { zone: work.zone, factor: f.factor }, Math.min(1, f.factor / 6)),
  }));
}
