import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { ZONE_IDS, type ZoneId } from '@mansuet/core/words';
import { BodyMap } from './body-map';
import type { ZonePaint } from './zone-paint';

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
      // A zone may have several rings: each of them is closed.
      for (const ring of (path.getAttribute('d') ?? '').split('M').slice(1)) {
        const start = /^[\d.]+,[\d.]+/.exec(ring)?.[0];
        expect(/z$/i.test(ring) || (start !== undefined && ring.endsWith(start)))
          .withContext(ring)
          .toBeTrue();
      }
    }
  });

  it('is touched by name', () => {
    zone('armpit_left').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    expect(picked).toEqual(['armpit_left']);
  });

  it('takes a large zone at once, and magnifies a small one before it is taken', async () => {
    host().style.width = '420px';
    await fixture.whenStable();
    zone('side_left').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(picked).toEqual(['side_left']);
    zone('dewclaw_left').dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await fixture.whenStable();
    expect(picked).toEqual(['side_left']);
    const large = host().querySelector<SVGElement>('.inset [data-zone="dewclaw_left"] .ground')!;
    expect(large.getBoundingClientRect().width).toBeGreaterThan(40);
    large.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await fixture.whenStable();
    expect(picked).toEqual(['side_left', 'dewclaw_left']);
    expect(host().querySelector('.inset')).toBeNull();
  });

  it('is a labelled tree for who cannot see it: pictures hold zones, each with its name and what lies there', () => {
    const tree = host().querySelector('[role="tree"]');
    expect(tree?.getAttribute('aria-label')).toBe('Zones of the dog');
    expect([...host().querySelectorAll('[role="tree"] [role="group"]')].map((g) => g.getAttribute('aria-label'))).toEqual([
      'left flank',
      'right flank',
      'underside',
      'head',
      'fore paws from below',
      'hind paws from below',
    ]);
    for (const item of host().querySelectorAll('[role="treeitem"]')) expect(item.getAttribute('aria-label')).not.toBe('');
  });

  it('says which places are lit when it is only looked at', async () => {
    fixture.componentRef.setInput('still', true);
    fixture.componentRef.setInput('compact', true);
    fixture.componentRef.setInput(
      'paint',
      new Map<ZoneId, ZonePaint>([
        ['rump', { grade: 2 }],
        ['armpit_left', { lit: true }],
        ['back', { felt: true }],
      ]),
    );
    await fixture.whenStable();
    const says = [...host().querySelectorAll('svg[role="img"]')].map((svg) => svg.getAttribute('aria-label'));
    expect(says).toEqual(['left flank: left armpit, lit now; rump, mat grade 2', 'right flank: rump, mat grade 2']);
  });

  it('draws each ear, tail, nose and build otherwise', async () => {
    const drawn = new Set<string>();
    for (const look of [
      { ears: 'drop', tail: 'long', nose: 'medium', build: 'light' },
      { ears: 'prick', tail: 'long', nose: 'medium', build: 'light' },
      { ears: 'drop', tail: 'docked', nose: 'medium', build: 'light' },
      { ears: 'drop', tail: 'long', nose: 'short', build: 'light' },
      { ears: 'drop', tail: 'long', nose: 'long', build: 'light' },
      { ears: 'drop', tail: 'long', nose: 'medium', build: 'heavy' },
    ] as const) {
      fixture.componentRef.setInput('look', look);
      await fixture.whenStable();
      for (const id of ZONE_IDS) expect(zone(id)).withContext(`${look.ears} ${look.tail} ${look.nose} ${id}`).not.toBeNull();
      drawn.add([...host().querySelectorAll('.v0 path')].map((p) => p.getAttribute('d')).join());
    }
    expect(drawn.size).toBe(6);
  });

  it('lays layers over the dog and takes them off again', async () => {
    fixture.componentRef.setInput('layers', ['mats', 'marks', 'joints', 'strain']);
    fixture.componentRef.setInput('joints', new Map([['hip_left', 'painful']]));
    fixture.componentRef.setInput(
      'paint',
      new Map<ZoneId, ZonePaint>([
        ['back', { marks: [{ id: 'a', mm: 12 }], grade: 2 }],
        ['side_left', { strain: 4 }],
      ]),
    );
    await fixture.whenStable();
    expect(host().querySelectorAll('.joint.painful').length).toBe(1);
    expect(host().querySelectorAll('.pin').length).toBe(2);
    expect(zone('side_left').getAttribute('data-strain')).toBe('4');
    expect(zone('side_left').getAttribute('aria-label')).toContain('strain seen, 4 of 5');
    for (const b of host().querySelectorAll<HTMLButtonElement>('.layers button')) b.click();
    await fixture.whenStable();
    expect(host().querySelector('.joint, .pin, [fill^="url"]')).toBeNull();
    expect(zone('side_left').getAttribute('data-strain')).toBeNull();
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
    expect(zone('armpit_left').innerHTML).toMatch(/url\(#map\d+mat3\)/);
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
