import type { DogFacts } from '../knowledge/dogs/index.js';
import type { Joint, ZonePart } from '../words/index.js';

export type Point = readonly [number, number];
export type Points = readonly Point[];

/** What of a dog changes its drawing. */
export type Look = Pick<DogFacts, 'ears' | 'tail' | 'nose' | 'build'>;
export const USUAL_LOOK: Look = { ears: 'drop', tail: 'long', nose: 'medium', build: 'light' };

/** One zone of a picture. Lists of points are smoothed; a circle is what small places are. */
export interface Shape {
  readonly part: ZonePart;
  readonly rings?: readonly Points[];
  readonly circle?: readonly [number, number, number];
  /** What is not cut at the body's outline: drawn behind the body, or in front of it. */
  readonly layer?: 'behind' | 'front';
  /** Where a pin or number goes, when the middle of the shape is not it. */
  readonly at?: Point;
}

/** Lines that only make it a dog. */
export interface Detail {
  readonly points: Points;
  readonly kind: 'line' | 'fill' | 'pad';
}

/** One picture of the dog. The body's outline cuts every zone that is not free; later zones lie on earlier ones. */
export interface View {
  readonly box: Point;
  /** Legs on the other side, drawn behind and not touched. */
  readonly far: readonly Points[];
  readonly body: readonly Points[];
  readonly shapes: readonly Shape[];
  /** Zones that the dog has twice, as its left side; the right one is the same, mirrored. */
  readonly pairs: readonly Shape[];
  readonly details: readonly Detail[];
  /** Where the joints lie, without their side, for the arcs. */
  readonly joints: readonly { readonly joint: JointPart; readonly at: Point; readonly turn: number }[];
}
export type JointPart = 'neck' | 'back' | 'shoulder' | 'elbow' | 'hip' | 'knee';

/** The joint of a side. `jointOn('hip', 'left') // => 'hip_left'` */
export function jointOn(part: JointPart, side: 'left' | 'right'): Joint {
  return part === 'neck' || part === 'back' ? part : `${part}_${side}`;
}

/** The same points, moved. */
export function moved(points: Points, dx: number, dy: number): Points {
  return points.map(([x, y]) => [x + dx, y + dy] as const);
}

/** The same points in a mirror at half the width. */
export function mirrored(points: Points, width: number): Points {
  return points.map(([x, y]) => [width - x, y] as const);
}
