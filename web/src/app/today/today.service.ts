import { DestroyRef, Injectable, computed, effect, inject, signal } from '@angular/core';
import { auditTime, concatMap, filter, from, merge, of, Subject } from 'rxjs';
import { sayHasOfToday, type Today, TODAY, TODAY_NEWS, type TodayNews, type TodayVisit } from '@mansuet/core/contract';
import { biteToldCounts, dogFactsOf, dogKinds, type KindFound } from '@mansuet/core/knowledge/dogs';
import type { VisitEvent } from '@mansuet/core/log';
import { emptyVisit, phaseOf, type VisitState } from '@mansuet/core/visit';
import type { Reached } from '@mansuet/core/words';
import { type Answer, ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { DeviceLog } from '../visit-log/device-log';
import { NOTHING_READ, readGrowth, type ReadSoFar } from '../visit-log/read-growth';
import { VISIT_DB } from '../visit-log/visit-db';
import { Words } from '../wording/words.service';

/** A dog of today as the lead wall shows it. */
export interface Tag {
  readonly visit: TodayVisit;
  readonly state: VisitState;
  readonly phase: Reached;
  readonly kinds: readonly KindFound[];
  readonly groomer: string;
  /** Of an earlier day, and not done with. */
  readonly leftOver: boolean;
}

/** A visit as it was last read, and from what. */
interface ReadTag {
  readonly own: readonly VisitEvent[];
  readonly stored: readonly VisitEvent[];
  readonly read: ReadSoFar;
  readonly state: VisitState;
}

const NONE: readonly VisitEvent[] = [];
const KEY = 'today';
const SETTLE_MS = 150;
const KEEP_EVERY_MS = 10_000;

/** Today's dogs: what changed is asked for whenever a visit grows, and kept on the device; entries of this device count at once, sent or not. */
@Injectable({ providedIn: 'root' })
export class TodayService {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly log = inject(DeviceLog);
  private readonly db = inject(VISIT_DB);
  private readonly asked$ = new Subject<void>();
  /** The day and dogs that were kept last; `undefined` while none were. */
  private keptDogs: string | undefined;
  private keepsLater: ReturnType<typeof setTimeout> | undefined;
  /** What this device has of each visit of today. */
  private readonly own = signal<ReadonlyMap<string, readonly VisitEvent[]>>(new Map());

  readonly today = signal<Today | undefined>(undefined);
  readonly trouble = signal('');
  private readonly read = new Map<string, ReadTag>();
  private readonly ids = computed(() => this.today()?.visits.map((v) => v.visitId) ?? [], { equal: (a, b) => a.join() === b.join() });
  readonly tags = computed<readonly Tag[]>(() => {
    const today = this.today();
    if (!today) return [];
    return today.visits.map((visit) => {
      const state = this.stateOf(visit, this.own().get(visit.visitId) ?? NONE);
      return {
        visit,
        state,
        phase: phaseOf(state),
        kinds: dogKinds(
          { ...dogFactsOf(visit.dog, visit.visitsBefore), warned: visit.warned, biteHistory: biteToldCounts(visit.dog) },
          state.feelOver,
          today.day,
        ),
        groomer: today.staff.find((s) => s.staffId === visit.groomerId)?.name ?? '',
        leftOver: this.clock.dayOf(visit.arrivesAt) < today.day,
      };
    });
  });

  constructor() {
    merge(of(undefined), this.asked$, inject(LiveService).changes$)
      .pipe(auditTime(SETTLE_MS))
      .subscribe(() => void this.load());
    inject(DestroyRef).onDestroy(() => clearTimeout(this.keepsLater));
    effect(() => void this.readOwn(this.ids()));
    this.log.grown$
      .pipe(
        filter(({ visitId }) => this.ids().includes(visitId)),
        concatMap(({ visitId, more }) => (more ? of(this.addOwn(visitId, more)) : from(this.readOwn([visitId])))),
      )
      .subscribe();
  }

  /** Looks again, soon. */
  refresh(): void {
    this.asked$.next();
  }

  /** What a visit comes to, read on from where it was read to. */
  private stateOf(visit: TodayVisit, own: readonly VisitEvent[]): VisitState {
    const was = this.read.get(visit.visitId);
    if (was?.own === own && was.stored === visit.events) return was.state;
    const read = readGrowth(was?.read ?? NOTHING_READ, { whole: [...own, ...visit.events] });
    const state = read.state ?? emptyVisit(visit.visitId);
    this.read.set(visit.visitId, { own, stored: visit.events, read, state });
    return state;
  }

  private addOwn(visitId: string, more: readonly VisitEvent[]): void {
    this.own.update((own) => new Map([...own, [visitId, [...(own.get(visitId) ?? []), ...more]]]));
  }
  private async readOwn(ids: readonly string[]): Promise<void> {
    const found = await this.log.eventsOf(ids);
    this.own.update((own) => new Map([...own, ...found]));
  }

  private async load(): Promise<void> {
    const answer = await this.fetch();
    if (answer.ok) {
      this.today.set(answer.value);
      this.trouble.set('');
      await this.keep(answer.value);
      return;
    }
    this.trouble.set(
      answer.failure.kind === 'offline'
        ? $localize`:@@today.fromDevice:The server does not answer: this is the day as this device last knew it, with what you record here.`
        : sayFailure(this.words, answer.failure),
    );
    const kept = TODAY.safeParse((await this.db.answers.get(KEY))?.value);
    if (!this.today() && answer.failure.kind === 'offline' && kept.success) this.today.set(kept.data);
  }

  /** The day is kept whole, and that takes long: at once where a dog came or went, and for entries, which are on the device by themselves, now and then. */
  private async keep(day: Today): Promise<void> {
    const dogs = [day.day, ...day.visits.map((v) => v.visitId)].join();
    if (dogs === this.keptDogs) {
      this.keepsLater ??= setTimeout(() => void this.keepNow(), KEEP_EVERY_MS);
      return;
    }
    this.keptDogs = dogs;
    await this.keepNow();
  }
  private async keepNow(): Promise<void> {
    clearTimeout(this.keepsLater);
    this.keepsLater = undefined;
    const value = this.today();
    if (value) await this.db.answers.put({ key: KEY, value });
  }

  /** Only what is new where some of it is here. */
  private async fetch(): Promise<Answer<Today>> {
    const had = this.today();
    if (!had) return this.api.get('/today', TODAY);
    const news = await this.api.get(`/today/news?has=${sayHasOfToday(had.visits)}`, TODAY_NEWS);
    if (!news.ok) return news.failure.kind === 'offline' ? news : this.api.get('/today', TODAY);
    const whole = withNews(had, news.value);
    return whole ? { ok: true, value: whole } : this.api.get('/today', TODAY);
  }
}

/** What was had, with what is new; `undefined` where a visit is new and came without its row. */
export function withNews(had: Today, news: TodayNews): Today | undefined {
  const visits: TodayVisit[] = [];
  for (const { visitId, cursor, tag, row, events } of news.visits) {
    const before = had.visits.find((v) => v.visitId === visitId);
    const known = row ?? before;
    if (!known) return undefined;
    visits.push({
      ...known,
      visitId,
      cursor,
      tag,
      events: events.length === 0 && before ? before.events : [...(before?.events ?? []), ...events],
    });
  }
  return { day: news.day, staff: news.staff, visits };
}
