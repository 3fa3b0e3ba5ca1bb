import { mirrored, type Look, type Points, type View } from './shapes.js';

const WIDTH = 260;
const half: Points = [[130, 8], [146, 14], [152, 34], [158, 52], [176, 66], [184, 88], [182, 120], [178, 152], [172, 184], [176, 208], [184, 232], [180, 256], [162, 272], [130, 278]];
const foreleg: Points = [[168, 70], [188, 72], [206, 84], [222, 104], [228, 128], [220, 140], [206, 134], [196, 118], [178, 112], [166, 104]];
const forePaw: Points = [[210, 126], [224, 122], [236, 132], [240, 148], [230, 158], [216, 152], [206, 140]];
const thigh: Points = [[170, 198], [192, 200], [214, 212], [232, 230], [238, 248], [226, 258], [208, 256], [184, 262], [166, 262], [158, 232]];
const hindPaw: Points = [[220, 246], [236, 240], [248, 252], [252, 272], [244, 286], [230, 282], [220, 266]];

/** The underside, the dog on its back, head up. Its left is on the right of the picture. */
export function undersideView(look: Look): View {
  const outline: Points = [...half, ...mirrored(half, WIDTH).slice(1, -1).reverse()];
  const tail: Points =
    look.tail === 'long'
      ? [[120, 268], [140, 268], [142, 292], [138, 318], [130, 330], [122, 318], [118, 292]]
      : [[120, 268], [140, 268], [140, 284], [130, 292], [120, 284]];
  return {
    box: [WIDTH, 336],
    far: [forePaw, mirrored(forePaw, WIDTH), hindPaw, mirrored(hindPaw, WIDTH)],
    body: [outline],
    shapes: [
      { part: 'tail', rings: [tail], layer: 'behind' },
      { part: 'throat', rings: [[[90, 0], [170, 0], [166, 52], [130, 60], [94, 52]]], at: [130, 36] },
      { part: 'chest', rings: [[[94, 50], [130, 58], [166, 50], [170, 90], [162, 128], [130, 134], [98, 128], [90, 90]]], at: [130, 92] },
      { part: 'belly', rings: [[[96, 128], [130, 133], [164, 128], [168, 160], [158, 200], [130, 206], [102, 200], [92, 160]]], at: [130, 166] },
      { part: 'sanitary', rings: [[[106, 202], [130, 205], [154, 202], [154, 232], [142, 246], [118, 246], [106, 232]]], at: [130, 224] },
      { part: 'anus', circle: [130, 260, 11] },
    ],
    pairs: [
      { part: 'thigh', rings: [thigh], layer: 'behind', at: [206, 236] },
      { part: 'foreleg', rings: [foreleg], layer: 'behind', at: [202, 104] },
      { part: 'tuck_up', rings: [[[162, 138], [200, 130], [200, 200], [170, 204], [160, 186]]], at: [170, 170] },
      { part: 'groin', rings: [[[152, 204], [166, 200], [178, 210], [182, 232], [170, 256], [150, 254], [142, 244], [152, 232]]], at: [163, 230] },
      { part: 'armpit', rings: [[[160, 84], [174, 74], [188, 82], [190, 110], [176, 124], [162, 118]]], layer: 'front', at: [175, 100] },
    ],
    details: [
      { kind: 'line', points: [[116, 150], [116, 154]] },
      { kind: 'line', points: [[144, 150], [144, 154]] },
      { kind: 'line', points: [[114, 176], [114, 180]] },
      { kind: 'line', points: [[146, 176], [146, 180]] },
      { kind: 'line', points: [[116, 22], [130, 30], [144, 22]] },
    ],
    joints: [],
  };
}
