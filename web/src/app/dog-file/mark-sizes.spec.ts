import { TestBed } from '@angular/core/testing';
import type { MarkSeen } from '@mansuet/core/contract';
import { MarkSizes } from './mark-sizes';

const seen = (on: string, lengthMm: number): MarkSeen => ({
  markId: '01900000-0000-7000-8000-0000000000bb',
  visitId: '01900000-0000-7000-8000-000000000001',
  seenOn: on,
  zone: 'back',
  lengthMm,
  widthMm: lengthMm / 2,
  border: 'regular',
  surface: 'smooth',
});

describe('MarkSizes', () => {
  it('draws each measure at one scale, within its picture', () => {
    const fixture = TestBed.createComponent(MarkSizes);
    fixture.componentRef.setInput('seen', [seen('2026-01-01', 10), seen('2026-06-01', 40)]);
    fixture.detectChanges();
    const [a, b] = [...(fixture.nativeElement as HTMLElement).querySelectorAll('ellipse')].map((e) => [
      Number(e.getAttribute('rx')),
      Number(e.getAttribute('ry')),
    ]);
    expect(b![0]! / a![0]!).toBeCloseTo(4, 6);
    expect(a![0]! / a![1]!).toBeCloseTo(2, 6);
    expect(b![0]).toBeLessThanOrEqual(42);
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('40 × 20 mm');
  });
});
