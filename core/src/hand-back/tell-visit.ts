import { zoneFacts } from '../knowledge/anatomy/index.js';
import type { MarkFound } from '../findings/index.js';
import { adviseMark, followMark } from '../knowledge/marks/index.js';
import { sayingOf } from '../log/index.js';
import { bandOf } from '../strain/index.js';
import { type MarkOfFile, presumedMarks, unfinishedPieces, type VisitState, workNow } from '../visit/index.js';
import {
  type Activity,
  activityOf,
  type HouseRules,
  JOINTS,
  type MarkFollow,
  type Reason,
  reason,
  type Saying,
  saying,
  type StepName,
} from '../words/index.js';
import { CLOSE_WORK, isForEase } from '../work/index.js';

/**
 * What happened, in the order an owner asks: was it done, how was it, what was found, what went wrong, what is left.
 * @param file marks of earlier visits, and which a vet has seen
 */
export function tellVisit(state: VisitState, dogName: string, file: MarksKnown = { marks: [] }): Reason[] {
  const out: Reason[] = [];
  if (state.ended?.outcome === 'not_today') out.push(reason('told.not_today', { name: dogName, why: state.ended.why }, 1));
  const now = workNow(state, state.work?.clockMs ?? 0);
  if (state.work && now) {
    const facts = {
      minutes: Math.round(now.minute),
      peak: Math.round(now.strain.peak),
      band: now.strain.hardSigns.length > 0 ? now.strain.band : bandOf(now.strain.peak),
    };
    out.push(
      state.work.breaks > 0
        ? reason('told.worked', { ...facts, break_minutes: Math.round(state.work.breakSeconds / 60), count: state.work.breaks }, 0.6)
        : reason('told.worked_straight', facts, 0.6),
    );
    if (state.plan) out.push(reason('told.planned', { steps: state.plan.steps.length, minutes: Math.round(state.plan.minutes) }, 0.2));
    if (state.ended?.outcome === 'stopped') out.push(reason('told.stopped', { why: state.ended.why }, 0.9));
    const done = stepsWith(state, 'done');
    const part = stepsWith(state, 'part');
    if (done.length > 0) out.push(reason('told.done', { steps_done: done }, 0.5));
    if (part.length > 0) out.push(reason('told.part', { steps_done: part }, 0.6));
    const hard = [...new Set(now.strain.hardSigns)];
    if (hard.length > 0) out.push(reason('told.hard_signs', { name: dogName, signals: hard }, 0.8));
  }
  const dated = byDays(state, 'another_visit').filter((d) => d.days !== undefined);
  const soon = new Set(dated.flatMap((d) => d.things.map((t) => JSON.stringify([t.rule, t.facts]))));
  const left = leftOver(state).filter((s) => !soon.has(JSON.stringify([s.rule, s.facts])));
  if (left.length > 0) out.push(reason('told.left', { things: left }, 0.6));
  for (const { days, things } of dated) out.push(reason('told.within', { days: days ?? 0, things }, 0.8));
  for (const { days, things } of byDays(state, 'vet')) {
    if (days === undefined) out.push(reason('told.vet', { things }, 1));
    else out.push(days === 0 ? reason('told.vet_today', { things }, 1) : reason('told.vet_within', { days, things }, 1));
  }
  if (state.ended?.outcome !== 'not_today') out.push(...marksTold(state, file));
  for (const i of state.incidents) {
    out.push(
      reason(
        'told.incident',
        {
          incident: i.kind,
          harm: i.harm,
          zone: i.zone,
          text: i.what,
        },
        0.95,
      ),
    );
  }
  if (state.incidents.length === 0 && state.work) out.push(reason('told.no_incident', {}, 0.3));
  return out;
}

/** What the file knows of a dog's marks. */
export interface MarksKnown {
  readonly marks: readonly MarkOfFile[];
  readonly vetSeen?: readonly { readonly markId: string; readonly on: string }[];
}

/** Each mark by itself: what was found, what was known, and what nobody looked for. */
function marksTold(state: VisitState, { marks: known, vetSeen = [] }: MarksKnown): Reason[] {
  const found = state.feelOver.marks.map((m) => {
    const before = known.filter((k) => k.markId === m.markId);
    const follow = followOf(state, m, before, vetSeen.find((v) => v.markId === m.markId)?.on);
    const facts = { mark_kind: m.kind ?? 'stands_out', zone: m.zone, size: [m.lengthMm, m.widthMm] as const, follow };
    const first = before.map((k) => k.seenOn).sort()[0];
    return first === undefined ? reason('told.mark', facts, 0.7) : reason('told.mark_known', { ...facts, since: first }, 0.6);
  });
  const missed = presumedMarks(known, state).map((m) => reason('told.mark_presumed', { zone: m.zone, since: m.presumedSince ?? '' }, 0.5));
  return [...found, ...missed];
}

