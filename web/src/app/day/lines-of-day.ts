import type { DayProblem, DaySchedule, PlacedStretch, Span } from '@mansuet/core/day';

/** Some time of a dog with the same hands, without a gap. */
export interface LineTag {
  readonly key: string;
  readonly visitId: string;
  readonly from: number;
  readonly to: number;
  /** What is done in it, one after the other. */
  readonly parts: readonly { readonly from: number; readonly to: number; readonly work: 'bath' | 'table' }[];
  /** The first of that dog's tags: it can be moved, and stands for all of them. */
  readonly first: boolean;
  /** Hands help, and the dog is another one's. */
  readonly helps: boolean;
  /** How it stands: behind us, in hand, or to come. */
  readonly as: 'done' | 'in_hand' | 'planned';
  readonly held: boolean;
}

/** Somebody's day, from hook to hook. */
export interface LeadLine {
  readonly personId: string;
  readonly works: readonly Span[];
  readonly breaks: readonly Span[];
  readonly tags: readonly LineTag[];
}

/** What is behind us of a dog. */
export interface DoneWork {
  readonly visitId: string;
  readonly person: string;
  readonly from: number;
  readonly to: number;
  /** It goes on. */
  readonly runs: boolean;
}

/**
 * A day as lines: one for everybody who works or has done something, with a tag for each dog they have.
 * @param works by person, their whole hours, of which a problem may have the rest only
 */
export function linesOfDay(
  problem: Pick<DayProblem, 'dogs'>,
  schedule: DaySchedule,
  works: ReadonlyMap<string, readonly Span[]>,
  done: readonly DoneWork[],
): LeadLine[] {
  const people = [...new Set([...works.keys(), ...done.map((d) => d.person)])];
  const dogs = new Map(problem.dogs.map((d) => [d.id, d]));
  const own = (id: string): PlacedStretch[] => schedule.stretches.filter((s) => s.person === id || s.helper === id);
  const firstOf = new Map<string, number>();
  for (const s of schedule.stretches) if (s.person !== undefined) firstOf.set(s.dog, Math.min(firstOf.get(s.dog) ?? Infinity, s.from));
  return people.map((personId) => {
    const behind = done
      .filter((d) => d.person === personId)
      .map((d): LineTag => ({
        key: `done ${d.visitId}`,
        visitId: d.visitId,
        from: d.from,
        to: d.to,
        parts: [],
        first: !d.runs,
        helps: false,
        as: 'done',
        held: false,
      }));
    const ahead: LineTag[] = [];
    for (const s of own(personId).sort((a, b) => a.from - b.from)) {
      const dog = dogs.get(s.dog);
      const work = dog?.blocks[s.block]?.work ?? 'table';
      const helps = s.helper === personId;
      const last = ahead.at(-1);
      const part = { from: s.from, to: s.to, work };
      if (last && last.visitId === s.dog && last.helps === helps && s.from - last.to <= 0) {
        const before = last.parts.at(-1);
        const parts = before?.work === work ? [...last.parts.slice(0, -1), { ...before, to: s.to }] : [...last.parts, part];
        ahead[ahead.length - 1] = { ...last, to: s.to, parts };
        continue;
      }
      const inHand = dog?.blocks[0]?.by !== undefined && s.block === 0;
      ahead.push({
        key: `${s.dog} ${s.block} ${s.stretch} ${helps ? 'helps' : ''}`,
        visitId: s.dog,
        from: s.from,
        to: s.to,
        parts: [part],
        first: !helps && s.from === firstOf.get(s.dog),
        helps,
        as: inHand ? 'in_hand' : 'planned',
        held: dog?.blocks[0]?.by === undefined && (dog?.fixed.person !== undefined || dog?.fixed.from !== undefined),
      });
    }
    return {
      personId,
      works: works.get(personId) ?? [],
      breaks: schedule.breaks.filter((b) => b.person === personId),
      tags: [...behind, ...ahead],
    };
  });
}

/** What is behind us ends on its own minute, and what goes on begins on the grid: so much is not meeting. */
const TOUCH_MINUTES = 10;

/**
 * Tags that meet stand below each other, so that each can be read and pressed: at which place from the lead each hangs, by its key, and how many there are.
 * Who helps has a small tag of its own.
 */
export function stackOf(tags: readonly LineTag[]): { readonly at: ReadonlyMap<string, number>; readonly rows: number } {
  const ends: number[] = [];
  const at = new Map<string, number>();
  for (const t of tags.filter((x) => !x.helps).sort((a, b) => a.from - b.from)) {
    const free = ends.findIndex((end) => end <= t.from + TOUCH_MINUTES);
    const row = free < 0 ? ends.length : free;
    ends[row] = t.to;
    at.set(t.key, row);
  }
  return { at, rows: Math.max(1, ends.length) };
}
