import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { type DeviceGrant, DEVICE_GRANTS } from '@mansuet/core/contract';
import { EmptyState } from '../controls/empty-state';
import { Notice } from '../controls/notice';
import { ApiService, NOTHING, sayFailure } from '../server/api.service';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';
import { deviceName } from './device-name';

/** Which devices may send entries in whose name; a right is taken back here, such as that of a tablet that was lost. */
@Component({
  selector: 'man-rights',
  imports: [EmptyState, Notice],
  template: `<div class="matter">
    <div class="body stack">
      <h1 i18n="@@rights.head">Devices that may send entries</h1>
      <p class="quiet" i18n="@@rights.what">
        A device on which somebody signed in may send what they record there, also later and when somebody else is signed in. Take the right
        back when a device is lost or leaves the salon. What waits on it stays there until its person signs in on it again.
      </p>
      <man-notice kind="good" live="status" [says]="said()" />
      <man-notice kind="warn" live="alert" [says]="trouble()" />
      @for (g of rights(); track g.grantId) {
        <article class="panel row">
          <p>
            <b>{{ g.name }}</b><br />
            @if (g.device === here) {
              <ng-container i18n="@@rights.here">this device</ng-container>
            } @else {
              <ng-container i18n="@@rights.other">another device</ng-container>
            }
            <span class="quiet small" i18n="@@rights.since">since {{ when(g.madeAt) }}</span>
          </p>
          <button type="button" class="plain" [attr.aria-label]="sayTake(g)" [disabled]="busy()" (click)="take(g)" i18n="@@rights.take">
            Take back
          </button>
        </article>
      } @empty {
        @if (loaded()) {
          <man-empty class="panel" says="No device has a right now." i18n-says="@@rights.none" />
        }
      }
    </div>
  </div>`,
  styles: `
    .row {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RightsPage {
  private readonly words = inject(Words);
  private readonly api = inject(ApiService);
  private readonly clock = inject(ClockService);
  protected readonly here = deviceName();
  private readonly grants = signal<readonly DeviceGrant[]>([]);
  /** By person, the latest first. */
  protected readonly rights = computed(() => [...this.grants()].sort((a, b) => a.name.localeCompare(b.name)));
  protected readonly loaded = signal(false);
  protected readonly busy = signal(false);
  protected readonly said = signal('');
  protected readonly trouble = signal('');

  constructor() {
    void this.load();
  }

  protected when(iso: string): string {
    return this.clock.sayMoment(iso);
  }
  protected sayTake(g: DeviceGrant): string {
    return g.device === this.here
      ? $localize`:@@rights.takeHere:Take back the right of this device for ${g.name}:name:`
      : $localize`:@@rights.takeOther:Take back the right of another device for ${g.name}:name:, since ${this.when(g.madeAt)}:when:`;
  }

  protected async take(g: DeviceGrant): Promise<void> {
    this.busy.set(true);
    const answer = await this.api.send('DELETE', `/grants/${g.grantId}`, undefined, NOTHING);
    this.busy.set(false);
    this.said.set(answer.ok ? $localize`:@@rights.taken:Taken back for ${g.name}:name:.` : '');
    this.trouble.set(answer.ok ? '' : sayFailure(this.words, answer.failure));
    // One that is not there any more was taken back by somebody else.
    await this.load();
  }

  private async load(): Promise<void> {
    const answer = await this.api.get('/grants', DEVICE_GRANTS);
    this.loaded.set(true);
    if (answer.ok) this.grants.set(answer.value.grants);
    else this.trouble.set(sayFailure(this.words, answer.failure));
  }
}
