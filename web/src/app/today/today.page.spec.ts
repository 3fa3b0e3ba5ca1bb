import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Subject } from 'rxjs';
import type { Today, TodayNews } from '@mansuet/core/contract';
import type { EventDraft } from '@mansuet/core/log';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { LiveService } from '../server/live.service';
import { SessionService } from '../server/session.service';
import { FakeApi } from '../testing/fake-api';
import { until } from '../testing/page';
import { BOOKED, DOG, STAFF, VISIT, written } from '../testing/open-visit';
import { DeviceLog } from '../visit-log/device-log';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { KeepDay } from './keep-day';
import { TodayPage } from './today.page';
import { withNews } from './today.service';

const DAY = new Date().toISOString().slice(0, 10);

function today(drafts: readonly EventDraft[]): Today {
  const events = written([BOOKED, ...drafts]);
  return {
    day: DAY,
    staff: [{ staffId: STAFF, name: 'Rafael Quist', role: 'groomer', trained: true, left: false }],
    visits: [
      {
        visitId: VISIT,
        dogId: DOG,
        groomerId: STAFF,
        arrivesAt: new Date(Date.now() - 600_000).toISOString(),
        warned: null,
        visitsBefore: 0,
        cursor: events.length,
        tag: 'as it was',
        events,
        dog: { ...EMPTY_DOG, name: 'Fig', born: '2024-01-01', weightKg: 9, coat: 'wool', nose: 'short' },
      },
    ],
  };
}

