import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { Subject } from 'rxjs';
import { type Book, type BookedVisit, NO_LIMITS, NO_OPENING, NO_OWN_LIMITS, type SalonPerson } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { NOW } from '../server/now';
import { SessionService } from '../server/session.service';
import { FakeApi, storesAll } from '../testing/fake-api';
import { AT_HAND, DOG, STAFF, TIDEWRACK, VISIT } from '../testing/open-visit';
import { buttonOf, typeInto, until } from '../testing/page';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { BookPage } from './book.page';

/** A Monday, ten in the morning where the salon is. */
const NOW_MS = Date.parse('2026-11-30T10:00:00Z');
const ODETTE = '01900000-0000-7000-8000-0000000000b2';
const OTHER = '01900000-0000-7000-8000-0000000000a2';

const person = (staffId: string, name: string, more: Partial<SalonPerson> = {}): SalonPerson => ({
  staffId,
  name,
  role: 'groomer',
  trained: true,
  week: null,
  breaks: [],
  off: [],
  limits: NO_LIMITS,
  hands: NO_OWN_LIMITS,
  ...more,
});
const visit = (visitId: string, dog: string, arrivesAt: string, more: Partial<BookedVisit> = {}): BookedVisit => ({
  visitId,
  dogId: DOG,
  dog,
  weightKg: 18,
  owner: 'Perpetua Glain',
  phone: '0550 1',
  groomerId: STAFF,
  arrivesAt,
  minutes: 90,
  spread: 0.1,
  phase: 'know',
  off: null,
  ...more,
});

