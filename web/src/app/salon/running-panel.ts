import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RUNNING, type Running } from '@mansuet/core/contract';
import { RUNNING_PARTS, type RunningPart } from '@mansuet/core/running';
import { Notice, type NoticeKind } from '../controls/notice';
import { ApiService, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';

const LABELS: Readonly<Record<RunningPart, string>> = {
  backup: $localize`:@@running.backup:Backup`,
  disk: $localize`:@@running.disk:Room on the disk`,
  messages: $localize`:@@running.messages:Messages to owners`,
  devices: $localize`:@@running.devices:Devices`,
  trouble: $localize`:@@running.trouble:The server`,
};
const KINDS: Readonly<Record<Running['parts'][RunningPart], NoticeKind>> = { good: 'good', look: 'told', act: 'warn' };

interface Line {
  readonly part: RunningPart;
  readonly label: string;
  readonly kind: NoticeKind;
  readonly says: string;
  /** What to do about it; empty where all is well. */
  readonly then: string;
}

/** How the product itself runs, for the lead, in plain words: what is well, what is worth a look, and what to do today. */
@Component({
  selector: 'man-running',
  imports: [Notice],
  template: `<section class="panel stack" aria-labelledby="running-title">
    <header class="row">
      <h2 id="running-title" class="grow" i18n="@@running.title">How it runs</h2>
      <button type="button" class="plain" [disabled]="busy()" (click)="load()" i18n="@@running.again">Look again</button>
    </header>
    @if (lines(); as all) {
      <dl>
        @for (l of all; track l.part) {
          <dt>{{ l.label }}</dt>
          <dd>
            <man-notice [kind]="l.kind"
              >{{ l.says }}
              @if (l.then) {
                <b>{{ l.then }}</b>
              }
            </man-notice>
          </dd>
        }
      </dl>
    }
    <man-notice kind="warn" live="alert" [says]="failed()" />
  </section>`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: minmax(120px, 180px) minmax(0, 1fr);
      gap: 8px 16px;
      align-items: center;
      margin: 0;
    }
    dd {
      margin: 0;
    }
    .grow {
      flex: 1;
    }
    @media (max-width: 640px) {
      dl {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunningPanel {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  private readonly known = signal<Running | undefined>(undefined);
  protected readonly lines = computed((): readonly Line[] | undefined => {
    const known = this.known();
    return known && RUNNING_PARTS.map((part) => ({ part, label: LABELS[part], kind: KINDS[known.parts[part]], ...this.say(part, known) }));
  });

  constructor() {
    void this.load();
  }
  protected async load(): Promise<void> {
    this.busy.set(true);
    const answer = await this.api.get('/running', RUNNING);
    this.busy.set(false);
    this.failed.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    if (answer.ok) this.known.set(answer.value);
  }

  private say(part: RunningPart, known: Running): Pick<Line, 'says' | 'then'> {
    switch (part) {
      case 'backup':
        return this.sayBackup(known);
      case 'disk': {
        const [free, all] = [gigabytes(known.disk.freeBytes), gigabytes(known.disk.bytes)];
        const says = $localize`:@@running.diskFree:${free}:free: GB of ${all}:all: GB are free.`;
        return { says, then: known.parts.disk === 'good' ? '' : $localize`:@@running.diskThen:Make room on the machine of the salon.` };
      }
      case 'messages':
        return this.sayMessages(known);
      case 'devices':
        return this.sayDevices(known);
      case 'trouble': {
        const { errors, slow, slowestMs, since } = known.trouble;
        const at = this.clock.sayMoment(since);
        const says = $localize`:@@running.troubleSays:Since ${at}:at:. Failed unforeseen: ${errors}:errors:. Slow questions to the database: ${slow}:slow: (the slowest ${Math.round(slowestMs)}:ms: ms).`;
        return {
          says,
          then: errors > 0 ? $localize`:@@running.troubleThen:The log of the server says more: .run/server.log on its machine.` : '',
        };
      }
    }
  }

  private sayBackup({ backup, parts }: Running): Pick<Line, 'says' | 'then'> {
    if (backup === undefined)
      return parts.backup === 'good'
        ? { says: $localize`:@@running.invented:What is here is invented and made anew at any time: it is not backed up.`, then: '' }
        : {
            says: $localize`:@@running.noBackups:Nobody takes backups here.`,
            then: $localize`:@@running.noBackupsThen:Start it with ./mansuet serve, which takes one each night.`,
          };
    const then = $localize`:@@running.backupThen:On the machine of the salon: ./mansuet backup`;
    if (backup === null) return { says: $localize`:@@running.backupNone:None was taken yet.`, then };
    const at = this.clock.sayMoment(backup.begunAt);
    if (!backup.ok) return { says: $localize`:@@running.backupFailed:The one of ${at}:at: failed: ${backup.says}:says:`, then };
    return {
      says: $localize`:@@running.backupAt:The last one is of ${at}:at:, ${backup.says}:says:.`,
      then: parts.backup === 'good' ? '' : then,
    };
  }

  private sayMessages({ messages, parts }: Running): Pick<Line, 'says' | 'then'> {
    const { waiting, givenUp, unsure, waitingSince } = messages;
    if (waiting + givenUp + unsure === 0) return { says: $localize`:@@running.messagesNone:None waits.`, then: '' };
    const since =
      waitingSince === null ? '' : $localize`:@@running.messagesSince:, the first since ${this.clock.sayMoment(waitingSince)}:at:`;
    const says = $localize`:@@running.messagesSay:Waiting: ${waiting}:waiting:${since}:since:. Given up: ${givenUp}:given:. Not known whether they arrived: ${unsure}:unsure:.`;
    return { says, then: parts.messages === 'good' ? '' : $localize`:@@running.messagesThen:Look at them under “Messages”.` };
  }

  private sayDevices({ devices, parts }: Running): Pick<Line, 'says' | 'then'> {
    if (devices.length === 0) return { says: $localize`:@@running.devicesNone:Nothing was entered in the last two days.`, then: '' };
    const latest = devices.reduce((a, b) => (b.minutesLate > a.minutesLate ? b : a));
    if (parts.devices === 'good')
      return {
        says: $localize`:@@running.devicesGood:In the last two days: ${devices.length}:count:. What is entered is here at once.`,
        then: '',
      };
    const [who, at] = [latest.who, this.clock.sayMoment(latest.heardAt)];
    return {
      says: $localize`:@@running.devicesLate:What ${who}:who: entered on one was here ${sayLate(latest.minutesLate)}:late: later (${at}:at:).`,
      then: $localize`:@@running.devicesThen:It works without a network: bring it near the router before the day ends.`,
    };
  }
}

const gigabytes = (bytes: number): string => (bytes / 1e9).toFixed(bytes < 10e9 ? 1 : 0);

/** A day late is not told in minutes. */
function sayLate(minutes: number): string {
  if (minutes < 120) return $localize`:@@running.lateMinutes:${minutes}:minutes: min`;
  if (minutes < 48 * 60) return $localize`:@@running.lateHours:${Math.round(minutes / 60)}:hours: h`;
  return $localize`:@@running.lateDays:${Math.round(minutes / 1440)}:days: days`;
}
