import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Subject } from 'rxjs';
import { type DayPlanForm, NO_LIMITS, NO_OWN_LIMITS, type SalonPerson, type Today } from '@mansuet/core/contract';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { type EventDraft, makeEvent, type VisitEvent } from '@mansuet/core/log';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { NOW } from '../server/now';
import { SessionService } from '../server/session.service';
import { FakeApi, refusal, storesAll } from '../testing/fake-api';
import { AT_HAND, contextWith, DOG, STAFF, TIDEWRACK } from '../testing/open-visit';
import { buttonOf, typeInto, until } from '../testing/page';
import { KeepDay } from '../today/keep-day';
import { TodayService } from '../today/today.service';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { DayPanel } from './day-panel';

/** A Monday, ten in the morning where the salon is. */
const NOW_MS = Date.parse('2026-11-30T10:00:00Z');
const ODETTE = '01900000-0000-7000-8000-0000000000b2';
const visitId = (n: number): string => `01900000-0000-7000-8000-0000000000a${n}`;
const NAMES = ['Fig', 'Moss', 'Pickle'];

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

describe('the plan of today', () => {
  let fixture: ComponentFixture<DayPanel>;
  let host: HTMLElement;
  let api: FakeApi;
  let may: (action: string) => boolean;
  let changes: Subject<string | undefined>;

  /** Three dogs of which each is booked with the same hands, an hour after the other. */
  function events(n: number, more: readonly EventDraft[] = []): VisitEvent[] {
    const booked: EventDraft = {
      type: 'visit_booked',
      body: {
        dogId: DOG,
        arrivesAt: new Date(NOW_MS + (n * 60 + 15) * 60_000).toISOString(),
        groomerId: STAFF,
        asked: { items: ['nails'], wantedMm: 9, sessionMinutes: 60 },
        helperThere: false,
        zone: 'UTC',
      },
    };
    return [booked, ...more].map((draft, i) =>
      makeEvent(draft, {
        visitId: visitId(n),
        by: STAFF,
        device: `other ${n}`,
        nowMs: NOW_MS - 3_600_000 + i * 1000,
        random: (b) => crypto.getRandomValues(b),
        last: undefined,
      }),
    );
  }
  function today(of: readonly VisitEvent[][]): Today {
    return {
      day: '2026-11-30',
      staff: [AT_HAND, { ...AT_HAND, staffId: ODETTE, name: 'Odette Marrow' }],
      visits: of.map((own, n) => ({
        visitId: visitId(n),
        dogId: DOG,
        groomerId: STAFF,
        arrivesAt: new Date(NOW_MS + (n * 60 + 15) * 60_000).toISOString(),
        warned: null,
        visitsBefore: 0,
        cursor: own.length,
        tag: `tag ${n}`,
        events: own,
        dog: { ...EMPTY_DOG, name: NAMES[n] ?? '', born: '2021-06-01', weightKg: 9, coat: 'curly' },
      })),
    };
  }

  beforeEach(() => {
    api = new FakeApi();
    may = () => true;
    changes = new Subject();
    api.answerBy('GET /visits', (_body, path) => {
      const n = Number(path.at(-1));
      return { ok: true, value: { ...contextWith(events(n), { dog: { weightKg: 9 } }), visitId: visitId(n) } };
    });
    api.answerBy('POST /visits', storesAll);
    api.answer('GET /book?', { people: [person(STAFF, 'Rafael Quist'), person(ODETTE, 'Odette Marrow')], visits: [] });
    api.answerBy('PUT /day-plan', (body) => {
      const { day: _day, version, ...plan } = body as DayPlanForm;
      return { ok: true, value: { kept: { ...plan, version: version + 1, madeBy: STAFF, madeAt: '2026-11-30T10:00:00Z' } } };
    });
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        api.provider(),
        { provide: NOW, useValue: () => NOW_MS },
        { provide: LiveService, useValue: { changes$: changes } },
        {
          provide: SessionService,
          useValue: { may: (a: string) => may(a), signedIn: () => ({ staff: AT_HAND, salon: TIDEWRACK, csrf: 'x' }) },
        },
        { provide: VISIT_DB, useValue: new VisitDb(`spec-${crypto.randomUUID()}`) },
      ],
    });
  });
  afterEach(() => host.remove());

  async function open(of = NAMES.map((_, n) => events(n))): Promise<void> {
    api.answer('GET /today', today(of));
    TestBed.inject(ClockService).zone.set('UTC');
    TestBed.inject(TodayService);
    TestBed.inject(KeepDay);
    fixture = TestBed.createComponent(DayPanel);
    host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    await until(
      fixture,
      () => host.querySelector('button.tag') !== null,
      () => host.innerText,
    );
  }
  const tags = (): string[] => [...host.querySelectorAll('button.tag')].map((b) => b.getAttribute('aria-label') ?? '');
  const settled = (): Promise<void> =>
    until(
      fixture,
      () => ![...host.querySelectorAll<HTMLButtonElement>('button')].some((b) => b.disabled),
      () => host.innerText,
    );

  it('lays out every dog with somebody, and is kept as it is shown once the lead takes it', async () => {
    await open();
    expect(tags().length).toBe(3);
    expect(host.textContent).toContain('Proposed, not taken');
    await settled();
    buttonOf(host, 'Take this day').click();
    await until(
      fixture,
      () => host.textContent?.includes('Taken by Rafael Quist at 10:00.') === true,
      () => host.innerText,
    );
    const [sent] = api.bodies('PUT', '/day-plan') as DayPlanForm[];
    expect([sent?.day, sent?.version]).toEqual(['2026-11-30', 0]);
    expect(new Set(sent?.schedule.stretches.map((s) => s.dog))).toEqual(new Set([0, 1, 2].map(visitId)));
    expect(sent?.told.map((t) => t.wished)).toEqual([675, 735, 795]);
    expect(host.textContent).not.toContain('Proposed');
  });

  it('is dropped once it was taken, proposed anew, and taken again as it was', async () => {
    await open();
    await settled();
    buttonOf(host, 'Take this day').click();
    const says = (text: string) =>
      until(
        fixture,
        () => host.textContent?.includes(text) === true,
        () => host.innerText,
      );
    await says('Taken by Rafael Quist at 10:00.');
    buttonOf(host, 'Drop this day').click();
    await says('The day that was taken is dropped.');
    await says('Proposed, not taken');
    expect(host.textContent).not.toContain('Taken by');
    buttonOf(host, 'Take it as it was').click();
    await says('Taken by Rafael Quist at 10:00.');
    expect(host.textContent).not.toContain('is dropped');
    const [taken, dropped, again] = api.bodies('PUT', '/day-plan') as DayPlanForm[];
    expect([taken?.version, dropped?.version, again?.version]).toEqual([0, 1, 2]);
    expect(dropped?.schedule.stretches).toEqual([]);
    expect({ ...again, version: 0 }).toEqual({ ...taken, version: 0 });
  });

  it('says why a dog is where it is, and puts it elsewhere by hand', async () => {
    await open();
    await settled();
    // The one that comes first.
    [...host.querySelectorAll<HTMLButtonElement>('button.tag')].find((b) => b.textContent?.includes('Fig'))?.click();
    await until(fixture, () => host.querySelector('man-dog-there') !== null);
    const there = host.querySelector<HTMLElement>('man-dog-there');
    expect(there?.textContent).toContain('Why there');
    expect(there?.textContent).toMatch(/With (Odette Marrow|Rafael Quist) instead/);
    if (!there) throw new Error('nothing opened');
    typeInto(there, 'putFrom', '10:40');
    await fixture.whenStable();
    buttonOf(there, 'Put it there').click();
    await until(
      fixture,
      () => tags().some((t) => t.includes('at 10:40') && t.includes('put by hand')),
      () => tags().join('\n'),
    );
    await settled();
    // Taken so, it holds: it is put there until it is let go.
    buttonOf(host, 'Take this day').click();
    await until(
      fixture,
      () => host.textContent?.includes('Taken by') === true,
      () => host.innerText,
    );
    const [sent] = api.bodies('PUT', '/day-plan') as DayPlanForm[];
    expect(sent?.put.map((p) => p.from)).toEqual([640]);
    expect(tags().some((t) => t.includes('at 10:40') && t.includes('put by hand'))).toBeTrue();
    buttonOf(host, 'Let it go').click();
    await until(
      fixture,
      () => tags().every((t) => !t.includes('put by hand')),
      () => tags().join('\n'),
    );
    expect(host.textContent).toContain('Proposed');
  });

  it('names those that cannot all be where they were put, and lets one go', async () => {
    api.answer('GET /book?', { people: [person(STAFF, 'Rafael Quist')], visits: [] });
    await open();
    await settled();
    for (const [n, at] of [
      [0, '11:15'],
      [1, '11:15'],
    ] as const) {
      const tag = [...host.querySelectorAll<HTMLButtonElement>('button.tag')].find((b) => b.textContent?.includes(NAMES[n] ?? ''));
      if (!tag) throw new Error(`no tag of ${NAMES[n]}: ${host.innerText}`);
      tag.click();
      await until(fixture, () => host.querySelector('man-dog-there h3')?.textContent === NAMES[n]);
      const there = host.querySelector<HTMLElement>('man-dog-there');
      if (!there) throw new Error('nothing opened');
      typeInto(there, 'putFrom', at);
      await fixture.whenStable();
      buttonOf(there, 'Put it there').click();
      if (n === 0)
        await until(
          fixture,
          () => tags().some((t) => t.startsWith('Fig') && t.includes('at 11:15')),
          () => tags().join('\n'),
        );
    }
    await until(
      fixture,
      () => host.textContent?.includes('These cannot all be where they were put.') === true,
      () => host.innerText,
    );
    expect(host.textContent).toContain('No place was found for');
    const chips = [...host.querySelectorAll('man-notice .chip')].map((c) => c.textContent?.trim());
    expect(chips.sort()).toEqual(['Fig', 'Moss']);
    host.querySelector<HTMLButtonElement>('man-notice .chip')?.click();
    await until(
      fixture,
      () => host.textContent?.includes('No place was found for') === false,
      () => host.innerText,
    );
  });

  it('follows a dog that comes late, with a message ready for its owner', async () => {
    const late: EventDraft = { type: 'late_told', body: { expectedAt: new Date(NOW_MS + 70 * 60_000).toISOString() } };
    api.answerBy('POST /visits', (body, path) => (path.endsWith('/told-later') ? { ok: true, value: {} } : storesAll(body, path, {})));
    await open([events(0, [late]), events(1)]);
    await until(
      fixture,
      () => host.textContent?.includes('Fig is likely') === true,
      () => host.innerText,
    );
    const panel = host.querySelector<HTMLElement>('man-late-dogs');
    if (!panel) throw new Error('no panel');
    buttonOf(panel, 'Tell the owner').click();
    await until(fixture, () => panel.querySelector('textarea') !== null);
    expect(panel.querySelector('textarea')?.value).toMatch(/^Fig will be ready about 1[12]:\d\d, some \d+ min later than we said\./);
    buttonOf(panel, 'Send it').click();
    await until(
      fixture,
      () => panel.textContent?.includes('The owner of Fig is told') === true,
      () => panel.innerText,
    );
    expect(api.bodies('POST', `/visits/${visitId(0)}/told-later`).length).toBe(1);
    await until(
      fixture,
      () => panel.textContent?.includes('Fig is likely') === false,
      () => panel.innerText,
    );
  });

  it('says that the server did not take a plan, and keeps it on the screen', async () => {
    api.answerBy('PUT /day-plan', () => refusal({ code: 'conflict', title: 'Somebody else took one.', status: 409 }));
    await open();
    await settled();
    buttonOf(host, 'Take this day').click();
    await until(
      fixture,
      () => host.querySelector('man-notice.warn:not([hidden])') !== null,
      () => host.innerText,
    );
    expect(tags().length).toBe(3);
  });

  it('is shown to who does not lead, who moves nothing in it, with their own hands only', async () => {
    may = (action) => action !== 'plan_day';
    await open();
    expect(host.textContent).not.toContain('Take this day');
    host.querySelector('details')?.setAttribute('open', '');
    expect([...host.querySelectorAll('tbody th')].map((h) => h.textContent)).toEqual(['Rafael Quist', 'At most']);
  });

  it('shows what another lead took meanwhile', async () => {
    await open();
    const told = { put: [], told: [], inTime: 1, version: 4, madeBy: ODETTE, madeAt: '2026-11-30T09:58:00Z' };
    const one = { dog: visitId(0), block: 0, stretch: 0, from: 620, to: 645, person: ODETTE };
    const schedule = { stretches: [one], breaks: [], unplaced: [] };
    api.answer('GET /day-plan', { kept: { ...told, schedule } });
    changes.next(visitId(0));
    await until(
      fixture,
      () => host.textContent?.includes('Taken by Odette Marrow at 09:58.') === true,
      () => host.innerText,
    );
  });

  it('takes a dog by its minutes whose file the server does not give', async () => {
    api.refuse('GET /visits/', { code: 'not_found', title: 'Gone.', status: 404 });
    await open([events(0)]);
    // Ten minutes before any tool, and the sixty that are kept for it.
    expect(tags()[0]).toMatch(/^Fig with .* at 10:15, table, until 11:25/);
  });

  it('is there without the server as this device knows it, and says so where it knows nothing', async () => {
    const db = TestBed.inject(VISIT_DB);
    const day = today(NAMES.map((_, n) => events(n)));
    await db.answers.put({ key: 'today', value: day });
    api.online = false;
    TestBed.inject(ClockService).zone.set('UTC');
    TestBed.inject(KeepDay);
    const show = (): void => {
      fixture = TestBed.createComponent(DayPanel);
      host = fixture.nativeElement as HTMLElement;
      document.body.append(host);
    };
    show();
    await until(
      fixture,
      () => host.textContent?.includes('The server does not answer: the plan of the day') === true,
      () => host.innerText,
    );
    host.remove();
    fixture.destroy();
    await db.answers.put({ key: 'day', value: { day: '2026-11-30', people: [person(STAFF, 'Rafael Quist')], kept: null } });
    show();
    await until(
      fixture,
      () => tags().length === 3,
      () => host.innerText,
    );
  });

  it('says that nobody works, where nobody does', async () => {
    api.answer('GET /book?', { people: [], visits: [] });
    api.answer('GET /today', today(NAMES.map((_, n) => events(n))));
    TestBed.inject(ClockService).zone.set('UTC');
    TestBed.inject(KeepDay);
    fixture = TestBed.createComponent(DayPanel);
    host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    await until(
      fixture,
      () => host.textContent?.includes('Nobody works today') === true,
      () => host.innerText,
    );
    expect(host.textContent).toContain('No place was found for Fig, Moss, Pickle');
  });
});
