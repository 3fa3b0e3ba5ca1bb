import {
  CONTROL_IDS,
  CONTROL_LEVELS,
  type ControlId,
  type ControlLevel,
  type HazardId,
  type Reason,
  reason,
  type RuleId,
} from '../../words/index.js';

/** What is left of a hazard with a control of each level. Our defaults, in the order of the hierarchy. */
export const LEFT_AFTER: Readonly<Record<ControlLevel, number>> = {
  eliminate: 0,
  substitute: 0.35,
  engineer: 0.5,
  administer: 0.7,
  protect: 0.85,
};

export interface ControlFacts {
  readonly level: ControlLevel;
  readonly hazards: readonly HazardId[];
  readonly rule: RuleId;
}

export const CONTROLS: Readonly<Record<ControlId, ControlFacts>> = {
  leave_out: { level: 'eliminate', hazards: ['clipper_burn', 'brush_burn', 'nick', 'laceration'], rule: 'control.leave_out' },
  vet_does_it: {
    level: 'eliminate',
    hazards: ['clipper_burn', 'brush_burn', 'nick', 'laceration', 'bite_or_scratch_person', 'joint_or_muscle_strain', 'fall_or_jump'],
    rule: 'control.vet_does_it',
  },
  close_teeth: { level: 'substitute', hazards: ['nick', 'laceration', 'ear_edge_cut'], rule: 'control.close_teeth' },
  grinder: { level: 'substitute', hazards: ['quicked_nail'], rule: 'control.grinder' },
  gentle_dryer: { level: 'substitute', hazards: ['overheating', 'eye'], rule: 'control.gentle_dryer' },
  cool_air: { level: 'substitute', hazards: ['overheating'], rule: 'control.cool_air' },
  guard_comb: { level: 'engineer', hazards: ['nick', 'laceration', 'clipper_burn'], rule: 'control.guard_comb' },
  muzzle: { level: 'engineer', hazards: ['bite_or_scratch_person'], rule: 'control.muzzle' },
  loop_attended: { level: 'engineer', hazards: ['fall_or_jump', 'escape'], rule: 'control.loop_attended' },
  lies_down: { level: 'engineer', hazards: ['fall_or_jump', 'joint_or_muscle_strain'], rule: 'control.lies_down' },
  belly_support: { level: 'engineer', hazards: ['joint_or_muscle_strain', 'fall_or_jump'], rule: 'control.belly_support' },
  wrist_check: { level: 'administer', hazards: ['clipper_burn'], rule: 'control.wrist_check' },
  crust_soaked: { level: 'administer', hazards: ['eye'], rule: 'control.crust_soaked' },
  finger_first: { level: 'administer', hazards: ['nick', 'laceration', 'ear_edge_cut', 'tongue_or_lip_cut'], rule: 'control.finger_first' },
  breaks: { level: 'administer', hazards: ['bite_or_scratch_person', 'fall_or_jump'], rule: 'control.breaks' },
  helper: {
    level: 'administer',
    hazards: ['bite_or_scratch_person', 'fall_or_jump', 'joint_or_muscle_strain', 'eye', 'tongue_or_lip_cut'],
    rule: 'control.helper',
  },
  doors_shut: { level: 'administer', hazards: ['escape'], rule: 'control.doors_shut' },
  head_kept_dry: { level: 'administer', hazards: ['water_inhaled'], rule: 'control.head_kept_dry' },
  ear_watched: { level: 'protect', hazards: ['ear_haematoma'], rule: 'control.ear_watched' },
  gauze_ready: { level: 'protect', hazards: ['quicked_nail', 'nick'], rule: 'control.gauze_ready' },
};

export interface Controlled {
  readonly control: ControlId;
  readonly level: ControlLevel;
  readonly because: Reason;
}

/** The controls that act on a hazard, in the order of the hierarchy. */
export function controlsOn(hazard: HazardId, controls: readonly ControlId[]): Controlled[] {
  return CONTROL_IDS.filter((c) => controls.includes(c) && CONTROLS[c].hazards.includes(hazard))
    .map((control) => ({
      control,
      level: CONTROLS[control].level,
      because: reason(CONTROLS[control].rule, {}, 1 - LEFT_AFTER[CONTROLS[control].level]),
    }))
    .sort((a, b) => CONTROL_LEVELS.indexOf(a.level) - CONTROL_LEVELS.indexOf(b.level));
}

/**
 * Share of a hazard that is left with some controls: they multiply, for each catches what the one before let through.
 * @example shareLeft('quicked_nail', ['grinder', 'gauze_ready']) // => 0.2975
 */
export function shareLeft(hazard: HazardId, controls: readonly ControlId[]): number {
  return controlsOn(hazard, controls).reduce((left, c) => left * LEFT_AFTER[c.level], 1);
}
