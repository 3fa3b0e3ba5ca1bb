import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { DUE_LIST, type Due } from '@mansuet/core/contract';
import type { FollowUpKind } from '@mansuet/core/words';
import { TextField } from '../controls/text-field';
import { Notice } from '../controls/notice';
import { ApiService } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { SessionService } from '../server/session.service';
import { VisitLog } from '../visit-log/visit-log.service';
import { sayStorageTrouble } from '../visit-log/storage-trouble';
import { dayInWords } from '../wording/time';
import { TodayService } from './today.service';

const KINDS: Readonly<Record<FollowUpKind, string>> = {
  call: $localize`:@@due.call:Ring`,
  look: $localize`:@@due.look:Look again`,
  report: $localize`:@@due.report:Ask`,
};

/** What earlier visits left to be done: calls, looks, a vet's word. Each stays until it is done. */
@Component({
  selector: 'man-due-list',
  imports: [Notice, RouterLink, TextField],
  template: `@if (due().length > 0) {
    <h2 i18n="@@due.title">Due</h2>
    <ul class="panel">
      @for (d of due(); track d.visitId + d.key) {
        <li>
          <b
            >{{ kinds[d.kind] }}: <a [routerLink]="['/dogs', d.dogId]">{{ d.dog }}</a></b
          >
          <div>
            <p>{{ d.says.join(' ') }}</p>
            <p class="quiet small">
              <span i18n="@@due.when">Visit of {{ day(d.visitOn) }}; due {{ day(d.dueOn) }}.</span>{{ ' ' }}
              @if (d.phone) {
                <a [href]="'tel:' + d.phone">{{ d.owner }} {{ d.phone }}</a>
              }
            </p>
            @if (open() === d.visitId + d.key) {
              <div class="row">
                <man-text
                  class="says"
                  label="What came of it"
                  i18n-label="@@due.says"
                  name="dueSays"
                  [most]="2000"
                  [value]="says()"
                  (typed)="says.set($event)"
                />
                <button type="button" class="plain" (click)="keep(d)" i18n="@@due.keep">It is done</button>
              </div>
            }
          </div>
          @if (session.may('record') && open() !== d.visitId + d.key) {
            <button
              type="button"
              class="plain"
              (click)="begin(d)"
              i18n-aria-label="@@due.doneFor"
              [attr.aria-label]="'Done: ' + kinds[d.kind] + ', ' + d.dog"
            >
              <span i18n="@@due.done">Done</span>
            </button>
          }
        </li>
      }
    </ul>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
  }`,
  styles: `
    h2 {
      margin: 14px 0 6px;
    }
    li {
      display: grid;
      grid-template-columns: minmax(130px, 190px) minmax(0, 1fr) auto;
      gap: 12px;
      align-items: center;
      padding: 6px 0;
    }
    li + li {
      border-top: 1px solid var(--line);
    }
    /* A link within a sentence is told by more than its colour. */
    a {
      text-decoration: underline;
    }
    .says {
      flex: 1;
      min-width: 200px;
    }
    .row {
      align-items: end;
    }
    @media (max-width: 640px) {
      li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DueList {
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  private readonly log = inject(VisitLog);
  private readonly today = inject(TodayService);
  protected readonly session = inject(SessionService);
  protected readonly kinds = KINDS;
  protected readonly due = signal<readonly Due[]>([]);
  protected readonly open = signal('');
  protected readonly says = signal('');
  protected readonly trouble = signal('');
  private readonly gone = computed(() => this.today.tags().filter((t) => t.phase === 'gone').length);
  protected readonly day = (date: string): string => dayInWords(date, this.clock.today());

  constructor() {
    effect(() => {
      // A dog that went home may have made something due.
      this.gone();
      void this.load();
    });
  }

  private async load(): Promise<void> {
    const answer = await this.api.get('/due', DUE_LIST);
    if (answer.ok) this.due.set(answer.value.due);
  }
  protected begin(d: Due): void {
    this.open.set(d.visitId + d.key);
    this.says.set('');
  }
  /** Into the log of the visit that it belongs to. */
  protected async keep(d: Due): Promise<void> {
    try {
      await this.log.record(d.visitId, { type: 'follow_up_done', body: { followUp: d.key, says: this.says().trim() } });
    } catch (error: unknown) {
      this.trouble.set(sayStorageTrouble(error));
      return;
    }
    this.trouble.set('');
    this.open.set('');
    this.due.update((all) => all.filter((x) => x.visitId !== d.visitId || x.key !== d.key));
    await this.log.flush();
    await this.load();
  }
}