describe('BookPage', () => {
  let fixture: ComponentFixture<BookPage>;
  let host: HTMLElement;
  let api: FakeApi;
  let book: Book;
  let may: (action: string) => boolean;
  /** What was written of a visit. */
  const written = (): { type: string; body: unknown }[] =>
    api.sent
      .filter((s) => s.method === 'POST' && s.path.endsWith('/events'))
      .flatMap((s) => (s.body as { events: { type: string; body: unknown }[] }).events.map(({ type, body }) => ({ type, body })));

  beforeEach(() => {
    api = new FakeApi();
    may = () => true;
    book = {
      people: [person(STAFF, 'Rafael Quist'), person(ODETTE, 'Odette Marrow', { limits: { ...NO_LIMITS, liftKg: 10 } })],
      visits: [visit(VISIT, 'Fig', '2026-11-30T11:00:00Z'), visit(OTHER, 'Moss', '2026-11-30T13:00:00Z')],
    };
    api.answerBy('GET /book?', () => ({ ok: true, value: book }));
    api.answerBy('POST /visits', storesAll);
    api.answer('GET /overdue', { dogs: [] });
    api.answer('GET /waiting', { waiting: [] });
    api.answer('GET /wishes', { wishes: [] });
    api.answer('GET /dogs', { dogs: [] });
    TestBed.configureTestingModule({
      providers: [
        provideRouter([{ path: '**', children: [] }]),
        api.provider(),
        { provide: NOW, useValue: () => NOW_MS },
        { provide: LiveService, useValue: { changes$: new Subject() } },
        {
          provide: SessionService,
          useValue: {
            may: (a: string) => may(a),
            signedIn: () => ({ staff: AT_HAND, salon: { ...TIDEWRACK, opening: NO_OPENING }, csrf: 'x' }),
          },
        },
        { provide: VISIT_DB, useValue: new VisitDb(`spec-${crypto.randomUUID()}`) },
      ],
    });
    TestBed.inject(ClockService).zone.set('UTC');
  });
  afterEach(() => host.remove());

  const shows = (text: string | RegExp): Promise<void> =>
    until(
      fixture,
      () => (typeof text === 'string' ? host.textContent?.includes(text) === true : text.test(host.textContent ?? '')),
      () => host.innerText,
    );
  async function open(on?: string): Promise<void> {
    fixture = TestBed.createComponent(BookPage);
    if (on !== undefined) fixture.componentRef.setInput('on', on);
    host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    await until(fixture, () => host.querySelector('.line') !== null || host.textContent?.includes('Nobody works') === true);
  }
  const tag = (name: string): HTMLButtonElement => {
    const found = [...host.querySelectorAll<HTMLButtonElement>('button.tag')].find((b) => b.textContent?.includes(name));
    if (!found) throw new Error(`no tag ${name}: ${host.innerText}`);
    return found;
  };

  it('has the week of a day, and each booking with whom and when', async () => {
    await open();
    expect(api.sent.find((s) => s.path.startsWith('/book'))?.path).toBe('/book?from=2026-11-30&to=2026-12-06');
    expect([...host.querySelectorAll('button.tag')].map((b) => b.getAttribute('aria-label'))).toEqual([
      'Fig with Rafael Quist at 11:00, table, until 12:30',
      'Moss with Rafael Quist at 13:00, table, until 14:30',
    ]);
    expect(host.textContent).toContain('3 h of 8 h');
  });

  it('says what stands against a move, moves it with its log, and takes it back', async () => {
    await open();
    tag('Fig').click();
    await shows('about 90 min (76 to 106) are kept for the visit.');
    typeInto(host, 'moveTime', '12:00');
    await shows('The same hands have Moss at that time.');
    typeInto(host, 'moveTime', '09:00');
    await until(
      fixture,
      () => !host.textContent?.includes('The same hands have'),
      () => host.innerText,
    );
    buttonOf(host, 'Move it there').click();
    await shows('Fig comes at 09:00 with Rafael Quist.');
    expect(written()).toEqual([
      { type: 'booking_moved', body: { arrivesAt: '2026-11-30T09:00:00.000Z', groomerId: STAFF, zone: 'UTC', why: '' } },
    ]);
    buttonOf(host, 'Take it back').click();
    await until(fixture, () => written().length === 2);
    expect(written()[1]?.body).toEqual({ arrivesAt: '2026-11-30T11:00:00Z', groomerId: STAFF, zone: 'UTC', why: '' });
  });

  it('moves by keys to another line, and to another day by its date', async () => {
    await open();
    tag('Moss').dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', altKey: true, bubbles: true }));
    await shows('Moss comes at 13:00 with Odette Marrow.');
    tag('Moss').click();
    await until(fixture, () => host.querySelector('man-booked-dog') !== null);
    typeInto(host, 'moveDay', '2026-12-02');
    typeInto(host, 'moveWhy', 'The owner asked');
    await fixture.whenStable();
    buttonOf(host, 'Move it there').click();
    await until(fixture, () => written().length === 2);
    expect(written()[1]?.body).toEqual({
      arrivesAt: '2026-12-02T13:00:00.000Z',
      groomerId: STAFF,
      zone: 'UTC',
      why: 'The owner asked',
    });
  });

  it('calls a booking off with how that came, and says what is off', async () => {
    book = {
      ...book,
      visits: [...book.visits, visit(crypto.randomUUID(), 'Quill', '2026-11-30T15:00:00Z', { phase: 'off', off: 'no_show' })],
    };
    await open();
    expect(host.querySelector('.offs')?.textContent).toContain('Quill');
    tag('Fig').click();
    await until(fixture, () => host.querySelector('man-booked-dog') !== null);
    buttonOf(host, 'It does not come').click();
    await until(fixture, () => host.querySelector('man-booked-dog [role=radio]') !== null);
    buttonOf(host, 'called off by the owner').click();
    await shows('Fig does not come.');
    expect(written()).toEqual([{ type: 'booking_off', body: { how: 'owner', why: '' } }]);
  });

  it('asks for a day and a time that are some, and keeps what was typed', async () => {
    await open();
    tag('Fig').click();
    await until(fixture, () => host.querySelector('man-booked-dog') !== null);
    typeInto(host, 'moveTime', '');
    typeInto(host, 'moveWhy', 'Asked twice');
    await fixture.whenStable();
    buttonOf(host, 'Move it there').click();
    await shows('Give a day and a time.');
    expect(host.querySelector<HTMLInputElement>('input[name="moveWhy"]')?.value).toBe('Asked twice');
    expect(written()).toEqual([]);
  });

  it('shows a day on which the salon is shut, with who is booked all the same', async () => {
    book = { ...book, visits: [visit(VISIT, 'Fig', '2026-12-06T11:00:00Z')] };
    await open('2026-12-06');
    await shows('The salon is shut on this day.');
    expect(tag('Fig').getAttribute('aria-label')).toContain('with Rafael Quist');
  });

  it('turns its pages by the address, so that going back leads back', async () => {
    await open();
    const router = TestBed.inject(Router);
    const go = spyOn(router, 'navigate').and.resolveTo(true);
    buttonOf(host, 'Day after').click();
    expect(go).toHaveBeenCalledWith([], { queryParams: { on: '2026-12-01' }, replaceUrl: true });
  });

  it('shows how full each day of the week is', async () => {
    await open();
    buttonOf(host, 'Week').click();
    await until(fixture, () => host.querySelector('.week') !== null);
    const cells = [...host.querySelectorAll('.week tbody tr')].map((r) => [...r.querySelectorAll('td')].map((c) => c.textContent?.trim()));
    expect(cells[0]?.[0]).toMatch(/3 h of 8 h\s*11:00 Fig\s*13:00 Moss/);
    expect([cells[0]?.[1], cells[0]?.[6], cells[1]?.[0]]).toEqual(['free, 8 h', 'off', 'free, 8 h']);
  });

  it('opens a dog of the week on its day', async () => {
    await open();
    spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    buttonOf(host, 'Week').click();
    await until(fixture, () => host.querySelector('.week') !== null);
    buttonOf(host, '13:00 Moss').click();
    await until(fixture, () => host.querySelector('man-booked-dog h2')?.textContent === 'Moss');
  });

  it('has what owners chose, books it by one press, and says where somebody else was first', async () => {
    const time = { arrivesAt: '2026-12-03T09:00:00Z', groomerId: STAFF, groomer: 'Rafael Quist' };
    const wish = { linkId: OTHER, dogId: DOG, dog: 'Sedge', owner: 'Ruben', phone: '0550 2', minutes: 90, times: [time] };
    const chosen = { ...wish, state: 'answered', madeAt: '2026-11-29T10:00:00Z', answer: { chosen: 0, says: 'By car' }, isFree: true };
    const late = { ...chosen, linkId: VISIT, dog: 'Larch', isFree: false };
    const open1 = { ...chosen, linkId: DOG, dog: 'Reed', state: 'open', answer: null, isFree: false };
    api.answer('GET /wishes', { wishes: [chosen, late, open1] });
    api.answer(`POST /wishes/${OTHER}/booked`, { id: VISIT });
    await open();
    buttonOf(host, 'Waiting list').click();
    await shows('Thursday 3 December, 09:00 with Rafael Quist. “By car”');
    await shows('This time is not free any more.');
    await shows('no answer yet.');
    api.answer('GET /wishes', { wishes: [] });
    buttonOf(host, 'Book Sedge as its owner chose').click();
    await shows('Sedge is booked, and the owner is told.');
    expect(api.bodies('POST', `/wishes/${OTHER}/booked`).length).toBe(1);
  });

  it('lists who is overdue, by what, and who waits for a place; and takes more on the list', async () => {
    api.answer('GET /overdue', {
      dogs: [
        { dogId: DOG, dog: 'Sedge', owner: 'Ruben', phone: '0550 2', lastOn: '2026-10-03', dueOn: '2026-11-14', says: 'Due for 16 days.' },
      ],
    });
    const waiting = { wishId: OTHER, dogId: DOG, dog: 'Larch', owner: 'Yrsa', phone: '0550 3', from: '2026-12-01', to: '2026-12-14' };
    api.answer('GET /waiting', { waiting: [{ ...waiting, note: 'Mornings', madeAt: '2026-11-29T10:00:00Z' }] });
    const listed = { owner: 'Yrsa', born: '2020-01-01', coat: 'wool', weightKg: 8, lastVisit: null };
    api.answer('GET /dogs', { dogs: [{ ...listed, dogId: DOG, name: 'Larch' }] });
    api.answer('POST /waiting', { id: OTHER });
    await open();
    buttonOf(host, 'Overdue').click();
    await shows('Due for 16 days.');
    expect(host.querySelector('a[aria-label="Book Sedge"]')?.getAttribute('href')).toBe(`/dogs/${DOG}/book`);
    buttonOf(host, 'Waiting list').click();
    await shows('Mornings');
    buttonOf(host, 'Put on the list').click();
    await shows('Something is missing or wrong');
    const select = host.querySelector('select');
    if (!select) throw new Error('no dogs');
    await until(fixture, () => select.options.length === 2);
    select.selectedIndex = 1;
    select.dispatchEvent(new Event('change'));
    typeInto(host, 'waitNote', 'Any day');
    await fixture.whenStable();
    buttonOf(host, 'Put on the list').click();
    await shows('Put on the list.');
    expect(api.bodies('POST', '/waiting')).toEqual([{ dogId: DOG, from: '2026-11-30', to: '2026-12-14', note: 'Any day' }]);
  });

  it('shows who may not book all of it, and lets them move nothing', async () => {
    may = () => false;
    await open();
    tag('Fig').click();
    await until(fixture, () => host.querySelector('man-booked-dog') !== null);
    expect(host.textContent).not.toContain('Move it there');
    tag('Moss').dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', altKey: true, bubbles: true }));
    await fixture.whenStable();
    expect(written()).toEqual([]);
  });
});
