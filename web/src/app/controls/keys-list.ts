import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
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
          <span>{{ a.says }}</span>
          <button
            type="button"
            class="plain tiny"
            [attr.aria-pressed]="waiting() === a.id"
            [attr.aria-label]="anotherFor(a)"
            (click)="waiting.set(waiting() === a.id ? '' : a.id)"
            (keydown)="press($event, a)"
          >
            @if (waiting() === a.id) {
              <ng-container i18n="@@keys.press">Press a key …</ng-container>
            } @else {
              <ng-container i18n="@@keys.another">Another</ng-container>
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
      grid-template-columns: 64px 1fr auto;
      gap: 8px;
      align-items: center;
      padding: 4px 0;
    }
    kbd {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysList {
  protected readonly keymap = inject(Keymap);
  /** The action that waits for its new key. */
  protected readonly waiting = signal('');
  protected readonly trouble = signal('');
  protected readonly onSays = $localize`:@@keys.on:Single keys answer`;

  protected anotherFor(action: KeyAction): string {
    return $localize`:@@keys.anotherFor:Another key for: ${action.says}:what:`;
  }

  protected press(event: KeyboardEvent, action: KeyAction): void {
    // Tab and Escape stay what they are: the way on, and the way out.
    if (this.waiting() !== action.id || event.key === 'Tab' || event.key === 'Shift') return;
    event.preventDefault();
    event.stopPropagation();
    this.waiting.set('');
    if (event.key === 'Escape') return;
    const taken = event.key === '?' ? { says: $localize`:@@keys.list:this list` } : this.keymap.change(action.id, event.key);
    this.trouble.set(
      taken ? $localize`:@@keys.taken:This key is taken: ${taken.says}:what:. Choose another one, or change that first.` : '',
    );
  }
}
