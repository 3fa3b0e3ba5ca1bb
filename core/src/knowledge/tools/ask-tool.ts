import {
  byWeight,
  NOISY,
  POINTED_SHEARS,
  reason,
  type Reason,
  type RuleId,
  SHEARS,
  TOOL_KINDS,
  type ToolKind,
  type ZoneId,
} from '../../words/index.js';
import { partOf, zoneFacts } from '../anatomy/index.js';
import { TOOL_BANS } from './tool-bans.js';
import type { ToolAnswer, ToolQuestion } from './tool-question.js';

/**
 * May a tool come to a place on this dog today? A refusal carries the rule; a yes carries how it is used.
 * @example askTool(aToolQuestion({ tool: 'thinners', zone: 'anus' })).reasons[0].rule // => 'tool.no_shears_under_tail'
 */
export function askTool(q: ToolQuestion): ToolAnswer {
  const ban = TOOL_BANS.find((b) => b.tools.includes(q.tool) && b.when(q));
  const facts = { tool: q.tool, zone: q.zone };
  if (ban) return { tool: q.tool, allowed: false, reasons: [reason(ban.rule, facts, 1)] };
  return { tool: q.tool, allowed: true, reasons: byWeight(howOf(q).map(([rule, weight]) => reason(rule, facts, weight))) };
}

/** Every tool with its answer for one place, in the order of the table. */
export function askTools(q: Omit<ToolQuestion, 'tool'>): ToolAnswer[] {
  return TOOL_KINDS.map((tool) => askTool({ ...q, tool }));
}

/** How a permitted tool is used here. */
function howOf(q: ToolQuestion): [RuleId, number][] {
  const how: [RuleId, number][] = [];
  const paw = partOf(q.zone) === 'fore_paw' || partOf(q.zone) === 'hind_paw';
  if (SHEARS.includes(q.tool)) {
    how.push(['tool.how_shears', 0.6]);
    if (paw) how.push(['tool.how_shears_pads', 0.9]);
    if (q.tool === 'blunt_shears' && q.matGrade === 2) how.push(['tool.how_split', 0.9]);
    if (isNearEye(q.zone)) how.push(['tool.how_eye', 0.95]);
    if (POINTED_SHEARS.includes(q.tool) && zoneFacts(q.zone).fragile.includes('fold')) how.push(['tool.how_fold', 0.8]);
  }
  if (q.tool === 'mat_splitter') how.push(['tool.how_splitter', 0.8]);
  if (q.tool === 'slicker' || q.tool === 'rake') how.push(['tool.how_brush', 0.8]);
  if (q.tool === 'wide_comb' || q.tool === 'fine_comb') how.push(['tool.how_comb', 0.5]);
  if (q.tool === 'nail_clipper') how.push(['tool.how_nail_clipper', 0.7]);
  if (q.tool === 'grinder') how.push(['tool.how_grinder', 0.7]);
  if (q.tool === 'cotton') how.push(['tool.how_cotton', 0.8]);
  if (q.tool === 'forceps') how.push(['tool.how_forceps', 0.8]);
  if (q.tool === 'clipper') how.push(['tool.how_clipper', 0.6]);
  if (q.tool === 'towel') how.push(['tool.how_towel', 0.3]);
  if (q.tool === 'stand_dryer' || q.tool === 'high_velocity_dryer') how.push(...dryerHow(q));
  if (NOISY.includes(q.tool) && q.kinds.some((k) => k === 'puppy' || k === 'first_visit')) how.push(['tool.how_let_it_hear', 0.7]);
  return how;
}

function dryerHow(q: ToolQuestion): [RuleId, number][] {
  const how: [RuleId, number][] = [['tool.how_dryer', 0.7]];
  if (q.kinds.includes('short_nose')) how.push(['tool.how_cool_air', 1]);
  if (q.tool === 'high_velocity_dryer') how.push(['tool.how_velocity', 0.8]);
  return how;
}

const isNearEye = (zone: ZoneId): boolean => ['eye', 'stop', 'bridge'].includes(partOf(zone));

export interface DryerChoice {
  readonly dryer: ToolKind;
  /** Warm air is refused to dogs that bear heat badly. */
  readonly air: 'none' | 'cool' | 'warm';
  /** Minutes against a high-velocity dryer. Our default: stand dryer 1.3, towels and air of the room 1.8. */
  readonly minutesFactor: number;
  readonly reasons: readonly Reason[];
  readonly rejected: readonly { readonly dryer: ToolKind; readonly because: Reason }[];
}

/** Minutes against a high-velocity dryer. Our default. */
const DRYER_MINUTES_FACTOR: Readonly<Record<'towel' | 'stand_dryer' | 'high_velocity_dryer', number>> = {
  towel: 1.8,
  stand_dryer: 1.3,
  high_velocity_dryer: 1,
};

/**
 * The dryer for the body coat of this dog: by the dog the mildest that it needs, or high velocity for all who bear it (house rule).
 * A towel always comes first; a dog that minds the stand dryer too is dried by towels.
 */
export function chooseDryer(q: Omit<ToolQuestion, 'tool' | 'zone'>): DryerChoice {
  const ask = (tool: ToolKind): ToolAnswer => askTool({ ...q, tool, zone: 'back' });
  const rejected: { dryer: ToolKind; because: Reason }[] = [];
  const velocity = ask('high_velocity_dryer');
  const refusal = velocity.reasons[0];
  if (!velocity.allowed && refusal) rejected.push({ dryer: 'high_velocity_dryer', because: refusal });
  const anxious = q.kinds.includes('reactive') || q.kinds.includes('first_visit') || q.kinds.includes('puppy');
  const gently = q.house.dryer === 'by_dog' && anxious;
  if (velocity.allowed && gently) rejected.push({ dryer: 'high_velocity_dryer', because: reason('tool.velocity_not_yet', {}, 0.6) });
  const hatesAnyDryer = q.minds.includes('dryer') && (q.movement === 'jerks' || q.ageWeeks < HIGH_NOISE_FROM_WEEKS);
  if (hatesAnyDryer) rejected.push({ dryer: 'stand_dryer', because: reason('tool.stand_minded', {}, 0.7) });
  const dryer = velocity.allowed && !gently ? 'high_velocity_dryer' : hatesAnyDryer ? 'towel' : 'stand_dryer';
  const hot = q.kinds.includes('short_nose') || q.conditions.includes('heart') || q.conditions.includes('airway');
  const air = dryer === 'towel' ? 'none' : hot ? 'cool' : 'warm';
  return { dryer, air, minutesFactor: DRYER_MINUTES_FACTOR[dryer], reasons: ask(dryer).reasons, rejected };
}

/** A puppy younger than this that minds a dryer is dried by towels, weeks. Our default. */
const HIGH_NOISE_FROM_WEEKS = 12;
