import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { MarkFound } from '@mansuet/core/findings';
import { type EventBody, uuidV7 } from '@mansuet/core/log';
import { presumedMarks } from '@mansuet/core/visit';
import { MARK_BORDERS, MARK_KINDS, MARK_SURFACES, type ZoneId } from '@mansuet/core/words';
import type { Touch } from '../body-map/body-map';
import { choicesOf } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { Notice } from '../controls/notice';
import { NumberField } from '../controls/number-field';
import { DevicesService } from '../devices/devices.service';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';
import { RANGES } from '../wording/ranges';
import { dayInWords } from '../wording/time';
import { Words } from '../wording/words.service';
import { sizeOf } from '../wording/formats';

type Draft = Pick<MarkFound, 'lengthMm' | 'widthMm' | 'border' | 'surface'> & {
  readonly kind: (typeof MARK_KINDS)[number];
  readonly spot: readonly [number, number] | undefined;
};
const FRESH: Draft = { kind: 'stands_out', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', spot: undefined };

/** What is written down when a hand finds a known mark as it was. */
export function asBefore({
  markId,
  zone,
  lengthMm,
  widthMm,
  border,
  surface,
  kind,
  spot,
  presumedSince,
}: MarkFound): EventBody<'mark_as_before'> {
  return {
    markId,
    zone,
    lengthMm,
    widthMm,
    border,
    surface,
    ...(kind ? { kind } : {}),
    ...(spot ? { spot: [spot[0], spot[1]] } : {}),
    on: presumedSince ?? '',
  };
}

/** The marks of one place: any number, each with its kind, its size and its spot. One that is known is there until somebody looks. */
@Component({
  selector: 'man-marks-here',
  imports: [ChoiceGroup, Notice, NumberField],
  templateUrl: './marks-here.html',
  styleUrl: './marks-here.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarksHere {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly store = inject(VisitStore);
  readonly zone = input.required<ZoneId>();
  /** Where the finger was last. */
  readonly touch = input<Touch | undefined>();

  protected readonly ranges = RANGES;
  protected readonly kinds = choicesOf(MARK_KINDS, this.words.labels.markKind);
  protected readonly borders = choicesOf(MARK_BORDERS, this.words.labels.border);
  protected readonly surfaces = choicesOf(MARK_SURFACES, this.words.labels.surface);
  protected readonly size = sizeOf;
  protected readonly day = (date: string): string => dayInWords(date, this.store.today());
  protected readonly error = signal('');
  protected readonly draft = signal<Draft>(FRESH);
  /** The mark that is being measured, by its id; a new one has no id yet. */
  protected readonly editing = signal<{ readonly markId: string | undefined } | undefined>(undefined);
  /** The side that the next measure of the caliper goes to. */
  private readonly caliperTo = signal<'lengthMm' | 'widthMm'>('lengthMm');

  /** Measured today, and known from before. */
  protected readonly here = computed(() => {
    const state = this.store.state();
    return [...state.feelOver.marks, ...presumedMarks(this.store.planContext()?.knownMarks ?? [], state)].filter(
      (m) => m.zone === this.zone(),
    );
  });

  constructor() {
    // Another place: what was begun for the last one is not carried over to it.
    effect(() => {
      this.zone();
      untracked(() => {
        this.editing.set(undefined);
        this.error.set('');
      });
    });
    effect(() => {
      const touch = this.touch();
      if (touch && touch.zone === this.zone()) untracked(() => this.set({ spot: touch.spot }));
    });
    inject(DevicesService)
      .readings$.pipe(takeUntilDestroyed())
      .subscribe((r) => {
        if (r.device !== 'caliper') return;
        if (this.editing() === undefined) this.begin();
        this.set({ [this.caliperTo()]: Math.round(r.mm * 10) / 10 });
        this.caliperTo.update((side) => (side === 'lengthMm' ? 'widthMm' : 'lengthMm'));
      });
  }

  protected capital(m: MarkFound): string {
    const label = m.kind ? this.words.labels.markKind[m.kind] : 'mark';
    return label.charAt(0).toUpperCase() + label.slice(1);
  }
  protected begin(): void {
    const touch = this.touch();
    this.draft.set({ ...FRESH, spot: touch?.zone === this.zone() ? touch.spot : undefined });
    this.editing.set({ markId: undefined });
  }
  protected measure(m: MarkFound): void {
    const { lengthMm, widthMm, border, surface, spot } = m;
    this.draft.set({ lengthMm, widthMm, border, surface, spot, kind: m.kind ?? 'stands_out' });
    this.editing.set({ markId: m.markId });
  }
  protected set(change: Partial<Draft>): void {
    this.draft.update((m) => ({ ...m, ...change }));
  }
  protected async put(): Promise<void> {
    const { spot, ...m } = this.draft();
    const sound = (x: number): boolean => x > 0 && x <= 300;
    if (!sound(m.lengthMm) || !sound(m.widthMm)) {
      this.error.set('Length and width in mm, above 0 to 300.');
      return;
    }
    this.error.set('');
    const known = this.editing()?.markId;
    const before = this.here().find((x) => x.markId === known);
    const markId = known ?? uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b));
    await this.store.record({
      type: 'mark_felt',
      body: { markId, zone: this.zone(), ...m, ...(spot ? { spot: [spot[0], spot[1]] } : {}), isNew: before === undefined || before.isNew },
    });
    this.editing.set(undefined);
  }
  /** A hand found it as it was; nothing is measured. */
  protected async asBefore(m: MarkFound): Promise<void> {
    await this.store.record({ type: 'mark_as_before', body: asBefore(m) });
  }
  protected async gone(m: MarkFound): Promise<void> {
    await this.store.record({ type: 'mark_gone', body: { markId: m.markId } });
  }
}
