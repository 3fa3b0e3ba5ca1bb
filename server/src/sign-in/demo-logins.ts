import type { Session } from '@mansuet/core/contract';

/** Shown on the sign-in page in demo mode only; the demo salon's people are invented. */
export const DEMO_LOGINS: Session['demoLogins'] = [
  { login: 'imke', password: 'tidewrack-lead', name: 'Imke Aldous', role: 'lead' },
  { login: 'rafael', password: 'tidewrack-groom', name: 'Rafael Quist', role: 'groomer' },
  { login: 'odette', password: 'tidewrack-groom', name: 'Odette Marrow', role: 'groomer' },
  { login: 'tomasz', password: 'tidewrack-bath', name: 'Tomasz Vane', role: 'bather' },
];
