import type { PlanProblem, SolverStep } from '@mansuet/core/plan';
import type { OrderRule } from '@mansuet/core/work';

/** A seeded random source: mulberry32. */
export function randomFrom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A made-up visit of `n` steps in the shape that visits have: work on the table before the bath, body, head, towel and dryer in a row,
 * then clipping, feet and face. Dogs differ in rates, recovery, standing and time.
 */
export function visitProblem(n: number, seed: number): PlanProblem {
  const random = randomFrom(seed * 1000 + n);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const half = (x: number): number => Math.max(0.5, Math.round(x * 2) / 2);
  const wet = n >= 12 ? 4 : 2;
  const before = Math.round((n - wet) * between(0.4, 0.6));
  const steps: SolverStep[] = [];
  const add = (id: string, change: Partial<SolverStep>): void => {
    steps.push({
      id,
      tier: 'asked',
      worth: 1 + Math.floor(random() * 3),
      minutes: half(between(2, 11)),
      ratePerMinute: Math.round(between(0.8, 4.2) * 10) / 10,
      post: random() < 0.2 ? 'lap' : 'table',
      standing: random() < 0.75,
      ...change,
    });
  };
  for (let i = 0; i < before; i++) add(`a${String(i).padStart(2, '0')}`, { tier: random() < 0.7 ? 'welfare' : 'asked' });
  const row = ['b0_body', 'b1_head', 'b2_towel', 'b3_dry'].slice(0, wet);
  row.forEach((id, i) => add(id, { post: i < wet / 2 ? 'tub' : 'dryer', standing: i < wet / 2, ratePerMinute: half(between(1, 2.4)) }));
  for (let i = 0; steps.length < n; i++)
    add(`c${String(i).padStart(2, '0')}`, i % 5 === 4 ? { tier: 'looks', ratePerMinute: 1.1 } : { tier: 'asked' });
  const order: OrderRule[] = [];
  const rule = (first: string, then: string, kind: OrderRule['kind']): void => {
    order.push({ first, then, kind, rule: 'order.mats_before_bath' });
  };
  for (let i = 1; i < row.length; i++) rule(row[i - 1] ?? '', row[i] ?? '', 'finishes');
  for (const s of steps) {
    if (s.id.startsWith('a')) rule(s.id, row[0] ?? '', s.tier === 'welfare' && random() < 0.3 ? 'requires' : 'before');
    if (s.id.startsWith('c')) rule(row[row.length - 1] ?? '', s.id, 'before');
  }
  // A few more rules inside each group, from lower to higher.
  for (const group of ['a', 'c']) {
    const ids = steps.map((s) => s.id).filter((id) => id.startsWith(group));
    for (let i = 0; i < ids.length; i++)
      for (let j = i + 1; j < ids.length; j++) if (random() < 0.15) rule(ids[i] ?? '', ids[j] ?? '', 'before');
  }
  const work = steps.reduce((sum, s) => sum + s.minutes, 0);
  return {
    steps,
    order,
    startStrain: Math.round(between(5, 25)),
    halfLifeMinutes: Math.round(between(4, 9)),
    fatiguePerMinute: random() < 0.3 ? 0.008 : 0.004,
    continuousStandingMinutes: Math.round(between(10, 30)),
    totalStandingMinutes: Math.round(work * between(0.7, 1.4)),
    workMinutes: Infinity,
    sessionMinutes: Math.round(work * between(1.15, 2.2)),
    startPost: 'table',
    startStandingMinutes: 0,
  };
}
