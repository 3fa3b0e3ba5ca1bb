import type { ZonePart } from '@mansuet/core/anatomy';

type Points = readonly (readonly [number, number])[];

/** One shape that is also a touch zone. A list of points is smoothed; a circle is what small places are. */
export interface Shape {
  readonly part: ZonePart;
  readonly points?: Points;
  readonly circle?: readonly [number, number, number];
}
export interface Outline {
  readonly points: Points;
  readonly tone: 'far' | 'body' | 'line';
}
export interface View {
  readonly id: 'flank' | 'underside' | 'head' | 'fore_paw' | 'hind_paw';
  readonly box: readonly [number, number];
  readonly outlines: readonly Outline[];
  readonly shapes: readonly Shape[];
}

/** The dog from its left side, facing left; the right side is the same drawing mirrored. */
export const FLANK: View = {
  id: 'flank',
  box: [440, 320],
  outlines: [
    { tone: 'far', points: [[182, 190], [206, 188], [200, 236], [198, 268], [206, 284], [206, 294], [176, 294], [180, 266], [178, 230]] },
    { tone: 'far', points: [[300, 190], [330, 196], [318, 228], [312, 250], [316, 278], [322, 292], [290, 292], [294, 262], [288, 226]] },
  ],
  shapes: [
    { part: 'tail', points: [[356, 100], [376, 88], [396, 66], [410, 44], [424, 40], [426, 58], [412, 88], [388, 112], [362, 120]] },
    { part: 'tail_root', points: [[336, 100], [358, 98], [366, 118], [346, 126]] },
    { part: 'anus', points: [[348, 126], [364, 120], [362, 140], [350, 148]] },
    { part: 'foreleg', points: [[146, 192], [186, 186], [180, 222], [176, 250], [152, 250], [148, 224]] },
    { part: 'carpal', points: [[151, 249], [177, 249], [176, 270], [152, 270]] },
    { part: 'fore_paw', points: [[150, 269], [176, 269], [180, 286], [178, 297], [136, 297], [138, 284]] },
    { part: 'hock', points: [[322, 216], [344, 206], [347, 236], [342, 268], [322, 268], [324, 244]] },
    { part: 'hind_paw', points: [[320, 267], [343, 267], [348, 285], [346, 297], [304, 297], [308, 283]] },
    { part: 'thigh', points: [[286, 132], [318, 126], [348, 134], [354, 166], [346, 208], [322, 220], [298, 206], [286, 176]] },
    { part: 'groin', points: [[276, 190], [294, 186], [304, 206], [290, 214], [276, 206]] },
    { part: 'tuck_up', points: [[262, 154], [288, 150], [294, 184], [274, 192], [260, 184]] },
    { part: 'belly', points: [[184, 190], [224, 188], [262, 180], [274, 192], [250, 202], [210, 208], [186, 204]] },
    { part: 'side', points: [[186, 124], [226, 122], [286, 122], [288, 150], [264, 156], [262, 180], [226, 189], [188, 190], [182, 156]] },
    { part: 'armpit', points: [[172, 184], [190, 182], [194, 204], [178, 206]] },
    { part: 'shoulder', points: [[148, 116], [186, 112], [190, 150], [180, 188], [148, 194], [138, 164], [140, 134]] },
    { part: 'chest', points: [[104, 146], [130, 138], [142, 162], [148, 196], [128, 194], [108, 174]] },
    { part: 'rump', points: [[292, 94], [330, 98], [346, 124], [318, 128], [290, 132]] },
    { part: 'back', points: [[150, 92], [190, 90], [244, 92], [294, 94], [292, 124], [240, 122], [190, 122], [152, 118]] },
    { part: 'neck', points: [[114, 62], [134, 70], [154, 92], [152, 118], [142, 134], [132, 140], [116, 122], [108, 96]] },
    { part: 'throat', points: [[84, 110], [106, 108], [118, 124], [132, 140], [106, 148], [92, 130]] },
    { part: 'topknot', points: [[70, 66], [82, 50], [104, 44], [122, 52], [120, 66], [98, 68], [82, 72]] },
    { part: 'cheek', points: [[82, 88], [98, 74], [114, 76], [114, 104], [98, 112], [82, 108]] },
    { part: 'lips', points: [[26, 96], [44, 92], [66, 88], [84, 96], [84, 108], [64, 110], [34, 108]] },
    { part: 'chin', points: [[36, 109], [66, 111], [82, 110], [78, 121], [56, 122], [42, 118]] },
    { part: 'bridge', points: [[28, 86], [44, 77], [62, 72], [70, 84], [60, 92], [32, 96]] },
    { part: 'nose', circle: [25, 91, 8] },
    { part: 'stop', points: [[60, 73], [72, 64], [78, 70], [72, 84]] },
    { part: 'eye', circle: [82, 77, 8] },
    { part: 'ear_base', points: [[104, 56], [124, 54], [132, 68], [116, 78], [102, 70]] },
    { part: 'ear_leather', points: [[104, 70], [118, 72], [132, 70], [140, 92], [136, 118], [122, 130], [110, 120], [104, 94]] },
    { part: 'ear_canal', circle: [113, 78, 7] },
    { part: 'dewclaw', circle: [172, 244, 6] },
    { part: 'fore_nails', points: [[133, 289], [146, 290], [148, 300], [133, 300]] },
    { part: 'hind_nails', points: [[301, 289], [314, 290], [316, 300], [301, 300]] },
  ],
};

