import { ENGLISH } from '../../locales/en/index.js';
import { MID_ZONES, PAIRED_ZONES, ZONE_GROUPS, ZONE_IDS, type ZonePart } from '../../words/index.js';
import { mirrorOf, neighboursOf, partOf, sideOf, zoneFacts, zonesOfGroup } from './index.js';

describe('zones', () => {
  it('are 55: 17 on the midline and 19 pairs, each with its own name', () => {
    expect(ZONE_IDS.length).toBe(MID_ZONES.length + 2 * PAIRED_ZONES.length);
    expect(new Set(ZONE_IDS.map((z) => ENGLISH.labels.zone[z])).size).toBe(55);
  });

  it('mirror left to right and back; the midline has no mirror', () => {
    for (const z of ZONE_IDS) {
      const mirror = mirrorOf(z);
      if (sideOf(z) === undefined) expect(mirror).withContext(z).toBeUndefined();
      else {
        expect(mirror && mirrorOf(mirror))
          .withContext(z)
          .toBe(z);
        expect(mirror && sideOf(mirror)).not.toBe(sideOf(z));
      }
    }
  });

  it('touch each other both ways, and none is alone', () => {
    for (const z of ZONE_IDS) {
      const near = neighboursOf(z);
      expect(near.length).withContext(z).toBeGreaterThan(0);
      for (const n of near) expect(neighboursOf(n)).withContext(`${z} touches ${n}`).toContain(z);
    }
  });

  it('belong to exactly one group, and every group has zones', () => {
    const grouped = ZONE_GROUPS.flatMap(zonesOfGroup);
    expect([...grouped].sort()).toEqual([...ZONE_IDS].sort());
    for (const g of ZONE_GROUPS) expect(zonesOfGroup(g).length).withContext(g).toBeGreaterThan(0);
  });

  // Common practice, no source: where skin is thin or loose only close teeth, where a flap or fold tears no shears.
  const CLOSE_TEETH: readonly ZonePart[] = [
    'belly',
    'sanitary',
    'anus',
    'eye',
    'ear_leather',
    'ear_base',
    'ear_canal',
    'armpit',
    'tuck_up',
    'groin',
  ];
  for (const part of CLOSE_TEETH) {
    it(`${part} takes close-toothed blades only`, () => {
      for (const z of ZONE_IDS.filter((x) => partOf(x) === part)) expect(zoneFacts(z).closeToothOnly).toBeTrue();
    });
  }
  const NO_SHEARS: readonly ZonePart[] = ['anus', 'ear_leather', 'ear_base', 'armpit', 'tuck_up', 'groin', 'sanitary'];
  for (const part of NO_SHEARS) {
    it(`${part} never meets shears`, () => {
      for (const z of ZONE_IDS.filter((x) => partOf(x) === part)) expect(zoneFacts(z).noShears).toBeTrue();
    });
  }

  it('each say what the hands do or have nothing fragile', () => {
    for (const z of ZONE_IDS)
      expect(zoneFacts(z).care.length + (zoneFacts(z).fragile.length === 0 ? 1 : 0))
        .withContext(z)
        .toBeGreaterThan(0);
  });
});
