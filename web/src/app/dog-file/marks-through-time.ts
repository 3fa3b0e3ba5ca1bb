import type { DogFile, MarkSeen } from '@mansuet/core/contract';
import { adviseMark, type MarkAdvice } from '@mansuet/core/knowledge/marks';
import type { Reason, ZoneId } from '@mansuet/core/words';
import { sizeOf } from '../wording/formats';

/** One mark with all its measures, the first one first, and what its change says. */
export interface MarkThroughTime {
  readonly seen: readonly MarkSeen[];
  readonly first: MarkSeen;
  readonly last: MarkSeen;
  /** When a vet saw it, as told. */
  readonly vetOn: string | undefined;
  readonly advice: MarkAdvice;
}

/** The marks of a file, each through time. */
export function marksThroughTime(file: DogFile): MarkThroughTime[] {
  const byId = new Map<string, MarkSeen[]>();
  for (const m of file.marks) byId.set(m.markId, [...(byId.get(m.markId) ?? []), m]);
  return [...byId.values()].flatMap((seen) => {
    const first = seen[0];
    const last = seen.at(-1);
    if (!first || !last) return [];
    const vetOn = file.vetSeen.find((v) => v.markId === last.markId)?.on;
    const advice = adviseMark({
      zone: last.zone,
      seenByVet: false,
      vetOn,
      seen: seen.map((m) => ({ on: m.seenOn, lengthMm: m.lengthMm, widthMm: m.widthMm, border: m.border, surface: m.surface })),
    });
    return [{ seen, first, last, vetOn, advice }];
  });
}

/** Marks that a vet should see, with the weightiest reason. */
export function marksForVet(file: DogFile): { markId: string; zone: ZoneId; size: string; because: Reason }[] {
  return marksThroughTime(file).flatMap(({ last, advice }) => {
    const because = advice.reasons[0];
    if (advice.verdict === 'watch' || !because) return [];
    return [{ markId: last.markId, zone: last.zone, size: sizeOf(last.lengthMm, last.widthMm), because }];
  });
}
