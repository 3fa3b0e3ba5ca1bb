import { zoneLabel } from '../knowledge/anatomy/index.js';
import { extraPriceMinor } from '../knowledge/coat/index.js';
import { hasKind } from '../knowledge/dogs/index.js';
import type { HandlingPlan, PlanInput } from '../plan/index.js';
import { type Reason, reason } from '../reasons/index.js';
import type { ConsentId } from '../words/index.js';
import { whyNotMore } from './alternatives.js';

/** Version of the wording below; stored with each signature. */
export const CONSENT_TEXT_VERSION = '2026-11-1';

/** What the owner agrees to, in plain words. */
export const CONSENT_TEXTS: Readonly<Record<ConsentId, string>> = {
  close_clip:
    'Tight mats are clipped under, close to the skin. Skin below may be red or sore; close clipping can leave clipper burn or a nick. You are told the same day.',
  clip_off:
    'The matted coat is clipped off whole. Your dog may feel cold or act oddly for a day or two, and skin below is seen for the first time. Call us within 24 to 48 hours if anything worries you.',
  senior_or_unwell:
    'Grooming is strain for an old or unwell dog. We keep it short, put health before looks, and stop when your dog has had enough.',
  muzzle: 'A basket muzzle may be used for a few minutes at a time in the steps that may hurt, watched, with treats if you allow them.',
  vet_emergency: 'In an emergency we take your dog to a vet at once and call you. Treatment is the vet’s decision.',
  photographs: 'Photographs of coat and skin may be kept in your dog’s file.',
};

/** In a few words, for headings and the copy. */
export const CONSENT_LABELS: Readonly<Record<ConsentId, string>> = {
  close_clip: 'tight mats clipped close',
  clip_off: 'the coat clipped off',
  senior_or_unwell: 'grooming an old or unwell dog',
  muzzle: 'a muzzle, for minutes',
  vet_emergency: 'a vet in an emergency',
  photographs: 'photographs',
};

/** Every version of the words that was ever shown: a signature is worth the words it stands under. */
const TEXT_VERSIONS: Readonly<Record<string, Readonly<Record<ConsentId, string>>>> = { [CONSENT_TEXT_VERSION]: CONSENT_TEXTS };

/** The words of a version; `undefined` for one that never was. */
export function consentText(id: ConsentId, version: string): string | undefined {
  return TEXT_VERSIONS[version]?.[id];
}

export interface ConsentAsked {
  readonly id: ConsentId;
  readonly text: string;
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

const MAT_ACTIVITIES = ['brush_mats', 'clip_tight_fragile', 'clip_tight_head', 'clip_tight_body'] as const;

/**
 * What is agreed before the work: what is possible, extra minutes for mats and their price, and the consents this plan needs.
 * @param ratePerMinuteMinor the salon's rate for extra time, smallest coin per minute, ≥ 0
 */
export function proposeAgreement(plan: HandlingPlan, input: PlanInput, ratePerMinuteMinor: number): AgreementProposal {
  if (!(ratePerMinuteMinor >= 0)) throw new RangeError(`proposeAgreement: rate ${ratePerMinuteMinor} is negative`);
  const matSteps = plan.steps.filter((s) => MAT_ACTIVITIES.some((a) => a === s.activity));
  const clipped = matSteps.filter((s) => s.activity !== 'brush_mats');
  const clipOff =
    plan.notToday.some((n) => n.reasons.some((r) => r.rule === 'step.length_not_possible')) ||
    clipped.some((s) => s.reasons.some((r) => r.rule === 'step.clip_off_whole'));
  // A clip-off takes the place of the body clip, so only what goes beyond that is extra.
  const regular = clipOff && input.asked.items.includes('body_clip') ? BODY_CLIP_MINUTES : 0;
  const extraMinutes = Math.max(0, Math.round(matSteps.reduce((sum, s) => sum + s.minutes, 0) - regular));
  const possible: Reason[] = [];
  if (clipped.length > 0) possible.push(reason('agree.close_clip', { mm: clipped[0]?.blade?.lengthMm ?? 1.5 }, 0.8));
  const short = plan.promised.filter((p) => p.promise === 'blade_only');
  if (input.asked.items.includes('body_clip') && short.length > 0)
    possible.push(
      reason(
        'agree.guard_length',
        {
          wanted: input.asked.wantedMm,
          mm: Math.min(...short.map((p) => p.atMostMm)),
          zones: short.length > ZONES_NAMED ? `${short.length} places` : short.map((p) => zoneLabel(p.zone)).join(', '),
        },
        0.7,
      ),
    );
  else if (input.asked.items.includes('body_clip') && input.feelOver.zones.some((z) => z.matGrade >= 2))
    possible.push(reason('agree.length', { wanted: input.asked.wantedMm }, 0.7));
  possible.push(...whyNotMore(plan));
  if (extraMinutes > 0) possible.push(reason('agree.extra', { minutes: extraMinutes }, 0.6));
  const asked: ConsentAsked[] = [];
  const ask = (id: ConsentId, required: boolean): void => {
    asked.push({ id, text: CONSENT_TEXTS[id], required });
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
    extraPriceMinor: extraPriceMinor(extraMinutes, ratePerMinuteMinor),
    possible,
  };
}

/** More places than this are counted, not named. */
const ZONES_NAMED = 4;
/** A regular body clip that a clip-off replaces, minutes. Our default. */
const BODY_CLIP_MINUTES = 18;
