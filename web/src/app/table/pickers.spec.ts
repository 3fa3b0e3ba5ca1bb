import { TestBed } from '@angular/core/testing';
import { aPlanInput } from '../testing/plan-input';
import { BladePicker } from './blade-picker';
import { HoldPicker } from './hold-picker';
import { SignalList } from './signal-list';

const buttons = (host: HTMLElement): HTMLButtonElement[] => [...host.querySelectorAll('button')];
const byText = (host: HTMLElement, text: RegExp): HTMLButtonElement => {
  const found = buttons(host).find((b) => text.test(b.textContent?.replace(/\s+/g, ' ').trim() ?? ''));
  if (!found) throw new Error(`no button ${String(text)}`);
  return found;
};

describe('BladePicker', () => {
  it('shuts banned blades and says the rule; the same blade can be swapped for a cool one', async () => {
    const fixture = TestBed.createComponent(BladePicker);
    fixture.componentRef.setInput('zones', ['armpit_left']);
    fixture.componentRef.setInput('input', aPlanInput());
    fixture.componentRef.setInput('step', 'clip_tight_fragile');
    fixture.componentRef.setInput('blade', '10');
    const used: unknown[] = [];
    const touched: string[] = [];
    fixture.componentInstance.used.subscribe((u) => used.push(u));
    fixture.componentInstance.touched.subscribe((t) => touched.push(t));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const seven = byText(host, /^#7F/);
    expect(seven.disabled).toBeTrue();
    expect(seven.textContent).toContain('rises into the teeth');
    expect(byText(host, /^#15/).disabled).toBeFalse();
    byText(host, /^Swapped for a cool #10/).click();
    byText(host, /^#15/).click();
    byText(host, /^No blade/).click();
    byText(host, /^warm$/).click();
    expect(used).toEqual([
      { blade: '10', cool: true },
      { blade: '15', cool: false },
      { blade: null, cool: false },
    ]);
    expect(touched).toEqual(['warm']);
  });

  it('asks why a blade does not go on, and answers each cause differently', async () => {
    const fixture = TestBed.createComponent(BladePicker);
    fixture.componentRef.setInput('zones', ['armpit_left']);
    fixture.componentRef.setInput('input', aPlanInput());
    fixture.componentRef.setInput('blade', '10');
    const used: unknown[] = [];
    fixture.componentInstance.used.subscribe((u) => used.push(u));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const says = async (question: RegExp): Promise<string> => {
      byText(host, question).click();
      await fixture.whenStable();
      return host.querySelector('man-notice')?.textContent ?? '';
    };
    expect(await says(/something firm/)).toContain('blade off');
    expect(await says(/fold of skin/)).toContain('let go the tension');
    expect(await says(/does not get under/)).toContain('do not push');
    byText(host, /^Take #15/).click();
    expect(used).toEqual([{ blade: '15', cool: false }]);
  });
});

describe('HoldPicker', () => {
  it('offers holds from least force on, each with where it never presses, and aids on top', async () => {
    const fixture = TestBed.createComponent(HoldPicker);
    fixture.componentRef.setInput('hold', 'leg_folded');
    fixture.componentRef.setInput('also', ['belly_support']);
    const used: unknown[] = [];
    fixture.componentInstance.used.subscribe((u) => used.push(u));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(buttons(host)[0]?.textContent).toContain('hand resting on the dog');
    byText(host, /^a helper$/).click();
    await fixture.whenStable();
    byText(host, /^on the lap/).click();
    byText(host, /^Same hold, with these/).click();
    expect(used).toEqual([
      { hold: 'lap_or_side', also: ['belly_support', 'helper'] },
      { hold: 'leg_folded', also: ['belly_support', 'helper'] },
    ]);
  });
});

describe('SignalList', () => {
  it('holds every signal, body alarms first', async () => {
    const fixture = TestBed.createComponent(SignalList);
    const seen: string[] = [];
    fixture.componentInstance.seen.subscribe((s) => seen.push(s));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect([...host.querySelectorAll('h3')].map((h) => h.textContent)).toEqual([
      'Body alarm: stop, vet now',
      'Hard: tool off',
      'Rising',
      'Early',
      'Good',
      'Says nothing by itself',
    ]);
    byText(host, /^whale eye$/).click();
    expect(seen).toEqual(['whale_eye']);
    expect(buttons(host).length).toBe(36);
  });
});
