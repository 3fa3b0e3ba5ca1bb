export const ROLES = ['lead', 'groomer', 'bather'] as const;

export type Role = (typeof ROLES)[number];

export const ACTIONS = [
  'read',
  'record',
  'plan',
  'book',
  'plan_day',
  'edit_dog',
  'end_bite',
  'manage_staff',
  'manage_salon',
  'house_rules',
] as const;

export type Action = (typeof ACTIONS)[number];
