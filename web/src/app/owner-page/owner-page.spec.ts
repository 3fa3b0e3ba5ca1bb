import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { ENGLISH } from '@mansuet/core/locales/en';
import { USUAL_FORMATS } from '@mansuet/core/words';
import { FakeApi } from '../testing/fake-api';
import { buttonOf, settle, typeInto } from '../testing/page';
import { OwnerLinkPage } from './owner-link.page';

const SECRET = 'a-secret';
const ID = '01900000-0000-7000-8000-000000000001';
const LATER = '2030-01-01T00:00:00.000Z';
const AGREEMENT = {
  kind: 'agreement',
  salonName: 'Tidewrack',
  vetPhone: '0550 9',
  answeredAt: null,
  expiresAt: LATER,
  offer: {
    dogName: 'Moss',
    asked: ['nails'],
    possible: ['1 step in about 8 min.'],
    notToday: ['For a vet: ears.'],
    extra: 'No extra price.',
    extraMinutes: 0,
    extraPriceMinor: 0,
    consents: [
      { id: 'vet_emergency', text: ENGLISH.consentTexts['2026-11-1']!.vet_emergency, required: true },
      { id: 'photographs', text: ENGLISH.consentTexts['2026-11-1']!.photographs, required: false },
    ],
    textVersion: '2026-11-1',
    currency: 'EUR',
  },
};
const INTAKE = {
  kind: 'intake',
  salonName: 'Tidewrack',
  vetPhone: '0550 9',
  answeredAt: null,
  expiresAt: LATER,
  ownerName: 'Cordula Wake',
  phone: '0550 7',
};

