import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import type { OpenSession } from '@mansuet/core/contract';
import { Notice } from '../controls/notice';
import { sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';
import { deviceOf } from './device-of';
import { PeopleService } from './people-service';

/** Where somebody is signed in; it can be ended there. */
@Component({
  selector: 'man-sessions',
  imports: [Notice],
  template: `<h3 i18n="@@sessions.head">Signed in here</h3>
    @for (s of sessions(); track s.key) {
      <div class="line">
        <p>
          <b>{{ device(s) }}</b>
          @if (s.here) {
            <ng-container i18n="@@sessions.here"> · this browser</ng-container>
          }
          <span class="quiet small under" i18n="@@sessions.used">used {{ when(s.used) }}</span>
        </p>
        @if (!s.here) {
          <button type="button" class="plain tiny" [attr.aria-label]="sayEnd(s)" (click)="end(s)" i18n="@@sessions.end">
            End it there
          </button>
        }
      </div>
    } @empty {
      @if (loaded()) {
        <p class="quiet" i18n="@@sessions.none">Nowhere now.</p>
      }
    }
    <man-notice kind="warn" live="alert" [says]="trouble()" />`,
  styles: `
    .under {
      display: block;
    }
    .line {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 12px;
      padding: 6px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SessionsPanel {
  private readonly words = inject(Words);
  private readonly people = inject(PeopleService);
  private readonly clock = inject(ClockService);
  /** Whose; one’s own when it is not given. */
  readonly staffId = input<string | undefined>();
  protected readonly sessions = signal<readonly OpenSession[]>([]);
  protected readonly loaded = signal(false);
  protected readonly trouble = signal('');

  constructor() {
    effect(() => void this.load(this.staffId()));
  }

  protected device(s: OpenSession): string {
    return deviceOf(s.agent);
  }
  protected when(iso: string | null): string {
    if (iso === null) return $localize`:@@sessions.unknown:at a time that was not kept`;
    return this.clock.sayMoment(iso);
  }
  protected sayEnd(s: OpenSession): string {
    return $localize`:@@sessions.endOf:End the sign-in on ${deviceOf(s.agent)}:device:, used ${this.when(s.used)}:when:`;
  }
  protected async end(s: OpenSession): Promise<void> {
    const answer = await this.people.endSession(s.key, this.staffId());
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    await this.load(this.staffId());
  }
  private async load(staffId: string | undefined): Promise<void> {
    const answer = await this.people.sessions(staffId);
    if (staffId !== this.staffId()) return;
    this.loaded.set(true);
    if (answer.ok) this.sessions.set(answer.value);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
}
