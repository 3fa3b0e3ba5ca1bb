import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { NO_LIMITS, NO_OPENING, type Person, type Salon } from '@mansuet/core/contract';
import { HOUSE_DEFAULTS } from '@mansuet/core/knowledge/house-rules';
import type { Role } from '@mansuet/core/words';
import type { Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { FakeApi, OFFLINE, refusal, type Sent } from '../testing/fake-api';
import { SalonPage } from './salon.page';

const ID = '01900000-0000-7000-8000-000000000001';
const ODETTE = '01900000-0000-7000-8000-000000000002';
const SALON: Salon = {
  salonId: ID,
  name: 'Tidewrack',
  vetName: 'A vet',
  vetPhone: '1',
  currency: 'EUR',
  ratePerMinuteMinor: 90,
  house: HOUSE_DEFAULTS,
  bladesOwned: null,
  timeZone: 'UTC',
  opening: NO_OPENING,
  posts: [],
  version: 3,
};
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
  let people: Person[];

  async function open(role: Role, ways: { first?: boolean; put?: (path: string) => Answer<unknown> } = {}): Promise<void> {
    localStorage.clear();
    people = [person(ID, 'Imke', { role: 'lead' }), person(ODETTE, 'Odette')];
    const api = new FakeApi();
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
    TestBed.configureTestingModule({ providers: [api.provider(), provideRouter([])] });
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
