import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { DogFile } from '@mansuet/core/contract';
import { knownFacts } from '@mansuet/core/visit';
import { reason } from '@mansuet/core/words';
import { Notice } from '../controls/notice';
import { SessionService } from '../server/session.service';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';

/** Whether its bites still count. Neither time nor calm visits end a bite: the lead's word does, and takes itself back. */
@Component({
  selector: 'man-bite-word',
  imports: [Notice],
  template: `@if (counts(); as c) {
      <man-notice>
        {{ c }}
        @if (!leads()) {
          <ng-container i18n="@@bite.ask">Only the lead can say that it no longer does.</ng-container>
        } @else if (bittenToday()) {
          <ng-container i18n="@@bite.notToday">It was today: from tomorrow on the lead can say that it no longer counts.</ng-container>
        } @else {
          <button type="button" class="plain tiny" (click)="word.emit(today())" i18n="@@bite.ends">It no longer counts: my word</button>
        }
      </man-notice>
    } @else if (file().dog.biteEndedOn; as on) {
      <p class="quiet small">
        <ng-container i18n="@@bite.ended">The lead’s word of {{ day(on) }}: what it bit before that day no longer counts.</ng-container>
        @if (leads()) {
          <button type="button" class="plain tiny" (click)="word.emit(null)" i18n="@@bite.again">It counts again</button>
        }
      </p>
    }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BiteWord {
  private readonly words = inject(Words);
  private readonly session = inject(SessionService);
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  /** ISO date before which bites no longer count; `null`: they count again. */
  readonly word = output<string | null>();
  protected readonly leads = computed(() => this.session.may('end_bite'));
  protected readonly day = (date: string): string => dayInWords(date, this.today());
  private readonly known = computed(() =>
    knownFacts(
      this.file().dog,
      this.file().visits.map((v) => v.summary),
      this.today(),
    ),
  );
  protected readonly bittenToday = computed(() => {
    const { warned } = this.known();
    return warned?.what === 'bit' && warned.on >= this.today();
  });
  protected readonly counts = computed(() => {
    const { name, warned, biteHistory } = this.known();
    if (warned?.what === 'bit') return this.words.say(reason('kind.bit_lately', { name, warned: warned.what, on: warned.on }, 1));
    return biteHistory ? this.words.say(reason('kind.bite_history', { name }, 1)) : undefined;
  });
}
