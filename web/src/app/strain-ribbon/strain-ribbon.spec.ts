import { TestBed } from '@angular/core/testing';
import { until } from '../testing/page';
import { StrainRibbon } from './strain-ribbon';

/** A ribbon of 600 px that has drawn what is looked for. */
async function drawn(inputs: Readonly<Record<string, unknown>>, part: string): Promise<HTMLElement> {
  const fixture = TestBed.createComponent(StrainRibbon);
  const host = fixture.nativeElement as HTMLElement;
  host.style.width = '600px';
  document.body.append(host);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  await until(fixture, () => host.querySelector(part) !== null);
  return host;
}

describe('StrainRibbon', () => {
  it('says in words what it draws, and draws bands, curves and steps', async () => {
    const host = await drawn(
      {
        predicted: [
          { minute: 0, strain: 10, low: 10, high: 10 },
          { minute: 20, strain: 41, low: 30, high: 60 },
        ],
        measured: [
          { minute: 0, strain: 10 },
          { minute: 5, strain: 33 },
        ],
        steps: [{ label: 'Nails', from: 0, to: 9, breaks: [{ from: 9, minutes: 5 }] }],
      },
      '.predicted',
    );
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toBe(
      'Strain over time: predicted strain peaks at 41 of 100, measured strain peaks at 33 of 100.',
    );
    expect([...host.querySelectorAll('.band text')].map((t) => t.textContent)).toEqual(['settled', 'watch', 'pause', 'stop']);
    for (const part of ['.predicted', '.range', '.measured', '.step', '.rest'])
      expect(host.querySelector(part)).withContext(part).not.toBeNull();
    host.remove();
  });

  it('parts the bar of a step where the dog rests inside it', async () => {
    const host = await drawn(
      {
        steps: [
          { label: 'Bath', from: 5, to: 22, breaks: [{ from: 11, minutes: 5 }] },
          { label: 'Dry', from: 27, to: 40, breaks: [{ from: 22, minutes: 5 }] },
        ],
      },
      '.step',
    );
    const bars = [...host.querySelectorAll('.step')].map((g) => g.querySelectorAll('rect').length);
    expect(bars).toEqual([2, 1]);
    const x = (r: Element | null | undefined): number => Number(r?.getAttribute('x'));
    const rest = host.querySelector('.rest');
    const [first, second] = host.querySelectorAll('.step rect');
    expect(x(first) + Number(first?.getAttribute('width'))).toBeLessThanOrEqual(x(rest));
    expect(x(second)).toBeCloseTo(x(rest) + Number(rest?.getAttribute('width')), 3);
    host.remove();
  });

  it('moves one line as time goes on, and draws nothing else anew', async () => {
    const fixture = TestBed.createComponent(StrainRibbon);
    const host = fixture.nativeElement as HTMLElement;
    host.style.width = '600px';
    document.body.append(host);
    const points = [
      { minute: 0, strain: 10 },
      { minute: 5, strain: 33 },
    ];
    fixture.componentRef.setInput('steps', [{ label: 'Bath', from: 0, to: 60, breaks: [] }]);
    const at = async (minute: number): Promise<void> => {
      fixture.componentRef.setInput('now', minute);
      fixture.componentRef.setInput('measured', [...points, { minute, strain: 33 }]);
      await fixture.whenStable();
    };
    await at(5);
    await until(fixture, () => host.querySelector('.now') !== null && host.querySelector('.step') !== null);
    const changed: string[] = [];
    const watcher = new MutationObserver((all) => changed.push(...all.map((m) => `${m.target.nodeName} ${m.attributeName ?? m.type}`)));
    watcher.observe(host, { subtree: true, childList: true, attributes: true });
    for (const second of [1, 2, 3]) await at(5 + second / 60);
    watcher.disconnect();
    expect(changed).toEqual(['line transform', 'line transform', 'line transform']);
    // Longer than planned: the ribbon grows by ten minutes at a time.
    await at(61);
    await until(fixture, () =>
      [...host.querySelectorAll('.tick text')].some((t) => t.textContent === '70 min' || t.textContent === '60 min'),
    );
    host.remove();
  });
});
