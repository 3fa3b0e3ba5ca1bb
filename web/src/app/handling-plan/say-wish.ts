import { HOLDS } from '@mansuet/core/knowledge/holds';
import { type PlanWish, signed, type WishCost } from '@mansuet/core/plan';
import type { Activity } from '@mansuet/core/words';
import { ACTIVITY_FACTS } from '@mansuet/core/work';

const label = (a: Activity): string => ACTIVITY_FACTS[a].label;

/** A wish in a few words: "Nails before Feet and pads". */
export function sayWish(w: PlanWish): string {
  const step = label(w.step);
  if (w.kind === 'require') return `${step}: today`;
  if (w.kind === 'forbid') return `without ${step}`;
  if (w.kind === 'minutes') return `${step}: ${w.minutes} min`;
  if (w.kind === 'hold') return `${step}: ${HOLDS[w.hold].label}`;
  const where = [w.after ? `after ${label(w.after)}` : '', w.before ? `before ${label(w.before)}` : ''].filter((x) => x !== '');
  return `${step} ${where.join(' and ')}`;
}

/** What the wishes cost, in one sentence. */
export function sayCost(cost: WishCost): string {
  const parts = [
    `peak ${signed(Math.round(cost.peak))}`,
    `dose ${signed(Math.round(cost.dose))} point-minutes`,
    `${signed(Math.round(cost.minutes * 2) / 2)} min`,
  ];
  if (cost.less.length > 0) parts.push(`leaves out: ${cost.less.join(', ')}`);
  if (cost.more.length > 0) parts.push(`adds: ${cost.more.join(', ')}`);
  return `Against the plan without it: ${parts.join('; ')}.`;
}
