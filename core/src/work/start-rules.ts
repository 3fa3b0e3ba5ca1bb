import type { Activity, HouseRules, Post, Tier, ZoneId } from '../words/index.js';
import type { OrderRule } from './order.js';

/** A step as far as its place in the order goes. */
export interface OrderStep {
  readonly id: string;
  readonly activity: Activity;
  readonly zones: readonly ZoneId[];
  readonly tier: Tier;
  readonly post: Post;
  readonly rate: { readonly mean: number; readonly minded?: boolean; readonly painful?: boolean };
}

/** A step counts as hard when it strains this many times as fast as the easiest. Our default. */
const HARD_FROM_TIMES = 1.5;

/**
 * Where the work starts, by the school of the house: not with the hardest while something easy can be done first, or what matters for
 * health before what was asked for. Only where no other rule says the contrary.
 * @param skipped steps that the last visit of a puppy left undone
 */
export function startRules(
  steps: readonly OrderStep[],
  fixed: readonly OrderRule[],
  house: HouseRules,
  skipped: readonly OrderStep[] = [],
): OrderRule[] {
  if (house.start === 'important_first') {
    const added: OrderRule[] = [];
    const welfare = steps.filter((s) => s.tier === 'welfare');
    for (const first of welfare)
      for (const then of steps.filter((s) => s.tier !== 'welfare'))
        if (!leadsTo(then.id, first.id, [...fixed, ...added]))
          added.push({ first: first.id, then: then.id, kind: 'before', rule: 'order.important_first' });
    return added;
  }
  const onTable = steps.filter((s) => s.post === 'table' || s.post === 'lap');
  const between = mindedBetween(onTable, fixed);
  const early = skippedEarly(onTable, skipped, [...fixed, ...between]);
  return [...between, ...early, ...easyFirst(onTable, [...fixed, ...between, ...early])];
}

/**
 * What a puppy's last visit had no time for comes first, what it minded early, after the one easy piece that its own rule puts before
 * it. Common practice, no source.
 */
function skippedEarly(onTable: readonly OrderStep[], skipped: readonly OrderStep[], fixed: readonly OrderRule[]): OrderRule[] {
  const added: OrderRule[] = [];
  const others = onTable.filter((s) => !skipped.includes(s));
  for (const first of skipped.filter((s) => onTable.includes(s)))
    for (const then of others)
      if (!leadsTo(then.id, first.id, [...fixed, ...added]))
        added.push({ first: first.id, then: then.id, kind: 'before', rule: 'order.skipped_early' });
  return added;
}

/**
 * What the dog is known to mind comes neither first nor last of the work on the table: when it has settled, and is not tired; something
 * easy comes before it and after it. Common practice, no source.
 */
function mindedBetween(onTable: readonly OrderStep[], fixed: readonly OrderRule[]): OrderRule[] {
  const added: OrderRule[] = [];
  const easy = onTable
    .filter((s) => !s.rate.minded && s.rate.painful !== true && s.tier !== 'looks')
    .sort((a, b) => a.rate.mean - b.rate.mean);
  for (const minded of onTable.filter((s) => s.rate.minded)) {
    const rules = (): OrderRule[] => [...fixed, ...added];
    const before = easy.find((s) => free(s, fixed) && !leadsTo(minded.id, s.id, rules()));
    if (before) added.push({ first: before.id, then: minded.id, kind: 'before', rule: 'order.minded_not_first' });
    const after = easy.find((s) => s !== before && !leadsTo(s.id, minded.id, rules()));
    if (after) added.push({ first: minded.id, then: after.id, kind: 'before', rule: 'order.minded_not_last' });
  }
  // What hurts is not the first thing that happens to a dog.
  for (const hurts of onTable.filter((s) => s.rate.painful === true && !s.rate.minded)) {
    const before = easy.find((s) => free(s, fixed) && !leadsTo(hurts.id, s.id, [...fixed, ...added]));
    if (before) added.push({ first: before.id, then: hurts.id, kind: 'before', rule: 'order.painful_not_first' });
  }
  return added;
}

function easyFirst(onTable: readonly OrderStep[], fixed: readonly OrderRule[]): OrderRule[] {
  const byRate = [...onTable].sort((a, b) => a.rate.mean - b.rate.mean);
  const easiest = byRate.find((s) => !s.rate.minded);
  const hardest = byRate[byRate.length - 1];
  if (!easiest || !hardest || hardest.rate.mean < HARD_FROM_TIMES * easiest.rate.mean) return [];
  // The easiest that may come first at all: a scissored leg is easy, and waits for the bath all the same.
  const before = byRate.find(
    (s) => s !== hardest && !s.rate.minded && !leadsTo(hardest.id, s.id, fixed) && s.tier !== 'looks' && free(s, fixed),
  );
  return before && hardest.rate.mean >= HARD_FROM_TIMES * before.rate.mean
    ? [{ first: before.id, then: hardest.id, kind: 'before', rule: 'order.easy_first' }]
    : [];
}

/** Nothing has to come before it. */
const free = (step: OrderStep, rules: readonly OrderRule[]): boolean => !rules.some((r) => r.then === step.id);

/** Whether some rules put one step before another, over any number of steps between. */
function leadsTo(from: string, to: string, rules: readonly OrderRule[]): boolean {
  const seen = new Set<string>();
  const next = [from];
  for (let at = next.pop(); at !== undefined; at = next.pop()) {
    if (at === to) return true;
    if (seen.has(at)) continue;
    seen.add(at);
    next.push(...rules.filter((r) => r.first === at).map((r) => r.then));
  }
  return false;
}
