import { emptyVisit, summarize } from '@mansuet/core/visit';
import { openVisit, type OpenVisit } from '../testing/open-visit';
import { LastTimeBlock } from './last-time-block';

const ID = '01900000-0000-7000-8000-0000000000bb';
const LAST = '01900000-0000-7000-8000-0000000000cc';
const bad = {
  ...summarize(emptyVisit(LAST)),
  phase: 'gone' as const,
  outcome: 'stopped' as const,
  why: 'A growl',
  on: new Date(Date.now() - 20 * 86_400_000).toISOString().slice(0, 10),
  minutes: 24,
  setOff: ['nails' as const],
  incidents: [{ kind: 'nick' as const, harm: 'mild' as const, what: '', zone: 'belly' as const, incidentId: ID }],
};

describe('LastTimeBlock', () => {
  let visit: OpenVisit<LastTimeBlock>;
  const text = (): string => visit.host.textContent?.replace(/\s+/g, ' ') ?? '';
  afterEach(() => visit.close());

  it('is not there for a dog that was never here', async () => {
    visit = await openVisit(LastTimeBlock, []);
    expect(text()).toBe('');
  });
  it('says what happened and what to do otherwise, and asks how the wound is by one tap', async () => {
    visit = await openVisit(LastTimeBlock, [], {}, null, [
      { visitId: LAST, arrivesAt: new Date().toISOString(), groomer: 'Imke', summary: bad },
    ]);
    expect(text()).toContain('stopped after 24 min: A growl.');
    expect(text()).toContain('What set it off: nails.');
    expect(text()).toContain('Today otherwise:');
    await visit.click('closed and dry');
    await visit.until(() => visit.store.state().healing.get(ID) === 'closed_dry');
  });
});
