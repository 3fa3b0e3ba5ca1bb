import { NgTemplateOutlet } from '@angular/common';
import { BreakpointObserver } from '@angular/cdk/layout';
import { CdkDrag, type CdkDragEnd, type CdkDragMove } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal, viewChildren } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';
import { type LeadLine, type LineTag, stackOf } from './lines-of-day';
import { clockOf, hourOf } from '../wording/formats';

/** Where a dog is put: with whom, and from which minute of the day. */
export interface PutAt {
  readonly visitId: string;
  readonly person: string;
  readonly from: number;
}

/** All times are on this grid, minutes. */
const STEP = 5;
/** One press of a key, minutes. */
const KEY_STEP = 15;
/** Where the first tag of a line hangs, and each that stands below it. */
const [FIRST_TAG_PX, NEXT_TAG_PX] = [17, 58];
const NARROW = '(max-width: 720px)';

/**
 * A day as lead lines: a line for each pair of hands, from the hook of their first hour to the hook of their last, and a tag for each dog. A tag is dragged, or
 * moved with Alt and the arrows; on a phone the lines are lists.
 */
@Component({
  selector: 'man-lead-lines',
  imports: [CdkDrag, NgTemplateOutlet],
  templateUrl: './lead-lines.html',
  styleUrl: './lead-lines.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeadLines {
  readonly lines = input.required<readonly LeadLine[]>();
  /** The hours that are shown, minutes of the day. */
  readonly from = input.required<number>();
  readonly to = input.required<number>();
  readonly now = input<number | undefined>();
  readonly selected = input<string | undefined>();
  readonly late = input<ReadonlySet<string>>(new Set());
  readonly mayMove = input(false);
  readonly dogOf = input.required<(visitId: string) => string>();
  readonly nameOf = input.required<(personId: string) => string>();
  readonly saysOf = input<(personId: string) => string>(() => '');
  readonly chosen = output<string>();
  /** While it is dragged. */
  readonly moving = output<PutAt | undefined>();
  readonly moved = output<PutAt>();

  protected readonly DELAY = { touch: 200, mouse: 0 };
  protected readonly helpsWord = $localize`:@@lines.helps:helps`;
  private readonly rows = viewChildren<ElementRef<HTMLElement>>('row');
  private readonly tracks = viewChildren<ElementRef<HTMLElement>>('track');
  protected readonly narrow = toSignal(
    inject(BreakpointObserver)
      .observe(NARROW)
      .pipe(map((s) => s.matches)),
    { initialValue: false },
  );
  /** Over whose line a tag is held. */
  protected readonly over = signal<string | undefined>(undefined);
  private dragged = false;

  protected readonly hours = computed(() => {
    const first = Math.ceil(this.from() / 60);
    return Array.from({ length: Math.max(0, Math.floor(this.to() / 60) - first + 1) }, (_, i) => (first + i) * 60);
  });

  protected readonly stacks = computed(() => new Map(this.lines().map((l) => [l.personId, stackOf(l.tags)])));
  protected topOf(row: number | undefined): number | null {
    return row === undefined || row === 0 ? null : FIRST_TAG_PX + row * NEXT_TAG_PX;
  }
  protected heightOf(rows: number): number | null {
    return rows > 1 ? FIRST_TAG_PX + rows * NEXT_TAG_PX : null;
  }

  protected at(minute: number): number {
    return ((minute - this.from()) / (this.to() - this.from())) * 100;
  }
  protected share(from: number, to: number): number {
    return this.at(to) - this.at(from);
  }
  protected readonly clock = clockOf;
  protected readonly hour = hourOf;

  protected sayBreak(b: { readonly from: number; readonly to: number }): string {
    return $localize`:@@lines.sayBreak:Break ${clockOf(b.from)}:from: to ${clockOf(b.to)}:to:`;
  }
  protected sayTag(t: LineTag): string {
    if (t.as === 'done') return $localize`:@@lines.until:until ${clockOf(t.to)}:to:`;
    const bath = t.parts.some((p) => p.work === 'bath');
    const until = clockOf(t.to);
    return bath ? $localize`:@@lines.bath:bath and table, until ${until}:to:` : $localize`:@@lines.table:table, until ${until}:to:`;
  }
  protected sayWhole(t: LineTag, personId: string): string {
    const [dog, who, when] = [this.dogOf()(t.visitId), this.nameOf()(personId), clockOf(t.from)];
    const held = t.held ? $localize`:@@lines.held:, put by hand` : '';
    const late = this.late().has(t.visitId) ? $localize`:@@lines.late:, later than was said` : '';
    return $localize`:@@lines.whole:${dog}:dog: with ${who}:who: at ${when}:when:, ${this.sayTag(t)}:what:${held}:held:${late}:late:`;
  }

  protected choose(t: LineTag): void {
    if (this.dragged) this.dragged = false;
    else this.chosen.emit(t.visitId);
  }

  protected key(event: KeyboardEvent, t: LineTag, personId: string): void {
    if (!event.altKey || !this.mayMove() || t.as !== 'planned') return;
    const people = this.lines().map((l) => l.personId);
    const at = people.indexOf(personId);
    const by = { ArrowLeft: -KEY_STEP, ArrowRight: KEY_STEP }[event.key];
    const row = { ArrowUp: people[at - 1], ArrowDown: people[at + 1] }[event.key];
    if (by === undefined && row === undefined) return;
    event.preventDefault();
    this.moved.emit({ visitId: t.visitId, person: row ?? personId, from: t.from + (by ?? 0) });
  }

  protected drag(event: CdkDragMove, t: LineTag): void {
    const to = this.target(event.distance.x, event.pointerPosition.y, t);
    this.over.set(to?.person);
    this.moving.emit(to);
  }
  protected drop(event: CdkDragEnd, t: LineTag): void {
    const to = this.target(event.distance.x, event.dropPoint.y, t);
    event.source.reset();
    this.dragged = true;
    // The click that ends a drag comes at once, or not at all.
    setTimeout(() => (this.dragged = false));
    this.over.set(undefined);
    this.moving.emit(undefined);
    if (to) this.moved.emit(to);
  }

  /** @param onPage as the dragging library tells it, from the top of the page */
  private target(x: number, onPage: number, t: LineTag): PutAt | undefined {
    const pointerY = onPage - window.scrollY;
    const width = this.tracks()[0]?.nativeElement.clientWidth ?? 0;
    const row = this.rows().find((r) => {
      const box = r.nativeElement.getBoundingClientRect();
      return pointerY >= box.top && pointerY <= box.bottom;
    });
    const person = row?.nativeElement.dataset['person'];
    if (width === 0 || person === undefined) return undefined;
    const minutes = (x / width) * (this.to() - this.from());
    return { visitId: t.visitId, person, from: Math.round((t.from + minutes) / STEP) * STEP };
  }
}
