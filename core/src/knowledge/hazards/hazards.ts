import type { FragileFeature, HazardId, LearnedTool, ZoneId } from '../../words/index.js';
import { zoneFacts } from '../anatomy/index.js';

export interface HazardFacts {
  /** Tools with which it happens; empty: with any. */
  readonly tools: readonly LearnedTool[];
  /** Features of the place that make it possible; empty: any place. */
  readonly needs: readonly FragileFeature[];
  /** Only in these places of work; empty: anywhere. */
  readonly groups: readonly string[];
  /** Incidents per 1,000 minutes of such work on a calm, sound, grown dog in trained hands. Our default, until the salon's own count. */
  readonly per1000Minutes: number;
  /** 1 negligible, 2 minor, 3 moderate, 4 major, 5 worst. Our default. */
  readonly severity: 1 | 2 | 3 | 4 | 5;
}

const clip: readonly LearnedTool[] = ['clipper'];
const cut: readonly LearnedTool[] = ['clipper', 'shears'];

/** Our defaults: no published rates of grooming injuries by zone and tool are known to us. */
export const HAZARDS: Readonly<Record<HazardId, HazardFacts>> = {
  clipper_burn: { tools: clip, needs: [], groups: [], per1000Minutes: 0.6, severity: 2 },
  brush_burn: { tools: ['brush'], needs: [], groups: [], per1000Minutes: 0.5, severity: 2 },
  nick: { tools: cut, needs: [], groups: [], per1000Minutes: 0.8, severity: 2 },
  laceration: { tools: cut, needs: ['fold', 'flap', 'web', 'thin_skin', 'tendon'], groups: [], per1000Minutes: 0.1, severity: 4 },
  ear_edge_cut: { tools: cut, needs: ['edge'], groups: ['ears'], per1000Minutes: 0.8, severity: 3 },
  tongue_or_lip_cut: { tools: cut, needs: ['tongue'], groups: ['face'], per1000Minutes: 0.6, severity: 3 },
  quicked_nail: { tools: ['nail_tool'], needs: ['quick'], groups: [], per1000Minutes: 8, severity: 2 },
  eye: { tools: ['clipper', 'shears', 'hands', 'dryer'], needs: ['eye'], groups: [], per1000Minutes: 0.3, severity: 4 },
  ear_haematoma: { tools: clip, needs: ['edge'], groups: ['ears'], per1000Minutes: 0.1, severity: 3 },
  joint_or_muscle_strain: { tools: [], needs: ['joint', 'web', 'pad', 'quick'], groups: [], per1000Minutes: 0.15, severity: 3 },
  fall_or_jump: { tools: [], needs: [], groups: [], per1000Minutes: 0.12, severity: 4 },
  loop: { tools: ['clipper', 'shears', 'brush', 'nail_tool'], needs: [], groups: [], per1000Minutes: 0.04, severity: 5 },
  overheating: { tools: ['dryer'], needs: [], groups: [], per1000Minutes: 0.05, severity: 5 },
  water_inhaled: { tools: ['water'], needs: [], groups: [], per1000Minutes: 0.05, severity: 4 },
  bite_or_scratch_person: { tools: [], needs: [], groups: [], per1000Minutes: 0.4, severity: 3 },
  escape: { tools: [], needs: [], groups: [], per1000Minutes: 0.02, severity: 5 },
};

/**
 * Whether a hazard can happen in a place with a tool.
 * @example isPossible('quicked_nail', 'back', 'nail_tool') // => false
 */
export function isPossible(hazard: HazardId, zone: ZoneId, tool: LearnedTool): boolean {
  const h = HAZARDS[hazard];
  const facts = zoneFacts(zone);
  return (
    (h.tools.length === 0 || h.tools.includes(tool)) &&
    (h.needs.length === 0 || h.needs.some((f) => facts.fragile.includes(f))) &&
    (h.groups.length === 0 || h.groups.includes(facts.group))
  );
}
