import { HAND_LIMITS, USUAL_FORMATS, USUAL_PRICE_RULE } from '@mansuet/core/words';
import type { HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import type { Provider, Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { firstValueFrom, Subject } from 'rxjs';
import { NO_OPENING, type Salon, type Staff, type VisitContext } from '@mansuet/core/contract';
import { HOUSE_DEFAULTS } from '@mansuet/core/knowledge/house-rules';
import { type EventDraft, makeEvent, type RandomBytes, type Stamp, type VisitEvent } from '@mansuet/core/log';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { TAP_CLOCK } from '../table/same-tap';
import { FakeApi, OFFLINE, storesAll } from './fake-api';
import { settle, until } from './page';
import { LiveService } from '../server/live.service';
import { SessionService } from '../server/session.service';
import { VISIT_DB, VisitDb } from '../visit-log/visit-db';
import { VisitLog } from '../visit-log/visit-log.service';
import { PlanStore } from '../visit/plan-store';
import { VisitStore } from '../visit/visit-store';
import { WhoIsHere } from '../visit/who-is-here';

export const VISIT = '01900000-0000-7000-8000-000000000001';
export const DOG = '01900000-0000-7000-8000-000000000002';
export const STAFF = '01900000-0000-7000-8000-000000000003';
const SALON = '01900000-0000-7000-8000-000000000004';

const FACTS: VisitContext['file']['dog'] = { ...EMPTY_DOG, name: 'Moss', born: '2021-06-01', weightKg: 18 };

export const BOOKED: EventDraft = {
  type: 'visit_booked',
  body: {
    dogId: DOG,
    arrivesAt: new Date().toISOString(),
    groomerId: STAFF,
    asked: { items: ['bath', 'nails', 'sanitary'], wantedMm: 9, sessionMinutes: 120 },
    helperThere: false,
  },
};
export const FELT: readonly EventDraft[] = [
  { type: 'file_read', body: {} },
  { type: 'fit_answered', body: { signs: [], vetAgreed: false, roomCelsius: 20 } },
  { type: 'mood_felt', body: { mood: 'still' } },
];

/** Events as another tablet would have written them, a second apart, ending now. */
export function written(drafts: readonly EventDraft[]): VisitEvent[] {
  let last: Stamp | undefined;
  const from = Date.now() - drafts.length * 1000;
  return drafts.map((draft, i) => {
    const event = makeEvent(draft, { visitId: VISIT, by: STAFF, device: 'other', nowMs: from + i * 1000, random: randomBytes, last });
    last = event.stamp;
    return event;
  });
}
const randomBytes: RandomBytes = (into) => crypto.getRandomValues(into);

export interface OpenVisit<T> {
  /** Asks for the controls of the page. */
  readonly loader: HarnessLoader;
  readonly fixture: ComponentFixture<T>;
  readonly host: HTMLElement;
  readonly store: VisitStore;
  /** A button by what it says. */
  button(text: string | RegExp): HTMLButtonElement;
  click(text: string | RegExp): Promise<void>;
  /** Waits until what a tap or a key has written is kept and shown. */
  shown(): Promise<void>;
  /** Waits until something is so. */
  until(so: () => boolean): Promise<void>;
  close(): void;
}

export const AT_HAND: Staff = { staffId: STAFF, name: 'Rafael Quist', role: 'groomer', trained: true, left: false };
export const TIDEWRACK: Salon = {
  salonId: SALON,
  name: 'Tidewrack',
  vetName: 'Port Ellery practice',
  vetPhone: '0550 9',
  currency: 'EUR',
  ratePerMinuteMinor: 90,
  house: HOUSE_DEFAULTS,
  bladesOwned: null,
  timeZone: 'UTC',
  opening: NO_OPENING,
  posts: [],
  formats: USUAL_FORMATS,
  handLimits: HAND_LIMITS,
  priceRule: USUAL_PRICE_RULE,
  version: 1,
};

/** What the server tells of a visit with these entries. */
export const contextWith = (
  events: readonly VisitEvent[],
  more: {
    readonly dog?: Partial<typeof FACTS>;
    readonly lastFound?: VisitContext['lastFound'];
    readonly visits?: VisitContext['file']['visits'];
  } = {},
): VisitContext => ({
  visitId: events[0]?.visitId ?? VISIT,
  file: {
    dogId: DOG,
    version: 1,
    dog: { ...FACTS, ...more.dog },
    owner: { ownerId: SALON, name: 'Perpetua Glain', phone: '0550 1', email: '', contacts: [], version: 1 },
    archived: false,
    mergedInto: null,
    merged: [],
    weights: [{ on: '2026-01-01', kg: 18, by: 'file' }],
    photos: [],
    vetSeen: [],
    notes: [],
    visits: more.visits ?? [],
    marks: [],
  },
  staff: [AT_HAND],
  salon: TIDEWRACK,
  events: [...events],
  cursor: 0,
  lastFound: more.lastFound ?? null,
  unreadable: [],
  pace: [],
  pool: [],
  kindPool: [],
});

/** A page inside a visit, on a fake server that stores everything. The rest is real: store, log, database, planner. */
export async function openVisit<T>(
  page: Type<T>,
  drafts: readonly EventDraft[],
  dog: Partial<typeof FACTS> = {},
  lastFound: VisitContext['lastFound'] = null,
  visits: VisitContext['file']['visits'] = [],
  more: readonly Provider[] = [],
): Promise<OpenVisit<T>> {
  const events = written([BOOKED, ...drafts]);
  const [staff, salon] = [AT_HAND, TIDEWRACK];
  const context = contextWith(events, { dog, lastFound, visits });
  const api = new FakeApi();
  api.answer('GET /visits', context);
  api.answer(`GET /visits/${VISIT}/links`, { links: [] });
  api.answer(`GET /visits/${VISIT}/after`, { account: null, messages: [] });
  api.answer('GET /day-taken', { taken: [], works: { from: 540, to: 1020 } });
  api.answerBy('POST /visits', storesAll);
  api.answer(`POST /visits/${VISIT}/here`, null);
  // Pictures wait on the device: what becomes of them is for the specs of their box.
  api.answerBy('POST /dogs', () => OFFLINE);
  const db = new VisitDb(`spec-${crypto.randomUUID()}`);
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      VisitStore,
      PlanStore,
      WhoIsHere,
      api.provider(),
      { provide: LiveService, useValue: { changes$: new Subject(), here$: new Subject() } },
      { provide: SessionService, useValue: { signedIn: () => ({ staff, salon, csrf: 'x' }), may: () => true } },
      { provide: VISIT_DB, useValue: db },
      // A spec taps as fast as it can: a second passes between two of its taps.
      { provide: TAP_CLOCK, useFactory: () => seconds() },
      ...more,
    ],
  });
  const store = TestBed.inject(VisitStore);
  store.visitId.set(VISIT);
  const fixture = TestBed.createComponent(page);
  const host = fixture.nativeElement as HTMLElement;
  const so = (it: () => boolean | Promise<boolean>): Promise<void> => until(fixture, it, () => host.innerText.slice(0, 600));
  const log = TestBed.inject(VisitLog);
  const record = log.record.bind(log);
  let recording = 0;
  log.record = (visitId, ...drafts) => {
    recording++;
    return record(visitId, ...drafts).finally(() => recording--);
  };
  // One tap may write two events, one after the other: both are kept and shown before a spec goes on.
  const shown = async (): Promise<void> => {
    await settle(fixture);
    await so(async () => {
      const kept = await firstValueFrom(log.state$(VISIT));
      return recording === 0 && kept.eventCount === store.state().eventCount && kept.undoable?.id === store.state().undoable?.id;
    });
    await settle(fixture);
  };
  const button = (text: string | RegExp): HTMLButtonElement => {
    const all = [...host.querySelectorAll('button'), ...document.querySelectorAll<HTMLButtonElement>('.cdk-overlay-container button')];
    const found = all.find((b) => (typeof text === 'string' ? named(b) === text : text.test(named(b))));
    if (!found) throw new Error(`no button ${String(text)} among ${all.map(named).join(' | ')}`);
    return found;
  };
  await so(() => store.context() !== undefined && store.state().eventCount === events.length);
  return {
    loader: TestbedHarnessEnvironment.loader(fixture),
    fixture,
    host,
    store,
    button,
    until: so,
    shown,
    click: async (text) => {
      button(text).click();
      await shown();
    },
    // The database stays: it has a name of its own, and what is still being written may end in it.
    close: () => {
      fixture.destroy();
      TestBed.resetTestingModule();
    },
  };
}

/** What a button is called: what is hidden from names is left out. */
function named(button: HTMLButtonElement): string {
  const copy = button.cloneNode(true) as HTMLButtonElement;
  copy.querySelectorAll('[aria-hidden="true"]').forEach((hidden) => hidden.remove());
  return (copy.textContent ?? '').replace(/\s+/g, ' ').trim();
}

/** A clock that goes on by a second each time it is looked at. */
function seconds(): () => number {
  let now = 0;
  return () => (now += 1000);
}
