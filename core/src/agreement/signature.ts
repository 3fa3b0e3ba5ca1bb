import type { Signature } from '../log/index.js';

/** Shorter than this, in the pad's pixels, and it is a slip of the finger. Our default. */
const SHORTEST_PX = 40;

/** Whether somebody has really signed: more than a dot. */
export function isSigned(signature: Signature | undefined): signature is Signature {
  return signature !== undefined && signature.strokes.reduce((sum, s) => sum + strokeLength(s), 0) >= SHORTEST_PX;
}

/** The strokes as one SVG path. `signaturePath({width: 100, height: 50, strokes: [[1, 2, 3, 4]]}) // => 'M1 2L3 4'` */
export function signaturePath(signature: Signature): string {
  return signature.strokes
    .map((s) => {
      const points: string[] = [];
      for (let i = 0; i + 1 < s.length; i += 2) points.push(`${s[i]} ${s[i + 1]}`);
      return points.length === 1 ? `M${points[0]}l1 0` : `M${points.join('L')}`;
    })
    .join('');
}

function strokeLength(s: readonly number[]): number {
  let sum = 0;
  for (let i = 2; i + 1 < s.length; i += 2) sum += Math.hypot((s[i] ?? 0) - (s[i - 2] ?? 0), (s[i + 1] ?? 0) - (s[i - 1] ?? 0));
  return sum;
}