describe('TodayPage', () => {
  let db: VisitDb;
  let fixture: ComponentFixture<TodayPage>;
  let changes: Subject<string | undefined>;
  let api: FakeApi;

  beforeEach(() => {
    db = new VisitDb(`spec-${crypto.randomUUID()}`);
    changes = new Subject();
    api = new FakeApi();
    // What is kept of each dog is for the specs of the plan.
    api.refuse('GET /visits/', { code: 'not_found', title: 'Gone.', status: 404 });
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        api.provider(),
        { provide: LiveService, useValue: { changes$: changes } },
        { provide: SessionService, useValue: { may: () => true, signedIn: () => undefined } },
        { provide: VISIT_DB, useValue: db },
      ],
    });
  });
  async function render(): Promise<HTMLElement> {
    fixture = TestBed.createComponent(TodayPage);
    const page = fixture.nativeElement as HTMLElement;
    await until(fixture, () => page.querySelector('.name') !== null || page.textContent?.includes('No dog is booked today') === true);
    return page;
  }

  it('says of each dog what it is, what is asked and what comes next', async () => {
    api.answer('GET /today', today([{ type: 'file_read', body: {} }]));
    const page = await render();
    expect(page.querySelector('.name')?.textContent).toBe('Fig');
    expect(page.textContent).toContain('First visit: nobody here knows yet what Fig minds.');
    expect(page.querySelector('li a')?.textContent).toBe('Feel over');
    expect(page.querySelector('li a')?.getAttribute('href')).toBe(`/visits/${VISIT}/feel_over`);
    expect(page.querySelectorAll('li man-handling-mark svg[role="img"]').length).toBe(2);
  });

  it('looks again when a visit has grown', async () => {
    api.answer('GET /today', today([]));
    const page = await render();
    expect(page.querySelector('li a')?.textContent).toBe('Read the file');
    const [grown] = today([{ type: 'file_read', body: {} }]).visits;
    const news = { visitId: VISIT, cursor: 2, tag: 'as it was', events: grown?.events.slice(1) };
    api.answer('GET /today/news', { day: DAY, staff: [], visits: [news] });
    changes.next(VISIT);
    await until(fixture, () => page.querySelector('li a')?.textContent === 'Feel over');
    // Only what is new was asked for: what is here already was said.
    expect(api.sent.map((s) => s.path).filter((path) => path.startsWith('/today'))).toEqual([
      '/today',
      `/today/news?has=${VISIT}.1.as it was`,
    ]);
  });

  it('fetches the whole day when a visit is new and came without its row', () => {
    const had = today([]);
    const [visit] = had.visits;
    const row = { cursor: 0, tag: 'new', events: [] };
    const other = '01900000-0000-7000-8000-0000000000cc';
    const news = (visits: TodayNews['visits']): TodayNews => ({ day: DAY, staff: [], visits });
    expect(withNews(had, news([{ visitId: other, ...row }]))).toBeUndefined();
    expect(withNews(had, news([{ visitId: other, ...row, row: visit }]))?.visits.map((v) => v.visitId)).toEqual([other]);
  });

  it('counts what this device recorded, sent or not', async () => {
    api.answer('GET /today', today([]));
    const page = await render();
    const [, read] = written([BOOKED, { type: 'file_read', body: {} }]);
    if (!read) throw new Error('no event');
    await TestBed.inject(DeviceLog).add(() => [read]);
    await until(fixture, () => page.querySelector('li a')?.textContent === 'Feel over');
    expect(api.sent.filter((s) => s.path.startsWith('/today')).length).toBe(1);
  });

  it('says of a visit of an earlier day that it was not closed', async () => {
    const day = today([{ type: 'file_read', body: {} }]);
    const visits = day.visits.map((v) => ({ ...v, arrivesAt: new Date(Date.now() - 30 * 3_600_000).toISOString() }));
    api.answer('GET /today', { ...day, visits });
    expect((await render()).querySelector('.time')?.textContent).toContain('not closed, ');
  });

  it('shows what this device keeps when the server does not answer', async () => {
    await db.answers.put({ key: 'today', value: today([]) });
    api.online = false;
    const page = await render();
    expect(page.textContent).toContain('The server does not answer: this is the day as this device last knew it');
    expect(page.querySelector('.name')?.textContent).toBe('Fig');
  });

  it('keeps the file of every dog of today, and one that the server does not give holds up no other', async () => {
    const day = today([]);
    const other = '01900000-0000-7000-8000-0000000000cc';
    api.answer('GET /today', { ...day, visits: day.visits.flatMap((v) => [v, { ...v, visitId: other }]) });
    api.refuse(`GET /visits/${VISIT}`, { code: 'not_found', title: 'Gone.', status: 404 });
    api.refuse(`GET /visits/${other}`, { code: 'not_found', title: 'Gone.', status: 404 });
    TestBed.inject(KeepDay);
    await render();
    const asked = (): string[] => api.sent.map((s) => s.path).filter((path) => path.startsWith('/visits/'));
    await until(fixture, () => asked().length >= 2);
    expect(asked()).toEqual([`/visits/${VISIT}`, `/visits/${other}`]);
  });

  it('has what owners chose, and not what they have yet to choose', async () => {
    const time = { arrivesAt: '2026-12-03T09:00:00Z', groomerId: STAFF, groomer: 'Rafael Quist' };
    const wish = { linkId: VISIT, dogId: DOG, dog: 'Sedge', owner: 'Ruben', phone: '0550 2', minutes: 90, times: [time] };
    const at = { madeAt: '2026-11-29T10:00:00Z' };
    api.answer('GET /wishes', {
      wishes: [
        { ...wish, ...at, state: 'answered', answer: { chosen: 0, says: '' }, isFree: true },
        { ...wish, ...at, linkId: DOG, dog: 'Reed', state: 'open', answer: null, isFree: false },
      ],
    });
    api.answer('GET /today', today([]));
    const page = await render();
    await until(fixture, () => page.querySelector('[aria-label="Book Sedge as its owner chose"]') !== null);
    expect(page.textContent).toContain('Owners have answered');
    expect(page.textContent).not.toContain('Reed');
  });

  it('says what to do when no dog is booked', async () => {
    api.answer('GET /today', { ...today([]), visits: [] });
    expect((await render()).textContent).toContain('No dog is booked today');
  });
});
