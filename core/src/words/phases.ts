export const PHASES = ['know', 'feel_over', 'agree', 'plan', 'work', 'hand_back'] as const;

export type Phase = (typeof PHASES)[number];
/** How far a visit is: `gone` when the dog went home, `off` when it is not held. */
export type Reached = Phase | 'gone' | 'off';
