import type { PooledKind } from '../strain/index.js';
import { anInput } from '../testing/dogs.js';
import { sayReason } from '../testing/english.js';
import { makePlan, type StepRate } from './index.js';

describe('a dog of a kind of which the salon’s own dogs say something', () => {
  const of = (kindPool: readonly PooledKind[]): StepRate[] =>
    makePlan({ ...anInput({}, { born: '2026-08-01' }), kindPool }).steps.map((s) => s.rate);
  const harder: PooledKind = { kind: 'puppy', shift: 0.2, variance: 0.01, dogs: 12, counts: 0.84 };
  it('begins where those are, with the reason said', () => {
    const [before, after] = [of([])[0]!, of([harder])[0]!];
    expect(after.lasting / before.lasting).toBeCloseTo(Math.exp(0.2), 2);
    expect(after.reasons.map(sayReason).join(' ')).toContain('On this salon’s own dogs of its kind (Puppy) all work was about 1.2 times');
  });
  it('is left where it is by dogs of another kind', () =>
    expect(of([{ ...harder, kind: 'senior' }])[0]!.lasting).toBeCloseTo(of([])[0]!.lasting, 9));
});
