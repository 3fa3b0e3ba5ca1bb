import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { NO_LIMITS, NO_OWN_LIMITS, type Person, type Salon } from '@mansuet/core/contract';
import { HAND_LIMITS, type Role, USUAL_FORMATS } from '@mansuet/core/words';
import type { Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { TIDEWRACK, VISIT } from '../testing/open-visit';
import { FakeApi, OFFLINE, refusal, type Sent, storesAll } from '../testing/fake-api';
import { until } from '../testing/page';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { SalonPage } from './salon.page';

const ID = '01900000-0000-7000-8000-000000000001';
const ODETTE = '01900000-0000-7000-8000-000000000002';
const SALON: Salon = { ...TIDEWRACK, salonId: ID, vetName: 'A vet', vetPhone: '1', version: 3 };
const person = (staffId: string, name: string, more: Partial<Person> = {}): Person => ({
  staffId,
  name,
  login: name.toLowerCase(),
  role: 'groomer',
  trained: false,
  week: null,
  breaks: [],
  off: [],
  limits: NO_LIMITS,
  hands: NO_OWN_LIMITS,
  version: 1,
  hasJoined: true,
  leftAt: null,
  visitsAhead: 0,
  ...more,
});

describe('SalonPage', () => {
  let fixture: ComponentFixture<SalonPage>;
  let host: HTMLElement;
  let sent: readonly Sent[];
  let api: FakeApi;
  let people: Person[];

  async function open(role: Role, ways: { first?: boolean; put?: (path: string) => Answer<unknown> } = {}): Promise<void> {
    localStorage.clear();
    people = [person(ID, 'Imke', { role: 'lead' }), person(ODETTE, 'Odette')];
    api = new FakeApi();
    api.answer('GET /session', {
      signedIn: { staff: { staffId: ID, name: 'Imke', role, trained: true, left: false }, salon: SALON, csrf: 'x' },
      firstRun: false,
      demoLogins: [],
    });
    api.answerBy('PUT /salon', (_body, path) => ways.put?.(path) ?? { ok: true, value: { ...SALON, version: 4 } });
    api.answerBy('GET /people', (_body, path) => ({ ok: true, value: path.endsWith('/sessions') ? { sessions: [] } : { people } }));
    api.answerBy('POST /people', (_body, path) =>
      path.endsWith('/leave')
        ? { ok: true, value: undefined }
        : { ok: true, value: { staffId: ODETTE, url: 'http://salon.test/join/secret', expiresAt: '2026-12-04T09:00:00Z' } },
    );
    api.answerBy('PUT /people', () => ({ ok: true, value: undefined }));
    TestBed.configureTestingModule({
      providers: [api.provider(), provideRouter([]), { provide: VISIT_DB, useValue: new VisitDb(`spec-${crypto.randomUUID()}`) }],
    });
    await TestBed.inject(SessionService).ready();
    fixture = TestBed.createComponent(SalonPage);
    if (ways.first) fixture.componentRef.setInput('first', '');
    await fixture.whenStable();
    host = fixture.nativeElement as HTMLElement;
    sent = api.sent;
  }
  const button = (says: string): HTMLButtonElement => {
    const found = [...host.querySelectorAll('button')].find((b) => b.textContent?.trim() === says);
    if (!found) throw new Error(`no button ${says}`);
    return found;
  };
  async function press(says: string): Promise<void> {
    button(says).click();
    await fixture.whenStable();
  }
  async function type(name: string, value: string): Promise<void> {
    const field = host.querySelector<HTMLInputElement>(`input[name="${name}"]`);
    if (!field) throw new Error(`no field ${name}`);
    field.value = value;
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  }
  const puts = (path: string) => sent.filter((s) => s.method === 'PUT' && s.path === path).map((s) => s.body);

  it('keeps what the salon is, with the version it was made from', async () => {
    await open('lead');
    await type('currency', 'nzd');
    await type('rate', '1,25');
    await press('Keep it');
    expect(puts('/salon')).toEqual([jasmine.objectContaining({ currency: 'NZD', ratePerMinuteMinor: 125, name: 'Tidewrack', version: 3 })]);
    expect(host.querySelector('[role="status"]')?.textContent).toContain('Kept');
  });

  it('keeps how it writes, how it prices, and what hands do in a day', async () => {
    await open('lead');
    await type('freeMinutes', '5');
    await type('roundTo', '0.5');
    await type('hands-clip', '120');
    const clock = [...host.querySelectorAll('select')].find((s) => [...s.options].some((o) => o.text === '2:30 pm'));
    if (!clock) throw new Error('no clock');
    clock.selectedIndex = [...clock.options].findIndex((o) => o.text === '2:30 pm');
    clock.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    await press('Keep it');
    expect(puts('/salon')).toEqual([
      jasmine.objectContaining({
        priceRule: { freeMinutes: 5, roundMinor: 50 },
        handLimits: { ...HAND_LIMITS, clip: 120 },
        formats: { ...USUAL_FORMATS, clock: 'hours_12' },
      }),
    ]);
    await type('hands-clip', '5');
    await press('Keep it');
    expect(puts('/salon').length).toBe(1);
    expect(host.querySelector('input[name="hands-clip"]')?.getAttribute('aria-invalid')).toBe('true');
  });

  it('hands over the visits ahead of who leaves: to whoever is free, or to whom the lead says', async () => {
    await open('lead');
    people = [person(ID, 'Imke', { role: 'lead' }), person(ODETTE, 'Odette', { visitsAhead: 1, leftAt: '2026-11-30T10:00:00Z' })];
    const at = new Date();
    at.setUTCDate(at.getUTCDate() + 1 + ((8 - at.getUTCDay()) % 7));
    const arrivesAt = `${at.toISOString().slice(0, 10)}T10:00:00.000Z`;
    const hands = { name: 'Imke', role: 'lead', trained: true, week: null, breaks: [], off: [], limits: NO_LIMITS };
    const visit = {
      visitId: VISIT,
      dogId: VISIT,
      dog: 'Fig',
      weightKg: 9,
      owner: '',
      phone: '',
      groomerId: ODETTE,
      arrivesAt,
      minutes: 60,
    };
    api.answer('GET /book?', { people: [{ ...hands, staffId: ID }], visits: [{ ...visit, spread: null, phase: 'know', off: null }] });
    api.answerBy('POST /visits', storesAll);
    await press('People');
    await until(
      fixture,
      () => host.textContent?.includes('Visits ahead of Odette') === true,
      () => host.innerText,
    );
    expect(host.textContent).toContain('Fig');
    const select = host.querySelector<HTMLSelectElement>('man-hand-over select');
    await until(fixture, () => select?.selectedOptions[0]?.text === 'Imke');
    await press('Hand them over so');
    await until(
      fixture,
      () => host.textContent?.includes('1 handed over.') === true,
      () => host.innerText,
    );
    const [batch] = api.bodies('POST', `/visits/${VISIT}/events`) as { events: { type: string; body: object }[] }[];
    expect(batch?.events.map((e) => [e.type, e.body])).toEqual([
      ['booking_moved', { arrivesAt, groomerId: ID, zone: 'UTC', why: 'Handed over' }],
    ]);
  });

  it('says what is wrong beside the field, and sends nothing', async () => {
    await open('lead');
    await type('salonName', ' ');
    await type('currency', 'E');
    await press('Keep it');
    expect(puts('/salon')).toEqual([]);
    const field = host.querySelector('input[name="salonName"]');
    expect(field?.getAttribute('aria-invalid')).toBe('true');
    expect(host.textContent).toContain('Three capital letters');
  });

  it('keeps what was typed when the server does not answer, or somebody else was first', async () => {
    await open('lead', { put: () => OFFLINE });
    await type('vetName', 'Another vet');
    await press('Keep it');
    expect(host.querySelector('[role="alert"]')?.textContent).toContain('The server does not answer');
    expect(host.querySelector<HTMLInputElement>('input[name="vetName"]')?.value).toBe('Another vet');
  });

  it('shuts a day, and never sends hours that end before they begin', async () => {
    await open('lead');
    await press('Opening hours');
    await press('Monday');
    await type('tuesday-to', '08:00');
    await press('Keep these hours');
    expect(puts('/salon/opening')).toEqual([]);
    expect(host.textContent).toContain('It ends before it begins.');
    await type('tuesday-to', '18:30');
    await press('Add days off');
    await press('Keep these hours');
    const [form] = puts('/salon/opening') as { week: unknown[]; closed: unknown[]; version: number }[];
    expect(form?.week.slice(0, 2)).toEqual([null, { from: '09:00', to: '18:30' }]);
    expect([form?.closed.length, form?.version]).toEqual([1, 3]);
  });

  it('adds posts with a name each, in a room; what the server refuses stands beside its field', async () => {
    const errors = [{ path: 'posts.1.name', message: 'Another one has this name already.' }];
    await open('lead', { put: () => refusal({ code: 'bad_input', title: 'Look at the fields.', errors }) });
    await press('Rooms and posts');
    await press('Add a table');
    await type('room-0', 'Front');
    await press('Add a table');
    expect([...host.querySelectorAll<HTMLInputElement>('input')].map((i) => i.value)).toEqual(['Table 1', 'Front', 'Table 2', 'Front']);
    expect(host.textContent).toContain('2 × table');
    await press('Keep these posts');
    expect(host.querySelector('input[name="post-1"]')?.getAttribute('aria-invalid')).toBe('true');
    host.querySelectorAll<HTMLButtonElement>('.post button')[1]?.click();
    await fixture.whenStable();
    expect(host.querySelectorAll('.post').length).toBe(1);
  });

  it('invites somebody by a link that is shown once', async () => {
    await open('lead');
    await press('People');
    await type('newName', 'Odette');
    await type('newLogin', 'odette');
    await press('Make a link for them');
    expect(sent.at(-2)).toEqual(
      jasmine.objectContaining({ path: '/people', body: { name: 'Odette', login: 'odette', role: 'groomer', trained: false } }),
    );
    expect(host.querySelector('.link')?.textContent).toContain('http://salon.test/join/secret');
  });

  it('keeps hours and limits of somebody, and lets them leave', async () => {
    await open('lead');
    await press('People');
    while (!host.textContent?.includes('Odette')) await fixture.whenStable();
    await press('Hours and limits of Odette');
    await press('Takes no dog that bites');
    await type('liftKg', '10');
    await press('Add a break');
    await press('Keep it');
    const [form] = puts(`/people/${ODETTE}`);
    expect(form).toEqual(
      jasmine.objectContaining({
        limits: { liftKg: 10, noBiters: true, noCatching: false, products: '' },
        breaks: [{ minutes: 30, from: '12:00', to: '13:00' }],
        week: null,
        version: 1,
      }),
    );
    people = [person(ID, 'Imke', { role: 'lead' }), person(ODETTE, 'Odette', { leftAt: '2026-12-01T09:00:00Z', visitsAhead: 2 })];
    await press('Odette leaves the salon');
    expect(sent.some((s) => s.path === `/people/${ODETTE}/leave`)).toBeTrue();
    expect(host.textContent).toContain('2 visits ahead are still booked with Odette');
    expect(button('Take Odette back')).toBeDefined();
  });

  it('leads a new salon from page to page, to its first dog', async () => {
    await open('lead', { first: true });
    for (const next of ['Next: Opening hours', 'Next: Rooms and posts', 'Next: People']) await press(next);
    expect(host.querySelector('a.next')?.textContent).toContain('Enter the first dog');
    expect(host.querySelector('a.next')?.getAttribute('href')).toBe('/dogs/new');
  });

  it('is the lead’s alone', async () => {
    await open('groomer');
    expect(host.textContent).toContain('A lead of the salon changes this');
    expect(host.querySelector('input')).toBeNull();
  });
});
