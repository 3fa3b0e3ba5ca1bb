export const HEAT_ACTIONS = ['go_on', 'check', 'swap', 'cool', 'stop'] as const;

/** Go on, touch it, take a cool one, cool this one, or stop: in the order of care. */
export type HeatAction = (typeof HEAT_ACTIONS)[number];
