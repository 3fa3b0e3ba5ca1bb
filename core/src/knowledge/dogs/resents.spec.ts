import { RESENTED_PLACES } from '../../words/index.js';
import { resentedZones } from './index.js';

// The parts of a place: our choice, common practice of naming.
describe('places where it minds a hand', () => {
  it('are the zones of the place, left and right, and what was felt today', () => {
    const of = (...resents: (typeof RESENTED_PLACES)[number][]): string[] => [...resentedZones({ resents }, {})].sort();
    expect(of('tail')).toEqual(['tail', 'tail_root']);
    expect(of('ears')).toEqual([
      'ear_base_left',
      'ear_base_right',
      'ear_canal_left',
      'ear_canal_right',
      'ear_leather_left',
      'ear_leather_right',
    ]);
    expect(of()).toEqual([]);
    for (const place of RESENTED_PLACES) expect(of(place).length).withContext(place).toBeGreaterThan(0);
    expect([...resentedZones({ resents: ['tail'] }, { resents: ['belly', 'tail'] })].sort()).toEqual(['belly', 'tail', 'tail_root']);
    expect([...resentedZones({ resents: [] }, { resents: ['belly'] })]).toEqual(['belly']);
  });
});
