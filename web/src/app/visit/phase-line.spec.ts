import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { PhaseLine } from './phase-line';

describe('PhaseLine', () => {
  it('leads to phases that were reached, and names the present one', async () => {
    TestBed.configureTestingModule({ providers: [provideRouter([])] });
    const fixture = TestBed.createComponent(PhaseLine);
    fixture.componentRef.setInput('visitId', 'v');
    fixture.componentRef.setInput('reached', 'plan');
    fixture.componentRef.setInput('here', 'agree');
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect([...host.querySelectorAll('a')].map((a) => a.textContent?.trim())).toEqual(['Know', 'Feel over', 'Agree', 'Plan']);
    expect(host.querySelector('[aria-current="step"]')?.textContent).toContain('Agree');
    expect(host.querySelectorAll('.done').length).toBe(3);
  });
});
