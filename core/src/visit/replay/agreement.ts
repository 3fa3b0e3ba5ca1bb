import type { Appliers } from './appliers.js';
/** What the owner answered. */
export const APPLY_AGREEMENT: Appliers<'consent_answered' | 'agreed'> = {
  consent_answered: (s, e, atMs) => {
    const { consent, ...answer } = e.body;
    s.consents.set(consent, { ...answer, atMs });
  },
  agreed: (s, e, atMs) => {
    s.agreed = { ...e.body, eventId: e.id, atMs };
  },
};
