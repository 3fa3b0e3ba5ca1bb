import { activityOf } from '@mansuet/core/words';
import { NumberFieldHarness } from '../controls/testing/field.harness';
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
    expect(steps.map((s) => s.querySelector('b')?.textContent?.trim())).toContain('Two easy minutes');
    const nails = steps.find((s) => s.textContent?.includes('Nails'));
    expect(nails?.textContent).toMatch(/about \d+ min \(\d+ to \d+\)/);
    nails?.click();
    await visit.fixture.whenStable();
    expect(visit.host.querySelector('man-step-detail')?.textContent).toContain('The left hip is stiff');
    expect(visit.host.querySelector('man-step-detail')?.textContent).toContain('common practice, no source');
  });

  it('says what would be elsewhere, also when it is asked before the plan is final', async () => {
    visit.host.querySelector<HTMLButtonElement>('button.step')?.click();
    await visit.click('What if it came earlier or later?');
    await visit.until(() => /Before|Not possible/.test(visit.host.querySelector('.ifs')?.textContent ?? ''));
    // The chances are drawn, which may make the plan another one: what was asked stays asked.
    await visit.until(() => visit.host.querySelector('.grip') !== null);
    await visit.until(() => /Before|Not possible/.test(visit.host.querySelector('.ifs')?.textContent ?? ''));
    // Of another step it was not asked.
    visit.host.querySelectorAll<HTMLButtonElement>('button.step')[1]?.click();
    await visit.until(() => visit.host.querySelector('.ifs') === null);
  });

  it('draws the predicted strain with its steps', async () => {
    visit.host.style.width = '900px';
    document.body.append(visit.host);
    const steps = visit.host.querySelectorAll('button.step').length;
    expect(steps).toBeGreaterThan(6);
    await visit.until(() => visit.host.querySelectorAll('man-strain-ribbon .step').length === steps);
    visit.host.remove();
  });

  it('draws the odds, the hazards before and after controls, and other ways', async () => {
    await visit.until(() => visit.host.textContent?.includes('in time') === true);
    await visit.click('Odds and hazards');
    await visit.until(() => visit.host.querySelector('man-odds svg rect') !== null);
    // Where it can happen is told on the dog; a touch tells of one place.
    const places = visit.host.querySelectorAll<SVGElement>('man-hazard-map .views [data-risk]');
    expect(places.length).toBeGreaterThan(5);
    const told = (): string[] => [...visit.host.querySelectorAll('man-hazard-map .lines h3')].map((h) => h.textContent?.trim() ?? '');
    expect(told().length).toBeGreaterThan(1);
    const nails = visit.host.querySelector<SVGElement>('man-hazard-map .views [data-zone="hind_nails_left"]');
    nails?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await visit.fixture.whenStable();
    expect(told()).toEqual(['left hind nails']);
    expect(visit.host.querySelector('man-hazard-map .lines')?.textContent).toContain('quicked nail');
    expect(visit.host.querySelectorAll('man-hazard-grid td .cell').length).toBe(25);
    const filled = [...visit.host.querySelectorAll<HTMLButtonElement>('man-hazard-grid button.cell:not([disabled])')];
    expect(filled.length).toBeGreaterThan(2);
    filled[0]?.click();
    await visit.fixture.whenStable();
    expect(visit.host.querySelector('man-hazard-grid')?.textContent).toContain('In this field');
    await visit.click('Other ways');
    await visit.until(() => visit.host.querySelectorAll('man-ways .way').length > 1);
    expect(visit.host.querySelectorAll('man-ways .way').length).toBeLessThanOrEqual(4);
    expect(visit.host.querySelectorAll('man-ways .way')[1]?.textContent).toMatch(/About \d+ min \(\d+ to \d+\)/);
    await visit.click(/^Plan it this way/);
    await visit.until(() => visit.store.state().way !== 'as_asked' || visit.store.state().helperThere);
  });

  it('moves a step by hand, says the rule of a place that is forbidden, and takes it back', async () => {
    const names = (): string[] => [...visit.host.querySelectorAll('button.step b')].map((b) => b.textContent?.trim() ?? '');
    const at = (name: string): number => names().findIndex((n) => n.startsWith(name));
    await visit.until(() => visit.host.querySelector('.grip') !== null);
    const key = (name: string, by: 'ArrowUp' | 'ArrowDown'): void => {
      visit.host
        .querySelectorAll('button.step')
        [at(name)]?.dispatchEvent(new KeyboardEvent('keydown', { key: by, altKey: true, bubbles: true }));
    };
    // The ends of a visit and the bath lie where they lie: two neighbours that may change places.
    const bound = (n: string | undefined): boolean => n === undefined || /^(Meet|Brush|Bath|Towel|Dry|Two easy)/.test(n);
    const before = names().findIndex((n, i) => !bound(n) && !bound(names()[i + 1]));
    const [free, next] = [names()[before] ?? '', names()[before + 1] ?? ''];
    key(free, 'ArrowDown');
    await visit.until(() => visit.store.state().wishes.length === 1 && at(free) > at(next) && visit.host.querySelector('.grip') !== null);
    expect(visit.host.querySelector('man-wish-strip')?.textContent).toContain('Against the plan without it');
    key('Dry', 'ArrowUp');
    await visit.fixture.whenStable();
    expect(visit.host.querySelector('.refused')?.textContent).toContain('Not possible: “Towel” comes before “Dry”');
    expect(visit.store.state().wishes.length).toBe(1);
    visit.host.querySelector<HTMLButtonElement>('man-wish-strip .chip')?.click();
    await visit.until(() => visit.store.state().wishes.length === 0);
  });

  it('explains a wish that cannot be met, and refuses minutes that are none', async () => {
    await visit.store.record({ type: 'plan_wished', body: { wishes: [{ kind: 'place', step: 'bath', before: 'nails' }] } });
    await visit.until(() => visit.host.textContent?.includes('Not possible together') === true);
    expect(visit.host.querySelector('man-wish-strip man-notice')?.textContent).toContain('“Nails” comes before “Bath: the body”');
    await visit.until(() => visit.host.querySelector('man-step-detail man-number') !== null);
    const minutes = await visit.loader.getHarness(NumberFieldHarness.with({ label: 'Minutes', ancestor: 'man-step-detail' }));
    await minutes.enter('-3');
    expect(await minutes.error()).toBe('Between 0.5 and 120 min.');
    expect(await minutes.value()).toBe('-3');
    expect(visit.store.state().wishes.length).toBe(1);
  });

  it('plans the rest from where the work stands', async () => {
    await visit.click('Take it to the table');
    await visit.until(() => visit.store.state().plan !== undefined);
    const taken = visit.store.state().plan?.steps ?? [];
    const first = taken[0]?.id;
    if (!first) throw new Error('no step');
    await visit.store.record({ type: 'work_started', body: {} });
    await visit.store.record({ type: 'step_started', body: { step: first } });
    await visit.store.record({ type: 'step_finished', body: { step: first, outcome: 'done', why: '' } });
    // What is done is not in it; what is left may fall into fewer steps where the search had little time.
    await visit.until(() => {
      const left = visit.host.querySelectorAll('button.step').length;
      return visit.host.textContent?.includes('from minute') === true && left > 0 && left < taken.length;
    });
    await visit.until(() => visit.host.textContent?.includes('Plan anew from now') === true);
    // Measured strain is another than predicted: the rest may be ordered otherwise, and then it is said.
    expect(visit.host.textContent).toMatch(/This plan is at the table\.|Other than at the table: /);
  });

  it('goes to the table with the sentences that were shown, and then waits for a change', async () => {
    await visit.click('Take it to the table');
    await visit.until(() => visit.store.state().plan !== undefined);
    expect(
      visit.store
        .state()
        .plan?.steps.flatMap((s) => s.why.map((w) => w.said))
        .join(' '),
    ).toContain('left hip');
    expect(visit.host.textContent).toContain('This plan is at the table.');
    await visit.store.record({
      type: 'asked_changed',
      body: { asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 120 }, helperThere: false },
    });
    await visit.until(() => visit.host.textContent?.includes('Take the changed plan to the table') === true);
    expect(visit.host.textContent).toContain('Other than at the table: ');
    expect(visit.host.textContent).toContain(' is left out');
    await visit.click('Take the changed plan to the table');
    await visit.until(() => visit.store.state().plan?.steps.every((s) => ['nails', 'easy_end'].includes(activityOf(s.id))) === true);
  });
});
