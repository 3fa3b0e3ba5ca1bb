import { chanceHigher, type GammaRate } from '../statistics/index.js';
import { type LearnedTool, type Posture, type Reason, reason, type TriggerVerdict, type ZoneGroup } from '../words/index.js';
import { POINTS_IN_A_BURST, type SeenWork } from './rate-book.js';

export interface NoiseOrPlace {
  readonly verdict: TriggerVerdict;
  /** Chance that the place with other tools is markedly worse than the rest of the dog; `undefined` while too little was seen. */
  readonly placeChance: number | undefined;
  /** Chance that the tool in other places is markedly worse than the rest. */
  readonly toolChance: number | undefined;
  readonly togetherChance: number | undefined;
  readonly reasons: readonly Reason[];
}

/** Minutes of each side that are needed before anything is said. Our default. */
const MINUTES_TO_COMPARE = 5;
/** Markedly worse: this many times the rest of the dog. Our default. */
const MARKEDLY_TIMES = 1.5;
/** Said from this chance on. Our default. */
const SAID_FROM_CHANCE = 0.9;
/** Percent that is said at most: a handful of visits proves nothing. Our default. */
const NEVER_SURER_THAN = 99;
/** Points and minutes added to each side, so that a few minutes of silence are not certainty. Our default. */
const WEAK: GammaRate = { shape: 0.5, minutes: 0.5 };

/**
 * Is it the noise or the place? A dog that objects to shears as much as to clippers does not mind the noise: it minds the place.
 * Compares the place with other tools, and the tool in other places, with everything else that was done to the dog.
 */
export function noiseOrPlace(tool: LearnedTool, place: ZoneGroup, seen: readonly SeenWork[]): NoiseOrPlace {
  const rest = pool(seen.filter((s) => s.tool !== tool && s.group !== place));
  const otherTools = pool(seen.filter((s) => s.tool !== tool && s.group === place));
  const elsewhere = pool(seen.filter((s) => s.tool === tool && s.group !== place));
  const together = pool(seen.filter((s) => s.tool === tool && s.group === place));
  const against = (side: Pooled): number | undefined =>
    side.minutes < MINUTES_TO_COMPARE || rest.minutes < MINUTES_TO_COMPARE ? undefined : chanceHigher(side.rate, rest.rate, MARKEDLY_TIMES);
  const placeChance = against(otherTools);
  const toolChance = against(elsewhere);
  const togetherChance = against(together);
  const verdict = verdictOf(placeChance, toolChance, togetherChance);
  const facts = {
    learned_tool: tool,
    place,
    percent: Math.min(NEVER_SURER_THAN, Math.round(100 * Math.max(placeChance ?? 0, toolChance ?? 0, togetherChance ?? 0))),
    minutes: MINUTES_TO_COMPARE,
  };
  return {
    verdict,
    placeChance,
    toolChance,
    togetherChance,
    reasons: [reason(`trigger.${verdict}`, facts, verdict === 'not_enough' ? 0.2 : 0.8)],
  };
}

function verdictOf(place: number | undefined, tool: number | undefined, together: number | undefined): TriggerVerdict {
  if (place === undefined || tool === undefined) return 'not_enough';
  const minds = (chance: number | undefined): boolean => (chance ?? 0) >= SAID_FROM_CHANCE;
  if (minds(place) && minds(tool)) return 'both';
  if (minds(place)) return 'place';
  if (minds(tool)) return 'tool';
  return minds(together) ? 'only_together' : 'neither';
}

interface Pooled {
  readonly minutes: number;
  readonly rate: GammaRate;
}
function pool(seen: readonly SeenWork[]): Pooled {
  const minutes = seen.reduce((sum, s) => sum + s.minutes, 0);
  const points = seen.reduce((sum, s) => sum + s.points, 0);
  return { minutes, rate: { shape: WEAK.shape + points / POINTS_IN_A_BURST, minutes: WEAK.minutes + minutes / POINTS_IN_A_BURST } };
}

export interface TriggerSuspect {
  readonly tool: LearnedTool;
  readonly group: ZoneGroup;
  readonly posture: Posture;
  /** Chance that this cell is markedly worse than the rest of the dog. */
  readonly chance: number;
  readonly minutes: number;
  readonly points: number;
}

/** Cells of tool × place × posture that stand out, the surest first. */
export function suspectTriggers(seen: readonly SeenWork[]): TriggerSuspect[] {
  const cells = new Map<string, SeenWork[]>();
  for (const s of seen) {
    const key = `${s.tool}|${s.group}|${s.posture}`;
    cells.set(key, [...(cells.get(key) ?? []), s]);
  }
  return [...cells.values()]
    .flatMap((cell) => {
      const first = cell[0];
      const own = pool(cell);
      const rest = pool(seen.filter((s) => !cell.includes(s)));
      if (!first || own.minutes < MINUTES_TO_COMPARE || rest.minutes < MINUTES_TO_COMPARE) return [];
      const chance = chanceHigher(own.rate, rest.rate, MARKEDLY_TIMES);
      const points = cell.reduce((sum, s) => sum + s.points, 0);
      return [{ tool: first.tool, group: first.group, posture: first.posture, chance, minutes: own.minutes, points }];
    })
    .filter((s) => s.chance >= SAID_FROM_CHANCE)
    .sort((a, b) => b.chance - a.chance);
}
