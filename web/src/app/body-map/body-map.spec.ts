import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { ZONE_IDS, type ZoneId } from '@mansuet/core/anatomy';
import { BodyMap, type ZonePaint } from './body-map';

describe('BodyMap', () => {
  let fixture: ComponentFixture<BodyMap>;
  let picked: ZoneId[];
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const zone = (id: ZoneId): SVGElement => host().querySelector<SVGElement>(`[data-zone="${id}"]`)!;

  beforeEach(async () => {
    fixture = TestBed.createComponent(BodyMap);
    picked = [];
    fixture.componentInstance.picked.subscribe((z) => {
      picked.push(z);
      fixture.componentRef.setInput('selected', z);
    });
    await fixture.whenStable();
  });

  it('draws every zone at least once, each as a closed path', () => {
    for (const id of ZONE_IDS) expect(zone(id)).withContext(id).not.toBeNull();
    for (const path of host().querySelectorAll('.ground')) {
      const d = path.getAttribute('d') ?? '';
      const start = /^M([\d.]+,[\d.]+)/.exec(d)?.[1];
      expect(d.endsWith('z') || (start !== undefined && d.endsWith(start)))
        .withContext(d)
        .toBeTrue();
    }
  });

  it('is touched by name', () => {
    zone('armpit_left').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(picked).toEqual(['armpit_left']);
  });

  it('can be reached by Tab at one place and walked with arrows over every zone of a side', async () => {
    expect(host().querySelectorAll('[tabindex="0"]').length).toBeGreaterThan(0);
    let at: ZoneId = 'back';
    const seen = new Set<ZoneId>();
    for (let i = 0; i < 40; i++) {
      zone(at).dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await fixture.whenStable();
      at = picked.at(-1)!;
      seen.add(at);
    }
    expect(seen.size).toBe(36);
  });

  it('goes to the other side with M', () => {
    zone('ear_base_left').dispatchEvent(new KeyboardEvent('keydown', { key: 'm', bubbles: true }));
    expect(picked).toEqual(['ear_base_right']);
  });

  it('hatches mats by grade, and says it in words', async () => {
    fixture.componentRef.setInput('paint', new Map<ZoneId, ZonePaint>([['armpit_left', { grade: 3 }]]));
    await fixture.whenStable();
    expect(zone('armpit_left').innerHTML).toContain('url(#mat3)');
    expect(zone('armpit_left').getAttribute('aria-label')).toContain('mat grade 3');
  });

  it('is only a picture when it is still', async () => {
    fixture.componentRef.setInput('still', true);
    await fixture.whenStable();
    zone('back').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(picked).toEqual([]);
    expect(host().querySelector('[role="button"]')).toBeNull();
  });
});
