import { madeDay } from '../testing/a-day.js';
import { randomLcg } from 'd3-random';
import { DAY_GOALS, judgeDay, planDay } from './index.js';
import { DayPlacer } from './place-day.js';

describe('a day counted while it is searched', () => {
  it('comes to what it is judged by, whatever was changed before', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const problem = madeDay(seed, 3 + (seed % 12), 2 + (seed % 4));
      const placer = new DayPlacer(problem);
      const random = randomLcg(seed / 100);
      let { choice } = planDay(problem, { rounds: 1 });
      for (let change = 0; change < 12; change++) {
        const [a, b] = [Math.floor(random() * choice.order.length), Math.floor(random() * choice.order.length)];
        const order = [...choice.order];
        [order[a], order[b]] = [order[b] ?? 0, order[a] ?? 0];
        const d = Math.floor(random() * problem.dogs.length);
        const who = choice.who.map((own, i) => (i === d ? own.map((was, k) => placer.may[d]?.[k]?.at(-1) ?? was) : own));
        choice = { ...choice, order, who };
        placer.arrange(choice);
        const { terms, left } = placer.terms();
        const judged = judgeDay(problem, placer.schedule());
        for (const goal of DAY_GOALS) expect(terms[goal]).withContext(`day ${seed}, ${goal}`).toBeCloseTo(judged[goal], 6);
        expect(left.length).toBe(judged.unplaced);
      }
    }
  });
});
