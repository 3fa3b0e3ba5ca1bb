import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { JOINTS, LOOKED_FINDINGS, LOOKED_PARTS, type LookedPart, type ZoneId } from '@mansuet/core/words';
import { PlanStore } from '../visit/plan-store';
import { VisitStore } from '../visit/visit-store';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { sizeOf } from '../wording/formats';

const HAZARDS_SHOWN = 3;

/** What grows while the hands go over the dog: findings, minutes, hazards. */
@Component({
  selector: 'man-growing',
  templateUrl: './growing.html',
  styleUrl: './growing.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Growing {
  protected readonly size = sizeOf;
  private readonly words = inject(Words);
  private readonly plans = inject(PlanStore);
  protected readonly store = inject(VisitStore);
  readonly picked = output<ZoneId>();
  protected readonly label = (z: ZoneId): string => this.words.labels.zone[z];
  protected readonly jointLabels = this.words.labels.joint;
  protected readonly legLabels = this.words.labels.leg;
  protected readonly round = Math.round;
  protected readonly day = (date: string): string => dayInWords(date, this.store.today());
  protected readonly plan = this.plans.plan;
  protected readonly trouble = this.plans.trouble;

  protected readonly feelOver = computed(() => this.store.state().feelOver);
  protected readonly found = computed(() => {
    const f = this.feelOver();
    const looked = LOOKED_PARTS.flatMap((p) => {
      const finding = f.looked?.[p];
      return finding && finding !== LOOKED_FINDINGS[p][0]
        ? [`${this.words.labels.lookedPart[p]}${this.where(p) ?? ` ${this.words.labels.lookedFinding[finding]}`}`]
        : [];
    });
    return {
      mats: f.zones.filter((z) => z.matGrade > 0 || z.crust || z.skin !== 'sound'),
      marks: f.marks,
      joints: JOINTS.filter((j) => (f.joints[j] ?? 'free') !== 'free'),
      looked,
    };
  });
  /** The places of what can be anywhere, in words. */
  private where(part: LookedPart): string | undefined {
    const at = part === 'seeds' || part === 'ticks' ? (this.feelOver().foundAt?.[part] ?? []) : [];
    return at.length > 0 ? `: ${this.words.list(at.map((z) => this.words.labels.zone[z]))}` : undefined;
  }
  protected readonly spared = computed(() => {
    const { favours } = this.feelOver();
    return favours === 'none' ? undefined : favours;
  });
  protected readonly nothing = computed(() => {
    const f = this.found();
    return f.mats.length + f.marks.length + f.joints.length + f.looked.length === 0 && !this.spared();
  });
  /** The weightiest hazards, one line for each kind, with what is left of it after the plan's controls. */
  protected readonly hazards = computed(() => {
    const rows = [...(this.plan()?.register ?? [])].sort((a, b) => b.scoreBefore - a.scoreBefore || b.chanceToday - a.chanceToday);
    const seen = new Set<string>();
    return rows
      .filter((r) => !seen.has(r.hazard) && seen.add(r.hazard))
      .slice(0, HAZARDS_SHOWN)
      .map((r) => ({
        what: `${this.words.labels.incident[r.hazard]}, ${this.words.labels.zone[r.zone]}`,
        before: r.bandBefore,
        after: r.bandAfter,
      }));
  });
  protected readonly forVet = computed(() => this.plan()?.notToday.filter((n) => n.to === 'vet').length ?? 0);

  constructor() {
    this.plans.watch();
  }
}
