import type { KeptDayPlan } from '@mansuet/core/contract';
import type { DaySchedule } from '@mansuet/core/day';

/** A plan as the planner reads it. */
export function scheduleOf({ schedule }: Pick<KeptDayPlan, 'schedule'>): DaySchedule {
  return {
    ...schedule,
    stretches: schedule.stretches.map((s) => ({ ...s, person: s.person, helper: s.helper, post: s.post })),
  };
}

/** Whose each dog is: whoever has it at the table first, or else at all, and from when. */
export function mainHands({ stretches }: DaySchedule): { dog: string; person: string; from: number }[] {
  const out = new Map<string, { dog: string; person: string; from: number }>();
  for (const s of [...stretches].sort((a, b) => a.from - b.from)) {
    if (s.person === undefined || out.has(s.dog)) continue;
    out.set(s.dog, { dog: s.dog, person: s.person, from: s.from });
  }
  return [...out.values()];
}

/** A dog that would be with somebody else, or at a time that is felt. */
export interface DayChange {
  readonly dog: string;
  readonly person: string | undefined;
  readonly by: number;
}
/** Less is not worth a change. Our default, minutes. */
const FELT_MINUTES = 10;

/** What is otherwise in another plan of the same day, as far as somebody feels it. */
export function changesOf(was: DaySchedule, now: DaySchedule): DayChange[] {
  const before = new Map(mainHands(was).map((m) => [m.dog, m]));
  return mainHands(now).flatMap((m) => {
    const old = before.get(m.dog);
    const isOther = old?.person !== m.person;
    const by = old ? m.from - old.from : 0;
    return isOther || Math.abs(by) >= FELT_MINUTES ? [{ dog: m.dog, person: isOther ? m.person : undefined, by }] : [];
  });
}
