import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { lastTime } from '@mansuet/core/last-time';
import { HEALING_LOOKS, type HealingLook } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { SessionService } from '../server/session.service';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** Where Know begins: the last visit, read in ten seconds, and how its wounds are, by one tap. */
@Component({
  selector: 'man-last-time',
  imports: [ChoiceGroup],
  template: `@if (last(); as l) {
    <section class="last" [class.bad]="l.bad" aria-label="Last time" i18n-aria-label="@@last.title">
      <p class="went">
        <b>{{ l.went[0] }}</b>
        @for (line of l.went.slice(1); track $index) {
          {{ line }}
        }
      </p>
      @if (l.otherwise.length > 0) {
        <p class="do">
          <b i18n="@@last.otherwise">Today otherwise:</b>
          @for (line of l.otherwise; track $index) {
            {{ line }}
          }
        </p>
      }
      @if (l.still.length > 0) {
        <p>
          @for (line of l.still; track $index) {
            {{ line }}
          }
        </p>
      }
      @if (l.told.length > 0) {
        <p class="quiet small">
          @for (line of l.told; track $index) {
            {{ line }}
          }
        </p>
      }
      @for (h of l.healing; track h.incidentId) {
        <man-choice
          [label]="h.says"
          shown
          size="tiny"
          [of]="looks"
          [value]="h.now"
          [disabled]="!may()"
          (chosen)="seen(h.incidentId, $event)"
        />
      }
    </section>
  }`,
  styles: `
    .last {
      background: var(--sheet);
      border: 1px solid var(--line);
      border-left: 5px solid var(--brass);
      border-radius: var(--radius);
      padding: 12px 16px;
      display: grid;
      gap: 6px;
    }
    .bad {
      border-left-color: var(--stop);
    }
    p {
      max-width: 96ch;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LastTimeBlock {
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  private readonly session = inject(SessionService);
  protected readonly looks = choicesOf(HEALING_LOOKS, this.words.labels.healing);
  protected readonly may = computed(() => this.session.may('record'));
  protected readonly last = computed(() => {
    const last = lastTime(this.visit.past(), this.visit.planContext()?.knownMarks ?? [], this.visit.today());
    if (!last) return undefined;
    const say = (reasons: typeof last.went): string[] => reasons.map(this.words.say);
    return {
      bad: last.outcome === 'stopped' || last.healing.length > 0,
      went: say(last.went),
      still: say(last.still),
      told: say(last.told),
      otherwise: say(last.otherwise),
      healing: last.healing.map((h) => ({
        incidentId: h.incidentId,
        says: this.words.say(h.says),
        now: this.visit.state().healing.get(h.incidentId) ?? h.last,
      })),
    };
  });

  protected async seen(incidentId: string, look: HealingLook): Promise<void> {
    await this.visit.record({ type: 'healing_seen', body: { incidentId, look } });
  }
}
