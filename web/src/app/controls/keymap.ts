import { ApplicationRef, DOCUMENT, DestroyRef, Injectable, computed, inject, signal } from '@angular/core';

/** Something that a key does on a screen. */
export interface KeyAction {
  /** Stays the same whatever the key: what the device keeps changes by. */
  readonly id: string;
  readonly key: string;
  readonly says: string;
  readonly act: () => void;
  /** Of a pedal, beside the key; the device keeps it. */
  readonly pedal?: string | undefined;
  /** Answers also while a slip is open. */
  readonly overSlip?: boolean;
}
interface ScreenKeys {
  readonly name: string;
  readonly actions: () => readonly KeyAction[];
}
interface KeySettings {
  readonly on: boolean;
  readonly changed: Readonly<Record<string, string>>;
  readonly pedals: Readonly<Record<string, string>>;
}

const KEPT = 'mansuet.keys';
const FIELDS =
  'input:not([type=radio]):not([type=checkbox]):not([type=button]), textarea, select, [contenteditable=""], [contenteditable=true], [role=textbox], [role=combobox]';
/** From F13 on no keyboard has them, and no browser uses them. */
const WRITES_NOTHING = /^F(1[3-9]|2[0-4])$/;
/** What answers to Enter and Space itself. */
const PRESSABLE = 'button, a[href], summary, [role=button], [data-zone]';

/**
 * The keys of the screen in hand. None acts in a field, none with Ctrl, Alt or Meta held, and Enter and Space belong to
 * what has the focus. They can be switched off and changed (WCAG 2.2, 2.1.4); the device keeps that.
 */
@Injectable({ providedIn: 'root' })
export class Keymap {
  private readonly document = inject(DOCUMENT);
  private readonly app = inject(ApplicationRef);
  private readonly screens = signal<readonly ScreenKeys[]>([]);
  private readonly settings = signal(kept());
  /** Slips that are open, the latest last, with what closes each when Escape does not do it by itself. */
  private readonly slips = signal<readonly { readonly close: (() => void) | undefined }[]>([]);
  /** Asked to show the keys of the screen. */
  readonly listOpen = signal(false);

  readonly on = computed(() => this.settings().on);
  /** The keys of the screen as they are now, the ones of its parts after its own. */
  readonly shown = computed<readonly KeyAction[]>(() =>
    this.screens().flatMap((s) =>
      s.actions().map((a) => ({ ...a, key: this.settings().changed[a.id] ?? a.key, pedal: this.settings().pedals[a.id] })),
    ),
  );
  readonly name = computed(() => this.screens()[0]?.name ?? '');

  constructor() {
    const listen = (event: KeyboardEvent): void => {
      // What a key opens or closes stands before the next key is heard: a pedal and a quick hand do not wait for a frame.
      if (this.hear(event)) this.app.tick();
    };
    this.document.addEventListener('keydown', listen);
    inject(DestroyRef).onDestroy(() => this.document.removeEventListener('keydown', listen));
  }

  /** The keys of a screen, while the component that calls this is there. In an injection context. */
  use(name: string, actions: () => readonly KeyAction[]): void {
    const mine: ScreenKeys = { name, actions };
    this.screens.update((all) => [...all, mine]);
    inject(DestroyRef).onDestroy(() => this.screens.update((all) => all.filter((s) => s !== mine)));
  }

  /**
   * A slip is open: most keys rest until it is closed, and Escape closes it wherever the focus is.
   * @returns call it when it is closed
   */
  rest(close?: () => void): () => void {
    const slip = { close };
    this.slips.update((all) => [...all, slip]);
    return () => this.slips.update((all) => all.filter((s) => s !== slip));
  }

  switchOn(on: boolean): void {
    this.keep({ ...this.settings(), on });
  }

  /** Gives an action another key. @returns the action that has the key already; nothing is changed then */
  change(id: string, key: string): KeyAction | undefined {
    const taken = this.shown().find((a) => a.id !== id && isKeyOf(a, key));
    if (!taken) this.keep({ ...this.settings(), changed: { ...this.settings().changed, [id]: key } });
    return taken;
  }

  /**
   * Gives an action a pedal beside its key: any device that sends keys. The pedal leaves the action that it had before.
   * @returns the action that has this as its key; nothing is changed then
   */
  usePedal(id: string, key: string): KeyAction | undefined {
    const taken = this.shown().find((a) => sameKey(a.key, key));
    const others = Object.entries(this.settings().pedals).filter(([other, theirs]) => other !== id && !sameKey(theirs, key));
    if (!taken) this.keep({ ...this.settings(), pedals: { ...Object.fromEntries(others), [id]: key } });
    return taken;
  }

  /** All keys as they came. */
  reset(): void {
    this.keep({ on: true, changed: {}, pedals: {} });
  }

  private keep(settings: KeySettings): void {
    this.settings.set(settings);
    localStorage.setItem(KEPT, JSON.stringify(settings));
  }

  /** @returns whether it did something */
  private hear(event: KeyboardEvent): boolean {
    if (event.ctrlKey || event.metaKey || event.altKey) return false;
    if (event.defaultPrevented) return event.key === 'Escape';
    const target = event.target instanceof Element ? event.target : undefined;
    if (event.key === 'Escape') {
      this.slips().at(-1)?.close?.();
      return true;
    }
    // A key that writes nothing, as pedals send them, acts in a field as well.
    if (target?.closest(FIELDS) && !WRITES_NOTHING.test(event.key)) return false;
    if ((event.key === 'Enter' || event.key === ' ') && target?.closest(PRESSABLE)) return false;
    // The list of keys always answers: it is where they are switched on again.
    if (event.key === '?' && this.slips().length === 0) {
      event.preventDefault();
      this.listOpen.set(true);
      return true;
    }
    if (!this.on()) return false;
    const action = this.shown().find((a) => isKeyOf(a, event.key));
    if (!action || (this.slips().length > 0 && action.overSlip !== true)) return false;
    event.preventDefault();
    action.act();
    return true;
  }
}

const isKeyOf = (a: KeyAction, key: string): boolean => sameKey(a.key, key) || (a.pedal !== undefined && sameKey(a.pedal, key));
const sameKey = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

function kept(): KeySettings {
  const asCame: KeySettings = { on: true, changed: {}, pedals: {} };
  let raw: unknown;
  try {
    raw = JSON.parse(localStorage.getItem(KEPT) ?? 'null');
  } catch {
    return asCame;
  }
  if (typeof raw !== 'object' || raw === null) return asCame;
  return { on: Reflect.get(raw, 'on') !== false, changed: keysIn(Reflect.get(raw, 'changed')), pedals: keysIn(Reflect.get(raw, 'pedals')) };
}

function keysIn(kept: unknown): Readonly<Record<string, string>> {
  if (typeof kept !== 'object' || kept === null) return {};
  return Object.fromEntries(Object.entries(kept).filter((e): e is [string, string] => typeof e[1] === 'string'));
}
