import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { handSwaps, type HandSwap, limitsOf, NO_WEAR, overLimits, wearOfDay } from '@mansuet/core/day';
import { HAND_LIMITS, HAND_WORK, type HandWear, type HandWork } from '@mansuet/core/words';
import { SessionService } from '../server/session.service';
import { Words } from '../wording/words.service';
import { DayStore } from './day-store';
import { clockOf, kgOf } from '../wording/formats';

/** What the day asks of hands, wrists and backs: everybody sees their own, the lead all of them. */
@Component({
  selector: 'man-hands-table',
  template: `@if (rows().length > 0) {
    <details>
      <summary>
        <span i18n="@@hands.title">Hands today</span>
        @if (over().length > 0 && swaps().length === 0) {
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
                <td [class.over]="r.over.includes(w)">
                  {{ say(w, r.wear[w]) }}
                  @if (r.own(w); as own) {
                    <span class="quiet small" i18n="@@hands.own">(at most {{ say(w, own) }})</span>
                  }
                </td>
              }
            </tr>
          }
          <tr class="quiet">
            <th scope="row" i18n="@@hands.limit">At most</th>
            @for (w of works; track w) {
              <td>{{ say(w, limits()[w]) }}</td>
            }
          </tr>
        </tbody>
      </table>
      <p class="quiet small" i18n="@@hands.how">
        What is done and what is planned together, estimated from each visit’s own plan. There is no published limit: the house sets its own
        under “Salon”, and each person lower ones under their name.
      </p>
    </details>
    @for (s of swaps(); track s.key) {
      <p class="row swap" role="status">
        <span class="grow">{{ s.says }}</span>
        @if (s.way) {
          <button type="button" class="plain" (click)="swap(s.way)" i18n="@@hands.swap">Lay it out so</button>
        }
      </p>
    }
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
    .swap {
      align-items: center;
      border-left: 5px solid var(--pause);
      padding: 4px 0 4px 10px;
      margin-top: 6px;
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
  protected readonly limits = computed(() => this.session.signedIn()?.salon.handLimits ?? HAND_LIMITS);
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
        const limits = this.limitsOf(p.staffId);
        const lower = (w: HandWork): number | undefined => (limits[w] < this.limits()[w] ? limits[w] : undefined);
        return { id: p.staffId, name: p.name, wear: own, over: overLimits(own, limits), own: lower };
      });
  });
  protected readonly over = computed(() =>
    this.rows().flatMap((r) =>
      r.over.map((w) => $localize`:@@hands.over:${r.name}:who:: ${this.words.labels.handWork[w]}:what: ${this.say(w, r.wear[w])}:much:`),
    ),
  );
  private limitsOf(staffId: string): HandWear {
    return limitsOf(this.limits(), this.store.people().find((p) => p.staffId === staffId)?.hands);
  }
  /** When whose hands should be relieved, and by whom: the lead’s to decide, for nobody else knows everybody’s limits. */
  protected readonly swaps = computed(() => {
    const [problem, shown] = [this.store.problem(), this.store.shown()];
    if (!problem || !shown || !this.store.mayPlan()) return [];
    const { wear } = this.store.hands();
    return handSwaps(problem, shown.schedule, wear, (id) => this.limitsOf(id)).map((s) => ({
      ...s,
      key: `${s.person} ${s.work}`,
      says: this.saySwap(s),
    }));
  });
  private saySwap({ person, work, at, dog, way }: HandSwap): string {
    const who = this.store.personName(person);
    const [what, limit] = [this.words.labels.handWork[work], this.say(work, this.limitsOf(person)[work])];
    const reached = $localize`:@@hands.reached:${who}:who: comes to ${limit}:limit: of ${what}:what: about ${clockOf(at)}:at:, with ${this.store.dogName(dog)}:dog:.`;
    if (!way)
      return $localize`:@@hands.noWay:${reached}:reached: Nobody else can take a dog at that time: leave something for another visit, or plan a rest.`;
    const [other, to] = [this.store.dogName(way.dog), this.store.personName(way.to)];
    if (way.inExchange === undefined) return $localize`:@@hands.give:${reached}:reached: ${to}:to: could take ${other}:dog:.`;
    return $localize`:@@hands.exchange:${reached}:reached: ${to}:to: could take ${other}:dog: for ${this.store.dogName(way.inExchange)}:back:.`;
  }
  protected swap(way: NonNullable<HandSwap['way']>): void {
    const from = this.store.shown()?.schedule.stretches.find((s) => s.dog === way.dog)?.person;
    this.store.putDog(way.dog, { person: way.to });
    if (way.inExchange !== undefined && from !== undefined) this.store.putDog(way.inExchange, { person: from });
  }
  protected say(work: HandWork, much: number): string {
    return work === 'lifted' ? kgOf(Math.round(much)) : `${Math.round(much)} min`;
  }
}
