import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { nextDatesOf, toldAccount } from '@mansuet/core/account';
import { AFTER_VISIT, type AfterVisit, type ToldAccount } from '@mansuet/core/contract';
import { bySection } from '@mansuet/core/hand-back';
import { vetFirst } from '@mansuet/core/next-visit';
import { closingAtEnd } from '@mansuet/core/visit';
import { ApiService } from '../server/api.service';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** What is told of the open visit: as the log says it now, and as it was kept when it was closed. */
@Injectable()
export class HandBackStore {
  private readonly api = inject(ApiService);
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  /** What the server keeps of it; nothing while it was not asked, or does not answer. */
  readonly after = signal<AfterVisit | undefined>(undefined);

  private readonly known = computed(() => {
    const context = this.visit.context();
    return context && { state: this.visit.state(), file: context.file, salon: context.salon };
  });
  readonly told = computed<ToldAccount | undefined>(() => {
    const known = this.known();
    return known && toldAccount(known, this.words.say);
  });
  /** With what was left out: it can be taken in again. */
  readonly sections = computed(() => {
    const lines = this.told()?.lines ?? [];
    const shown = bySection(
      lines.map((l) => ({ ...l, stands: l.stands ?? undefined, as: l.as === 'left_out' ? ('recorded' as const) : l.as })),
    );
    return shown.map(({ section, lines: of }) => ({
      section,
      lines: of.map((l) => ({ ...l, leftOut: lines.find((x) => x.key === l.key)?.as === 'left_out' })),
    }));
  });
  readonly dates = computed(() => {
    const known = this.known();
    return known ? nextDatesOf(known) : [];
  });
  readonly vetFirst = computed(() => vetFirst(this.visit.state()));
  readonly closing = computed(() => closingAtEnd(this.visit.state()));
  readonly closed = computed(() => this.visit.state().handedBack !== undefined);

  constructor() {
    effect(() => {
      // Asked again when it is closed or opened, and when something is added to it.
      if (this.closed() || this.visit.state().eventCount > 0) void this.look(this.visit.visitId());
    });
  }

  /** Asks what is kept, and how far messages have come. */
  async look(visitId = this.visit.visitId()): Promise<void> {
    if (visitId === '') return;
    const answer = await this.api.get(`/visits/${visitId}/after`, AFTER_VISIT);
    if (answer.ok && visitId === this.visit.visitId()) this.after.set(answer.value);
  }
}
