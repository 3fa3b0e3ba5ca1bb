import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { learnedAt } from '@mansuet/core/learning';
import { summarize } from '@mansuet/core/visit';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';

/** For the salon: what the visit has taught, before and now; and the plan against what came. */
@Component({
  selector: 'man-learned-now-panel',
  template: `<h2 i18n="@@learned.title">What this visit taught us</h2>
    @for (line of learned(); track $index) {
      <p>{{ line }}</p>
    }
    @if (rows().length > 0) {
      <table>
        <caption class="visually-hidden" i18n="@@learned.against">
          The plan, against what came
        </caption>
        <thead>
          <tr>
            <th scope="col" i18n="@@learned.step">In this order</th>
            <th scope="col" class="n" i18n="@@learned.planned">planned</th>
            <th scope="col" class="n" i18n="@@learned.came">came</th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.id) {
            <tr>
              <th scope="row">
                {{ r.name }}
                @if (r.moved) {
                  <span class="quiet small" i18n="@@learned.moved">(planned as number {{ r.plannedAt }})</span>
                }
              </th>
              <td class="n">{{ r.planned }}</td>
              <td class="n">{{ r.came }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
    @for (line of told(); track $index) {
      <p class="small">{{ line }}</p>
    }`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      font-weight: 400;
      text-align: left;
    }
    thead th {
      color: var(--quiet);
      font-size: 13px;
    }
    td,
    th {
      padding: 3px 0;
      border-bottom: 1px solid var(--line);
    }
    .n {
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LearnedNowPanel {
  private readonly words = inject(Words);
  private readonly visit = inject(VisitStore);
  private readonly summary = computed(() => summarize(this.visit.state()));
  protected readonly learned = computed(() => {
    if (!this.visit.context() || this.visit.state().ended === undefined) return [];
    return learnedAt(this.summary(), this.visit.past()).map(this.words.say);
  });
  protected readonly rows = computed(() => {
    const planned = this.visit.state().plan?.steps ?? [];
    const minutes = (x: number): string => $localize`:@@learned.min:${Math.round(x)}:minutes: min`;
    return this.summary().steps.map((s, at) => {
      const plannedAt = planned.findIndex((p) => p.id === s.step);
      return {
        id: s.step,
        name: this.words.stepOf({
          id: s.step,
          ...(planned[plannedAt] ? { name: planned[plannedAt].name, zones: planned[plannedAt].zones } : {}),
        }),
        planned: s.planned === null || s.planned === undefined ? '–' : minutes(s.planned),
        came: minutes(s.minutes),
        plannedAt: plannedAt + 1,
        moved: plannedAt >= 0 && plannedAt !== at,
      };
    });
  });
  /** Odds and strain as told with the plan, beside what came. */
  protected readonly told = computed(() => {
    const [told, s] = [this.visit.state().told, this.summary()];
    if (!told) return [];
    const percent = (x: number): number => Math.round(100 * x);
    const out = [
      $localize`:@@learned.minutes:In all: told ${Math.round(told.minutes)}:told: min (${Math.round(told.minutesRange[0])}:from: to ${Math.round(told.minutesRange[1])}:to:), came ${Math.round(s.minutes)}:came:.`,
      $localize`:@@learned.peak:Strain at its highest: told ${Math.round(told.peak)}:told:, came ${s.peak}:came: of 100.`,
    ];
    if (told.chances)
      out.push(
        $localize`:@@learned.stop:A stop was told with ${percent(told.chances.stop)}:chance: %; ${s.outcome === 'stopped' ? 'it came' : 'it did not come'}:came:.`,
      );
    return out;
  });
}
