import { ChangeDetectionStrategy, Component, output, inject } from '@angular/core';
import { SIGNALS } from '@mansuet/core/strain';
import { SIGNAL_IDS, SIGNAL_TIERS, type SignalId, type SignalTier } from '@mansuet/core/words';
import { Words } from '../wording/words.service';

const TIER_LABELS: Readonly<Record<SignalTier, string>> = {
  good: 'Good',
  says_nothing: 'Says nothing by itself',
  early: 'Early',
  rising: 'Rising',
  hard: 'Hard: tool off',
  body_alarm: 'Body alarm: stop, vet now',
};

/** Every signal, one step behind the pad. */
@Component({
  selector: 'man-signal-list',
  template: `@for (t of tiers; track t.tier) {
    <h3>{{ t.label }}</h3>
    <div class="row">
      @for (s of t.signals; track s) {
        <button type="button" class="chip" [class]="t.tier" (click)="seen.emit(s)">{{ signals[s] }}</button>
      }
    </div>
  }`,
  styles: `
    h3 {
      margin: 14px 0 6px;
    }
    .chip {
      min-height: 64px;
    }
    .hard {
      border-color: var(--pause);
      border-width: 2.5px;
    }
    .body_alarm {
      border-color: var(--stop);
      border-width: 3px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignalList {
  private readonly words = inject(Words);
  readonly seen = output<SignalId>();
  protected readonly signals = this.words.labels.signal;
  /** The worst first: a body alarm must not be looked for. */
  protected readonly tiers = [...SIGNAL_TIERS].reverse().map((tier) => ({
    tier,
    label: TIER_LABELS[tier],
    signals: SIGNAL_IDS.filter((s) => SIGNALS[s].tier === tier),
  }));
}
