import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { HandlingPlanPage } from './handling-plan.page';

describe('HandlingPlanPage', () => {
  let visit: OpenVisit<HandlingPlanPage>;
  beforeEach(async () => {
    visit = await openVisit(HandlingPlanPage, [
      ...FELT,
      { type: 'joint_felt', body: { joint: 'hip_left', comfort: 'stiff' } },
      { type: 'feel_over_done', body: {} },
    ]);
    await visit.until(() => visit.host.querySelector('button.step') !== null);
  });
  afterEach(() => visit.close());

  it('shows each step with minutes, hold and blade, and opens it to its reasons', async () => {
    const steps = [...visit.host.querySelectorAll<HTMLButtonElement>('button.step')];
    expect(steps.length).toBe(4);
    const nails = steps.find((s) => s.textContent?.includes('Nails'));
    expect(nails?.textContent).toMatch(/about \d+ min \(\d+ to \d+\)/);
    nails?.click();
    await visit.fixture.whenStable();
    expect(visit.host.querySelector('.detail')?.textContent).toContain('The left hip is stiff');
    expect(visit.host.querySelector('.detail')?.textContent).toContain('common practice, no source');
  });

  it('draws the predicted strain with its steps', async () => {
    visit.host.style.width = '900px';
    document.body.append(visit.host);
    await visit.until(() => visit.host.querySelectorAll('man-strain-ribbon .step').length === 4);
    visit.host.remove();
  });

  it('goes to the table with the sentences that were shown, and then waits for a change', async () => {
    await visit.click('Take it to the table');
    await visit.until(() => visit.store.state().plan !== undefined);
    expect(
      visit.store
        .state()
        .plan?.steps.flatMap((s) => s.why)
        .join(' '),
    ).toContain('left hip');
    expect(visit.host.textContent).toContain('This plan is at the table.');
    await visit.store.record({
      type: 'asked_changed',
      body: { asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 120 }, helperThere: false },
    });
    await visit.until(() => visit.host.textContent?.includes('Take the changed plan to the table') === true);
    await visit.click('Take the changed plan to the table');
    await visit.until(() => visit.store.state().plan?.steps.length === 1);
  });
});
