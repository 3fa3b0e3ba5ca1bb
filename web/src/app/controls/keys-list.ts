import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { type KeyAction, Keymap } from './keymap';
import { Notice } from './notice';
import { Toggle } from './toggle';

/** The keys of the screen: what each does, another one for it, and all of them off. */
@Component({
  selector: 'man-keys-list',
  imports: [Notice, Toggle],
  template: `<div class="stack">
    <p i18n="@@keys.none">No key acts while you type in a field.</p>
    <div class="row">
      <man-toggle [label]="onSays" [on]="keymap.on()" (changed)="keymap.switchOn($event)" />
      <button type="button" class="plain" (click)="keymap.reset()" i18n="@@keys.reset">All as they came</button>
    </div>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    <ul>
      @for (a of keymap.shown(); track a.id) {
        <li>
          <kbd>{{ a.key }}</kbd>
          <span
            >{{ a.says }}
            @if (a.pedal; as pedal) {
              <kbd class="pedal">{{ pedal }}</kbd>
            }
          </span>
          <button
            type="button"
            class="plain tiny"
            [attr.aria-pressed]="waiting() === a.id"
            [attr.aria-label]="anotherFor(a)"
            (click)="waitForKey(a.id)"
            (keydown)="press($event, a)"
          >
            @if (waiting() === a.id) {
              <ng-container i18n="@@keys.press">Press a key …</ng-container>
            } @else {
              <ng-container i18n="@@keys.another">Another</ng-container>
            }
          </button>
          <button
            type="button"
            class="plain tiny"
            [attr.aria-pressed]="pedalOf() === a.id"
            [attr.aria-label]="pedalFor(a)"
            (click)="waitForPedal(a.id)"
          >
            @if (pedalOf() === a.id) {
              <ng-container i18n="@@keys.pressPedal">Press it …</ng-container>
            } @else {
              <ng-container i18n="@@keys.pedal">Pedal</ng-container>
            }
          </button>
        </li>
      } @empty {
        <li class="quiet" i18n="@@keys.ownNone">This screen has no keys of its own. Tab and arrows go everywhere.</li>
      }
      <li>
        <kbd>?</kbd>
        <span i18n="@@keys.list">this list</span>
      </li>
    </ul>
  </div>`,
  styles: `
    li {
      display: grid;
      grid-template-columns: 64px 1fr auto auto;
      gap: 8px;
      align-items: center;
      padding: 4px 0;
    }
    kbd {
      justify-self: start;
    }
    .pedal {
      margin-left: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysList {
  protected readonly keymap = inject(Keymap);
  /** The action that waits for its new key. */
  protected readonly waiting = signal('');
  /** The action that waits for its pedal. */
  protected readonly pedalOf = signal('');
  protected readonly trouble = signal('');
  protected readonly onSays = $localize`:@@keys.on:Single keys answer`;

  protected anotherFor(action: KeyAction): string {
    return $localize`:@@keys.anotherFor:Another key for: ${action.says}:what:`;
  }

  protected pedalFor(action: KeyAction): string {
    return $localize`:@@keys.pedalFor:A pedal for: ${action.says}:what:`;
  }
  protected waitForKey(id: string): void {
    this.waiting.update((now) => (now === id ? '' : id));
    this.pedalOf.set('');
  }
  protected waitForPedal(id: string): void {
    this.pedalOf.update((now) => (now === id ? '' : id));
    this.waiting.set('');
  }

  protected press(event: KeyboardEvent, action: KeyAction): void {
    if (this.waiting() === action.id) this.give(event, (key) => this.keymap.change(action.id, key));
  }

  /** A pedal is a keyboard to the browser: it is heard wherever the focus is, and before the key it sends does anything. */
  private readonly hearPedal = (event: KeyboardEvent): void => {
    const id = this.pedalOf();
    if (id !== '') this.give(event, (key) => this.keymap.usePedal(id, key));
  };
  constructor() {
    document.addEventListener('keydown', this.hearPedal, true);
    inject(DestroyRef).onDestroy(() => document.removeEventListener('keydown', this.hearPedal, true));
  }

  private give(event: KeyboardEvent, change: (key: string) => { readonly says: string } | undefined): void {
    // Tab and Escape stay what they are: the way on, and the way out.
    if (event.key === 'Tab' || event.key === 'Shift') return;
    event.preventDefault();
    event.stopPropagation();
    this.waiting.set('');
    this.pedalOf.set('');
    if (event.key === 'Escape') return;
    const taken = event.key === '?' ? { says: $localize`:@@keys.list:this list` } : change(event.key);
    this.trouble.set(
      taken ? $localize`:@@keys.taken:This key is taken: ${taken.says}:what:. Choose another one, or change that first.` : '',
    );
  }
}
