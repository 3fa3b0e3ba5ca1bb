import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type KeptEvent } from '../visit-log/visit-db';
import { Outbox } from '../visit-log/outbox';
import { VisitLog } from '../visit-log/visit-log.service';
import { SessionService } from '../server/session.service';
import { TodayService } from '../today/today.service';
import { sayEvent } from '../visit/say-event';
import { Words } from '../wording/words.service';

/** Entries told one by one, at most. */
const TOLD = 5;

/** Entries that the server refused: what, whose, of which dog and why, and the ways out. */
@Component({
  selector: 'man-refused-entries',
  template: `@if (outbox.refused().length > 0) {
    <div class="refused" role="alert">
      <p>
        <b i18n="@@refused.count"
          >{outbox.refused().length, plural, one {One entry was} other {{{ outbox.refused().length }} entries were}} refused by the
          server.</b
        >
        <ng-container i18n="@@refused.kept"> What was recorded is kept on this device, and counts here.</ng-container>
      </p>
      <ul>
        @for (entry of told(); track entry.id) {
          <li>
            <span>{{ entry.said }}</span>
            <button type="button" class="plain" (click)="keepAsNote(entry.kept)" i18n="@@refused.note">Keep as a note</button>
          </li>
        }
      </ul>
      @if (more() > 0) {
        <p i18n="@@refused.more">and {{ more() }} more</p>
      }
      <button type="button" class="plain" (click)="sendAgain()" i18n="@@refused.again">Send again</button>
    </div>
  }`,
  styleUrl: './refused-entries.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RefusedEntries {
  protected readonly outbox = inject(Outbox);
  private readonly log = inject(VisitLog);
  private readonly day = inject(TodayService);
  private readonly session = inject(SessionService);
  private readonly words = inject(Words);

  protected readonly more = computed(() => Math.max(0, this.outbox.refused().length - TOLD));
  protected readonly told = computed(() =>
    this.outbox
      .refused()
      .slice(0, TOLD)
      .map((kept) => ({ id: kept.id, kept, said: this.say(kept) })),
  );

  private say(kept: KeptEvent): string {
    const today = this.day.today();
    const dog = today?.visits.find((v) => v.visitId === kept.visitId)?.dog.name;
    const who = today?.staff.find((s) => s.staffId === kept.event.by)?.name;
    const named = [dog, sayEvent(this.words, kept.event), who].filter((x) => x !== undefined).join(' · ');
    return `${named}: ${kept.refusedWhy ?? ''}`;
  }

  protected sendAgain(): Promise<void> {
    return this.outbox.sendAgain(this.outbox.refused().map((k) => k.id));
  }

  /** What was recorded is written down once more as a remark of whoever does so; the entry itself is let go. */
  protected async keepAsNote(kept: KeptEvent): Promise<void> {
    if (!this.session.may('record')) return;
    await this.log.record(kept.visitId, { type: 'noted', body: { text: this.say(kept).slice(0, 2000) } });
    await this.outbox.letGo(kept.id);
  }
}
