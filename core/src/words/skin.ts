export const SKIN_STATES = ['sound', 'red', 'sore'] as const;

/** Skin under the coat: sound, red, or sore (open, weeping, scabbed). */
export type SkinState = (typeof SKIN_STATES)[number];
