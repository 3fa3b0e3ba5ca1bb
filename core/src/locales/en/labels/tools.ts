import type { BladeId, GuardFinger, ResistanceCause, Stroke, Tension, ToolKind } from '../../../words/index.js';
export const TOOL_LABELS: Readonly<Record<ToolKind, string>> = {
  clipper: 'clipper',
  straight_shears: 'straight shears',
  curved_shears: 'curved shears',
  blunt_shears: 'blunt-tip shears',
  thinners: 'thinners',
  mat_splitter: 'mat splitter',
  slicker: 'slicker',
  wide_comb: 'comb, wide teeth',
  fine_comb: 'comb, fine teeth',
  rake: 'undercoat rake',
  nail_clipper: 'nail clipper',
  grinder: 'nail grinder',
  cotton: 'cotton and ear cleaner',
  forceps: 'forceps for ear hair',
  towel: 'towel',
  stand_dryer: 'stand dryer',
  high_velocity_dryer: 'high-velocity dryer',
};

export const STROKE_LABELS: Readonly<Record<Stroke, string>> = {
  with_grain: 'with the grain',
  away_from_eye: 'away from the eye',
  inside_out: 'from the inside out',
  outwards: 'outwards',
  sideways_and_down: 'side to side and down, never upwards',
  scoop: 'scooped with the corner of the blade, in a V',
  along_the_edge: 'along the edge, outside the thumb',
  round_it: 'round it',
  none: 'no blade',
};

export const TENSION_LABELS: Readonly<Record<Tension, string>> = {
  steady: 'steady the skin; never pull and cut at once',
  stretch: 'stretch the skin with a thumb',
  draw_forward: 'draw the skin forward',
  spread: 'spread the toes from below',
  let_hang: 'let the skin hang as it is',
};

export const GUARD_FINGER_LABELS: Readonly<Record<GuardFinger, string>> = {
  none: 'no finger needed',
  thumb_on_edge: 'thumb along the edge',
  finger_over_it: 'a finger shields it',
  thumb_before_tongue: 'a thumb in front of the mouth, against the tongue',
  finger_behind_it: 'a finger feels for it first and stays behind it',
};

export const RESISTANCE_QUESTIONS: Readonly<Record<ResistanceCause, string>> = {
  tight_mat: 'Does the blade stop at a mat that it does not get under?',
  growth: 'Is there something firm under the blade?',
  skin_drawn_in: 'Is a fold of skin lifted into the teeth?',
};

/** With its article. */
export const TOOL_WITH_ARTICLE: Readonly<Record<ToolKind, string>> = {
  clipper: 'a clipper',
  straight_shears: 'straight shears',
  curved_shears: 'curved shears',
  blunt_shears: 'blunt-tip shears',
  thinners: 'thinners',
  mat_splitter: 'a mat splitter',
  slicker: 'a slicker',
  wide_comb: 'a comb, wide teeth',
  fine_comb: 'a comb, fine teeth',
  rake: 'an undercoat rake',
  nail_clipper: 'a nail clipper',
  grinder: 'a nail grinder',
  cotton: 'cotton and ear cleaner',
  forceps: 'forceps for ear hair',
  towel: 'a towel',
  stand_dryer: 'a stand dryer',
  high_velocity_dryer: 'a high-velocity dryer',
};

/** As written in the salon. */
export const BLADE_LABELS: Readonly<Record<BladeId, string>> = {
  '3F': '#3F',
  '4F': '#4F',
  '4': '#4',
  '5F': '#5F',
  '5': '#5',
  '7F': '#7F',
  '7': '#7',
  '8.5': '#8½',
  '9': '#9',
  '10': '#10',
  '15': '#15',
  '30': '#30',
  '40': '#40',
  '50': '#50',
};
