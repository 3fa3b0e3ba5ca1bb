import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HelperWindow } from '@mansuet/core/plan';
import { HelperTime } from './helper-time';

describe('HelperTime', () => {
  let fixture: ComponentFixture<HelperTime>;
  let host: HTMLElement;
  let told: (readonly [boolean, readonly HelperWindow[]])[];
  const show = async (there: boolean, windows: readonly HelperWindow[]): Promise<void> => {
    fixture.componentRef.setInput('there', there);
    fixture.componentRef.setInput('windows', windows);
    await fixture.whenStable();
  };
  const press = (text: string): void =>
    [...host.querySelectorAll('button')].find((b) => b.textContent?.trim() === text || b.getAttribute('aria-label') === text)?.click();
  const type = async (place: number, text: string): Promise<void> => {
    const input = host.querySelectorAll('input')[place];
    if (!input) throw new Error('no field');
    input.value = text;
    input.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  beforeEach(async () => {
    fixture = TestBed.createComponent(HelperTime);
    host = fixture.nativeElement as HTMLElement;
    fixture.componentRef.setInput('sessionMinutes', 120);
    told = [];
    fixture.componentInstance.changed.subscribe((c) => told.push([c.helperThere, c.helperWindows]));
    await show(false, []);
  });

  it('is none, throughout, or for half the visit to begin with', async () => {
    press('throughout');
    press('for a time');
    expect(told).toEqual([
      [true, []],
      [true, [[0, 60]]],
    ]);
    await show(true, [[0, 60]]);
    press('none');
    expect(told.at(-1)).toEqual([false, []]);
  });

  it('adds a stretch, drops one, and puts them in order', async () => {
    await show(true, [[0, 20]]);
    press('and again');
    expect(told.at(-1)).toEqual([
      true,
      [
        [0, 20],
        [50, 80],
      ],
    ]);
    await show(true, [
      [0, 20],
      [50, 80],
    ]);
    await type(3, '90');
    expect(told.at(-1)?.[1]).toEqual([
      [0, 20],
      [50, 90],
    ]);
    press('Not there from 0 to 20');
    expect(told.at(-1)?.[1]).toEqual([[50, 80]]);
  });

  it('makes one of stretches that meet', async () => {
    await show(true, [
      [0, 20],
      [50, 80],
    ]);
    await type(1, '55');
    expect(told.at(-1)?.[1]).toEqual([[0, 80]]);
  });

  it('says what is wrong and keeps what was typed', async () => {
    await show(true, [[0, 20]]);
    for (const [place, text] of [
      [0, '18'],
      [0, '30'],
      [1, ''],
      [1, '900'],
    ] as const) {
      await show(true, [[0, 20]]);
      await type(place, text);
      expect(host.querySelector('[role=alert]')?.textContent).withContext(text).toContain('comes before leaving');
      expect(host.querySelectorAll('input')[place]?.value).toBe(text);
    }
    expect(told).toEqual([]);
  });
});
