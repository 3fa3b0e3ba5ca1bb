import { bandOf, SIGNALS } from '../strain/index.js';
import { sawGoodSign, type VisitState, workNow } from '../visit/index.js';
import { type Reason, reason, type StrainBand } from '../words/index.js';

/** How hard a stretch of the visit was on the dog: a plain picture for its owner. */
export interface TookSpell {
  /** Minutes of the visit. */
  readonly from: number;
  readonly to: number;
  readonly band: StrainBand;
  readonly rest: boolean;
}

/** How the dog took it: in words an owner reads, and as one picture. Calm is never concluded from silence. */
export interface HowItTook {
  readonly says: readonly Reason[];
  readonly picture: readonly TookSpell[];
  readonly minutes: number;
}

/** Muzzle minutes from which it is told. Our default. */
const MUZZLE_TOLD_MINUTES = 0.5;

/** @returns `undefined` where no work was done, or it was written down afterwards: its minutes say nothing then */
export function howItTook(state: VisitState, name: string): HowItTook | undefined {
  const { work } = state;
  const now = workNow(state, work?.clockMs ?? 0);
  if (!work || !now || state.writtenAfter) return undefined;
  const minutes = Math.round(now.minute);
  const hard = [...new Set(now.strain.hardSigns)];
  const worst = hard.length > 0 ? 'stop' : bandOf(now.strain.peak);
  const says: Reason[] = [
    work.breaks > 0
      ? reason('told.worked', { minutes, count: work.breaks, break_minutes: Math.round(work.breakSeconds / 60) }, 0.6)
      : reason('told.worked_straight', { minutes }, 0.6),
  ];
  const seen = work.strain.some((e) => e.kind === 'signal' && SIGNALS[e.signal].tier !== 'says_nothing');
  if (worst === 'settled') {
    if (sawGoodSign(state)) says.push(reason('took.settled', { name }, 0.6));
    else says.push(seen ? reason('took.small_signs', { name }, 0.5) : reason('took.quiet', { name }, 0.5));
  } else if (worst === 'watch') says.push(reason('took.uneasy', { name }, 0.6));
  else says.push(reason(worst === 'pause' ? 'took.hard' : 'took.too_much', { name }, 0.8));
  if (hard.length > 0) says.push(reason('told.hard_signs', { name, signals: hard }, 0.8));
  const muzzle = (work.holdSeconds.get('muzzle') ?? 0) / 60;
  if (muzzle >= MUZZLE_TOLD_MINUTES) says.push(reason('took.muzzle', { name, minutes: Math.max(1, Math.round(muzzle)) }, 0.6));
  if (worst !== 'settled' && sawGoodSign(state)) says.push(reason('took.came_down', { name }, 0.4));
  return { says, minutes: now.minute, picture: spellsOf(state, now.minute) };
}

/** Minutes of one look, joined. */
function spellsOf(state: VisitState, minutes: number): TookSpell[] {
  const { work } = state;
  const now = workNow(state, work?.clockMs ?? 0);
  if (!work || !now || minutes <= 0) return [];
  const rests: { from: number; to: number }[] = [];
  for (const e of work.strain) {
    if (e.kind === 'break_started') rests.push({ from: e.minute, to: minutes });
    const open = rests.at(-1);
    if (e.kind === 'break_ended' && open) open.to = Math.min(e.minute, minutes);
  }
  const out: TookSpell[] = [];
  const cuts = [...new Set([0, ...now.strain.points.map((p) => p.minute), ...rests.flatMap((r) => [r.from, r.to]), minutes])]
    .filter((m) => m >= 0 && m <= minutes)
    .sort((a, b) => a - b);
  let at = 0;
  for (const [i, from] of cuts.entries()) {
    const to = cuts[i + 1];
    if (to === undefined || to - from < 1e-9) continue;
    while ((now.strain.points[at + 1]?.minute ?? Infinity) <= from + 1e-9) at++;
    const band = bandOf(now.strain.points[at]?.strain ?? 0);
    const rest = rests.some((r) => from >= r.from - 1e-9 && to <= r.to + 1e-9);
    const last = out.at(-1);
    if (last?.band === band && last.rest === rest) out[out.length - 1] = { ...last, to };
    else out.push({ from, to, band, rest });
  }
  return out;
}
