export const PHASES = ['know', 'feel_over', 'agree', 'plan', 'work', 'hand_back'] as const;

export type Phase = (typeof PHASES)[number];
