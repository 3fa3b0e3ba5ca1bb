import { type PlanWay, type Reason, reason, type ServiceItem, type StepName } from '../words/index.js';
import { ACTIVITY_FACTS } from '../work/index.js';
import type { HandlingPlan } from './handling-plan.js';
import type { PlanInput } from './plan-input.js';

/** What matters for health and not for looks. Common practice, no source. */
export const FOR_HEALTH: readonly ServiceItem[] = ['nails', 'sanitary', 'ears', 'feet'];

/** The same visit done another way. */
export function inputFor(way: PlanWay, input: PlanInput): PlanInput {
  if (way === 'with_helper') return { ...input, way, helperThere: true, helperWindows: undefined };
  if (way === 'welfare_only')
    return {
      ...input,
      way,
      asked: { ...input.asked, items: input.asked.items.filter((i) => FOR_HEALTH.includes(i)) },
      carriedOver: input.carriedOver?.filter((c) => ACTIVITY_FACTS[c.activity].tier === 'welfare'),
    };
  return { ...input, way };
}

/** Ways that could differ from the one in hand, the most likely to help first. */
export function waysWorthTrying(input: PlanInput, plan: HandlingPlan): PlanWay[] {
  const strained = plan.peak >= 40 || plan.dose >= 60;
  const ways: PlanWay[] = [];
  if (!input.helperThere) ways.push('with_helper');
  if (strained) ways.push('split_in_two', 'calmest');
  if (plan.notToday.some((n) => n.to === 'another_visit')) ways.push('welfare_only');
  ways.push('quickest', 'calmest', 'split_in_two', 'welfare_only');
  return ways.filter((w, i) => ways.indexOf(w) === i && w !== (input.way ?? 'as_asked'));
}

/** Two plans side by side. */
export interface Difference {
  readonly minutes: number;
  readonly peak: number;
  readonly dose: number;
  readonly more: readonly StepName[];
  readonly less: readonly StepName[];
}

/** What another plan does differently: minutes, peak and dose as differences, work that it adds or leaves out. */
export function compareWith(base: HandlingPlan, other: HandlingPlan): Difference {
  const names = (p: HandlingPlan): StepName[] => p.steps.map((s) => s.name);
  return {
    minutes: Math.round(other.minutes - base.minutes),
    peak: Math.round(other.peak - base.peak),
    dose: Math.round(other.dose - base.dose),
    more: names(other).filter((l) => !names(base).includes(l)),
    less: names(base).filter((l) => !names(other).includes(l)),
  };
}

/** Whether it is shown: a plan that is the same in all that matters is no alternative. */
export function isWorthOffering(d: Difference): boolean {
  return Math.abs(d.minutes) >= 5 || Math.abs(d.peak) >= 5 || Math.abs(d.dose) >= 20 || d.more.length > 0 || d.less.length > 0;
}

/** What a way is, in a sentence. */
export function sayWay(way: PlanWay): Reason {
  return reason(`way.${way}`, {}, 0.5);
}
