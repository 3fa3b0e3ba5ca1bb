import {
  byWeight,
  type Facts,
  type FactsOf,
  MARK_ADVICE,
  type MARK_BORDERS,
  type MARK_SURFACES,
  type MarkVerdict,
  type Reason,
  reason,
  type RuleId,
  type ZoneId,
} from '../../words/index.js';
import { partOf } from '../anatomy/index.js';
import { daysBetween, doublingDays, markAreaMm2, type MarkSize, markVolumeMm3 } from './mark-size.js';

/** A mark as one visit found it. */
export interface MarkMeasured extends MarkSize {
  /** ISO date. */
  readonly on: string;
  readonly border: (typeof MARK_BORDERS)[number];
  readonly surface: (typeof MARK_SURFACES)[number];
}

export interface MarkQuestion {
  readonly zone: ZoneId;
  /** In any order. */
  readonly seen: readonly MarkMeasured[];
  /** The owner says that a vet has looked at it, at the size and look it has now or had before. */
  readonly seenByVet: boolean;
  /** When a vet saw it, ISO date: change is then counted from that day, and size alone no longer sends it there. */
  readonly vetOn?: string | undefined;
}

export interface MarkGrowth {
  readonly areaMm2: number;
  readonly days: number;
  /** Negative: days to halve; `Infinity`: the same size. `undefined` with one measurement, or all of one day. */
  readonly areaDoublingDays: number | undefined;
  readonly volumeDoublingDays: number | undefined;
}

export interface MarkAdvice {
  readonly verdict: MarkVerdict;
  readonly growth: MarkGrowth;
  readonly reasons: readonly Reason[];
}

/** A side read by two people differs by about this much, mm: less is no change. Our default. */
export const READING_ERROR_MM = 1;
/** A new mark of this size is shown whatever it looks like, mm. Common practice, no source. */
const SHOW_FROM_MM = 10;
/** A new mark that is still there after this many days is shown. Common practice, no source: "a month". */
const SHOW_AFTER_DAYS = 28;
/** Area that doubles within this many days is quick growth. Our default. */
export const QUICK_DOUBLING_DAYS = 60;

const ALARMING: readonly MarkMeasured['surface'][] = ['oozing', 'bleeding'];

/**
 * Whether a mark is shown to the vet. Rules of change, not of what it is. @throws RangeError without a measurement
 * @example adviseMark({ zone: 'back', seen: [{ on: '2026-11-01', lengthMm: 12, widthMm: 8, border: 'regular', surface: 'smooth' }], seenByVet: false }).verdict // => 'show_vet'
 */
export function adviseMark(q: MarkQuestion): MarkAdvice {
  const seen = sinceVet(
    [...q.seen].sort((a, b) => a.on.localeCompare(b.on)),
    q.vetOn,
  );
  const first = seen[0];
  const last = seen[seen.length - 1];
  if (!first || !last) throw new RangeError('adviseMark: no measurement');
  const before = seen[seen.length - 2];
  const zone = q.zone;
  const growth = growthOf(first, last);
  const found: { verdict: MarkVerdict; because: Reason }[] = [];
  const find = (verdict: MarkVerdict, rule: MarkRule, weight: number, facts: Facts = {}): void => {
    found.push({ verdict, because: reason(rule, { zone, ...facts } as FactsOf<MarkRule>, weight) });
  };
  if (ALARMING.includes(last.surface)) find('show_vet_now', 'mark.open', 1, { surface: last.surface });
  if (partOf(q.zone) === 'anus') find('show_vet_now', 'mark.beside_anus', 0.95);
  if (before && grew(before, last)) find('show_vet', 'mark.bigger', 0.9, { was_size: sizeOf(before), size: sizeOf(last) });
  else if (grew(first, last)) find('show_vet', 'mark.bigger', 0.9, { was_size: sizeOf(first), size: sizeOf(last) });
  if (before && before.surface !== last.surface && last.surface !== 'smooth')
    find('show_vet', 'mark.surface_changed', 0.9, { was_surface: before.surface, surface: last.surface });
  if (before?.border === 'regular' && last.border === 'irregular') find('show_vet', 'mark.border_changed', 0.9);
  const doubles = growth.areaDoublingDays;
  if (doubles !== undefined && doubles > 0 && doubles <= QUICK_DOUBLING_DAYS && grew(first, last))
    find('show_vet_now', 'mark.quick', 0.95, { days: Math.round(doubles) });
  const seenByVet = q.seenByVet || q.vetOn !== undefined;
  if (!seenByVet) {
    if (Math.max(last.lengthMm, last.widthMm) >= SHOW_FROM_MM) find('show_vet', 'mark.one_centimetre', 0.8, { mm: SHOW_FROM_MM });
    if (daysBetween(first.on, last.on) >= SHOW_AFTER_DAYS) find('show_vet', 'mark.stays', 0.7, { days: SHOW_AFTER_DAYS });
    if (last.border === 'irregular') find('show_vet', 'mark.irregular', 0.8);
    if (last.surface !== 'smooth' && !ALARMING.includes(last.surface)) find('show_vet', 'mark.surface', 0.7, { surface: last.surface });
  }
  if (found.length === 0)
    return { verdict: 'watch', growth, reasons: [reason(seenByVet ? 'mark.stable' : 'mark.new_small', { zone }, 0.3)] };
  const verdict = MARK_ADVICE[Math.max(...found.map((f) => MARK_ADVICE.indexOf(f.verdict)))] ?? 'show_vet_now';
  return { verdict, growth, reasons: byWeight(found.map((f) => f.because)) };
}

/** Measurements from the last one that the vet could have seen. */
function sinceVet(inOrder: readonly MarkMeasured[], vetOn: string | undefined): readonly MarkMeasured[] {
  if (vetOn === undefined) return inOrder;
  const known = inOrder.filter((m) => m.on <= vetOn).length;
  return inOrder.slice(Math.max(0, known - 1));
}

/** Growth from the first to the last measurement. */
function growthOf(first: MarkMeasured, last: MarkMeasured): MarkGrowth {
  const days = daysBetween(first.on, last.on);
  const areaMm2 = markAreaMm2(last);
  if (days <= 0) return { areaMm2, days: 0, areaDoublingDays: undefined, volumeDoublingDays: undefined };
  return {
    areaMm2,
    days,
    areaDoublingDays: doublingDays(markAreaMm2(first), areaMm2, days),
    volumeDoublingDays: doublingDays(markVolumeMm3(first), markVolumeMm3(last), days),
  };
}

/** A side has grown by more than two people's readings differ. */
function grew(from: MarkSize, to: MarkSize): boolean {
  const sides = (s: MarkSize): [number, number] => [Math.max(s.lengthMm, s.widthMm), Math.min(s.lengthMm, s.widthMm)];
  const [long, short] = sides(to);
  const [longBefore, shortBefore] = sides(from);
  return long - longBefore > READING_ERROR_MM || short - shortBefore > READING_ERROR_MM;
}

type MarkRule = Extract<RuleId, `mark.${string}`>;

const sizeOf = (s: MarkSize): readonly [number, number] => [s.lengthMm, s.widthMm];
