import type { ZoneId } from '@mansuet/core/words';
import { addPaint, paintFound, type ZonePaint } from './zone-paint';

describe('paintFound', () => {
  const found = {
    zones: [{ zone: 'back' as const, matGrade: 2 as const, skin: 'red' as const, crust: true }],
    marks: [
      { markId: 'm', zone: 'back' as const, lengthMm: 4, widthMm: 9, border: 'regular' as const, surface: 'smooth' as const, isNew: true },
    ],
  };
  it('shows mat, skin, crust and the larger side of a mark on one zone', () =>
    expect(paintFound(found).get('back')).toEqual({
      grade: 2,
      skin: 'red',
      crust: true,
      marks: [{ id: 'm', mm: 9, spot: undefined, presumed: false }],
    }));
  it('lights what is worked on, found or not', () => {
    const paint = paintFound(found, ['back', 'chest']);
    expect(paint.get('back')).toEqual(jasmine.objectContaining({ grade: 2, lit: true }));
    expect(paint.get('chest')).toEqual({ lit: true });
  });
  it('lays more on a zone and takes nothing away', () => {
    const map = new Map<ZoneId, ZonePaint>([['back', { grade: 3 }]]);
    addPaint(map, 'back', { felt: true });
    expect(map.get('back')).toEqual({ grade: 3, felt: true });
  });
});
