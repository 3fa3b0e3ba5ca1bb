import type { FloorStep } from '../knowledge/floors/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { BuiltStep } from './group-steps.js';

/** A step as the floors see it. */
export function floorStepOf(step: BuiltStep): FloorStep {
  const { tool, post } = ACTIVITY_FACTS[step.activity];
  return { activity: step.activity, name: step.name, zones: step.zones, tool, workPost: post, hold: step.hold };
}
