import { inPercent, inVisits } from './say-odds';

describe('a chance in words', () => {
  const say = (chance: number): string => inPercent({ chance, standardError: 0 });
  it('is told no finer than the model is sure', () => {
    expect([0, 0.004, 0.006, 0.034, 0.094, 0.1, 0.38, 0.64, 0.93, 0.96, 0.9999, 1].map(say)).toEqual([
      'under 1 %',
      'under 1 %',
      '1 %',
      '3 %',
      '9 %',
      'about 10 %',
      'about 40 %',
      'about 65 %',
      'about 95 %',
      'over 95 %',
      'over 95 %',
      'over 95 %',
    ]);
  });
  it('never falls as the chance rises, and never claims certainty', () => {
    let last = -1;
    for (let chance = 0; chance <= 1; chance += 0.005) {
      const number = Number(/\d+/.exec(say(chance))?.[0]) + (say(chance).startsWith('over') ? 1 : 0);
      expect(number).toBeGreaterThanOrEqual(last);
      last = number;
    }
    expect([inVisits(0), inVisits(1)]).toEqual(['in hardly any visit', 'in nearly every visit']);
  });
});
