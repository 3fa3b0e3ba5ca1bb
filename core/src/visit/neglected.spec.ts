import fc from 'fast-check';
import type { FeelOver, ZoneFinding } from '../findings/index.js';
import { STORED_EVENT } from '../log/index.js';
import { makePlan } from '../plan/index.js';
import { anInput } from '../testing/dogs.js';
import { recordOf } from '../testing/english.js';
import { eventsOf, VISIT } from '../testing/visit-events.js';
import { MAT_GRADES, SKIN_STATES, ZONE_IDS } from '../words/index.js';
import { replay } from './replay.js';
import { toldWith } from './told-with.js';

const zone = (of: Partial<ZoneFinding> & Pick<ZoneFinding, 'zone'>): ZoneFinding => ({
  matGrade: 0,
  skin: 'sound',
  crust: false,
  ...of,
});

/** A first plan is enough here: what is asked is whether it can be written down. */
const SEARCH_LABELS = 10_000;

/** As the plan of such a dog is taken to the table: recorded, stored as text, read again, replayed. */
function takenToTheTable(found: Partial<FeelOver>): void {
  const plan = makePlan(anInput({}, { born: '2013-01-01', coat: 'curly' }, found), { labels: SEARCH_LABELS });
  const record = recordOf(plan);
  const [event] = eventsOf([[0, { type: 'plan_accepted', body: { plan: record, told: toldWith(plan, undefined) } }]]);
  const stored = STORED_EVENT.safeParse(JSON.parse(JSON.stringify(event)));
  if (!stored.success) throw new Error(`not readable: ${stored.error.message}`);
  expect(replay(VISIT, [stored.data]).plan).toEqual(record);
}

describe('a badly neglected dog can be taken to the table', () => {
  it('with twenty-two crusted places', () => {
    const zones = ZONE_IDS.slice(0, 22).map((id) => zone({ zone: id, crust: true, skin: 'red' }));
    expect(zones.length).toBe(22);
    takenToTheTable({ zones });
  });
  it('with tight mats everywhere, on sore skin', () =>
    takenToTheTable({ zones: ZONE_IDS.map((id) => zone({ zone: id, matGrade: 4, skin: 'sore', crust: true })) }));
  it('whatever was found, wherever', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            zone: fc.constantFrom(...ZONE_IDS),
            matGrade: fc.constantFrom(...MAT_GRADES),
            skin: fc.constantFrom(...SKIN_STATES),
            crust: fc.boolean(),
          }),
          { minLength: 15, maxLength: 60 },
        ),
        (zones) => takenToTheTable({ zones: [...new Map(zones.map((z) => [z.zone, z])).values()] }),
      ),
      { numRuns: 15 },
    ));
});
