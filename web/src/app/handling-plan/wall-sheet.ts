import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { emergencyNumbers } from '@mansuet/core/agreement';
import type { HandlingPlan, PlannedStep } from '@mansuet/core/plan';
import type { FeelOver } from '@mansuet/core/findings';
import { ClockService } from '../server/clock.service';
import { VisitStore } from '../visit/visit-store';
import { aboutMinutes, wholeDay } from '../wording/time';
import { Words } from '../wording/words.service';
import { kgOf, sizeOf } from '../wording/formats';

/** Cautions told of each step on paper: the sheet is one page. */
const CAUTIONS_ON_PAPER = 1;

/** The plan on paper, for the wall: one page with what hands need when no screen is near. It is there only when it is printed. */
@Component({
  selector: 'man-wall-sheet',
  templateUrl: './wall-sheet.html',
  styleUrl: './wall-sheet.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WallSheet {
  private readonly words = inject(Words);
  private readonly clock = inject(ClockService);
  private readonly store = inject(VisitStore);
  readonly plan = input.required<HandlingPlan>();
  readonly firstLine = input.required<string>();

  protected readonly head = computed(() => {
    const context = this.store.context();
    const dog = context?.file.dog;
    const state = this.store.state();
    const helper = !state.helperThere
      ? ''
      : state.helperWindows.length === 0
        ? $localize`:@@wall.helper:a helper throughout`
        : $localize`:@@wall.helperFor:a helper for a time`;
    return {
      day: wholeDay(this.store.today()),
      at: state.arrivesAt ? this.clock.sayTime(state.arrivesAt) : '',
      coat: dog ? `${this.words.age(dog.born, this.store.today())}, ${kgOf(dog.weightKg)}, ${this.words.labels.coat[dog.coat]} coat` : '',
      kinds: this.store.kinds().map((k) => this.words.labels.dogKind[k.kind]),
      people: [this.store.groomer()?.name ?? '', helper].filter((x) => x !== ''),
      owner: [
        context?.file.owner.name ?? '',
        ...(context ? emergencyNumbers(context.file.owner, state.consents.get('vet_emergency')?.secondPhone) : []),
      ].filter((x) => x !== ''),
      vet: [dog?.vetName || context?.salon.vetName || '', dog?.vetPhone || context?.salon.vetPhone || ''].filter((x) => x !== ''),
    };
  });
  protected readonly marks = computed(() => this.store.state().feelOver.marks.map((m) => this.mark(m)));
  protected readonly rows = computed(() => this.plan().steps.map((s) => this.row(s)));
  protected readonly notToday = computed(() =>
    this.plan().notToday.map((n) => `${this.words.say(n.what)} (${n.to === 'vet' ? this.vet : n.to === 'left' ? this.left : this.later})`),
  );
  private readonly vet = $localize`:@@wall.vet:for a vet`;
  private readonly left = $localize`:@@wall.left:left`;
  private readonly later = $localize`:@@wall.later:another day`;

  private row(s: PlannedStep) {
    const zones = this.words.labels.zone;
    const places = s.pieces.length > 1 ? this.words.list(s.pieces.map((p) => zones[p.place])) : '';
    const marked = s.pieces.flatMap((p) => p.marks.map((m) => this.mark(m)));
    return {
      id: s.id,
      name: this.words.stepOf(s),
      places,
      about: aboutMinutes(s.minutes, s.minutesRange),
      how: this.words.labels.posture[s.posture],
      hold: [s.hold.hold, ...s.hold.also].map((h) => this.words.labels.hold[h]).join(' + '),
      inHand: s.blade?.blade ? this.blade(this.words.labels.blade[s.blade.blade], s.blade.guard?.id) : '',
      rest: s.breaks.reduce((sum, b) => sum + (b.after === 0 ? b.minutes : 0), 0),
      rests: s.breaks.filter((b) => b.after > 0).map((b) => ({ minutes: b.minutes, after: Math.round(b.after) })),
      heed: s.cautions.slice(0, CAUTIONS_ON_PAPER).map(this.words.say),
      marks: [...new Set(marked)],
    };
  }
  private blade(name: string, guard: string | undefined): string {
    return guard ? $localize`:@@wall.guard:${name}:blade: under guard ${guard}:guard:` : name;
  }
  /** A mark by kind, size and place. */
  private mark(m: FeelOver['marks'][number]): string {
    const kind = m.kind ? this.words.labels.markKind[m.kind] : $localize`:@@wall.aMark:mark`;
    return `${kind} ${sizeOf(m.lengthMm, m.widthMm)}, ${this.words.labels.zone[m.zone]}`;
  }
}
