import type { Forms, Labels } from '../index.js';
import { CONSENT_LABELS } from './consents.js';
import { HOUSE_QUESTION_LABELS } from './house-rules.js';
import { CARE_LABELS } from './labels/care.js';
import { CLOSING_LABELS } from './labels/closing.js';
import {
  CAUSE_LABELS,
  BORDER_LABELS,
  BUILD_LABELS,
  COAT_LABELS,
  CONDITION_LABELS,
  DOG_KIND_LABELS,
  DOG_SIZE_LABELS,
  GROOMED_BY_LABELS,
  GUARDED_LABELS,
  INJURY_LABELS,
  LIES_ON_LABELS,
  MARK_FOLLOW_LABELS,
  MARK_KIND_LABELS,
  MARK_KIND_TOLD,
  RESENTED_LABELS,
  WARNING_LABELS,
  EAR_SET_LABELS,
  JOINT_COMFORT_LABELS,
  JOINT_LABELS,
  LEG_LABELS,
  MOOD_LABELS,
  NOSE_LABELS,
  SEX_LABELS,
  SKIN_LABELS,
  SURFACE_LABELS,
  TAIL_SET_LABELS,
} from './labels/dogs.js';
import { FEEL_AREA_LABELS, LOOKED_LABELS, LOOKED_PART_LABELS, MAT_GRADE_NAMES } from './labels/findings.js';
import { FIT_SIGN_LABELS, FIT_VERDICT_LABELS, HEAT_FACTOR_LABELS, TOLD_LABELS } from './labels/fit.js';
import { FLOOR_LABELS } from './labels/floors.js';
import { HOLD_LABELS, HOLD_PREVENTS } from './labels/holds.js';
import {
  BITE_LEVEL_LABELS,
  HARM_LABELS,
  INCIDENT_CLASS_LABELS,
  INCIDENT_FACTOR_LABELS,
  INCIDENT_LABELS,
  INCIDENT_LOOK_LABELS,
  RISK_LABELS,
} from './labels/incidents.js';
import { BITE_TOLD_LABELS, CONTACT_ROLE_LABELS, PHASE_LABELS, PHOTO_KIND_LABELS, PROBLEM_LABELS, ROLE_LABELS } from './labels/people.js';
import { ACCOUNT_SECTION_LABELS, HEALING_LABELS, TOLD_HOW_LABELS } from './labels/after.js';
import { BAND_LABELS, ELSEWHERE_LABELS, SIGNAL_LABELS } from './labels/signals.js';
import {
  BLADE_LABELS,
  GUARD_FINGER_LABELS,
  RESISTANCE_QUESTIONS,
  STROKE_LABELS,
  TENSION_LABELS,
  TOOL_LABELS,
  TOOL_WITH_ARTICLE,
} from './labels/tools.js';
import { LEARNED_TOOL_LABELS, POSTURE_LABELS, SERVICE_ITEM_LABELS, STEP_LABELS, TIER_LABELS } from './labels/work.js';
import { ZONE_GROUP_LABELS, ZONE_LABELS, ZONE_PART_LABELS } from './labels/zones.js';

/** What each id is called within a sentence. */
export const LABELS: Labels = {
  accountSection: ACCOUNT_SECTION_LABELS,
  band: BAND_LABELS,
  biteLevel: BITE_LEVEL_LABELS,
  blade: BLADE_LABELS,
  biteTold: BITE_TOLD_LABELS,
  border: BORDER_LABELS,
  build: BUILD_LABELS,
  care: CARE_LABELS,
  cause: CAUSE_LABELS,
  closing: CLOSING_LABELS,
  coat: COAT_LABELS,
  comfort: JOINT_COMFORT_LABELS,
  condition: CONDITION_LABELS,
  consent: CONSENT_LABELS,
  contactRole: CONTACT_ROLE_LABELS,
  dogKind: DOG_KIND_LABELS,
  dogSize: DOG_SIZE_LABELS,
  earSet: EAR_SET_LABELS,
  feelArea: FEEL_AREA_LABELS,
  fitSign: FIT_SIGN_LABELS,
  fitVerdict: FIT_VERDICT_LABELS,
  floor: FLOOR_LABELS,
  guardFinger: GUARD_FINGER_LABELS,
  harm: HARM_LABELS,
  heatFactor: HEAT_FACTOR_LABELS,
  hold: HOLD_LABELS,
  houseQuestion: HOUSE_QUESTION_LABELS,
  healing: HEALING_LABELS,
  incident: INCIDENT_LABELS,
  incidentClass: INCIDENT_CLASS_LABELS,
  incidentFactor: INCIDENT_FACTOR_LABELS,
  incidentLook: INCIDENT_LOOK_LABELS,
  injury: INJURY_LABELS,
  groomedBy: GROOMED_BY_LABELS,
  guarded: GUARDED_LABELS,
  liesOn: LIES_ON_LABELS,
  joint: JOINT_LABELS,
  learnedTool: LEARNED_TOOL_LABELS,
  leg: LEG_LABELS,
  lookedFinding: LOOKED_LABELS,
  lookedPart: LOOKED_PART_LABELS,
  markKind: MARK_KIND_LABELS,
  markFollow: MARK_FOLLOW_LABELS,
  matGrade: MAT_GRADE_NAMES,
  mood: MOOD_LABELS,
  nose: NOSE_LABELS,
  phase: PHASE_LABELS,
  photoKind: PHOTO_KIND_LABELS,
  problem: PROBLEM_LABELS,
  resented: RESENTED_LABELS,
  resistance: RESISTANCE_QUESTIONS,
  risk: RISK_LABELS,
  role: ROLE_LABELS,
  service: SERVICE_ITEM_LABELS,
  sex: SEX_LABELS,
  signal: SIGNAL_LABELS,
  elsewhere: ELSEWHERE_LABELS,
  step: STEP_LABELS,
  skin: SKIN_LABELS,
  stroke: STROKE_LABELS,
  surface: SURFACE_LABELS,
  tailSet: TAIL_SET_LABELS,
  tension: TENSION_LABELS,
  tier: TIER_LABELS,
  posture: POSTURE_LABELS,
  told: TOLD_LABELS,
  toldHow: TOLD_HOW_LABELS,
  tool: TOOL_LABELS,
  warning: WARNING_LABELS,
  zone: ZONE_LABELS,
  zoneGroup: ZONE_GROUP_LABELS,
};

/** Other forms that sentences ask for. */
export const FORMS: Forms = {
  hold: { prevents: HOLD_PREVENTS },
  tool: { a: TOOL_WITH_ARTICLE },
  markKind: { told: MARK_KIND_TOLD },
  zone: { part: ZONE_PART_LABELS },
};
