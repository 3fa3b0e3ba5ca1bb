import * as z from 'zod';

/** A backup that is kept. */
export interface Generation {
  /** As the tool calls it. */
  readonly label: string;
  readonly kind: 'full' | 'diff' | 'incr';
  readonly startedAt: Date;
  readonly endedAt: Date;
  /** Bytes of the database, and of what is stored of it. */
  readonly bytes: number;
  readonly stored: number;
  /** Why it was taken, where somebody said. */
  readonly note: string;
  readonly failed: boolean;
}

const INFO = z.array(
  z.object({
    name: z.string(),
    backup: z.array(
      z.object({
        label: z.string(),
        type: z.enum(['full', 'diff', 'incr']),
        timestamp: z.object({ start: z.number(), stop: z.number() }),
        info: z.object({ size: z.number(), repository: z.object({ delta: z.number() }) }),
        annotation: z.record(z.string(), z.string()).optional(),
        error: z.boolean().nullish(),
      }),
    ),
  }),
);

/** Reads what `pgbackrest info --output=json` prints. @returns the newest first @throws ZodError for what is not that */
export function readGenerations(json: string, stanza: string): Generation[] {
  const all = INFO.parse(JSON.parse(json)).find((s) => s.name === stanza)?.backup ?? [];
  return all
    .map((b) => ({
      label: b.label,
      kind: b.type,
      startedAt: new Date(b.timestamp.start * 1000),
      endedAt: new Date(b.timestamp.stop * 1000),
      bytes: b.info.size,
      stored: b.info.repository.delta,
      note: b.annotation?.['note'] ?? '',
      failed: b.error === true,
    }))
    .sort((a, b) => b.endedAt.getTime() - a.endedAt.getTime());
}

/** A whole one each week, what has changed since on the other days. Our default. */
export const FULL_EVERY_DAYS = 7;
/** Whole ones that are kept, and changes since one: a month of weeks, a week of days. Our default. */
export const KEPT = { full: 4, diff: 7 } as const;
/** Nobody works at this hour, on this machine's clock. Our default. */
const NIGHT_HOUR = 3;
const DAY_MS = 86_400_000;

/** What kind of backup is taken next. */
export function nextKind(generations: readonly Generation[], now: Date): 'full' | 'diff' {
  const full = generations.find((g) => g.kind === 'full' && !g.failed);
  return full && now.getTime() - full.startedAt.getTime() < (FULL_EVERY_DAYS - 0.5) * DAY_MS ? 'diff' : 'full';
}

/**
 * Whether the nightly backup is due: none was begun since the last time that it was night. After a night without power it is due at once.
 * @param lastTry when one was begun, well or not
 */
export function isDue(lastTry: Date | undefined, now: Date): boolean {
  const night = new Date(now);
  night.setHours(NIGHT_HOUR, 0, 0, 0);
  if (night > now) night.setDate(night.getDate() - 1);
  return lastTry === undefined || lastTry < night;
}

/** In words for who looks at the list. */
export function sayGeneration(g: Generation): string {
  const when = `${g.endedAt.getFullYear()}-${two(g.endedAt.getMonth() + 1)}-${two(g.endedAt.getDate())} ${two(g.endedAt.getHours())}:${two(g.endedAt.getMinutes())}`;
  const what = g.kind === 'full' ? 'whole' : 'changes';
  return `${when}  ${what.padEnd(7)}  ${sayBytes(g.stored).padStart(9)} stored of ${sayBytes(g.bytes)}${g.note === '' ? '' : `  ${g.note}`}${g.failed ? '  DAMAGED' : ''}`;
}
const two = (n: number): string => String(n).padStart(2, '0');

export function sayBytes(bytes: number): string {
  const [kb, mb] = [1024, 1024 ** 2];
  return bytes < mb
    ? `${Math.ceil(bytes / kb)} kB`
    : bytes < 1024 * mb
      ? `${(bytes / mb).toFixed(1)} MB`
      : `${(bytes / 1024 / mb).toFixed(2)} GB`;
}