/** What becomes of a mark, by its change up to the day of the visit; nothing without a day. */
function followOf(state: VisitState, mark: MarkFound, before: readonly MarkOfFile[], vetOn: string | undefined): MarkFollow | undefined {
  const on = state.day;
  if (on === undefined) return undefined;
  if (mark.kind === 'sore') return 'within_days';
  const seen = [...before.map((k) => ({ ...k, on: k.seenOn })), { ...mark, on }];
  return followMark(adviseMark({ zone: mark.zone, seen, seenByVet: false, vetOn }).verdict, mark.isNew);
}

/** What was put off or is for a vet, by how soon; the soonest first, what says no day last. */
function byDays(state: VisitState, to: 'vet' | 'another_visit'): { days: number | undefined; things: Saying[] }[] {
  const groups = new Map<number | undefined, Saying[]>();
  for (const n of state.plan?.notToday.filter((x) => x.to === to) ?? []) {
    const days = n.withinDays ?? undefined;
    groups.set(days, [...(groups.get(days) ?? []), sayingOf(n.what)]);
  }
  return [...groups].map(([days, things]) => ({ days, things })).sort((a, b) => (a.days ?? Infinity) - (b.days ?? Infinity));
}

/** What the owner watches for and does at home. Common practice, no source. */
export function homeCare(state: VisitState, dogName: string): Reason[] {
  const out: Reason[] = [];
  const did = (a: Activity): boolean =>
    [...(state.work?.steps.values() ?? [])].some((s) => activityOf(s.step) === a && ['done', 'part'].includes(s.status));
  if (CLOSE_WORK.some(did)) out.push(reason('care.close_clip', { name: dogName }, 0.8));
  const earMats = state.feelOver.zones.some((z) => z.matGrade >= 2 && zoneFacts(z.zone).group === 'ears');
  if (earMats && did('clip_tight_head')) out.push(reason('care.ear_mats', {}, 0.9));
  const hurt = state.incidents.some((i) => i.harm !== 'none' && i.kind !== 'bite_or_scratch_person' && i.kind !== 'found_on_arrival');
  if (hurt) out.push(reason('care.injury', {}, 0.9));
  if (state.feelOver.zones.some((z) => z.matGrade >= 1)) out.push(reason('care.mats', {}, 0.4));
  if (state.feelOver.marks.length > 0) out.push(reason('care.marks', {}, 0.7));
  const { favours, joints, looked, foundAt } = state.feelOver;
  if (favours && favours !== 'none') out.push(reason('care.spare_leg', { name: dogName, weak: favours }, 0.8));
  const stiff = JOINTS.find((j) => (joints[j] ?? 'free') !== 'free');
  if (stiff) out.push(reason('care.stiff', { name: dogName, joint: stiff }, 0.7));
  if (looked?.grease === 'greasy') out.push(reason('care.greasy', {}, 0.5));
  if (looked?.ticks === 'tick') out.push(reason('care.tick', foundAt?.ticks?.length ? { zones: foundAt.ticks } : {}, 0.8));
  const now = workNow(state, state.work?.clockMs ?? 0);
  if (now && now.strain.peak >= CALM_ADVICE_FROM) out.push(reason('care.calm', { name: dogName }, 0.5));
  return out;
}

/** Peak from which a quiet day is advised, points. Our default: the band `pause`. */
const CALM_ADVICE_FROM = 50;

/** Work planned or asked for that was not finished: it goes on the next plan by itself. */
export function leftOver(state: VisitState): Saying[] {
  // What was begun is told of by itself.
  const open = state.ended ? unfinishedPieces(state).filter((u) => !u.begun && !isForEase(activityOf(u.step.id))) : [];
  const planned = [...new Set(open.map((u) => u.step))].map((step) => {
    const left = open.filter((u) => u.step === step);
    return left.length === step.pieces.length
      ? saying('what.step', { step: step.name })
      : saying('what.pieces', { step: step.name, zones: left.flatMap((u) => u.piece.zones) });
  });
  const later = state.plan?.notToday.filter((n) => n.to !== 'vet').map((n) => sayingOf(n.what)) ?? [];
  const known = new Set<string>();
  return [...planned, ...later].filter((s) => {
    const key = JSON.stringify([s.rule, s.facts]);
    if (known.has(key)) return false;
    known.add(key);
    return true;
  });
}

function stepsWith(state: VisitState, status: string): StepName[] {
  const names = [...(state.work?.steps.values() ?? [])]
    .filter((s) => s.status === status && !isForEase(activityOf(s.step)))
    .map((s) => state.plan?.steps.find((p) => p.id === s.step)?.name ?? activityOf(s.step));
  return [...new Set(names)];
}

/**
 * Who is told of what was found or hurt, and how, by the school of the house. A doctor or vet who is needed now is rung in every house.
 * @returns nothing where nothing was found
 */
export function whoIsTold(state: VisitState, house: HouseRules): Reason[] {
  const found = state.feelOver.marks.length > 0 || state.incidents.length > 0 || state.feelOver.zones.some((z) => z.skin === 'sore');
  if (!found) return [];
  return [reason(house.whoIsTold === 'owner_and_vet_writing' ? 'told.in_writing' : 'told.by_word', {}, 0.8)];
}
