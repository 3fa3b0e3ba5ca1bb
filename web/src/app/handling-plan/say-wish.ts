import { type PlanWish, signed, type WishCost } from '@mansuet/core/plan';
import type { StepId } from '@mansuet/core/words';
import type { Words } from '../wording/words.service';

/** A wish in a few words: "Nails before Feet and pads". */
export function sayWish(words: Words, w: PlanWish): string {
  const label = (id: StepId): string => words.stepOf({ id });
  const step = label(w.step);
  if (w.kind === 'require') return `${step}: today`;
  if (w.kind === 'forbid') return `without ${step}`;
  if (w.kind === 'minutes') return `${step}: ${w.minutes} min`;
  if (w.kind === 'hold') return `${step}: ${words.labels.hold[w.hold]}`;
  const where = [w.after ? `after ${label(w.after)}` : '', w.before ? `before ${label(w.before)}` : ''].filter((x) => x !== '');
  return `${step} ${where.join(' and ')}`;
}

/** What the wishes cost, in one sentence. */
export function sayCost(words: Words, cost: WishCost): string {
  const parts = [
    `peak ${signed(Math.round(cost.peak))}`,
    `dose ${signed(Math.round(cost.dose))} point-minutes`,
    `${signed(Math.round(cost.minutes * 2) / 2)} min`,
  ];
  if (cost.less.length > 0) parts.push(`leaves out: ${words.list(cost.less.map(words.step))}`);
  if (cost.more.length > 0) parts.push(`adds: ${words.list(cost.more.map(words.step))}`);
  return `Against the plan without it: ${parts.join('; ')}.`;
}
