import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3-shape';
import { type Joint, type Side, ZONE_IDS, type ZoneId, type ZonePart } from '../words/index.js';
import { mirrored, jointOn, type Point, type Points, type Shape, type View } from './shapes.js';

/** A zone as it is drawn. */
export interface DrawnZone {
  readonly zone: ZoneId;
  readonly d: string;
  readonly layer: 'behind' | 'cut' | 'front';
  /** Where pins and numbers go. */
  readonly at: Point;
  /** The smaller of width and height in the picture's units: what a finger has to hit. */
  readonly size: number;
  /** Left, top, width and height of its drawing. */
  readonly box: readonly [number, number, number, number];
}
export interface DrawnJoint {
  readonly joint: Joint;
  readonly at: Point;
  readonly turn: number;
}
export interface Picture {
  readonly name: string;
  /** Drawn in a mirror: what lies to the left in the others lies to the right here. */
  readonly turned: boolean;
  readonly width: number;
  readonly height: number;
  readonly far: readonly string[];
  readonly body: readonly string[];
  readonly zones: readonly DrawnZone[];
  readonly details: readonly { readonly d: string; readonly kind: 'line' | 'fill' | 'pad' }[];
  readonly joints: readonly DrawnJoint[];
}

const closed = line<Point>().curve(curveCatmullRomClosed.alpha(0.5));
const open = line<Point>().curve(curveCatmullRom.alpha(0.5));

/**
 * Turns a view into paths.
 * @param side whose zones those without a pair are when the dog has them twice
 * @param turned drawn in a mirror: the right flank
 */
export function compileView(name: string, view: View, side: Side, turned: boolean): Picture {
  const [width, height] = view.box;
  const turn = (points: Points): Points => (turned ? mirrored(points, width) : points);
  const pair = (one: Side): DrawnZone[] => view.pairs.flatMap((s) => zoneIn(s, one, one === 'left' ? (p) => p : (p) => mirrored(p, width)));
  return {
    name,
    turned,
    width,
    height,
    far: view.far.map((p) => closed(turn(p)) ?? ''),
    body: view.body.map((p) => closed(turn(p)) ?? ''),
    zones: [...view.shapes.flatMap((s) => zoneIn(s, side, turn)), ...pair('left'), ...pair('right')],
    details: view.details.map((x) => ({ d: (x.kind === 'line' ? open : closed)(turn(x.points)) ?? '', kind: x.kind })),
    joints: view.joints.map((j) => ({ joint: jointOn(j.joint, side), at: turn([j.at])[0] ?? j.at, turn: turned ? 180 - j.turn : j.turn })),
  };
}

function zoneIn(shape: Shape, side: Side, turn: (p: Points) => Points): DrawnZone[] {
  const zone = zoneOf(shape.part, side);
  if (!zone) return [];
  if (shape.circle) {
    const [x0, y, r] = shape.circle;
    const [x] = turn([[x0, y]])[0] ?? [x0];
    const d = `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
    return [{ zone, d, layer: shape.layer ?? 'cut', at: [x, y], size: 2 * r, box: [x - r, y - r, 2 * r, 2 * r] }];
  }
  const rings = (shape.rings ?? []).map(turn);
  const all = rings.flat();
  const xs = all.map((p) => p[0]);
  const ys = all.map((p) => p[1]);
  const middle = (v: readonly number[]): number => (Math.min(...v) + Math.max(...v)) / 2;
  const across = (v: readonly number[]): number => Math.max(...v) - Math.min(...v);
  const at = shape.at ? turn([shape.at])[0] : undefined;
  return [
    {
      zone,
      d: rings.map((r) => closed(r) ?? '').join(''),
      layer: shape.layer ?? 'cut',
      at: at ?? [middle(xs), middle(ys)],
      size: Math.min(across(xs), across(ys)),
      box: [Math.min(...xs), Math.min(...ys), across(xs), across(ys)],
    },
  ];
}

function zoneOf(part: ZonePart, side: Side): ZoneId | undefined {
  return ZONE_IDS.find((z) => z === part) ?? ZONE_IDS.find((z) => z === `${part}_${side}`);
}
