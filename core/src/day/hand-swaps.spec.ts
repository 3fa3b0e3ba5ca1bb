import { aBlock, aDayOf, aDog, aPerson, aStretch } from '../testing/a-day.js';
import type { HandWear } from '../words/index.js';
import { brokenRules, handSwaps, limitsOf, moveDog, NO_WEAR, overLimits, planDay, wearOfDay } from './index.js';

const HOUSE: HandWear = { clip: 60, brush: 60, bent: 60, lifted: 60 };
const clipped = (id: string, minutes: number, more = {}) =>
  aDog(id, [aBlock([aStretch(minutes, { wear: { ...NO_WEAR, clip: minutes } })])], more);
const ofAll = (): HandWear => HOUSE;
const NONE = new Map<string, HandWear>();

describe('the limits of hands', () => {
  it('are the house’s, and somebody’s own where those are lower', () => {
    expect(limitsOf(HOUSE, null)).toEqual(HOUSE);
    expect(limitsOf(HOUSE, { clip: 30, brush: 90, bent: null, lifted: null })).toEqual({ ...HOUSE, clip: 30 });
  });
});

describe('when hands are relieved', () => {
  const fixed = (person: string, from: number) => ({ arrives: { from, to: from }, fixed: { person, from } });

  it('says when a limit is reached, with which dog, and who can take one', () => {
    const day = aDayOf([clipped('a', 40, fixed('p', 540)), clipped('b', 40, fixed('p', 600))], [aPerson('p'), aPerson('q')]);
    const { schedule } = planDay(day, { rounds: 200 });
    const open = { ...day, dogs: day.dogs.map((d) => ({ ...d, fixed: {} })) };
    const [swap, ...others] = handSwaps(open, schedule, NONE, ofAll);
    // Forty minutes are behind them by 580; of the second dog twenty are left, half of it.
    expect([swap?.person, swap?.work, swap?.at, swap?.dog, others.length]).toEqual(['p', 'clip', 620, 'b', 0]);
    expect(swap?.way?.to).toBe('q');
    if (!swap?.way) throw new Error('no way out');
    const after = moveDog(schedule, swap.way.dog, { person: swap.way.to });
    expect(brokenRules(open, after)).toEqual([]);
    expect([...wearOfDay(open, after, NONE).values()].flatMap((w) => overLimits(w, HOUSE))).toEqual([]);
  });

  it('counts what is behind them today, and what they say of themselves', () => {
    const day = aDayOf([clipped('a', 40, fixed('p', 540))], [aPerson('p')]);
    const { schedule } = planDay(day, { rounds: 50 });
    expect(handSwaps(day, schedule, NONE, ofAll)).toEqual([]);
    const [late] = handSwaps(day, schedule, new Map([['p', { ...NO_WEAR, clip: 30 }]]), ofAll);
    expect([late?.at, late?.way]).toEqual([570, undefined]);
    expect(handSwaps(day, schedule, NONE, () => ({ ...HOUSE, clip: 20 })).map((s) => s.at)).toEqual([560]);
  });

  it('exchanges two dogs where the other one’s hands are full at that time', () => {
    const light = aDog('c', [aBlock([aStretch(40)])], fixed('q', 600));
    const day = aDayOf(
      [clipped('a', 40, fixed('p', 540)), clipped('b', 40, fixed('p', 600)), light],
      [aPerson('p'), aPerson('q', { works: [{ from: 600, to: 1020 }] })],
    );
    const { schedule } = planDay(day, { rounds: 200 });
    const open = { ...day, dogs: day.dogs.map((d) => ({ ...d, fixed: {} })) };
    expect(handSwaps(open, schedule, NONE, ofAll)[0]?.way).toEqual({ dog: 'b', to: 'q', inExchange: 'c' });
  });

  it('gives no dog to hands that may not have it, and none away that is in hand', () => {
    const day = aDayOf(
      [clipped('a', 40, fixed('p', 540)), clipped('b', 40, { ...fixed('p', 600), trainedOnly: true })],
      [aPerson('p'), aPerson('q', { trained: false })],
    );
    const { schedule } = planDay(day, { rounds: 200 });
    const open = { ...day, dogs: day.dogs.map((d) => ({ ...d, fixed: {} })) };
    expect(handSwaps(open, schedule, NONE, ofAll)[0]?.way).toEqual({ dog: 'a', to: 'q', inExchange: undefined });
    const inHand = { ...open, dogs: open.dogs.map((d) => ({ ...d, blocks: d.blocks.map((b) => ({ ...b, by: 'p' })) })) };
    expect(handSwaps(inHand, schedule, NONE, ofAll)[0]?.way).toBeUndefined();
  });

  it('counts what the second pair of hands lifts', () => {
    const heavy = (id: string, from: number) =>
      aDog(id, [aBlock([aStretch(20, { hands: 2, wear: { ...NO_WEAR, lifted: 40 } })])], fixed('p', from));
    const day = aDayOf([heavy('a', 540), heavy('b', 600)], [aPerson('p'), aPerson('q')]);
    const { schedule } = planDay(day, { rounds: 100 });
    const swaps = handSwaps(day, schedule, NONE, (id) => (id === 'q' ? HOUSE : { ...HOUSE, lifted: 500 }));
    expect(swaps.map((s) => [s.person, s.work, s.dog])).toEqual([['q', 'lifted', 'b']]);
  });
});
