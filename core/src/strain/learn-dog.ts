import { breakLogLikelihood, type BreakSeen, HALF_LIFE_RANGE, HALF_LIVES_DIFFER } from './break-seen.js';
import { DEFAULT_HALF_LIFE_MINUTES } from './curve.js';
import { HALF_LIFE_SHIFT, type WholeEvidence } from './rate-evidence.js';
import { GRID, logLikelihoodAt, weigh } from './rate-grid.js';
import { DOGS_DIFFER, WHOLE_COUNTS } from './salon-pool.js';

/** A dog as a whole against its kind: logarithm of the factor on all its rates, middle and variance. */
export interface DogFactor {
  readonly middle: number;
  readonly variance: number;
  readonly visits: number;
  /** The same for each half-life that the dog may have: what looks like harder work may be a slower dog. */
  readonly ifHalfLife: readonly IfHalfLife[];
}
export interface IfHalfLife {
  readonly minutes: number;
  /** How likely it is; all of them sum to one. */
  readonly chance: number;
  readonly middle: number;
  readonly variance: number;
}

/** Half-lives that are gone through. A visit says little: finer ones say no more. */
const NODES = 9;
const HALF_LIVES: readonly number[] = Array.from(
  { length: NODES },
  (_, i) => HALF_LIFE_RANGE[0] * (HALF_LIFE_RANGE[1] / HALF_LIFE_RANGE[0]) ** (i / (NODES - 1)),
);
/**
 * What whole visits say of the half-life counts in half: signs, frights and what a busy hand leaves out make it look longer than it is.
 * Measured on simulated dogs (`npm run calibrate`); our default.
 */
const SIGNS_SAY_OF_HALF_LIFE = 0.5;
/** Half-lives that are less likely are left out. */
const UNLIKELY = 0.01;

/**
 * How much harder, or easier, all work is on a dog than on others of its kind, from whole visits, together with how slowly it comes down:
 * a visit of signs can come of either, and its breaks tell them apart.
 * @param breaks of the same visits
 * @param usual logarithm of what the salon's other dogs have over our table, where this one begins
 */
export function learnDog(visits: readonly WholeEvidence[], breaks: readonly BreakSeen[] = [], usual = 0): DogFactor {
  const factors = HALF_LIVES.map((halfLife) => factorIf(halfLife, visits, usual));
  const logs = factors.map(
    (f, i) => SIGNS_SAY_OF_HALF_LIFE * f.log + priorLog(HALF_LIVES[i] ?? 0) + breakLogLikelihood(breaks, HALF_LIVES[i] ?? 0),
  );
  const most = Math.max(...logs);
  const shares = logs.map((x) => Math.exp(x - most));
  const total = shares.reduce((a, b) => a + b, 0);
  const likely = factors
    .map(({ middle, variance }, i) => ({ minutes: HALF_LIVES[i] ?? 0, chance: (shares[i] ?? 0) / total, middle, variance }))
    .filter((f) => f.chance >= UNLIKELY);
  const kept = likely.reduce((sum, f) => sum + f.chance, 0);
  const ifHalfLife = likely.map((f) => ({ ...f, chance: f.chance / kept }));
  const middle = ifHalfLife.reduce((sum, f) => sum + f.chance * f.middle, 0);
  const variance = ifHalfLife.reduce((sum, f) => sum + f.chance * (f.variance + (f.middle - middle) ** 2), 0);
  return { middle, variance, visits: visits.length, ifHalfLife };
}

/** What whole visits say of each of some half-lives, whatever the dog's factor: logarithms, as far as they count. */
export function wholeLogLikelihoods(visits: readonly WholeEvidence[], halfLives: readonly number[]): number[] {
  const at = HALF_LIVES.map((h) => SIGNS_SAY_OF_HALF_LIFE * factorIf(h, visits, 0).log);
  const step = Math.log(HALF_LIFE_RANGE[1] / HALF_LIFE_RANGE[0]) / (NODES - 1);
  return halfLives.map((h) => {
    const where = Math.min(NODES - 1, Math.max(0, Math.log(h / HALF_LIFE_RANGE[0]) / step));
    const below = Math.min(NODES - 2, Math.floor(where));
    return (at[below] ?? 0) + (where - below) * ((at[below + 1] ?? 0) - (at[below] ?? 0));
  });
}

function factorIf(halfLife: number, visits: readonly WholeEvidence[], usual: number): { log: number; middle: number; variance: number } {
  const seen = visits.map((e) => ({ believed: e.believed, ...atHalfLife(e, halfLife) }));
  const logs = GRID.map((g) =>
    seen.reduce((sum, e) => sum + WHOLE_COUNTS * logLikelihoodAt(e, g - e.believed), -0.5 * ((g - usual) / DOGS_DIFFER) ** 2),
  );
  const { weights, average } = weigh(logs);
  const middle = average((g) => g);
  const log = Math.max(...logs) + Math.log(weights.reduce((a, b) => a + b, 0));
  return { log, middle, variance: average((g) => (g - middle) ** 2) };
}

/** What a visit says of rates if the dog's half-life is another one than was believed then; the same where that was not kept. */
function atHalfLife({ logLikelihoods, halfLives }: WholeEvidence, halfLife: number): Pick<WholeEvidence, 'logLikelihoods'> {
  if (!halfLives) return { logLikelihoods };
  const at = Math.min(1, Math.max(-1, Math.log(halfLife / halfLives.believed) / HALF_LIFE_SHIFT));
  return {
    logLikelihoods: logLikelihoods.map((here, i) => {
      const [below, above] = [halfLives.quicker[i] ?? here, halfLives.slower[i] ?? here];
      return here + (at * (above - below)) / 2 + (at * at * (above + below - 2 * here)) / 2;
    }),
  };
}

const priorLog = (halfLife: number): number => -0.5 * (Math.log(halfLife / DEFAULT_HALF_LIFE_MINUTES) / HALF_LIVES_DIFFER) ** 2;
