import { BRUSHES, POINTED_SHEARS, type RuleId, SHEARS, type ToolKind, type ZonePart } from '../../words/index.js';
import { partOf, zoneFacts, zoneHandling } from '../anatomy/index.js';
import type { ToolQuestion } from './tool-question.js';

/** A rule that keeps a tool away. The table below is read from top to bottom; the first that holds is the one that is said. */
export interface ToolBan {
  readonly rule: RuleId;
  readonly tools: readonly ToolKind[];
  readonly when: (q: ToolQuestion) => boolean;
}

/** High-velocity air is not for puppies under this age, weeks. Our default. */
const HIGH_VELOCITY_FROM_WEEKS = 16;
/** Places where a jerk meets a point. */
const NO_POINTS_WHEN_JERKING: readonly string[] = ['face', 'ears', 'feet', 'underside', 'rear'];

const at =
  (...parts: readonly ZonePart[]) =>
  (q: ToolQuestion): boolean =>
    parts.includes(partOf(q.zone));
const inGroup = (q: ToolQuestion, ...groups: readonly string[]): boolean => groups.includes(zoneFacts(q.zone).group);

/** Common practice, no source, but for what says so in its wording; two are floors. */
export const TOOL_BANS: readonly ToolBan[] = [
  { rule: 'tool.no_shears_under_tail', tools: SHEARS, when: at('anus') },
  { rule: 'tool.no_shears_on_leather', tools: SHEARS, when: at('ear_leather', 'ear_base') },
  { rule: 'tool.no_splitter_in_folds', tools: ['mat_splitter'], when: (q) => zoneHandling(q.zone).forbids.includes('mat_splitter') },
  { rule: 'tool.never_blow_a_face', tools: ['high_velocity_dryer'], when: (q) => inGroup(q, 'face', 'ears') },
  { rule: 'tool.no_points_at_eye', tools: POINTED_SHEARS, when: at('eye', 'stop') },
  {
    rule: 'tool.not_in_this_zone',
    tools: [
      'clipper',
      ...SHEARS,
      ...BRUSHES,
      'nail_clipper',
      'grinder',
      'cotton',
      'forceps',
      'towel',
      'stand_dryer',
      'high_velocity_dryer',
    ],
    when: (q) => zoneHandling(q.zone).forbids.includes(q.tool),
  },
  {
    rule: 'tool.sore_skin',
    tools: ['clipper', ...SHEARS, 'mat_splitter', ...BRUSHES, 'nail_clipper', 'grinder', 'cotton', 'forceps', 'high_velocity_dryer'],
    when: (q) => q.skin === 'sore',
  },
  { rule: 'tool.no_brushing_tight_mats', tools: BRUSHES, when: (q) => q.matGrade >= 3 },
  { rule: 'tool.splitter_for_open_mats', tools: ['mat_splitter'], when: (q) => q.matGrade !== 2 },
  { rule: 'tool.red_skin', tools: ['slicker', 'rake', 'mat_splitter', 'forceps', 'high_velocity_dryer'], when: (q) => q.skin === 'red' },
  { rule: 'tool.ear_not_sound', tools: ['cotton', 'forceps'], when: (q) => q.skin !== 'sound' || q.conditions.includes('ear_trouble') },
  {
    rule: 'tool.shears_fine_teeth',
    tools: SHEARS,
    // Blunt tips along the hair are how an open mat is split; for everything else the fine teeth must pass first.
    when: (q) => q.matGrade > 0 && !(q.tool === 'blunt_shears' && q.matGrade === 2 && q.skin === 'sound'),
  },
  {
    rule: 'tool.jerks_no_shears',
    tools: SHEARS,
    when: (q) => q.movement === 'jerks' && inGroup(q, ...NO_POINTS_WHEN_JERKING),
  },
  {
    rule: 'tool.shifts_no_points',
    tools: POINTED_SHEARS,
    when: (q) => q.movement !== 'still' && (inGroup(q, 'face', 'ears') || at('belly', 'carpal', 'dewclaw')(q)),
  },
  { rule: 'tool.learning_no_points', tools: POINTED_SHEARS, when: (q) => q.competence === 'learning' && inGroup(q, 'face', 'feet') },
  { rule: 'tool.mark_round_it', tools: [...POINTED_SHEARS, 'mat_splitter', 'rake', 'slicker'], when: (q) => q.markHere },
  { rule: 'tool.rake_double_coats', tools: ['rake'], when: (q) => q.coat !== 'double' },
  { rule: 'tool.rake_thin_skin', tools: ['rake'], when: (q) => q.kinds.includes('thin_skin') },
  {
    rule: 'tool.pluck_house_leaves',
    tools: ['forceps'],
    when: (q) => q.house.earHair === 'leave' || (q.house.earHair === 'vet_asked' && !q.vetAskedForPlucking),
  },
  { rule: 'tool.blood_thinner_grinder', tools: ['nail_clipper'], when: (q) => q.conditions.includes('blood_thinner') },
  { rule: 'tool.velocity_senior', tools: ['high_velocity_dryer'], when: (q) => q.kinds.includes('senior') },
  { rule: 'tool.velocity_puppy', tools: ['high_velocity_dryer'], when: (q) => q.ageWeeks < HIGH_VELOCITY_FROM_WEEKS },
  {
    rule: 'tool.velocity_breath',
    tools: ['high_velocity_dryer'],
    when: (q) => q.kinds.includes('short_nose') || (['heart', 'airway', 'fits'] as const).some((c) => q.conditions.includes(c)),
  },
  { rule: 'tool.velocity_tight_mats', tools: ['high_velocity_dryer'], when: (q) => q.matGrade >= 3 },
  { rule: 'tool.velocity_minded', tools: ['high_velocity_dryer'], when: (q) => q.minds.includes('dryer') },
];
