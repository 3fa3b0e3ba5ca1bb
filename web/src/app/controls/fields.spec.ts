import { type HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { USUAL_FORMATS } from '@mansuet/core/words';
import { FORMATS } from '../wording/formats';
import { choicesOf } from './choice';
import { DateField } from './date-field';
import { FormErrors } from './form-errors';
import { DateFieldHarness, NumberFieldHarness, SearchFieldHarness, SelectFieldHarness, TextFieldHarness } from './testing/field.harness';
import { NumberField, readNumber } from './number-field';
import { SearchField } from './search-field';
import { SelectField } from './select-field';
import { TextField } from './text-field';

@Component({
  imports: [DateField, FormErrors, NumberField, SearchField, SelectField, TextField],
  template: `<form [manErrors]="errors()">
    <man-text label="Name" name="name" path="name" hint="As it is called." [value]="name()" (typed)="name.set($event)" />
    <man-text label="Story" name="story" path="story" [rows]="3" [value]="''" />
    <man-number label="Length" name="length" path="length" [range]="mm" [value]="length()" (entered)="entered($event)" />
    <man-number
      label="Standing"
      name="standing"
      optional
      [range]="min"
      [value]="5"
      (typed)="standing.set($event)"
      (entered)="entered($event)"
    />
    <man-date label="Born" name="born" [value]="born()" also="6 years" (typed)="born.set($event)" />
    <man-select label="Coat" name="coat" optional [of]="coats" [value]="coat()" (chosen)="coat.set($event)" />
    <man-search label="Find" name="find" hint="3 found" [value]="search()" (typed)="search.set($event)" />
  </form>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  readonly name = signal('Moss');
  readonly mm = { unit: 'mm', min: 1, max: 80, step: 0.5 };
  readonly min = { unit: 'min', min: 1, max: 120, step: 1 };
  readonly length = signal<number | null>(9);
  readonly standing = signal<number | null>(null);
  readonly born = signal('2020-03-12');
  readonly coats = choicesOf<'curly' | 'wire'>(['curly', 'wire'], { curly: 'curly', wire: 'wire' });
  readonly coat = signal<'curly' | 'wire' | null>(null);
  readonly search = signal('');
  readonly told: (number | null)[] = [];
  entered(value: number | null): void {
    this.told.push(value);
  }
}

describe('controls: fields', () => {
  let fixture: ComponentFixture<Page>;
  let loader: HarnessLoader;
  beforeEach(() => {
    fixture = TestBed.createComponent(Page);
    document.body.append(fixture.nativeElement as HTMLElement);
    loader = TestbedHarnessEnvironment.loader(fixture);
  });
  afterEach(() => {
    fixture.destroy();
    FORMATS.set(USUAL_FORMATS);
  });

  it('text: label, hint and error are tied to it; the first wrong one gets the focus', async () => {
    const name = await loader.getHarness(TextFieldHarness.with({ label: 'Name' }));
    expect((await name.tied()).invalid).toBeFalse();
    await name.type('Ottoline');
    expect(fixture.componentInstance.name()).toBe('Ottoline');
    fixture.componentInstance.errors.set(new Map(Object.entries({ story: 'Tell it.', name: 'There is such a dog.' })));
    await fixture.whenStable();
    expect(await name.error()).toBe('There is such a dog.');
    const tied = await name.tied();
    expect(tied.label && tied.invalid).toBeTrue();
    const said = tied.describedBy.split(' ').map((id) => document.getElementById(id)?.textContent?.trim());
    expect(said).toEqual(['There is such a dog.', 'As it is called.']);
    expect(await name.hasFocus()).toBeTrue();
  });

  it('shows and takes a number in the unit of the salon, and gives the one that is kept', async () => {
    FORMATS.set({ ...USUAL_FORMATS, length: 'inch' });
    const length = await loader.getHarness(NumberFieldHarness.with({ label: 'Length' }));
    expect(await length.value()).toBe('0.35');
    await length.enter('0.25');
    expect(fixture.componentInstance.told).toEqual([6.35]);
    await length.enter('12');
    expect(await length.error()).toBe('Between 0.04 and 3.14 in.');
    expect(fixture.componentInstance.told).toEqual([6.35]);
  });

  it('number: takes comma and point, says its unit, steps by arrows', async () => {
    const length = await loader.getHarness(NumberFieldHarness.with({ label: 'Length' }));
    expect(await length.unit()).toBe('mm');
    await length.enter('12,5');
    await length.press('ArrowUp');
    await length.press('ArrowDown');
    expect(fixture.componentInstance.told).toEqual([12.5, 13, 12.5]);
  });

  it('number: what cannot be taken stays as it was typed, and says why', async () => {
    const length = await loader.getHarness(NumberFieldHarness.with({ label: 'Length' }));
    for (const [typed, why] of [
      ['99', 'Between 1 and 80 mm.'],
      ['nine', 'This is not a number.'],
      ['', 'Give a number.'],
    ] as const) {
      await length.enter(typed);
      expect(await length.value()).toBe(typed);
      expect(await length.error()).toBe(why);
    }
    expect(fixture.componentInstance.told).toEqual([]);
    await length.enter('8');
    expect(await length.error()).toBe('');
    expect(fixture.componentInstance.told).toEqual([8]);
  });

  it('number: a form hears each letter, and what is no number', async () => {
    const standing = await loader.getHarness(NumberFieldHarness.with({ label: 'Standing' }));
    await standing.type('1x');
    expect(fixture.componentInstance.standing()).toBeNaN();
    await standing.type('');
    expect(fixture.componentInstance.standing()).toBeNull();
    await standing.enter('');
    expect(fixture.componentInstance.told).toEqual([null]);
  });

  it('number: a form that refuses it lets the field say what it wants', async () => {
    const length = await loader.getHarness(NumberFieldHarness.with({ label: 'Length' }));
    await length.type('200');
    fixture.componentInstance.errors.set(new Map([['length', 'Too big.']]));
    await fixture.whenStable();
    expect(await length.error()).toBe('Between 1 and 80 mm.');
    await length.type('20');
    expect(await length.error()).toBe('Too big.');
  });

  it('reads numbers as they are written', () => {
    expect(readNumber(' 7,5 ')).toBe(7.5);
    expect(readNumber('')).toBeNull();
    expect(readNumber('7.5 kg')).toBeNaN();
  });

  it('date: the day in words, so that it cannot be mistaken', async () => {
    const born = await loader.getHarness(DateFieldHarness);
    expect(await born.words()).toMatch(/^Thursday,? 12 March 2020 · 6 years$/);
    await born.type('2020-12-03');
    expect(await born.words()).toContain('3 December 2020');
    expect((await born.tied()).label).toBeTrue();
  });

  it('select: shows what is chosen, and hears another', async () => {
    const coat = await loader.getHarness(SelectFieldHarness);
    expect(await coat.chosen()).toBe('–');
    await coat.choose('wire');
    expect(fixture.componentInstance.coat()).toBe('wire');
    expect(await coat.chosen()).toBe('wire');
    await coat.choose('–');
    expect(fixture.componentInstance.coat()).toBeNull();
    expect((await coat.tied()).label).toBeTrue();
  });

  it('search: says how many were found', async () => {
    const find = await loader.getHarness(SearchFieldHarness);
    await find.type('mos');
    expect(fixture.componentInstance.search()).toBe('mos');
    expect(await find.says()).toBe('3 found');
  });
});
