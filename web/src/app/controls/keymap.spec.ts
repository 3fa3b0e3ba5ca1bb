import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { ApplicationRef, ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { KeysListHarness, OverSlipHarness, SlipHarness } from './testing/slip.harness';
import { KeyHint } from './key-hint';
import { Keymap } from './keymap';
import { KeysList } from './keys-list';
import { OverSlip } from './over-slip';
import { Slip } from './slip';

@Component({
  imports: [KeyHint, KeysList, OverSlip, Slip],
  template: `<button type="button" id="opener" (click)="beside.set(true)">Incident</button>
    <button type="button" id="over-opener" (click)="over.set(true)">Large</button>
    <span id="hint"><man-key of="spec.pause" /></span>
    <input id="field" />
    <man-keys-list />
    @if (beside()) {
      <man-slip name="Incident" (closed)="beside.set(false)"><input id="inside" /></man-slip>
    }
    @if (over()) {
      <man-over-slip name="Photograph" (closed)="over.set(false)">a picture</man-over-slip>
    }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly did: string[] = [];
  readonly beside = signal(false);
  readonly over = signal(false);
  constructor() {
    inject(Keymap).use('the spec', () => [
      { id: 'spec.pause', key: 'p', says: 'pause', overSlip: true, act: () => this.did.push('pause') },
      { id: 'spec.signal', key: '1', says: 'signal', act: () => this.did.push('signal') },
      { id: 'spec.main', key: 'Enter', says: 'go on', act: () => this.did.push('main') },
      { id: 'spec.open', key: 'o', says: 'open', act: () => this.beside.set(true) },
    ]);
  }
}

describe('controls: keys and slips', () => {
  let fixture: ComponentFixture<Page>;
  let keymap: Keymap;
  const at = <T extends HTMLElement>(id: string): T => document.getElementById(id) as T;
  const press = async (key: string, on: HTMLElement = document.body, more: KeyboardEventInit = {}): Promise<void> => {
    on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }));
    await fixture.whenStable();
  };
  beforeEach(async () => {
    localStorage.removeItem('mansuet.keys');
    fixture = TestBed.createComponent(Page);
    document.body.append(fixture.nativeElement as HTMLElement);
    keymap = TestBed.inject(Keymap);
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    localStorage.removeItem('mansuet.keys');
  });
  const did = (): string[] => fixture.componentInstance.did;

  it('has closed a slip before the next key is heard, and opened it too', () => {
    const send = (key: string): boolean => document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    fixture.componentInstance.beside.set(true);
    TestBed.inject(ApplicationRef).tick();
    send('1');
    send('Escape');
    send('1');
    expect(did()).toEqual(['signal']);
    expect(document.querySelector('man-slip')).toBeNull();
    send('o');
    send('1');
    expect(document.activeElement?.textContent).toContain('Incident');
    expect(did()).toEqual(['signal']);
  });

  it('takes a pedal beside the key: any device that sends keys, also while something is typed', async () => {
    const pedal = [...document.querySelectorAll<HTMLButtonElement>('man-keys-list button')].find((b) =>
      b.getAttribute('aria-label')?.startsWith('A pedal for: pause'),
    )!;
    pedal.click();
    await press('1');
    expect(document.querySelector('man-keys-list [role=alert]')?.textContent).toContain('This key is taken: signal');
    pedal.click();
    await press('F13');
    expect(did()).toEqual([]);
    await press('F13');
    await press('p');
    await press('F13', at('field'));
    expect(did()).toEqual(['pause', 'pause', 'pause']);
    // It goes to another action, and leaves the first.
    expect(keymap.usePedal('spec.signal', 'F13')).toBeUndefined();
    await press('F13');
    expect(did().at(-1)).toBe('signal');
    keymap.reset();
    await press('F13');
    expect(did().length).toBe(4);
  });

  it('acts on its keys, small or large', async () => {
    await press('p');
    await press('P');
    await press('1');
    expect(did()).toEqual(['pause', 'pause', 'signal']);
  });

  it('acts on none in a field, none with Ctrl, and leaves Enter to what has the focus', async () => {
    await press('1', at('field'));
    await press('p', document.body, { ctrlKey: true });
    await press('Enter', at('opener'));
    expect(did()).toEqual([]);
    await press('Enter');
    expect(did()).toEqual(['main']);
  });

  it('can be switched off, and stays off on this device', async () => {
    keymap.switchOn(false);
    await press('1');
    expect(did()).toEqual([]);
    expect(JSON.parse(localStorage.getItem('mansuet.keys') ?? '{}')).toEqual({ on: false, changed: {}, pedals: {} });
    await fixture.whenStable();
    expect(at('hint').textContent?.trim()).toBe('');
    await press('?');
    expect(keymap.listOpen()).toBeTrue();
  });

  it('a key can be another one, unless that is taken; buttons say the new one', async () => {
    const list = await TestbedHarnessEnvironment.loader(fixture).getHarness(KeysListHarness);
    await list.change(0, '1');
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('This key is taken: signal.');
    await list.change(0, 'x');
    expect((await list.keys())[0]).toBe('x pause');
    expect(at('hint').textContent?.trim()).toBe('X');
    await press('p');
    await press('x');
    expect(did()).toEqual(['pause']);
    await list.reset();
    expect((await list.keys())[0]).toBe('p pause');
  });

  it('keys go with their screen', async () => {
    fixture.destroy();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '1', bubbles: true }));
    expect(did()).toEqual([]);
    expect(keymap.shown()).toEqual([]);
  });

  it('a slip beside the work has a name and the focus, lets some keys through, and gives the focus back', async () => {
    at('opener').focus();
    at('opener').click();
    await fixture.whenStable();
    const slip = await TestbedHarnessEnvironment.loader(fixture).getHarness(SlipHarness);
    expect(await slip.name()).toBe('Incident');
    expect(await slip.hasFocus()).toBeTrue();
    await press('1');
    await press('p');
    expect(did()).toEqual(['pause']);
    await press('p', at('inside'));
    expect(did()).toEqual(['pause']);
    // Escape closes it also from outside of it, where the focus falls when what had it is gone.
    at('field').focus();
    await press('Escape', at('field'));
    expect(fixture.componentInstance.beside()).toBeFalse();
    at('opener').focus();
    at('opener').click();
    await fixture.whenStable();
    await (await TestbedHarnessEnvironment.loader(fixture).getHarness(SlipHarness)).escape();
    await fixture.whenStable();
    expect(document.activeElement).toBe(at('opener'));
    await press('1');
    expect(did()).toEqual(['pause', 'signal']);
  });

  it('a slip over the sheet is a dialog with a name; closing it is told', async () => {
    at('over-opener').focus();
    at('over-opener').click();
    await fixture.whenStable();
    const slip = await TestbedHarnessEnvironment.loader(fixture).getHarness(OverSlipHarness);
    expect(await slip.name()).toBe('Photograph');
    await press('1');
    expect(did()).toEqual([]);
    await slip.close();
    await fixture.whenStable();
    expect(fixture.componentInstance.over()).toBeFalse();
    expect(document.querySelector('cdk-dialog-container')).toBeNull();
  });
});
