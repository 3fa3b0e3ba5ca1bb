import { ChangeDetectionStrategy, Component, input, output, inject } from '@angular/core';
import type { PlanWish, WishClash, WishCost } from '@mansuet/core/plan';
import { Notice } from '../controls/notice';
import { sayCost, sayWish } from './say-wish';
import { Words } from '../wording/words.service';

/** What was fixed by hand, what it costs, and what could not be met. */
@Component({
  selector: 'man-wish-strip',
  imports: [Notice],
  template: `@if (wishes().length > 0) {
      <section class="strip" aria-label="Fixed by hand">
        <div class="row">
          <b>By hand</b>
          @for (w of wishes(); track $index) {
            <button type="button" class="chip" [attr.aria-label]="'Take back: ' + say(w)" (click)="taken.emit(w)">
              {{ say(w) }} <span aria-hidden="true">✕</span>
            </button>
          }
          @if (wishes().length > 1) {
            <button type="button" class="chip" (click)="allTaken.emit()">Take all back</button>
          }
        </div>
        @if (cost(); as c) {
          <p class="small">{{ sayCost(c) }}</p>
        }
      </section>
    }
    @for (c of clashes(); track $index) {
      <man-notice class="strip" kind="warn" live="alert">
        <p>
          <b>Not possible together: {{ sayAll(c) || 'what has to be done' }}</b>
        </p>
        @for (r of c.reasons; track $index) {
          <p class="small">{{ sayReason(r) }}</p>
        }
        <p class="small">The plan is made without the latest of these. Take one back, or change what stands against it.</p>
      </man-notice>
    }`,
  styles: `
    section {
      border-left: 5px solid var(--brass);
      background: var(--brass-light);
      padding: 10px 14px;
      border-radius: var(--radius);
    }
    .strip + .strip {
      margin-top: 8px;
    }
    .chip {
      min-height: 48px;
      background: var(--sheet);
    }
    p {
      margin-top: 4px;
    }
    @media print {
      .chip span {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WishStrip {
  private readonly words = inject(Words);
  readonly wishes = input.required<readonly PlanWish[]>();
  readonly cost = input<WishCost | undefined>();
  readonly clashes = input<readonly WishClash[]>([]);
  readonly taken = output<PlanWish>();
  readonly allTaken = output<void>();
  protected readonly say = (w: PlanWish): string => sayWish(this.words, w);
  protected readonly sayCost = (c: WishCost): string => sayCost(this.words, c);
  protected readonly sayReason = this.words.say;
  protected sayAll(c: WishClash): string {
    return c.wishes.map(this.say).join(' · ');
  }
}
