import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { AgreementPage } from './agreement.page';

describe('AgreementPage', () => {
  let visit: OpenVisit<AgreementPage>;
  beforeEach(async () => {
    visit = await openVisit(AgreementPage, [
      ...FELT,
      { type: 'zone_felt', body: { zone: 'armpit_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound', crust: false } },
      { type: 'feel_over_done', body: {} },
    ]);
    await visit.until(() => visit.host.textContent?.includes('It takes about') === true);
  });
  afterEach(() => visit.close());
  const answer = async (word: 'Agrees' | 'Refuses', about: string): Promise<void> => {
    const button = visit.host.querySelector<HTMLButtonElement>(`button[aria-label^="${word}: ${about}"]`);
    expect(button).withContext(about).not.toBeNull();
    button?.click();
    await visit.shown();
  };

  it('names the price of extra time with its reason', () => {
    expect(visit.host.querySelector('.price')?.textContent).toMatch(/€\d+\.\d\d for about \d+ min .* a minute/);
  });

  it('is closed only when what the plan needs is agreed', async () => {
    expect(visit.button(/^Agreed: plan/).disabled).toBeTrue();
    await answer('Agrees', 'Tight mats');
    await answer('Agrees', 'In an emergency');
    // Nothing is agreed without a hand or a word.
    await visit.until(() => visit.host.textContent?.includes('Sign above') === true);
    expect(visit.button(/^Agreed: plan/).disabled).toBeTrue();
    await visit.click('Agreed by word, I heard it');
    await visit.until(() => !visit.button(/^Agreed: plan/).disabled);
    await visit.click(/^Agreed: plan/);
    expect(visit.store.state().agreed?.via).toBe('word');
    // What is signed is not changed behind the signature; a refusal is always possible.
    const photos = (word: string) => visit.host.querySelector<HTMLButtonElement>(`button[aria-label^="${word}: Photographs"]`);
    expect(photos('Agrees')?.disabled).toBeTrue();
    expect(photos('Refuses')?.disabled).toBeFalse();
    const extra = visit.store.state().agreed?.extraMinutes;
    await visit.click('Change it and sign anew');
    expect(visit.store.state().agreed).toBeUndefined();
    expect(photos('Agrees')?.disabled).toBeFalse();
    await visit.click('Agreed by word, I heard it');
    await visit.click(/^Agreed: plan/);
    expect(visit.store.state().agreed?.extraMinutes).toBe(extra);
    expect(visit.store.state().agreed?.name).toBe('Perpetua Glain');
    expect(visit.store.state().agreed?.extraMinutes).toBeGreaterThan(0);
  });

  it('takes refused work out of the plan, and keeps the refusal in sight', async () => {
    await answer('Refuses', 'Tight mats');
    await visit.until(() => visit.host.textContent?.includes('The owner does not want it clipped close') === true);
    expect(visit.store.planInput()?.refused).toEqual(['close_clip']);
    expect(visit.host.querySelector('button[aria-label^="Refuses: Tight mats"]')?.getAttribute('aria-checked')).toBe('true');
  });

  it('asks for a name before it takes an answer', async () => {
    const name = visit.host.querySelector<HTMLInputElement>('input[name="owner"]')!;
    name.value = ' ';
    name.dispatchEvent(new Event('input'));
    await answer('Agrees', 'In an emergency');
    expect(visit.host.textContent).toContain('Who agrees? Give the name first.');
    expect(visit.store.state().consents.size).toBe(0);
  });

  it('keeps when the helper is there when something else is asked for', async () => {
    await visit.store.ask({ helperThere: true, helperWindows: [[0, 40]] });
    await visit.until(() => visit.store.state().helperThere);
    await visit.click('nails');
    await visit.until(() => !visit.store.state().asked.items.includes('nails'));
    expect(visit.store.state().helperWindows).toEqual([[0, 40]]);
    await visit.click('A helper is there');
    await visit.until(() => !visit.store.state().helperThere);
    expect(visit.store.state().helperWindows).toEqual([]);
  });

  it('changes what is asked for, and the plan with it', async () => {
    await visit.click('nails');
    expect(visit.store.state().asked.items).toEqual(['bath', 'sanitary']);
  });
});
