import { extraPriceMinor, longestCutFor } from '../knowledge/coat/index.js';
import { hasKind } from '../knowledge/dogs/index.js';
import type { HandlingPlan, PlanInput } from '../plan/index.js';
import { type ConsentId, type PriceRule, type Reason, reason, type RuleId, USUAL_PRICE_RULE, type ZoneId } from '../words/index.js';
import { CLOSE_WORK, isMatWork } from '../work/index.js';
import { whyNotMore } from './alternatives.js';

/** Version of the wording below; stored with each signature. */
export const CONSENT_TEXT_VERSION = '2026-11-1';

export interface ConsentAsked {
  readonly id: ConsentId;
  /** The plan cannot go on as it is without it. */
  readonly required: boolean;
}

export interface AgreementProposal {
  readonly consents: readonly ConsentAsked[];
  /** Minutes for matting beyond a regular visit, and their price in the salon's smallest coin. */
  readonly extraMinutes: number;
  readonly extraMinutesRange: readonly [number, number];
  readonly extraPriceMinor: number;
  readonly possible: readonly Reason[];
}

/**
 * What is agreed before the work: what is possible, extra minutes for mats and their price, and the consents this plan needs.
 * @param ratePerMinuteMinor the salon's rate for extra time, smallest coin per minute, ≥ 0
 * @param rule how the salon prices it
 */
export function proposeAgreement(
  plan: HandlingPlan,
  input: PlanInput,
  ratePerMinuteMinor: number,
  rule: PriceRule = USUAL_PRICE_RULE,
): AgreementProposal {
  if (!(ratePerMinuteMinor >= 0)) throw new RangeError(`proposeAgreement: rate ${ratePerMinuteMinor} is negative`);
  const matSteps = plan.steps.filter((s) => isMatWork(s.activity));
  const clipped = matSteps.filter((s) => CLOSE_WORK.includes(s.activity));
  const clipOff =
    plan.notToday.some((n) => n.reasons.some((r) => r.rule === 'step.length_not_possible')) ||
    clipped.some((s) => s.name === 'clip_off_body');
  // A clip-off takes the place of the body clip, so only what goes beyond that is extra.
  const regular = clipOff && input.asked.items.includes('body_clip') ? BODY_CLIP_MINUTES : 0;
  const extraMinutes = Math.max(0, Math.round(matSteps.reduce((sum, s) => sum + s.minutes, 0) - regular));
  const possible: Reason[] = [];
  possible.push(...bodyLengths(plan), ...lengthsLeft(clipped));
  const short = plan.promised.filter((p) => p.promise === 'blade_only');
  if (input.asked.items.includes('body_clip') && short.length > 0)
    possible.push(
      reason(
        'agree.guard_length',
        {
          wanted: input.asked.wantedMm,
          mm: Math.min(...short.map((p) => p.atMostMm)),
          ...(short.length > ZONES_NAMED ? { count: short.length } : { zones: short.map((p) => p.zone) }),
        },
        0.7,
      ),
    );
  else if (input.asked.items.includes('body_clip') && input.feelOver.zones.some((z) => z.matGrade >= 2))
    possible.push(reason('agree.length', { wanted: input.asked.wantedMm }, 0.7));
  possible.push(...ofCoatAndReturn(plan, input));
  possible.push(...whyNotMore(plan));
  if (extraMinutes > 0) possible.push(reason('agree.extra', { minutes: extraMinutes }, 0.6));
  const asked: ConsentAsked[] = [];
  const ask = (id: ConsentId, required: boolean): void => {
    asked.push({ id, required });
  };
  if (clipOff) ask('clip_off', true);
  else if (clipped.length > 0) ask('close_clip', true);
  if (hasKind(plan.kinds, 'senior') || input.dog.conditions.length > 0) ask('senior_or_unwell', true);
  if (plan.steps.some((s) => s.hold.also.includes('muzzle'))) ask('muzzle', true);
  ask('vet_emergency', true);
  ask('photographs', false);
  return {
    consents: asked,
    extraMinutes,
    extraMinutesRange: [Math.round(extraMinutes * 0.7), Math.round(extraMinutes * 1.5)],
    extraPriceMinor: extraPriceMinor(extraMinutes, ratePerMinuteMinor, rule),
    possible,
  };
}

/** What the owner hears before the clip about a long way back, an overgrown or a double coat, and a place that was burned. */
function ofCoatAndReturn(plan: HandlingPlan, input: PlanInput): Reason[] {
  const out: Reason[] = [];
  const { returnWeeks, wantedMm, items } = input.asked;
  const clips = plan.steps.filter((s) => s.activity === 'body_clip' || s.activity === 'face');
  if (returnWeeks !== undefined && items.includes('body_clip')) {
    const { atMostMm } = longestCutFor(input.dog.coat, returnWeeks, false);
    if (atMostMm < wantedMm) out.push(reason('agree.long_return', { weeks: returnWeeks, mm: atMostMm }, 0.75));
  }
  const pieces = clips.flatMap((s) => s.pieces);
  const says = (rule: RuleId): boolean => pieces.some((p) => p.blade?.reasons.some((r) => r.rule === rule) === true);
  if (says('blade.overgrown_longer_first')) out.push(reason('agree.overgrown', {}, 0.6));
  for (const p of plan.steps.flatMap((s) => s.pieces))
    if (p.blade?.blade && input.dog.injuries.some((i) => i.kind === 'burn' && i.zone === p.place))
      out.push(reason('agree.burned_before', { zone: p.place }, 0.75));
  const close = plan.steps.filter((s) => s.name === 'clip_off_body' || (s.activity === 'clip_tight_body' && s.needsConsent));
  if (input.dog.coat === 'double' && close.length > 0) out.push(reason('agree.double_close', {}, 0.8));
  return out;
}

/** What the blade or guard that was chosen leaves on the body: the length of most of it, and each place where it differs. */
function bodyLengths(plan: HandlingPlan): Reason[] {
  const places = plan.steps
    .filter((s) => s.activity === 'body_clip')
    .flatMap((s) => s.pieces.flatMap((p) => (p.blade?.blade ? [{ zones: p.zones, mm: p.blade.lengthMm }] : [])));
  const zonesAt = (mm: number): ZoneId[] => places.filter((p) => p.mm === mm).flatMap((p) => p.zones);
  const lengths = [...new Set(places.map((p) => p.mm))].sort((a, b) => zonesAt(b).length - zonesAt(a).length);
  return lengths.map((mm, at) =>
    at === 0 ? reason('agree.body_length', { mm }, 0.85) : reason('agree.body_length_there', { mm, zones: zonesAt(mm) }, 0.84),
  );
}

/** What the blades leave where tight mats are clipped under: one length, or place by place where it differs. */
function lengthsLeft(clipped: HandlingPlan['steps']): Reason[] {
  const places = clipped.flatMap((s) => s.pieces.map((p) => ({ zone: p.place, mm: p.blade?.lengthMm ?? 0 })));
  const lengths = [...new Set(places.map((p) => p.mm))].sort((a, b) => b - a);
  const [only] = lengths;
  if (lengths.length === 1 && only !== undefined) return [reason('agree.close_clip', { mm: only }, 0.8)];
  return lengths.map((mm) => reason('agree.close_clip_there', { mm, zones: places.filter((p) => p.mm === mm).map((p) => p.zone) }, 0.8));
}

/** More places than this are counted, not named. */
const ZONES_NAMED = 4;
/** A regular body clip that a clip-off replaces, minutes. Our default. */
const BODY_CLIP_MINUTES = 18;
