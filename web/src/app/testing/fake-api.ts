import type { Provider } from '@angular/core';
import { ApiService, type Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';

export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** A server that answers by the beginning of the path, and remembers what it was sent. */
export class FakeApi {
  readonly sent: Sent[] = [];
  /** Answers by method and beginning of the path; the longest beginning counts. */
  readonly answers = new Map<string, unknown>();
  readonly refusals = new Map<string, { code: string; title: string; detail?: string; errors?: { path: string; message: string }[] }>();

  get(path: string): Promise<Answer<unknown>> {
    return this.send('GET', path, undefined);
  }
  send(method: string, path: string, body: unknown): Promise<Answer<unknown>> {
    this.sent.push({ method, path, body });
    const key = [...this.answers.keys(), ...this.refusals.keys()]
      .filter((k) => `${method} ${path}`.startsWith(k))
      .sort((a, b) => b.length - a.length)[0];
    const refusal = key === undefined ? undefined : this.refusals.get(key);
    if (refusal)
      return Promise.resolve({ ok: false, failure: { kind: 'refused', problem: { type: '', status: 422, ...refusal } as never } });
    return Promise.resolve({ ok: true, value: key === undefined ? null : this.answers.get(key) });
  }
  /** Bodies that went to a path. */
  bodies(method: string, path: string): unknown[] {
    return this.sent.filter((s) => s.method === method && s.path === path).map((s) => s.body);
  }

  providers(): Provider[] {
    return [
      { provide: ApiService, useValue: this },
      { provide: SessionService, useValue: { signedIn: () => ({ staff: { name: 'Imke Aldous' } }), may: () => true } },
    ];
  }
}

/** Lets answers arrive and the page settle. */
export async function settle(fixture: { whenStable(): Promise<unknown> }): Promise<void> {
  for (let i = 0; i < 4; i++) {
    await new Promise((done) => setTimeout(done, 5));
    await fixture.whenStable();
  }
}

/** Waits until something is so. @throws when it has not come within five seconds */
export async function until(fixture: { whenStable(): Promise<unknown> }, so: () => boolean, page = (): string => ''): Promise<void> {
  for (let i = 0; i < 250 && !so(); i++) {
    await new Promise((done) => setTimeout(done, 20));
    await fixture.whenStable();
  }
  if (!so()) throw new Error(`it never came to be: ${so.toString()}; the page says: ${page()}`);
}

/** A button by its text, or by its label for who cannot see it. */
export function buttonOf(host: HTMLElement, text: string): HTMLButtonElement {
  const all = [...host.querySelectorAll('button')];
  const found = all.find((b) => b.textContent?.replace(/\s+/g, ' ').trim() === text || b.getAttribute('aria-label') === text);
  if (!found) throw new Error(`no button ${text} among ${all.map((b) => b.textContent?.trim()).join(' | ')}`);
  return found;
}

export function typeInto(host: HTMLElement, name: string, value: string): void {
  const field = host.querySelector<HTMLInputElement | HTMLTextAreaElement>(`[name="${name}"]`);
  if (!field) throw new Error(`no field ${name}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
}
