import { ChangeDetectionStrategy, Component, computed, input, inject } from '@angular/core';
import type { DogFile } from '@mansuet/core/contract';
import { zonesOfGroup } from '@mansuet/core/knowledge/anatomy';
import { explainDog } from '@mansuet/core/learning';
import { learnHalfLife, noiseOrPlace, ratesByPlace, strainStep, suspectTriggers } from '@mansuet/core/strain';
import { breaksSeenIn, historyOf } from '@mansuet/core/visit';
import type { ZoneId } from '@mansuet/core/words';
import { ACTIVITY_FACTS } from '@mansuet/core/work';
import { BodyMap } from '../body-map/body-map';
import type { ZonePaint } from '../body-map/zone-paint';
import { Cell, type Column, DataTable } from '../controls/data-table';
import { Notice } from '../controls/notice';
import { Words } from '../wording/words.service';

const SHOWN = 6;
/** Rates are shown from this many minutes on: less says nothing yet. Our default. */
const FROM_MINUTES = 3;
/** Points a minute that fill the bar when nothing is harder. */
const FULL_BAR = 4;

const COLUMNS: readonly Column[] = [
  { id: 'what', head: 'Tool, place, posture' },
  { id: 'rate', head: 'Points a minute, 90 % sure' },
  { id: 'seen', head: 'Seen' },
];

/** What past visits taught, in plain words and on the map; the numbers behind it one touch deeper. */
@Component({
  selector: 'man-learned-panel',
  imports: [BodyMap, Cell, DataTable, Notice],
  template: `<h2 i18n="@@learned.head">What it minds, what calms it</h2>
    <div class="minds">
      <dl>
        @for (part of explained(); track part.head) {
          <dt>{{ part.head }}</dt>
          <dd>
            @for (line of part.lines; track $index) {
              <p>{{ line }}</p>
            }
          </dd>
        }
      </dl>
      <man-body-map [paint]="paint()" [look]="file().dog" [still]="true" [compact]="true" />
    </div>
    @for (t of suspects(); track t.what) {
      <man-notice>
        <b>Stands out: {{ t.what }}.</b>&ngsp;<span class="small">{{ t.percent }} % sure, {{ t.minutes }} min seen. {{ t.says }}</span>
      </man-notice>
    }
    @if (rows().length > 0) {
      <details>
        <summary i18n="@@learned.numbers">The numbers: tool, place, posture</summary>
        <man-data-table label="What it minds, as seen" [columns]="columns" [rows]="rows()">
          <ng-template manCell="what" [manCellOf]="rows()" let-r>{{ r.what }}</ng-template>
          <ng-template manCell="rate" [manCellOf]="rows()" let-r>
            <span class="range" aria-hidden="true">
              <i [style.left.%]="r.from" [style.width.%]="r.to - r.from"></i><b [style.left.%]="r.at"></b>
            </span>
            {{ r.mean }} <span class="quiet small">({{ r.low }} to {{ r.high }})</span>
          </ng-template>
          <ng-template manCell="seen" [manCellOf]="rows()" let-r
            ><span class="quiet small">{{ r.points }} in {{ r.minutes }} min</span></ng-template
          >
        </man-data-table>
        <p class="quiet small">{{ recovery() }} Numbers on the map: strain seen, 1 little to 5 much.</p>
      </details>
    }`,
  styleUrl: './dog-file-view.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LearnedPanel {
  private readonly words = inject(Words);
  readonly file = input.required<DogFile>();
  readonly today = input.required<string>();
  protected readonly columns = COLUMNS;
  private readonly seen = computed(() => historyOf(this.file().visits.map((v) => v.summary)));
  private readonly rates = computed(() =>
    ratesByPlace(this.seen(), (w) => ACTIVITY_FACTS[w.activity].ratePerMinute).filter((r) => r.minutes >= FROM_MINUTES),
  );
  protected readonly rows = computed(() => {
    const shown = this.rates().slice(0, SHOWN);
    // One scale for all rows, up to the hardest one.
    const full = Math.max(FULL_BAR, ...shown.map((r) => r.interval90[1]));
    const percent = (rate: number): number => (100 * rate) / full;
    return shown.map((r) => ({
      what: `${r.tool.replace('_', ' ')}, ${r.group}, ${r.posture.replace('_', ' ')}`,
      mean: r.mean.toFixed(1),
      low: r.interval90[0].toFixed(1),
      high: r.interval90[1].toFixed(1),
      from: percent(r.interval90[0]),
      to: percent(r.interval90[1]),
      at: percent(r.mean),
      minutes: Math.round(r.minutes),
      points: Math.round(r.points),
    }));
  });
  /** In plain words; a part that has nothing to say is left out. */
  protected readonly explained = computed(() => {
    const said = explainDog(
      this.file().visits.map((v) => v.summary),
      this.today(),
    );
    const parts = [
      { head: $localize`:@@learned.minds:Minds`, of: said.minds },
      { head: $localize`:@@learned.bears:Bears`, of: said.bears },
      { head: $localize`:@@learned.kind:Its kind`, of: said.whole },
      { head: $localize`:@@learned.calms:Calms it`, of: said.calms },
      { head: $localize`:@@learned.year:Last year`, of: said.sinceLastYear },
    ];
    return parts.filter((p) => p.of.length > 0).map((p) => ({ head: p.head, lines: p.of.map(this.words.say) }));
  });
  protected readonly paint = computed<ReadonlyMap<ZoneId, ZonePaint>>(() => {
    const map = new Map<ZoneId, ZonePaint>();
    const known = this.file().dog.triggers.flatMap((t) => (t.place ? zonesOfGroup(t.place) : []));
    for (const zone of known) map.set(zone, { trigger: true });
    // The hardest tool in a place is what its heat shows; the first zone of the group carries the number.
    for (const r of [...this.rates()].reverse())
      for (const zone of zonesOfGroup(r.group)) map.set(zone, { ...map.get(zone), strain: strainStep(r.mean) });
    return map;
  });
  protected readonly suspects = computed(() =>
    suspectTriggers(this.seen())
      .slice(0, 3)
      .map((t) => ({
        what: `${t.tool.replace('_', ' ')}, ${t.group}, ${t.posture.replace('_', ' ')}`,
        percent: Math.min(99, Math.round(100 * t.chance)),
        minutes: Math.round(t.minutes),
        says: noiseOrPlace(t.tool, t.group, this.seen()).reasons.map(this.words.say).join(' '),
      })),
  );
  protected readonly recovery = computed(() => {
    const past = this.file().visits.map((v) => v.summary);
    const learned = learnHalfLife(
      breaksSeenIn(past),
      past.flatMap((s) => s.whole ?? []),
    );
    return learned.reasons.map(this.words.say).join(' ');
  });
}
