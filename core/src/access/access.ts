import { type Action, ACTIONS, type Role } from '../words/index.js';

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
