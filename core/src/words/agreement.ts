export const CONSENT_IDS = ['close_clip', 'clip_off', 'senior_or_unwell', 'muzzle', 'vet_emergency', 'photographs'] as const;

export type ConsentId = (typeof CONSENT_IDS)[number];

export const ALTERNATIVE_IDS = ['shorter', 'with_helper', 'more_time', 'welfare_only'] as const;

export type AlternativeId = (typeof ALTERNATIVE_IDS)[number];
