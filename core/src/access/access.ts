export const ROLES = ['lead', 'groomer', 'bather'] as const;
export type Role = (typeof ROLES)[number];
export const ROLE_LABELS: Readonly<Record<Role, string>> = { lead: 'lead', groomer: 'groomer', bather: 'bather' };

export const ACTIONS = ['read', 'record', 'plan', 'book', 'edit_dog', 'manage_staff', 'house_rules'] as const;
export type Action = (typeof ACTIONS)[number];

const ALLOWED: Readonly<Record<Role, readonly Action[]>> = {
  lead: ACTIONS,
  groomer: ['read', 'record', 'plan', 'book', 'edit_dog'],
  // A bather records what is seen and done; plan and agreement are the groomer's.
  bather: ['read', 'record'],
};

/**
 * Whether a role may do something. The server asks before it acts, the browser before it shows a button.
 * @example may('bather', 'book') // => false
 */
export function may(role: Role, action: Action): boolean {
  return ALLOWED[role].includes(action);
}
