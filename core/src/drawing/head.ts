import type { Look, Points, Shape, View } from './shapes.js';

/** The muzzle from the front: half widths at brow, middle and chin, and how far down it reaches. */
const MUZZLE: Readonly<Record<Look['nose'], { wide: number; chin: number; noseY: number }>> = {
  long: { wide: 25, chin: 218, noseY: 166 },
  medium: { wide: 31, chin: 206, noseY: 150 },
  short: { wide: 42, chin: 188, noseY: 124 },
};

/** The head from the front. As the dog has them, its left is on the right of the picture. */
export function headView(look: Look): View {
  const { wide, chin, noseY } = MUZZLE[look.nose];
  const right: Points = [[120, 38], [146, 42], [166, 56], [176, 78], [176, 102], [166, 124], [120 + wide + 10, 140], [120 + wide, (noseY + chin) / 2], [120 + wide - 8, chin - 8], [120, chin]];
  const outline: Points = [
    ...right,
    ...right
      .slice(1, -1)
      .map(([x, y]) => [240 - x, y] as const)
      .reverse(),
  ];
  const eyeX = look.nose === 'short' ? 154 : 148;
  return {
    box: [240, 228],
    far: [],
    body: [outline],
    shapes: [
      { part: 'topknot', rings: [[[70, 20], [170, 20], [176, 66], [146, 76], [120, 72], [94, 76], [64, 66]]], at: [120, 56] },
      { part: 'stop', rings: [[[104, 78], [120, 73], [136, 78], [137, 96], [132, 108], [108, 108], [103, 96]]], at: [120, 91] },
      { part: 'bridge', rings: [[[106, 106], [120, 104], [134, 106], [140, noseY - 4], [120, noseY + 2], [100, noseY - 4]]], at: [120, (104 + noseY) / 2 + 6] },
      { part: 'lips', rings: [[[60, noseY - 4], [100, noseY - 8], [120, noseY], [140, noseY - 8], [180, noseY - 4], [172, chin - 16], [140, chin - 20], [120, chin - 24], [100, chin - 20], [68, chin - 16]]], at: [120, chin - 32] },
      { part: 'chin', rings: [[[86, chin - 20], [106, chin - 23], [120, chin - 25], [134, chin - 23], [154, chin - 20], [150, chin + 10], [90, chin + 10]]], at: [120, chin - 10] },
      ...wrinkles(look.nose),
      { part: 'nose', rings: [[[120 - 16, noseY - 6], [120, noseY - 9], [120 + 16, noseY - 6], [120 + 14, noseY + 6], [120 + 4, noseY + 14], [120 - 4, noseY + 14], [120 - 14, noseY + 6]]] },
    ],
    pairs: [
      { part: 'cheek', rings: [[[138, 104], [158, 96], [190, 84], [186, 130], [152, 160], [140, 140], [134, 120]]], at: [160, 118] },
      { part: 'eye', circle: [eyeX, 91, 12] },
      ...ears(look.ears),
    ],
    details: [
      ...[eyeX, 240 - eyeX].map((x) => ({
        kind: 'fill' as const,
        points: [[x - 4, 91], [x, 87], [x + 4, 91], [x, 95]] as const,
      })),
      { kind: 'fill', points: [[110, noseY], [114, noseY - 3], [115, noseY + 3]] },
      { kind: 'fill', points: [[130, noseY], [126, noseY - 3], [125, noseY + 3]] },
      { kind: 'line', points: [[120, noseY + 14], [120, noseY + 24]] },
      { kind: 'line', points: [[120, noseY + 24], [110, noseY + 30], [120 - wide + 8, noseY + 28]] },
      { kind: 'line', points: [[120, noseY + 24], [130, noseY + 30], [120 + wide - 8, noseY + 28]] },
    ],
    joints: [],
  };
}

/** The folds over a short nose; on other dogs the same place is small. */
function wrinkles(nose: Look['nose']): readonly Shape[] {
  const deep = nose === 'short' ? 10 : 7;
  return [
    { part: 'wrinkles', rings: [[[98, 104], [120, 100], [142, 104], [140, 104 + deep], [120, 100 + deep], [100, 104 + deep]]] },
  ];
}

function ears(set: Look['ears']): readonly Shape[] {
  if (set === 'prick')
    return [
      { part: 'ear_leather', rings: [[[134, 52], [142, 24], [160, 2], [178, 10], [188, 38], [186, 72], [160, 70]]], layer: 'behind', at: [166, 28] },
      { part: 'ear_base', rings: [[[134, 34], [148, 50], [172, 66], [192, 74], [192, 40], [160, 24]]], at: [158, 52] },
    ];
  return [
    { part: 'ear_leather', rings: [[[160, 48], [180, 50], [198, 66], [210, 98], [212, 130], [202, 148], [188, 142], [178, 120], [170, 86]]], layer: 'front', at: [192, 108] },
    { part: 'ear_base', rings: [[[144, 40], [160, 35], [178, 43], [186, 58], [172, 64], [154, 56]]], layer: 'front', at: [166, 50] },
  ];
}
