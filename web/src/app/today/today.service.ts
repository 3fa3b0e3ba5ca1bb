import { Injectable, computed, inject, signal } from '@angular/core';
import { auditTime, merge, of, Subject } from 'rxjs';
import { type Today, TODAY, type TodayVisit } from '@mansuet/core/contract';
import { biteToldCounts, dogFactsOf, dogKinds, type KindFound } from '@mansuet/core/knowledge/dogs';
import { phaseOf, replay, type VisitState } from '@mansuet/core/visit';
import type { Phase } from '@mansuet/core/words';
import { ApiService, sayFailure } from '../server/api.service';
import { LiveService } from '../server/live.service';
import { VISIT_DB } from '../visit-log/visit-db';
import { Words } from '../wording/words.service';

/** A dog of today as the lead wall shows it. */
export interface Tag {
  readonly visit: TodayVisit;
  readonly state: VisitState;
  readonly phase: Phase | 'gone';
  readonly kinds: readonly KindFound[];
  readonly groomer: string;
}

const KEY = 'today';
const SETTLE_MS = 150;

/** Today's dogs. Kept on the device, and looked at again whenever a visit grows. */
@Injectable({ providedIn: 'root' })
export class TodayService {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly db = inject(VISIT_DB);
  private readonly asked$ = new Subject<void>();

  readonly today = signal<Today | undefined>(undefined);
  readonly trouble = signal('');
  readonly tags = computed<readonly Tag[]>(() => {
    const today = this.today();
    if (!today) return [];
    return today.visits.map((visit) => {
      const state = replay(visit.visitId, visit.events);
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
      };
    });
  });

  constructor() {
    merge(of(undefined), this.asked$, inject(LiveService).changes$)
      .pipe(auditTime(SETTLE_MS))
      .subscribe(() => void this.load());
  }

  /** Looks again, soon. */
  refresh(): void {
    this.asked$.next();
  }

  private async load(): Promise<void> {
    const answer = await this.api.get('/today', TODAY);
    if (answer.ok) {
      this.today.set(answer.value);
      this.trouble.set('');
      await this.db.answers.put({ key: KEY, value: answer.value });
      return;
    }
    this.trouble.set(sayFailure(this.words, answer.failure));
    const kept = TODAY.safeParse((await this.db.answers.get(KEY))?.value);
    if (!this.today() && answer.failure.kind === 'offline' && kept.success) this.today.set(kept.data);
  }
}
