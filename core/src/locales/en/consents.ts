import type { ConsentId } from '../../words/index.js';
/** What the owner agrees to, in plain words. */
const TEXTS_2026_11_1: Readonly<Record<ConsentId, string>> = {
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

/** Every version of the words that was ever shown: a signature is worth the words it stands under. The last is the present one. */
export const CONSENT_TEXTS: Readonly<Record<string, Readonly<Record<ConsentId, string>>>> = { '2026-11-1': TEXTS_2026_11_1 };
