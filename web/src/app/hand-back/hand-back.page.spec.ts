import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { HandBackPage } from './hand-back.page';

describe('HandBackPage', () => {
  let visit: OpenVisit<HandBackPage>;
  beforeEach(async () => {
    visit = await openVisit(HandBackPage, [
      ...FELT,
      { type: 'work_started', body: {} },
      { type: 'step_started', body: { step: 'nails' } },
      {
        type: 'incident',
        body: {
          incidentId: '01900000-0000-7000-8000-0000000000bb',
          kind: 'quicked_nail',
          harm: 'mild',
          zone: 'fore_paw_left',
          what: 'Dark nail.',
        },
      },
      { type: 'step_finished', body: { step: 'nails', outcome: 'done', why: '' } },
      { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
    ]);
  });
  afterEach(() => visit.close());

  it('tells what happened in sentences, the incident among them', () => {
    expect(visit.host.textContent).toContain('Done: nails.');
    expect(visit.host.textContent).toContain('Quicked nail (mild: heals by itself), left fore paw, pads and web: Dark nail.');
    expect(visit.host.textContent).toContain('keep it clean and dry');
  });

  it('proposes the earliest date with its reason', () => {
    expect(visit.host.querySelector('.first')?.textContent).toContain('Nails grow back in 4 weeks.');
  });

  it('asks who was told, and for a day that is to come', async () => {
    const [date, name] = visit.host.querySelectorAll<HTMLInputElement>('input');
    date!.value = '2020-01-01';
    date!.dispatchEvent(new Event('input'));
    name!.value = '';
    name!.dispatchEvent(new Event('input'));
    await visit.click('Told, and handed back');
    expect(visit.host.textContent).toContain('Who was told?');
    expect(visit.host.textContent).toContain('A day from today on, or none.');
    expect(visit.store.state().handedBack).toBeUndefined();
  });

  it('hands back, once', async () => {
    await visit.click('Told, and handed back');
    await visit.until(() => visit.store.state().handedBack !== undefined);
    expect(visit.store.state().handedBack?.toldTo).toBe('Perpetua Glain');
    expect(visit.host.textContent).toContain('Handed back at');
  });
});
