import { ZONE_IDS, type ZoneId } from '@mansuet/core/words';
import { allPictures } from '@mansuet/core/drawing';
import { bestViews } from './best-views';

const VIEWS = allPictures();
const names = (lit: readonly ZoneId[]): string[] => bestViews(VIEWS, lit).map((p) => p.name);

describe('the views that show what is lit', () => {
  it('are both flanks while nothing is', () => expect(names([])).toEqual(['left flank', 'right flank']));

  it('show every place of the dog in one of them, whichever it is', () => {
    for (const zone of ZONE_IDS)
      expect(bestViews(VIEWS, [zone]).some((p) => p.zones.some((z) => z.zone === zone)))
        .withContext(zone)
        .toBeTrue();
  });

  it('show all of them at once, also where all are lit', () => {
    const shown = new Set(bestViews(VIEWS, ZONE_IDS).flatMap((p) => p.zones.map((z) => z.zone)));
    expect(ZONE_IDS.filter((z) => !shown.has(z))).toEqual([]);
  });

  it('show nails where they are large, not as specks on the flanks', () => {
    const lit = ZONE_IDS.filter((z) => z.includes('nails'));
    expect(lit.length).toBeGreaterThan(0);
    for (const name of names(lit)) expect(name).toMatch(/paws/);
  });

  it('show a belly from below and one flank alone where one side is lit', () => {
    expect(names(['belly'])).toEqual(['underside']);
    expect(names(['side_right'])).toEqual(['right flank']);
  });
});
