import { DOG, FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { IncidentPage } from './incident.page';

const ID = '01900000-0000-7000-8000-0000000000bb';

describe('IncidentPage', () => {
  let visit: OpenVisit<IncidentPage>;
  const open = async (id: string): Promise<void> => {
    visit = await openVisit(IncidentPage, [
      ...FELT,
      { type: 'work_started', body: {} },
      { type: 'step_started', body: { step: 'nails' } },
      { type: 'incident', body: { incidentId: ID, kind: 'nick', harm: null, zone: 'belly', what: '' } },
      { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
    ]);
    visit.fixture.componentRef.setInput('incidentId', id);
    await visit.shown();
  };
  const text = (): string => visit.host.textContent?.replace(/\s+/g, ' ') ?? '';
  const type = (name: string, value: string): void => {
    const field = visit.host.querySelector<HTMLInputElement | HTMLTextAreaElement>(`input[name="${name}"], textarea[name="${name}"]`);
    if (!field) throw new Error(`no field ${name}`);
    field.value = value;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
  };
  const pressed = (): string[] => [...visit.host.querySelectorAll('[aria-pressed="true"]')].map((b) => b.textContent?.trim() ?? '');
  afterEach(() => visit.close());

  it('says how it stood from the log, and ticks nothing for anyone', async () => {
    await open(ID);
    expect(text()).toContain('In minute 0, during: nails.');
    expect(pressed()).toEqual([]);
    expect(text()).toContain('how bad it is was not said yet');
  });
  it('is completed by additions; what was typed stays while other things are tapped', async () => {
    await open(ID);
    type('did', 'Pressed for 5 min');
    await visit.click('mild: heals by itself');
    await visit.until(() => visit.store.state().incidents[0]?.harm === 'mild');
    expect(visit.host.querySelector<HTMLTextAreaElement>('textarea[name="did"]')?.value).toBe('Pressed for 5 min');
    await visit.click('the dog moved suddenly');
    await visit.until(() => visit.store.state().incidents[0]?.details.factors !== undefined);
    type('sizeLength', '5');
    type('sizeWidth', '1');
    await visit.click('Keep what is written');
    await visit.until(() => visit.store.state().incidents[0]?.details.did !== undefined);
    const details = visit.store.state().incidents[0]?.details;
    expect([details?.did, details?.sizeMm, details?.factors]).toEqual(['Pressed for 5 min', [5, 1], ['moved']]);
    expect(text()).toContain('an incident with harm');
  });
  it('asks how the owner was told, and keeps it', async () => {
    await open(ID);
    await visit.click('The owner was told');
    expect(text()).toContain('How was it told?');
    await visit.click('by phone');
    await visit.click('The owner was told');
    await visit.until(() => visit.store.state().incidents[0]?.ownerTold !== undefined);
    expect(text()).toContain('Perpetua Glain was told by phone');
  });
  it('adds one that came out later, with its day and who said so', async () => {
    await open('new');
    await visit.click('Add it to this visit');
    expect(text()).toContain('What was it?');
    await visit.click('skin infection after the visit');
    await visit.click('Add it to this visit');
    await visit.until(() => visit.store.state().incidents.length === 2);
    expect(visit.store.state().incidents[1]?.later?.by).toBe('Perpetua Glain');
    expect(visit.store.state().dogId).toBe(DOG);
  });
});
