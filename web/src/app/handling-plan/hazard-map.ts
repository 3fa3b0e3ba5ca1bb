import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { RegisterRow } from '@mansuet/core/knowledge/hazards';
import { type HandlingPlan, type PlanInput, registerByPlace } from '@mansuet/core/plan';
import type { HazardId, RiskBand, ZoneId } from '@mansuet/core/words';
import { BodyMap } from '../body-map/body-map';
import type { Look } from '@mansuet/core/drawing';
import type { ZonePaint } from '../body-map/zone-paint';
import { Words } from '../wording/words.service';
import { byWeightLeft, HARM, sayEased } from './hazard-words';
import { inVisits } from './say-odds';

/** Places told without a tap. */
const PLACES_SHOWN = 4;
/** Hazards told of one place. */
const LINES_SHOWN = 5;
/** Not of a place: told once of the whole dog, as it is where it is likeliest. */
const OF_THE_DOG: readonly HazardId[] = ['fall_or_jump', 'loop', 'overheating', 'bite_or_scratch_person', 'escape'];
const BANDS: readonly RiskBand[] = ['low', 'moderate', 'high', 'extreme'];

/** What can happen where, on the dog itself: each place as what is left of it with the plan; a tap says what holds it down. */
@Component({
  selector: 'man-hazard-map',
  imports: [BodyMap, NgTemplateOutlet],
  templateUrl: './hazard-map.html',
  styleUrl: './hazard-map.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HazardMap {
  private readonly words = inject(Words);
  readonly plan = input.required<HandlingPlan>();
  readonly asked = input.required<PlanInput>();
  readonly look = input<Look | undefined>();
  protected readonly bands = BANDS;
  protected readonly picked = signal<ZoneId | undefined>(undefined);
  protected readonly hazard = (r: RegisterRow): string => this.words.labels.incident[r.hazard];
  protected readonly zones = this.words.labels.zone;
  protected readonly eased = sayEased;
  protected readonly visits = inVisits;
  protected readonly harm = (r: RegisterRow): string => HARM[r.severity - 1] ?? '';
  protected readonly bandNames: Readonly<Record<RiskBand, string>> = {
    low: $localize`:@@hazards.low:little`,
    moderate: $localize`:@@hazards.some:some`,
    high: $localize`:@@hazards.much:much`,
    extreme: $localize`:@@hazards.most:most`,
  };

  /** The places of the plan, the weightiest first, each with its hazards. */
  private readonly places = computed(() => {
    const of = new Map<ZoneId, RegisterRow[]>();
    for (const r of registerByPlace(this.plan(), this.asked()).sort(byWeightLeft))
      if (!OF_THE_DOG.includes(r.hazard)) of.set(r.zone, [...(of.get(r.zone) ?? []), r]);
    return [...of].map(([zone, rows]) => ({ zone, rows: rows.slice(0, LINES_SHOWN) }));
  });
  protected readonly paint = computed<ReadonlyMap<ZoneId, ZonePaint>>(
    () => new Map(this.places().map(({ zone, rows }) => [zone, { risk: rows[0]?.bandAfter }])),
  );
  protected readonly ofTheDog = computed(() => this.plan().register.filter((r) => OF_THE_DOG.includes(r.hazard)));
  protected readonly shown = computed(() => {
    const zone = this.picked();
    if (zone === undefined) return this.places().slice(0, PLACES_SHOWN);
    return [this.places().find((p) => p.zone === zone) ?? { zone, rows: [] }];
  });

  protected pick(zone: ZoneId): void {
    this.picked.update((now) => (now === zone ? undefined : zone));
  }
  protected why(row: RegisterRow): string {
    const controls = row.controls.map((c) => this.words.say(c.because));
    return controls.length > 0 ? controls.slice(0, 3).join(' ') : row.reasons.slice(0, 1).map(this.words.say).join(' ');
  }
}
