import { logGamma } from './gamma.js';

/**
 * Regularised incomplete beta function I_x(a, b), by its continued fraction (Lentz), on the side where it converges fast.
 * @throws RangeError for a or b not positive, or x outside 0 to 1
 * @example betaCdf(0.5, 2, 3) // => 0.6875
 */
export function betaCdf(x: number, a: number, b: number): number {
  if (!(a > 0) || !(b > 0) || !(x >= 0 && x <= 1)) throw new RangeError(`betaCdf: x ${x}, a ${a}, b ${b}`);
  if (x === 0 || x === 1) return x;
  if (x > (a + 1) / (a + b + 2)) return 1 - betaCdf(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  const TINY = 1e-300;
  const away = (v: number): number => (Math.abs(v) < TINY ? TINY : v);
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m < 10_000; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / away(1 + even * d);
    c = away(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / away(1 + odd * d);
    c = away(1 + odd / c);
    const delta = d * c;
    h *= delta;
    if (Math.abs(delta - 1) < 1e-16) break;
  }
  return front * h;
}
