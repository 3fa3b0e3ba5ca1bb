import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { JoinLink } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';

/** A link by which somebody chooses a password. It is shown once: the server keeps it nowhere. */
@Component({
  selector: 'man-join-link',
  template: `<div class="panel stack" role="status">
    <p i18n="@@join.give">
      <b>Give this link to {{ name() }}.</b> It opens once, until {{ until() }}; then a password is chosen that nobody else knows.
    </p>
    <p class="link">{{ link().url }}</p>
    <div class="row">
      <button type="button" class="plain" (click)="copy()" i18n="@@join.copy">Copy the link</button>
      @if (copied()) {
        <span class="quiet" role="status">{{ copied() }}</span>
      }
    </div>
  </div>`,
  styles: `
    .panel {
      border-left: 5px solid var(--brass);
    }
    .link {
      overflow-wrap: anywhere;
      user-select: all;
      font-variant-ligatures: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JoinLinkSlip {
  private readonly clock = inject(ClockService);
  readonly link = input.required<JoinLink>();
  readonly name = input.required<string>();
  protected readonly copied = signal('');

  protected until(): string {
    return this.clock.sayMoment(this.link().expiresAt, 'weekday');
  }
  protected async copy(): Promise<void> {
    try {
      await navigator.clipboard.writeText(this.link().url);
      this.copied.set($localize`:@@join.copied:Copied.`);
    } catch {
      this.copied.set($localize`:@@join.notCopied:This browser does not let us copy: mark the link and copy it by hand.`);
    }
  }
}
