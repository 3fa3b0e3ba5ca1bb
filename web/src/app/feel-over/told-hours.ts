import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { type MedicineTold, minutesUntil, type ToldHours } from '@mansuet/core/knowledge/fit';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';

/** When it ate and what it was given today, with the hour, as the owner tells it: no dose, no advice. */
@Component({
  selector: 'man-told-hours',
  imports: [TextField],
  templateUrl: './told-hours.html',
  styleUrl: './told-hours.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ToldHoursFields {
  private readonly clock = inject(ClockService);
  readonly hours = input<ToldHours | undefined>();
  /** Medicines of the file: the names that are offered. */
  readonly known = input<readonly string[]>([]);
  readonly told = output<ToldHours | undefined>();
  protected readonly what = signal('');
  protected readonly at = signal('');
  protected readonly whatError = signal('');
  protected readonly atError = signal('');
  protected readonly given = computed(() => this.hours()?.medicines ?? []);
  /** Names of the file that were not told yet. */
  protected readonly offered = computed(() => this.known().filter((m) => !this.given().some((g) => g.what === m)));
  protected readonly ago = computed(() => {
    const { meal, toldAt } = this.hours() ?? {};
    if (meal === undefined || toldAt === undefined) return '';
    const minutes = minutesUntil(meal, toldAt);
    return minutes < 90
      ? $localize`:@@hours.minutesAgo:${minutes}:minutes: min before it was told`
      : $localize`:@@hours.hoursAgo:about ${Math.round(minutes / 60)}:hours: h before it was told`;
  });

  protected setMeal(meal: string): void {
    this.tell({ meal: meal || undefined });
  }
  protected add(): void {
    const what = this.what().trim();
    this.whatError.set(what === '' ? $localize`:@@hours.nameMissing:What was it? The name on the box.` : '');
    this.atError.set(this.at() === '' ? $localize`:@@hours.hourMissing:At what time?` : '');
    if (what === '' || this.at() === '') return;
    this.tell({ medicines: [...this.given(), { what, at: this.at() }] });
    this.what.set('');
    this.at.set('');
  }
  protected remove(told: MedicineTold): void {
    this.tell({ medicines: this.given().filter((m) => m !== told) });
  }
  private tell(change: Partial<Omit<ToldHours, 'toldAt'>>): void {
    const { meal, medicines = [] } = { meal: this.hours()?.meal, medicines: this.given(), ...change };
    const nothing = meal === undefined && medicines.length === 0;
    const toldAt = this.clock.timeOfDay();
    this.told.emit(
      nothing ? undefined : { toldAt, ...(meal === undefined ? {} : { meal }), ...(medicines.length > 0 ? { medicines } : {}) },
    );
  }
}
