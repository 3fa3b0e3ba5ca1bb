import { FEEL_AREAS, type FeelArea, ZONE_IDS } from '../words/index.js';
import { areaOf, FEEL_AREA_FACTS, nextArea } from './index.js';

describe('the way of the hands', () => {
  it('goes over every zone, each in one area', () => {
    for (const zone of ZONE_IDS) {
      const areas = FEEL_AREAS.filter((a) => FEEL_AREA_FACTS[a].zones.includes(zone));
      expect(areas)
        .withContext(zone)
        .toEqual([areaOf(zone)]);
    }
    expect([areaOf('armpit_left'), areaOf('tail')]).toEqual(['forelegs', 'rear']);
    expect(() => areaOf('wing' as 'tail')).toThrowError(/areaOf: wing/);
  });
  it('names the first area that no hand has been on', () => {
    expect(nextArea(new Set())).toBe(FEEL_AREAS[0]);
    expect(nextArea(new Set(FEEL_AREAS.slice(0, 2)))).toBe(FEEL_AREAS[2]);
    expect(nextArea(new Set<FeelArea>(FEEL_AREAS.slice(1)))).toBe(FEEL_AREAS[0]);
    expect(nextArea(new Set(FEEL_AREAS))).toBeUndefined();
  });
});
