import { openVisit, type OpenVisit } from '../testing/open-visit';
import { FeelOverPage } from './feel-over.page';

describe('FeelOverPage', () => {
  let visit: OpenVisit<FeelOverPage>;
  beforeEach(async () => {
    visit = await openVisit(FeelOverPage, [{ type: 'file_read', body: {} }], { conditions: ['heart'] });
  });
  afterEach(() => visit.close());
  const pick = async (zone: string): Promise<void> => {
    visit.host.querySelector(`[data-zone="${zone}"]`)?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await visit.fixture.whenStable();
  };

  it('is not done before the fit questions and the mood are answered', async () => {
    expect(visit.button(/^Feel-over done/).disabled).toBeTrue();
    await visit.click('Nothing speaks against it');
    await visit.click('relaxed');
    expect(visit.store.fit()?.verdict).toBe('ask_vet');
    expect(visit.button(/^Not today: hand back/).disabled).toBeFalse();
    await visit.click('The vet has agreed');
    expect(visit.store.fit()?.verdict).toBe('go_with_limits');
    expect(visit.button(/^Feel-over done/).disabled).toBeFalse();
  });

  it('grades a mat from comb and lift, says what to do, and leads to the other side', async () => {
    await pick('armpit_left');
    await visit.click('Nothing passes');
    expect(visit.store.state().feelOver.zones).toEqual([{ zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false }]);
    await visit.click('One sheet, no gap');
    expect(visit.store.state().feelOver.zones[0]?.matGrade).toBe(4);
    expect(visit.host.textContent).toContain('Grade 4, pelted');
    await visit.click('Check the right armpit');
    expect(visit.host.querySelector('.zone-name')?.textContent).toBe('right armpit');
  });

  it('keeps skin and crust of the zone when the comb test changes', async () => {
    await pick('groin_left');
    await visit.click('red');
    await visit.click('Wide teeth stop');
    expect(visit.store.state().feelOver.zones).toEqual([{ zone: 'groin_left', matGrade: 2, skin: 'red', crust: false }]);
  });

  it('asks back for a mark without size, and puts a measured one on the map', async () => {
    await pick('back');
    const [length] = visit.host.querySelectorAll<HTMLInputElement>('details input');
    length!.value = '0';
    length!.dispatchEvent(new Event('input'));
    await visit.click('Put it on the map');
    expect(visit.host.textContent).toContain('Length and width in mm');
    length!.value = '12';
    length!.dispatchEvent(new Event('input'));
    await visit.click('Put it on the map');
    expect(visit.store.state().feelOver.marks[0]).toEqual(jasmine.objectContaining({ zone: 'back', lengthMm: 12, isNew: true }));
    expect(visit.host.querySelector('.pin')).not.toBeNull();
  });

  it('takes joints, and takes them back', async () => {
    await visit.click('Joints');
    const hip = [...visit.host.querySelectorAll('.joints li')].find((li) => li.textContent?.includes('left hip'));
    hip?.querySelectorAll('button')[1]?.click();
    await visit.until(() => visit.store.state().feelOver.joints.hip_left === 'stiff');
    await visit.click(/^Undo joint felt/);
    expect(visit.store.state().feelOver.joints.hip_left).toBeUndefined();
  });
});
