import { randomLcg } from 'd3-random';
import type { DayBlock, DayDog, DayPerson, DayPost, DayProblem, DayStretch } from '../day/index.js';

export const aStretch = (minutes: number, more: Partial<DayStretch> = {}): DayStretch => ({
  minutes,
  spread: 0.25,
  posts: ['table'],
  hands: 1,
  load: minutes,
  loud: false,
  ...more,
});
export const aBlock = (stretches: readonly DayStretch[], more: Partial<DayBlock> = {}): DayBlock => ({
  work: 'table',
  restBefore: 0,
  stretches,
  ...more,
});
export const aDog = (id: string, blocks: readonly DayBlock[], more: Partial<DayDog> = {}): DayDog => ({
  id,
  arrives: { from: 540, to: 1020 },
  blocks,
  waitsAtMost: 60,
  wishedBy: undefined,
  wishes: {},
  weightKg: 10,
  trainedOnly: false,
  biter: false,
  catching: false,
  apart: false,
  fearsLoud: false,
  sensitive: false,
  hard: false,
  fixed: {},
  ...more,
});
export const aPerson = (id: string, more: Partial<DayPerson> = {}): DayPerson => ({
  id,
  works: [{ from: 540, to: 1020 }],
  breaks: [],
  trained: true,
  bathOnly: false,
  liftKg: null,
  noBiters: false,
  noCatching: false,
  borne: 0,
  ...more,
});
export const aDayOf = (dogs: readonly DayDog[], people: readonly DayPerson[], more: Partial<DayProblem> = {}): DayProblem => ({
  from: 540,
  to: 1020,
  slot: 5,
  overtime: 30,
  contactMinutes: 15,
  people,
  posts: people.flatMap((_, i) => posts(i)),
  dogs,
  ...more,
});
const posts = (i: number): DayPost[] => [
  { id: `table ${i}`, kind: 'table', room: i % 2 === 0 ? 'front' : 'back' },
  { id: `tub ${i}`, kind: 'tub', room: 'back' },
  { id: `dryer ${i}`, kind: 'stand_dryer', room: 'front' },
  { id: `rest ${i}`, kind: 'resting_place', room: 'front' },
];

/** A salon’s day as it comes: invented, the same for the same seed. */
export function madeDay(seed: number, dogs: number, people: number): DayProblem {
  const random = randomLcg(seed / 1000 + 0.001);
  const whole = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
  const chance = (p: number): boolean => random() < p;
  const hands = Array.from({ length: people }, (_, i) =>
    aPerson(`p${i}`, {
      works: [{ from: i === 0 ? 510 : 540, to: i % 3 === 2 ? 900 : 1050 }],
      breaks: [{ minutes: 30, from: 690, to: 780 }],
      trained: i % 3 !== 1,
      bathOnly: people > 2 && i === people - 1,
      noBiters: i % 4 === 3,
    }),
  );
  return aDayOf(
    Array.from({ length: dogs }, (_, i) => {
      const hard = chance(0.25);
      const bath = chance(0.7);
      const heavy = chance(0.2);
      const loud = chance(0.3);
      const wanted = whole(0, 5);
      const from = Math.min(900, 540 + wanted * 60);
      const strain = hard ? 1.8 : 1;
      const table = (minutes: number): DayStretch => aStretch(minutes, { load: minutes * strain });
      const blocks = [
        ...(bath
          ? [
              aBlock(
                [
                  aStretch(whole(10, 20), { posts: ['tub'], hands: heavy ? 2 : 1, load: 12 * strain }),
                  loud
                    ? aStretch(whole(10, 20), { posts: ['tub', 'table'], loud: true, load: 14 * strain })
                    : aStretch(whole(15, 30), { posts: ['stand_dryer'], hands: 0, load: 0 }),
                ],
                { work: 'bath' },
              ),
            ]
          : []),
        aBlock([table(whole(15, 35))], { restBefore: bath ? 5 : 0 }),
        ...(chance(0.4) ? [aBlock([table(whole(10, 25))], { restBefore: 10 })] : []),
      ];
      const sensitive = chance(0.3);
      return aDog(`d${i}`, blocks, {
        arrives: { from, to: from + 90 },
        waitsAtMost: sensitive ? 30 : 60,
        wishedBy: chance(0.5) ? { at: from + 180, weight: 1 } : undefined,
        weightKg: heavy ? 30 : 12,
        trainedOnly: chance(0.2),
        biter: chance(0.1),
        catching: i === dogs - 1 && chance(0.3),
        apart: i === 0 && chance(0.3),
        fearsLoud: sensitive && chance(0.4),
        sensitive,
        hard,
      });
    }),
    hands,
  );
}