describe('the owner’s page', () => {
  let api: FakeApi;
  let fixture: ComponentFixture<OwnerLinkPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const open = async (view: unknown): Promise<void> => {
    api.answer(`GET /o/${SECRET}`, view);
    await show();
  };
  const show = async (): Promise<void> => {
    fixture = TestBed.createComponent(OwnerLinkPage);
    fixture.componentRef.setInput('secret', SECRET);
    await settle(fixture);
  };
  const send = async (): Promise<void> => {
    host().querySelector<HTMLButtonElement>('button[type=submit]')!.click();
    await settle(fixture);
  };
  const draw = async (): Promise<void> => {
    const canvas = host().querySelector('canvas')!;
    const box = canvas.getBoundingClientRect();
    const at = (type: string, x: number, y: number): void => {
      const init = {
        clientX: box.left + x,
        clientY: box.top + y,
        bubbles: true,
        pointerId: 1,
        buttons: type === 'pointerup' ? 0 : 1,
        isPrimary: true,
        pressure: 0.5,
      };
      (type === 'pointerdown' ? canvas : window).dispatchEvent(new PointerEvent(type, init));
    };
    at('pointerdown', 20, 60);
    for (let i = 1; i < 12; i++) at('pointermove', 20 + i * 14, i % 2 ? 30 : 90);
    at('pointerup', 180, 60);
    await settle(fixture);
  };

  beforeEach(() => {
    api = new FakeApi();
    TestBed.configureTestingModule({ providers: [provideRouter([]), ...api.providers()] });
    localStorage.clear();
  });

  it('lets an owner choose a time as the salon writes it, and sends nothing where neither a time nor a word was given', async () => {
    const times = ['2026-12-08T15:30:00.000Z', '2026-12-10T18:00:00.000Z'].map((arrivesAt) => ({
      arrivesAt,
      groomerId: ID,
      groomer: 'Imke',
    }));
    const formats = { ...USUAL_FORMATS, clock: 'hours_12', date: 'month_day' };
    const shared = { salonName: 'Tidewrack', vetPhone: '0550 9', answeredAt: null, expiresAt: LATER };
    const wish = { kind: 'wish', ...shared, dogName: 'Moss', zone: 'America/St_Johns', formats, times };
    await open(wish);
    expect(text()).toContain('When shall Moss come?');
    expect(text()).toContain('Tuesday, December 8, 12:00 pm');
    await send();
    expect(text()).toContain('Choose one of them, or say what would be right.');
    expect(api.bodies('POST', `/o/${SECRET}`)).toEqual([]);
    [...host().querySelectorAll<HTMLElement>('[role=radio]')][1]?.click();
    await settle(fixture);
    api.answer(`POST /o/${SECRET}`, undefined);
    api.answer(`GET /o/${SECRET}`, { ...wish, answeredAt: '2026-12-01T10:00:00.000Z' });
    await send();
    expect(api.bodies('POST', `/o/${SECRET}`)).toEqual([{ chosen: 1, says: '' }]);
    expect(text()).toContain('The salon confirms it by a message');
  });

  it('shows what is possible and what is not, and sends nothing that is half answered', async () => {
    await open(AGREEMENT);
    expect(text()).toContain('1 step in about 8 min.');
    expect(text()).toContain('For a vet: ears.');
    await send();
    expect(text()).toContain('Something is still open above.');
    expect(text()).toContain('Sign with your finger.');
    expect(text()).toContain('Write your name.');
    expect(api.sent.some((s) => s.method === 'POST')).toBeFalse();
  });

  it('sends answers, limit and signature, and thanks with a copy', async () => {
    await open(AGREEMENT);
    const agree = [...host().querySelectorAll('button')].filter((b) => b.textContent?.trim() === 'I agree');
    agree[0]?.click();
    [...host().querySelectorAll('button')].filter((b) => b.textContent?.trim() === 'No')[1]?.click();
    await settle(fixture);
    typeInto(host(), 'limit', '250');
    typeInto(host(), 'ownerName', 'Cordula Wake');
    await draw();
    api.answer(`GET /o/${SECRET}`, { ...AGREEMENT, answeredAt: '2026-11-25T10:00:00.000Z' });
    await send();
    const [body] = api.bodies('POST', `/o/${SECRET}`) as [{ signature: { strokes: number[][] } }];
    expect(body).toEqual(
      jasmine.objectContaining({
        name: 'Cordula Wake',
        answers: [
          { id: 'vet_emergency', agreed: true },
          { id: 'photographs', agreed: false },
        ],
        limitMinor: 25_000,
      }),
    );
    expect(body.signature.strokes.flat().every((n) => Number.isInteger(n) && n >= 0)).toBeTrue();
    expect(text()).toContain('Thank you');
    expect(host().querySelector('a')?.getAttribute('href')).toBe(`/api/o/${SECRET}/agreement.pdf`);
  });

  it('asks for a second number where the salon knows only one, and takes the word that there is none', async () => {
    const { offer } = AGREEMENT;
    await open({ ...AGREEMENT, offer: { ...offer, asksSecondNumber: true } });
    [...host().querySelectorAll('button')].filter((b) => b.textContent?.trim() === 'I agree')[0]?.click();
    [...host().querySelectorAll('button')].filter((b) => b.textContent?.trim() === 'No')[1]?.click();
    await settle(fixture);
    typeInto(host(), 'ownerName', 'Cordula Wake');
    await draw();
    await send();
    expect(text()).toContain('Give a second number for an emergency, or say that there is none.');
    expect(api.sent.some((s) => s.method === 'POST')).toBeFalse();
    buttonOf(host(), 'There is no second number').click();
    await settle(fixture);
    await send();
    expect(api.bodies('POST', `/o/${SECRET}`)).toEqual([jasmine.objectContaining({ secondPhone: null })]);
  });

  it('says in words why a link does not open', async () => {
    api.refuse(`GET /o/${SECRET}`, {
      code: 'gone',
      title: 'This is over.',
      detail: 'This link has run out. Ask the salon for a new one.',
    });
    await show();
    expect(host().querySelector('[role=alert]')?.textContent).toContain('This link has run out.');
  });

  it('asks before the first visit without blame, and keeps on the phone what was typed', async () => {
    await open(INTAKE);
    expect(text()).toContain('Nobody is judged');
    expect(host().querySelector<HTMLInputElement>('input[name=ownerName]')?.value).toBe('Cordula Wake');
    typeInto(host(), 'name', 'Pomfret');
    typeInto(host(), 'calms', 'Humming.');
    await settle(fixture);
    fixture.destroy();
    await open(INTAKE);
    expect(host().querySelector<HTMLInputElement>('input[name=name]')?.value).toBe('Pomfret');
    expect(host().querySelector<HTMLTextAreaElement>('textarea[name=calms]')?.value).toBe('Humming.');
    await send();
    expect(text()).toContain('Choose one. “I would rather talk about it” is an answer too.');
    expect(text()).toContain('nothing is lost');
  });

  it('throws a draft away that is not of its making', async () => {
    localStorage.setItem(`mansuet-intake:${SECRET}`, '{"dog":{"conditions":"all","name":"Pom"},"bite":"maybe"}');
    await open(INTAKE);
    expect(host().querySelector<HTMLInputElement>('input[name=name]')?.value).toBe('Pom');
    expect(host().querySelectorAll('[aria-checked=true]').length).toBeGreaterThan(0);
    localStorage.setItem(`mansuet-intake:${SECRET}`, 'not json');
    fixture.destroy();
    await open(INTAKE);
    expect(host().querySelector<HTMLInputElement>('input[name=name]')?.value).toBe('');
  });

  it('sends the intake when it is whole', async () => {
    await open(INTAKE);
    typeInto(host(), 'name', 'Pomfret');
    typeInto(host(), 'born', '2023-03-01');
    typeInto(host(), 'kg', '7');
    buttonOf(host(), 'It growled or snapped the air').click();
    await settle(fixture);
    typeInto(host(), 'biteStory', 'Someone took its bone.');
    api.answer(`GET /o/${SECRET}`, { ...INTAKE, answeredAt: '2026-11-25T10:00:00.000Z' });
    await send();
    expect(api.bodies('POST', `/o/${SECRET}`)[0]).toEqual(
      jasmine.objectContaining({
        bite: 'warned',
        biteStory: 'Someone took its bone.',
        dog: jasmine.objectContaining({ name: 'Pomfret', weightKg: 7 }),
      }),
    );
    expect(text()).toContain('Thank you');
    expect(localStorage.getItem(`mansuet-intake:${SECRET}`)).toBeNull();
  });

  it('shows how a visit went, in sections, with the page and the calendar to take with one', async () => {
    const line = (section: string, text: string, as = 'recorded') => ({
      key: `${section}.x`,
      section,
      text,
      recorded: text,
      as,
      stands: null,
    });
    await open({
      kind: 'account',
      salonName: 'Tidewrack',
      vetPhone: '0550 9',
      answeredAt: null,
      expiresAt: LATER,
      dogName: 'Moss',
      visitOn: '2026-11-25',
      told: {
        lines: [line('done', 'Done: nails.'), line('home', 'Brush it.', 'left_out'), line('watch', 'Look at it daily.')],
        picture: [{ from: 0, to: 12, band: 'settled', rest: false }],
        minutes: 12,
        places: [],
      },
      hasNext: true,
    });
    expect(text()).toContain('Moss, Wednesday, 25 November 2026');
    expect(text()).toContain('Done: nails.');
    expect(text()).not.toContain('Brush it.');
    const links = [...host().querySelectorAll('a')].map((a) => a.getAttribute('href'));
    expect(links).toEqual([`/api/o/${SECRET}/visit.pdf`, `/api/o/${SECRET}/next-visit.ics`]);
  });
});
