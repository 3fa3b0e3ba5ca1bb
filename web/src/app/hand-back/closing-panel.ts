import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { ClosingLine } from '@mansuet/core/words';
import { ChoiceGroup } from '../controls/choice-group';
import { TextField } from '../controls/text-field';
import { VisitStore } from '../visit/visit-store';
import { Words } from '../wording/words.service';
import { HandBackStore } from './hand-back-store';

const REASONS: readonly string[] = [
  $localize`:@@closing.notNeeded:It was not needed`,
  $localize`:@@closing.dogForbids:The dog would not have it`,
  $localize`:@@closing.ownerThere:The owner was there already`,
];

/** The list that makes an end safe, worked off before the dog goes home. What is left out needs a reason, and the owner is told. */
@Component({
  selector: 'man-closing-panel',
  imports: [ChoiceGroup, TextField],
  template: `<h2 i18n="@@closing.before">Before it goes home</h2>
    <p class="quiet small" i18n="@@closing.beforeWhy">Each line is done, or left out with a reason that the owner reads.</p>
    <ol>
      @for (l of store.closing()?.lines ?? []; track l.line) {
        <li [class.done]="l.done || l.skipped !== undefined">
          @if (l.done) {
            <span
              ><span aria-hidden="true">✓</span> {{ labels[l.line] }}
              <span class="visually-hidden" i18n="@@closing.isDone">done</span></span
            >
          } @else if (l.skipped !== undefined) {
            <span i18n="@@closing.isSkipped"
              >{{ labels[l.line] }} <em>left out: {{ l.skipped }}</em></span
            >
          } @else {
            <button type="button" class="plain wide" (click)="tick(l.line)">{{ labels[l.line] }}</button>
            <button
              type="button"
              class="plain tiny"
              (click)="skipping.set(l.line)"
              i18n-aria-label="@@closing.skipOne"
              [attr.aria-label]="'Leave out: ' + labels[l.line]"
            >
              <span i18n="@@closing.skip">Leave out</span>
            </button>
          }
          @if (skipping() === l.line) {
            <div class="why stack">
              <man-choice label="Why is it left out?" i18n-label="@@closing.whyOut" shown [of]="reasons" (chosen)="skip(l.line, $event)" />
              <man-text
                label="Or in your words"
                i18n-label="@@closing.ownWhy"
                name="closingWhy"
                [most]="200"
                [error]="error()"
                [value]="why()"
                (typed)="why.set($event)"
              />
              <div class="row">
                <button type="button" class="plain" (click)="skip(l.line, why())" i18n="@@closing.keepWhy">Keep the reason</button>
                <button type="button" class="plain" (click)="skipping.set(undefined)" i18n="@@closing.notSkip">Do it after all</button>
              </div>
            </div>
          }
        </li>
      }
    </ol>
    @if (open() > 1) {
      <button type="button" class="plain" (click)="all()" i18n="@@closing.all">All of it is done</button>
    }`,
  styles: `
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 8px;
      align-items: center;
      padding: 3px 0;
    }
    .wide {
      justify-content: flex-start;
      text-align: left;
    }
    .done {
      color: var(--quiet);
    }
    .why {
      grid-column: 1 / -1;
      padding: 6px 0 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClosingPanel {
  private readonly visit = inject(VisitStore);
  protected readonly store = inject(HandBackStore);
  protected readonly labels = inject(Words).labels.closing;
  protected readonly reasons = REASONS.map((r) => ({ value: r, label: r }));
  protected readonly skipping = signal<ClosingLine | undefined>(undefined);
  protected readonly why = signal('');
  protected readonly error = signal('');
  protected readonly open = computed(() => this.store.closing()?.open ?? 0);

  protected async tick(line: ClosingLine): Promise<void> {
    await this.visit.record({ type: 'closing_done', body: { line } });
  }
  protected async skip(line: ClosingLine, why: string): Promise<void> {
    const says = why.trim();
    this.error.set(says === '' ? $localize`:@@closing.whyMissing:Write why; the owner reads it.` : '');
    if (says === '' || !(await this.visit.record({ type: 'closing_skipped', body: { line, why: says } }))) return;
    this.skipping.set(undefined);
    this.why.set('');
  }
  /** At one stroke, and taken back at one. */
  protected async all(): Promise<void> {
    const [first, ...more] = (this.store.closing()?.lines ?? []).flatMap((l) =>
      l.done || l.skipped !== undefined ? [] : [{ type: 'closing_done' as const, body: { line: l.line } }],
    );
    if (first) await this.visit.record(first, ...more);
  }
}
