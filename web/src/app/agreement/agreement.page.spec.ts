import { CONSENT_TEXT_VERSION } from '@mansuet/core/agreement';
import { houseRules } from '@mansuet/core/knowledge/house-rules';
import { replay, summarize } from '@mansuet/core/visit';
import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { AgreementPage } from './agreement.page';

const daysAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);

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

  const second = async (phone: string): Promise<void> => {
    const field = visit.host.querySelector<HTMLInputElement>('input[name="secondPhone"]')!;
    field.value = phone;
    field.dispatchEvent(new Event('change'));
    await visit.shown();
  };

  it('takes the word that there is no second number, and takes it back', async () => {
    await answer('Agrees', 'In an emergency');
    await visit.click('There is no second number');
    await visit.until(() => visit.store.state().consents.get('vet_emergency')?.secondPhone === null);
    expect(visit.host.textContent).not.toContain('A second number for an emergency is still needed');
    await visit.click('There is no second number');
    await visit.until(() => visit.store.state().consents.get('vet_emergency')?.secondPhone === undefined);
    expect(visit.store.state().consents.get('vet_emergency')?.agreed).toBeTrue();
  });

  it('does not hold up what was signed before the question for a second number came', async () => {
    await answer('Agrees', 'Tight mats');
    await answer('Agrees', 'In an emergency');
    await visit.store.record({ type: 'agreed', body: { name: 'Perpetua Glain', extraMinutes: 0, extraPriceMinor: 0, via: 'word' } });
    await visit.until(() => visit.host.textContent?.includes('Agreed by Perpetua Glain') === true);
    // Once the chances of the plan are drawn.
    await visit.until(() => !visit.button('To the plan').disabled);
    expect(visit.button('To the plan').disabled).toBeFalse();
  });

  it('names the price of extra time with its reason', () => {
    expect(visit.host.querySelector('.price')?.textContent).toMatch(/€\d+\.\d\d for about \d+ min .* a minute/);
  });

  it('is closed only when what the plan needs is agreed', async () => {
    expect(visit.button(/^Agreed: plan/).disabled).toBeTrue();
    await answer('Agrees', 'Tight mats');
    await answer('Agrees', 'In an emergency');
    // The file knows one number: a second one is asked for, or the word that there is none.
    await visit.until(() => visit.host.textContent?.includes('A second number for an emergency is still needed') === true);
    await second('0550-1');
    expect(visit.host.textContent).toContain('That is the number in the file.');
    await second('ring me');
    expect(visit.host.textContent).toContain('A number is written with digits');
    await second('0550 2');
    await visit.until(() => visit.store.state().consents.get('vet_emergency')?.secondPhone === '0550 2');
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

  it('is signed when the plan stands, and what was signed for another plan does not count', async () => {
    const pad = () => visit.host.querySelector('man-signature-field canvas');
    await visit.until(() => pad() !== null);
    await answer('Agrees', 'Tight mats');
    await answer('Agrees', 'In an emergency');
    await visit.click('There is no second number');
    await visit.until(() => visit.host.textContent?.includes('Sign above') === true);
    const field = pad()!;
    const { left, top } = field.getBoundingClientRect();
    const pen = (type: string, x: number, y: number, to: EventTarget, buttons = 1): boolean =>
      to.dispatchEvent(
        new PointerEvent(type, {
          ...{ bubbles: true, cancelable: true, isPrimary: true, pointerId: 1, pointerType: 'pen', button: 0, buttons, pressure: 0.5 },
          ...{ clientX: left + x, clientY: top + y },
        }),
      );
    pen('pointerdown', 30, 60, field);
    for (let i = 1; i <= 6; i++) pen('pointermove', 30 + i * 12, i % 2 === 0 ? 84 : 36, window);
    // The page grows narrower while the pen is down: the stroke goes on.
    visit.host.style.width = `${visit.host.offsetWidth - 60}px`;
    await new Promise((seen) => new ResizeObserver(seen).observe(field));
    await visit.shown();
    for (let i = 7; i <= 12; i++) pen('pointermove', 30 + i * 12, i % 2 === 0 ? 84 : 36, window);
    pen('pointerup', 174, 84, window, 0);
    await visit.until(() => !visit.button(/^Agreed: plan/).disabled);
    expect(pad()).withContext('nothing moves the field').toBe(field);
    await visit.click('nails');
    await visit.until(() => pad() !== null && pad() !== field);
    expect(visit.button(/^Agreed: plan/).disabled).toBeTrue();
    expect(visit.host.textContent).toContain('Sign above');
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

  it('does not ask a regular again for what still holds, and writes it down as what it is', async () => {
    const emergency = {
      id: 'vet_emergency' as const,
      agreed: true,
      name: 'Perpetua Glain',
      textVersion: CONSENT_TEXT_VERSION,
      limitMinor: 20_000,
      secondPhone: '0550 2',
    };
    const before = summarize(replay('01900000-0000-7000-8000-0000000000aa', []));
    visit.store.context.update(
      (c) =>
        c && {
          ...c,
          salon: { ...c.salon, house: houseRules({ consentsHold: 'a_year' }) },
          file: {
            ...c.file,
            visits: [
              {
                visitId: before.visitId,
                arrivesAt: `${daysAgo(60)}T09:00:00.000Z`,
                groomer: 'Rafael Quist',
                summary: { ...before, on: daysAgo(60), consents: [emergency] },
              },
            ],
          },
        },
    );
    await visit.until(() => visit.host.textContent?.includes('it holds until') === true);
    // The limit that was set with it is in sight.
    expect(visit.host.querySelector<HTMLInputElement>('input[name="limit"]')?.value).toBe('200');
    await answer('Agrees', 'Tight mats');
    await visit.click('Agreed by word, I heard it');
    await visit.until(() => !visit.button(/^Agreed: plan/).disabled);
    await visit.click(/^Agreed: plan/);
    expect(visit.store.state().consents.get('vet_emergency')).toEqual(
      jasmine.objectContaining({ agreed: true, via: 'earlier', limitMinor: 20_000, secondPhone: '0550 2' }),
    );
  });

  it('changes what is asked for, and the plan with it', async () => {
    await visit.click('nails');
    expect(visit.store.state().asked.items).toEqual(['bath', 'sanitary']);
  });
});
