import { moved, type Point, type Points, type Shape, type View } from './shapes.js';

const OUTLINE: Points = [[56, 14], [74, 18], [86, 32], [96, 48], [98, 68], [90, 84], [82, 100], [56, 108], [30, 100], [22, 84], [14, 68], [16, 48], [26, 32], [38, 18]];
const MAIN_PAD: Points = [[56, 62], [70, 68], [80, 82], [76, 94], [66, 94], [56, 90], [46, 94], [36, 94], [32, 82], [42, 68]];
const TOES: readonly Points[] = [[[22, 52], [30, 44], [37, 52], [37, 64], [29, 70], [21, 64]], [[40, 30], [48, 26], [53, 36], [51, 50], [43, 52], [37, 42]], [[72, 30], [64, 26], [59, 36], [61, 50], [69, 52], [75, 42]], [[90, 52], [82, 44], [75, 52], [75, 64], [83, 70], [91, 64]]];
const NAILS: readonly Points[] = [[[9, 48], [12, 32], [24, 20], [31, 30], [26, 44], [18, 54]], [[34, 24], [37, 10], [45, -2], [52, 8], [51, 24], [42, 28]], [[78, 24], [75, 10], [67, -2], [60, 8], [61, 24], [70, 28]], [[103, 48], [100, 32], [88, 20], [81, 30], [86, 44], [94, 54]]];
const PASTERN: Points = [[36, 96], [56, 102], [76, 96], [80, 118], [78, 146], [56, 152], [34, 146], [32, 118]];
const CARPAL_PAD: Points = [[48, 126], [56, 121], [64, 126], [66, 136], [56, 142], [46, 136]];

/** Fore paw with the pad behind the wrist and the dewclaw, hind paw without. The dog's left paw is on the right of the picture. */
export function pawShapes(which: 'fore' | 'hind'): {
  readonly shapes: readonly Shape[];
  readonly pads: readonly Points[];
  readonly box: Point;
} {
  const fore = which === 'fore';
  return {
    box: [112, fore ? 154 : 112],
    shapes: [
      ...(fore ? [{ part: 'carpal' as const, rings: [PASTERN], layer: 'front' as const, at: [56, 131] as const }] : []),
      { part: fore ? 'fore_nails' : 'hind_nails', rings: NAILS, layer: 'front', at: [56, 12] },
      { part: fore ? 'fore_paw' : 'hind_paw', rings: [OUTLINE], layer: 'front', at: [56, 58] },
      // On the inner side of the leg: towards the middle of the picture.
      ...(fore ? [{ part: 'dewclaw' as const, circle: [26, 122, 9] as const, layer: 'front' as const }] : []),
    ],
    pads: [MAIN_PAD, ...TOES, ...(fore ? [CARPAL_PAD] : [])],
  };
}

/** Both paws of the front or the back, side by side from below; shapes are the left paw's, pairs are mirrored. */
export function pawsView(which: 'fore' | 'hind'): View {
  const { shapes, pads, box } = pawShapes(which);
  const gap = 8;
  const width = box[0] * 2 + gap;
  const dx = box[0] + gap;
  const place = (s: Shape): Shape => ({
    ...s,
    ...(s.rings ? { rings: s.rings.map((r) => moved(r, dx, 0)) } : {}),
    ...(s.circle ? { circle: [s.circle[0] + dx, s.circle[1], s.circle[2]] as const } : {}),
    ...(s.at ? { at: [s.at[0] + dx, s.at[1]] as const } : {}),
  });
  const left = pads.map((points) => ({ kind: 'pad' as const, points: moved(points, dx, 0) }));
  return {
    box: [width, box[1]],
    far: [],
    body: [],
    shapes: [],
    pairs: shapes.map(place),
    details: [...left, ...left.map((p) => ({ ...p, points: p.points.map(([x, y]) => [width - x, y] as const) }))],
    joints: [],
  };
}
