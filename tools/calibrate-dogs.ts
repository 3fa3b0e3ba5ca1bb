import {
  type BreakSeen,
  evidenceOf,
  learnDog,
  learnHalfLife,
  type LearnedRate,
  learnRate,
  type RateEvidence,
  watchedBreaks,
  type WholeEvidence,
  wholeEvidenceOf,
} from '../core/src/strain/index.js';
import { AS_MODELLED, drawDog, type SimulatedDog, simulateVisit, type World } from '../core/src/testing/simulated-dogs.js';

/** Dogs of each kind; `DOGS=200 npm run calibrate` draws a thousand in all. */
const DOGS = Number(process.env['DOGS'] ?? 30);
const VISITS = 8;
const TOLD_AFTER: readonly number[] = [1, 3, VISITS];
/** A half-life that a plan counts with is too short from this on. */
const TOO_SHORT = 0.8;

/** Kinds of dog, each so far from what our table has for it. Works of one dog differ by 0.3, half-lives by 0.25. */
const OF_ALL_SORTS: World = { ...AS_MODELLED, halfLife: 0.5 };
const KINDS: Readonly<Record<string, { readonly harder: number; readonly slower: number; readonly world: World }>> = {
  'as its kind': { harder: 1, slower: 1, world: OF_ALL_SORTS },
  'minds everything': { harder: 1.6, slower: 1, world: OF_ALL_SORTS },
  'easy-going': { harder: 0.65, slower: 1, world: OF_ALL_SORTS },
  'comes down slowly': { harder: 1, slower: 1.8, world: AS_MODELLED },
  'goes quiet': { harder: 1, slower: 1, world: { ...OF_ALL_SORTS, quiet: 1 } },
};

interface Learned {
  readonly after: number;
  readonly rates: readonly { readonly learned: LearnedRate; readonly truly: number; readonly prior: number }[];
  readonly halfLife: { readonly range: readonly [number, number]; readonly planned: number; readonly truly: number };
}

/** A dog's visits, each believed as those before have taught. */
function live(dog: SimulatedDog, seed: number, world: World): Learned[] {
  const evidence: RateEvidence[] = [];
  const whole: WholeEvidence[] = [];
  const breaks: BreakSeen[] = [];
  const rates = (): LearnedRate[] =>
    dog.works.map((w, i) => learnRate({ work: String(i), priorPerMinute: w.expected }, evidence, learnDog(whole, breaks)));
  return Array.from({ length: VISITS }, (_, v) => {
    const believed = rates().map((r) => r.mean);
    const { seen, minutes } = simulateVisit(seed + v, world, dog, believed);
    const stretches = seen.stretches.map((s, i) => ({ ...s, work: String(i), kindPerMinute: dog.works[i]?.expected }));
    const visit = { ...seen, halfLifeMinutes: learnHalfLife(breaks, whole).middle, stretches };
    evidence.push(...evidenceOf(visit, minutes));
    whole.push(...[wholeEvidenceOf(visit, minutes) ?? []].flat());
    breaks.push(...watchedBreaks(visit));
    const { range, minutes: planned } = learnHalfLife(breaks, whole);
    return {
      after: v + 1,
      rates: rates().flatMap((learned, i) => {
        const work = dog.works[i];
        return work && learned.visits > 0 ? [{ learned, truly: work.truly, prior: work.expected }] : [];
      }),
      halfLife: { range, planned, truly: dog.halfLifeMinutes },
    };
  });
}

const share = <T>(all: readonly T[], is: (x: T) => boolean): number => all.filter(is).length / all.length;
const percent = (x: number): string => `${(100 * x).toFixed(0)} %`;
const off = (all: Learned['rates'], of: (r: Learned['rates'][number]) => number): string =>
  Math.sqrt(all.reduce((sum, r) => sum + Math.log(of(r) / r.truly) ** 2, 0) / all.length).toFixed(2);

function row(kind: string, after: number, all: readonly Learned[]): string {
  const rates = all.flatMap((l) => l.rates);
  const halfLives = all.map((l) => l.halfLife);
  return `| ${[
    kind,
    after,
    off(rates, (r) => r.prior),
    off(rates, (r) => r.learned.mean),
    percent(share(rates, ({ learned: { interval90 }, truly }) => interval90[0] <= truly && truly <= interval90[1])),
    percent(share(halfLives, (h) => h.range[0] <= h.truly && h.truly <= h.range[1])),
    percent(share(halfLives, (h) => h.planned < TOO_SHORT * h.truly)),
  ].join(' | ')} |`;
}

const learned = Object.entries(KINDS).flatMap(([kind, { harder, slower, world }], k) =>
  Array.from({ length: DOGS }, (_, d) => {
    const drawn = drawDog(10_000 * (k + 1) + d, world);
    const works = drawn.works.map((w) => ({ ...w, truly: w.truly * harder }));
    const dog = { ...drawn, works, halfLifeMinutes: drawn.halfLifeMinutes * slower };
    return live(dog, 1_000_000 * (k + 1) + 100 * d, world).map((l) => ({ kind, ...l }));
  }).flat(),
);
console.log(`\nWhat is learned of known dogs: ${DOGS} of each kind, ${VISITS} visits each\n`);
console.log(
  '| kind of dog | after visits | error of the log of a rate: before | after | 90 % of a rate covers | of the half-life | planned half-life over a fifth too short |',
);
console.log('| --- | --- | --- | --- | --- | --- | --- |');
for (const after of TOLD_AFTER) {
  const then = learned.filter((l) => l.after === after);
  for (const kind of Object.keys(KINDS))
    console.log(
      row(
        kind,
        after,
        then.filter((l) => l.kind === kind),
      ),
    );
  console.log(row('all', after, then));
}
