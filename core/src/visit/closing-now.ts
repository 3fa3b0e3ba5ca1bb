import { closingList } from '../knowledge/fit/index.js';
import { SIGNALS, STOP_AT } from '../strain/index.js';
import type { ClosingLine } from '../words/index.js';
import { postNow, unfinishedNow } from './safe-finish-now.js';
import type { VisitState } from './state.js';
import { workNow } from './work-clock.js';

/** An end that is being made safe. */
export interface Closing {
  /** Somebody pressed Stop, the dog's signs said stop, or its body is in danger. */
  readonly cause: 'asked' | 'sign' | 'alarm';
  readonly lines: readonly { readonly line: ClosingLine; readonly done: boolean }[];
}

/**
 * What is still to be done to make the end safe; `undefined` while the visit goes on. It begins by itself when strain has reached `stop`
 * once: a second hard sign, a snap, a bite. That does not lapse with minutes, only when the sign is taken back as a mistake.
 * @param nowMs wall clock
 * @param strain what the meter reads at that moment, where it was read already
 */
export function closingNow(state: VisitState, nowMs: number, strain = workNow(state, nowMs)?.strain): Closing | undefined {
  if (state.ended) return undefined;
  const alarm = strain?.hardSigns.some((s) => SIGNALS[s].tier === 'body_alarm') ?? false;
  const stopped = strain !== undefined && strain.peak >= STOP_AT;
  if (!alarm && !stopped && !state.closing.begun) return undefined;
  const lines = closingList({ post: postNow(state.work), unfinished: unfinishedNow(state, nowMs), alarm });
  return {
    cause: alarm ? 'alarm' : stopped ? 'sign' : 'asked',
    lines: lines.map((line) => ({ line, done: state.closing.done.has(line) || state.closing.skipped.has(line) })),
  };
}

/** The list that makes the end safe, once the work is over. */
export interface ClosingAtEnd {
  readonly alarm: boolean;
  readonly lines: readonly { readonly line: ClosingLine; readonly done: boolean; readonly skipped: string | undefined }[];
  /** Lines that are neither done nor left out with a reason: the dog is not handed back before. */
  readonly open: number;
}

/** Not of a visit that ended as it was planned: its owner comes to fetch the dog. */
const ONLY_AFTER_STOP: readonly ClosingLine[] = ['ring_owner'];

/**
 * What is still to be done before the dog is handed back; `undefined` while the work goes on, where no work was done, and where it was written
 * down afterwards.
 */
export function closingAtEnd(state: VisitState): ClosingAtEnd | undefined {
  const { work, ended, closing } = state;
  if (!work || !ended || state.writtenAfter) return undefined;
  const endMs = work.endedMs ?? work.clockMs;
  const alarm = workNow(state, endMs)?.strain.hardSigns.some((s) => SIGNALS[s].tier === 'body_alarm') ?? false;
  const needed = closingList({ post: postNow(work), unfinished: unfinishedNow(state, endMs), alarm });
  const lines = needed
    .filter((line) => ended.outcome === 'stopped' || !ONLY_AFTER_STOP.includes(line))
    .map((line) => ({ line, done: closing.done.has(line), skipped: closing.skipped.get(line) }));
  return { alarm, lines, open: lines.filter((l) => !l.done && l.skipped === undefined).length };
}
