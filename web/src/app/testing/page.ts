/** A page that can be waited for. */
interface Page {
  whenStable(): Promise<unknown>;
}

/** One turn of the event loop: everything that was ready has run. */
export const turn = (): Promise<void> =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });

/** Lets answers that are there arrive and be drawn. What takes longer is waited for with `until`. */
export async function settle(fixture: Page): Promise<void> {
  await turn();
  await fixture.whenStable();
  await turn();
  await fixture.whenStable();
}

/** How long `until` looks, ms, and how often. */
const PATIENCE_MS = 60_000;
const LOOK_EVERY_MS = 10;

/** Waits until something is so. @throws when it has not come within a minute */
export async function until(fixture: Page, so: () => boolean | Promise<boolean>, page = (): string => ''): Promise<void> {
  const end = performance.now() + PATIENCE_MS;
  while (!(await so())) {
    if (performance.now() > end) throw new Error(`it never came to be: ${so.toString()}; the page says: ${page()}`);
    await new Promise((done) => setTimeout(done, LOOK_EVERY_MS));
    await fixture.whenStable();
  }
}

/** A button by its text, or by its label for who cannot see it. */
export function buttonOf(host: HTMLElement, text: string): HTMLButtonElement {
  const all = [...host.querySelectorAll('button')];
  const found = all.find((b) => b.textContent?.replace(/\s+/g, ' ').trim() === text || b.getAttribute('aria-label') === text);
  if (!found) throw new Error(`no button ${text} among ${all.map((b) => b.textContent?.trim()).join(' | ')}`);
  return found;
}

export function typeInto(host: HTMLElement, name: string, value: string): void {
  const field = host.querySelector<HTMLInputElement | HTMLTextAreaElement>(`input[name="${name}"], textarea[name="${name}"]`);
  if (!field) throw new Error(`no field ${name}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('change'));
}
