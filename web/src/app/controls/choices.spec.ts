import { type HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { type Choice, choicesOf } from './choice';
import { ChoiceGroup } from './choice-group';
import { Choices } from './choices';
import { FormErrors } from './form-errors';
import { ChoiceGroupHarness, ChoicesHarness, TabsHarness, ToggleHarness } from './testing/choice.harness';
import { type Tab, TabPanel, Tabs } from './tabs';
import { Toggle } from './toggle';

type Mood = 'still' | 'tense' | 'relaxed';
const MOODS = choicesOf<Mood>(['still', 'tense', 'relaxed'], { still: 'still', tense: 'tense', relaxed: 'relaxed' });

@Component({
  imports: [ChoiceGroup, Choices, FormErrors, TabPanel, Tabs, Toggle],
  template: `<div [manErrors]="errors()">
      <man-choice label="Mood" path="mood" [of]="moods" [value]="mood()" (chosen)="chosen($event)" />
    </div>
    <man-choice
      label="Place"
      shown
      clearable
      [of]="places"
      [value]="place()"
      (chosen)="place.set($event)"
      (cleared)="place.set(undefined)"
    />
    <man-choices label="Signs" [of]="moods" [values]="signs()" (toggled)="toggle($event)" />
    <man-toggle label="A helper is there" [on]="helper()" (changed)="helper.set($event)" />
    <man-tabs label="Views" [tabs]="tabs" [open]="tab()" (opened)="tab.set($event)">
      <ng-template manTab="one">first</ng-template>
      <ng-template manTab="two">second</ng-template>
    </man-tabs>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly moods = MOODS;
  readonly places: readonly Choice<string>[] = [
    { value: 'a', label: 'armpit', says: 'the left armpit' },
    { value: 'b', label: 'groin', disabled: true },
    { value: 'c', label: 'paw', detail: 'between the pads' },
  ];
  readonly mood = signal<Mood | undefined>(undefined);
  readonly place = signal<string | undefined>(undefined);
  readonly signs = signal<readonly Mood[]>(['tense']);
  readonly helper = signal(false);
  readonly tabs: readonly Tab<'one' | 'two'>[] = [
    { id: 'one', label: 'One' },
    { id: 'two', label: 'Two' },
  ];
  readonly tab = signal<'one' | 'two'>('one');
  readonly errors = signal<ReadonlyMap<string, string>>(new Map());
  readonly told: Mood[] = [];
  chosen(mood: Mood): void {
    this.told.push(mood);
    this.mood.set(mood);
  }
  toggle(mood: Mood): void {
    this.signs.update((s) => (s.includes(mood) ? s.filter((x) => x !== mood) : [...s, mood]));
  }
}

describe('controls: choices', () => {
  let fixture: ComponentFixture<Page>;
  let loader: HarnessLoader;
  beforeEach(() => {
    fixture = TestBed.createComponent(Page);
    document.body.append(fixture.nativeElement as HTMLElement);
    loader = TestbedHarnessEnvironment.loader(fixture);
  });
  afterEach(() => fixture.destroy());
  const arrow = async (key: string): Promise<void> => {
    document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, keyCode: key === 'ArrowRight' ? 39 : 37, bubbles: true }));
    await fixture.whenStable();
  };

  it('one of many: says what is chosen, and what is shut', async () => {
    const mood = await loader.getHarness(ChoiceGroupHarness.with({ label: 'Mood' }));
    expect(await mood.chosen()).toBeUndefined();
    await mood.press('tense');
    expect(await mood.chosen()).toBe('tense');
    const place = await loader.getHarness(ChoiceGroupHarness.with({ label: 'Place' }));
    expect(await place.shut()).toEqual(['groin']);
    expect(await place.choices()).toEqual(['armpit', 'groin', 'pawbetween the pads']);
  });

  it('one of many that can be taken back', async () => {
    const place = await loader.getHarness(ChoiceGroupHarness.with({ label: 'Place' }));
    await place.press('armpit');
    expect(await place.chosen()).toBe('armpit');
    await place.press('armpit');
    expect(await place.chosen()).toBeUndefined();
  });

  it('is one stop of Tab, at what is chosen; arrows move and choose nothing', async () => {
    const mood = await loader.getHarness(ChoiceGroupHarness.with({ label: 'Mood' }));
    expect(await mood.tabStop()).toEqual(['still']);
    await mood.press('tense');
    expect(await mood.tabStop()).toEqual(['tense']);
    (fixture.nativeElement as HTMLElement).querySelector<HTMLElement>('[aria-checked=true]')?.focus();
    await arrow('ArrowRight');
    expect(document.activeElement?.textContent?.trim()).toBe('relaxed');
    await arrow('ArrowRight');
    expect(document.activeElement?.textContent?.trim()).toBe('still');
    expect(await mood.chosen()).toBe('tense');
    expect(fixture.componentInstance.told).toEqual(['tense']);
  });

  it('says what is wrong, and the first wrong one gets the focus', async () => {
    fixture.componentInstance.errors.set(new Map([['mood', 'Choose one.']]));
    await fixture.whenStable();
    const group = (fixture.nativeElement as HTMLElement).querySelector('[role=radiogroup]');
    expect(group?.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(group?.getAttribute('aria-describedby') ?? '')?.textContent).toContain('Choose one.');
    expect(document.activeElement?.textContent?.trim()).toBe('still');
  });

  it('many of many: each is on or off', async () => {
    const signs = await loader.getHarness(ChoicesHarness.with({ label: 'Signs' }));
    expect(await signs.on()).toEqual(['tense']);
    await signs.press('still');
    await signs.press('tense');
    expect(await signs.on()).toEqual(['still']);
  });

  it('one thing that is so or not', async () => {
    const helper = await loader.getHarness(ToggleHarness.with({ label: 'A helper is there' }));
    await helper.press();
    expect(await helper.isOn()).toBeTrue();
  });

  it('tabs: one panel at a time, called by its tab', async () => {
    const tabs = await loader.getHarness(TabsHarness);
    expect(await tabs.names()).toEqual(['One', 'Two']);
    expect(await tabs.says()).toBe('first');
    await tabs.open('Two');
    expect(await tabs.opened()).toBe('Two');
    expect(await tabs.says()).toBe('second');
    const panel = (fixture.nativeElement as HTMLElement).querySelector('[role=tabpanel]');
    expect(document.getElementById(panel?.getAttribute('aria-labelledby') ?? '')?.textContent?.trim()).toBe('Two');
  });
});