/** The underside, the dog on its back, head up. Left and right as the dog has them, seen from below. */
export const UNDERSIDE: View = {
  id: 'underside',
  box: [200, 320],
  outlines: [
    { tone: 'body', points: [[100, 12], [122, 24], [128, 56], [140, 84], [146, 130], [140, 190], [148, 236], [136, 268], [100, 276], [64, 268], [52, 236], [60, 190], [54, 130], [60, 84], [72, 56], [78, 24]] },
    { tone: 'far', points: [[140, 88], [166, 100], [182, 130], [186, 154], [172, 156], [164, 134], [146, 120]] },
    { tone: 'far', points: [[60, 88], [34, 100], [18, 130], [14, 154], [28, 156], [36, 134], [54, 120]] },
    { tone: 'far', points: [[148, 216], [172, 228], [186, 256], [188, 284], [174, 286], [166, 262], [146, 252]] },
    { tone: 'far', points: [[52, 216], [28, 228], [14, 256], [12, 284], [26, 286], [34, 262], [54, 252]] },
  ],
  shapes: [
    { part: 'throat', points: [[82, 26], [118, 26], [124, 56], [100, 64], [76, 56]] },
    { part: 'chest', points: [[74, 60], [100, 66], [126, 60], [130, 92], [118, 122], [82, 122], [70, 92]] },
    { part: 'belly', points: [[74, 126], [126, 126], [130, 168], [122, 198], [78, 198], [70, 168]] },
    { part: 'sanitary', points: [[84, 202], [116, 202], [118, 232], [100, 242], [82, 232]] },
    { part: 'anus', circle: [100, 256, 11] },
    { part: 'tail', points: [[92, 268], [108, 268], [110, 294], [100, 314], [90, 294]] },
  ],
};
/** On the underside these have two sides; the left one of the dog is on the right of the picture. */
export const UNDERSIDE_PAIRED: readonly Shape[] = [
  { part: 'armpit', points: [[130, 88], [150, 92], [158, 116], [142, 126], [126, 112]] },
  { part: 'tuck_up', points: [[128, 168], [142, 164], [148, 200], [136, 210], [124, 198]] },
  { part: 'groin', points: [[120, 204], [138, 212], [152, 230], [138, 250], [120, 236]] },
];

/** The head from the front: the parts on the midline; the paired ones below are drawn twice. */
export const HEAD: View = {
  id: 'head',
  box: [240, 220],
  outlines: [{ tone: 'body', points: [[120, 26], [156, 34], [176, 66], [174, 108], [152, 146], [144, 184], [120, 196], [96, 184], [88, 146], [66, 108], [64, 66], [84, 34]] }],
  shapes: [
    { part: 'topknot', points: [[88, 38], [120, 28], [152, 38], [160, 64], [138, 74], [120, 68], [102, 74], [80, 64]] },
    { part: 'stop', points: [[106, 78], [120, 72], [134, 78], [130, 100], [110, 100]] },
    { part: 'bridge', points: [[108, 103], [132, 103], [136, 130], [120, 136], [104, 130]] },
    { part: 'wrinkles', points: [[106, 101], [120, 97], [134, 101], [133, 112], [120, 108], [107, 112]] },
    { part: 'nose', points: [[104, 138], [120, 134], [136, 138], [132, 152], [120, 158], [108, 152]] },
    { part: 'lips', points: [[94, 146], [106, 158], [120, 162], [134, 158], [146, 146], [144, 172], [120, 176], [96, 172]] },
    { part: 'chin', points: [[102, 178], [120, 180], [138, 178], [132, 194], [120, 198], [108, 194]] },
  ],
};
/** As the dog has them: its left is on the right of the picture. */
export const HEAD_PAIRED: readonly Shape[] = [
  { part: 'eye', circle: [148, 88, 13] },
  { part: 'cheek', points: [[150, 104], [172, 98], [168, 124], [152, 144], [140, 134]] },
  { part: 'ear_base', points: [[158, 44], [176, 40], [190, 58], [178, 72], [164, 66]] },
  { part: 'ear_leather', points: [[180, 70], [194, 62], [212, 92], [214, 132], [200, 150], [184, 128], [178, 98]] },
];

/** A paw from below. */
export const PAW_OUTLINE: Points = [[50, 8], [74, 16], [90, 40], [88, 72], [74, 96], [50, 104], [26, 96], [12, 72], [10, 40], [26, 16]];
export const PAW_PADS: readonly Points[] = [
  [[50, 56], [68, 66], [70, 82], [50, 88], [30, 82], [32, 66]],
  [[22, 40], [32, 38], [34, 54], [24, 60], [16, 52]],
  [[38, 20], [48, 20], [48, 40], [38, 42], [34, 30]],
  [[62, 20], [52, 20], [52, 40], [62, 42], [66, 30]],
  [[78, 40], [68, 38], [66, 54], [76, 60], [84, 52]],
];
/** Nails of a paw from below, beyond the toes. */
export const PAW_NAILS: Points = [[14, 30], [24, 10], [50, 0], [76, 10], [86, 30], [76, 22], [50, 12], [24, 22]];
