import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HelperWindow } from '@mansuet/core/plan';
import { NumberFieldHarness } from '../controls/testing/field.harness';
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
    const fields = await TestbedHarnessEnvironment.loader(fixture).getAllHarnesses(NumberFieldHarness);
    await fields[place]?.enter(text);
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
    for (const [place, text, why] of [
      [0, '18', 'comes before leaving'],
      [0, '30', 'comes before leaving'],
      [1, '', 'Give a number.'],
      [1, '900', 'Between 0 and 480 min.'],
    ] as const) {
      await show(true, [[0, 20]]);
      await type(place, text);
      expect(host.innerText).withContext(text).toContain(why);
      expect(host.querySelectorAll('input')[place]?.value).toBe(text);
    }
    expect(told).toEqual([]);
  });
});
