import { arc } from 'd3';
import type { JointComfort } from '@mansuet/core/words';

const SPREAD: Readonly<Record<JointComfort, number>> = { free: 110, stiff: 60, painful: 26 };
const RADIUS = 24;
const drawArc = arc();

/** How far a joint goes, as an arc: wide, narrow, or a sliver with a cross. Degrees clockwise from three o'clock. */
export function drawJoint(comfort: JointComfort, turn: number): string {
  const half = ((SPREAD[comfort] / 2) * Math.PI) / 180;
  // The arcs of d3 begin at twelve o'clock.
  const middle = ((turn + 90) * Math.PI) / 180;
  return drawArc({ innerRadius: 0, outerRadius: RADIUS, startAngle: middle - half, endAngle: middle + half }) ?? '';
}
