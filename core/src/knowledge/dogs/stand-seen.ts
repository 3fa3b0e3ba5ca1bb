/** Minutes that a dog stood without a rest, and whether somebody said then that it was tired out. */
export interface StandSeen {
  readonly minutes: number;
  readonly tired: boolean;
}

export interface LearnedStanding {
  /** What a plan counts with: tired sooner in one stand of five. */
  readonly minutes: number;
  /** It tires between these in nine of ten stands. */
  readonly range: readonly [number, number];
}

/** How a dog's stands differ: 1 over the scale of a log-logistic distribution; minutes until it tires vary by about a third. Our default. */
const SHAPE = 6;
/** How far dogs lie from the guess: standard deviation of a logarithm; less where somebody has seen the dog stand. Our defaults. */
export const GUESS_SPREAD = 0.5;
export const SEEN_SPREAD = 0.25;
/** Of stands that are planned, so many go on longer than the dog likes. Our default. */
const TIRED_IN = 0.2;
/** Shorter stands tell nothing, minutes. Our default. */
const LEAST_MINUTES = 1;
/** Logarithms of the dog's middle over the prior's. */
const CELLS = 81;
const REACH = 2.4;
const GRID: readonly number[] = Array.from({ length: CELLS }, (_, i) => REACH * ((2 * i) / (CELLS - 1) - 1));

/** Chance that a dog with a middle stands longer. */
const standsOn = (minutes: number, middle: number): number => 1 / (1 + (minutes / middle) ** SHAPE);

/**
 * How long a dog stands until it tires. What the plan counted with until now is the careful quantile before anything was seen. A stand
 * that ended with a tired dog says so; one that ended otherwise says that it would have stood at least so long. Nothing is
 * raised: that nobody said "tired out" is no leave to let it stand longer. Somebody who has seen it says so in its file.
 * @param counted minutes that are counted with as long as nothing was seen, > 0
 * @param spread how far it may lie from that: {@link GUESS_SPREAD} or {@link SEEN_SPREAD}
 * @returns `undefined` when no stand says anything
 */
export function learnStanding(counted: number, spread: number, stands: readonly StandSeen[]): LearnedStanding | undefined {
  const known = learned.get(stands);
  if (known?.counted === counted && known.spread === spread) return known.standing;
  const standing = learn(counted, spread, stands);
  learned.set(stands, { counted, spread, standing });
  return standing;
}
/** A plan asks it of one dog at each of its pieces. */
const learned = new WeakMap<
  readonly StandSeen[],
  { readonly counted: number; readonly spread: number; readonly standing: LearnedStanding | undefined }
>();

function learn(counted: number, spread: number, stands: readonly StandSeen[]): LearnedStanding | undefined {
  const told = stands.filter((s) => s.minutes >= LEAST_MINUTES);
  if (told.length === 0) return undefined;
  const prior = GRID.map((u) => Math.exp(-0.5 * (u / spread) ** 2));
  const middle = counted / tiredBy(TIRED_IN, 1, prior);
  const logs = GRID.map((u, i) =>
    told.reduce(
      (sum, { minutes, tired }) => {
        const left = standsOn(minutes, middle * Math.exp(u));
        // The density of a log-logistic at its end, up to what is the same for all middles; else that it stood on.
        return sum + Math.log(tired ? left * (1 - left) : left);
      },
      Math.log(prior[i] ?? 0),
    ),
  );
  const most = Math.max(...logs);
  const weights = logs.map((x) => Math.exp(x - most));
  return {
    minutes: Math.min(counted, tiredBy(TIRED_IN, middle, weights)),
    range: [tiredBy(0.05, middle, weights), tiredBy(0.95, middle, weights)],
  };
}

/** Minutes by which it is tired with a probability, over all middles by their weights; halved down to a thousandth. */
function tiredBy(p: number, middle: number, weights: readonly number[]): number {
  const total = weights.reduce((a, b) => a + b, 0);
  const tired = (minutes: number): number =>
    1 - GRID.reduce((sum, u, i) => sum + (weights[i] ?? 0) * standsOn(minutes, middle * Math.exp(u)), 0) / total;
  let [low, high] = [Math.log(middle) - 2 * REACH, Math.log(middle) + 2 * REACH];
  while (high - low > 1e-3) {
    const half = (low + high) / 2;
    if (tired(Math.exp(half)) < p) low = half;
    else high = half;
  }
  return Math.exp((low + high) / 2);
}
