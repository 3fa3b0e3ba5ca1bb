import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { HAND_LIMITS, NO_WEAR, overLimits, wearOfDay } from '@mansuet/core/day';
import { HAND_WORK, type HandWork } from '@mansuet/core/words';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';
import { DayStore } from './day-store';

/** What the day asks of hands, wrists and backs: everybody sees their own, the lead all of them. */
@Component({
  selector: 'man-hands-table',
  template: `@if (rows().length > 0) {
    <details>
      <summary>
        <span i18n="@@hands.title">Hands today</span>
        @if (over().length > 0) {
          <b class="over">{{ over().join(' · ') }}</b>
        }
      </summary>
      <table>
        <thead>
          <tr>
            <th scope="col" i18n="@@hands.who">Who</th>
            @for (w of works; track w) {
              <th scope="col">{{ words.heading('handWork', w) }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.id) {
            <tr>
              <th scope="row">{{ r.name }}</th>
              @for (w of works; track w) {
                <td [class.over]="r.over.includes(w)">{{ say(w, r.wear[w]) }}</td>
              }
            </tr>
          }
          <tr class="quiet">
            <th scope="row" i18n="@@hands.limit">At most</th>
            @for (w of works; track w) {
              <td>{{ say(w, limits[w]) }}</td>
            }
          </tr>
        </tbody>
      </table>
      <p class="quiet small" i18n="@@hands.how">
        What is done and what is planned together, estimated from each visit’s own plan. The limits are ours, of no published source: above
        them somebody else takes the next such dog.
      </p>
    </details>
  }`,
  styles: `
    details {
      margin-top: 8px;
    }
    summary {
      min-height: 44px;
      display: flex;
      gap: 10px;
      align-items: center;
      cursor: pointer;
      font-weight: 600;
    }
    table {
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      padding: 4px 18px 4px 0;
      font-weight: 400;
    }
    thead th,
    tbody th {
      font-weight: 600;
    }
    .over {
      color: var(--pause-ink);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandsTable {
  protected readonly words = inject(Words);
  private readonly session = inject(SessionService);
  private readonly store = inject(DayStore);
  protected readonly works = HAND_WORK;
  protected readonly limits = HAND_LIMITS;
  protected readonly rows = computed(() => {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown) return [];
    const wear = wearOfDay(problem, shown.schedule, this.store.hands().wear);
    const me = this.session.signedIn()?.staff.staffId;
    return this.store
      .people()
      .filter((p) => this.store.mayPlan() || p.staffId === me)
      .filter((p) => wear.has(p.staffId))
      .map((p) => {
        const own = wear.get(p.staffId) ?? NO_WEAR;
        return { id: p.staffId, name: p.name, wear: own, over: overLimits(own) };
      });
  });
  protected readonly over = computed(() =>
    this.rows().flatMap((r) =>
      r.over.map((w) => $localize`:@@hands.over:${r.name}:who:: ${this.words.labels.handWork[w]}:what: ${this.say(w, r.wear[w])}:much:`),
    ),
  );
  protected say(work: HandWork, much: number): string {
    return `${Math.round(much)} ${work === 'lifted' ? 'kg' : 'min'}`;
  }
}
