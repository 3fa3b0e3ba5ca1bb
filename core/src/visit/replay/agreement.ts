import type { Appliers } from './appliers.js';
/** What the owner answered. */
export const APPLY_AGREEMENT: Appliers<'consent_answered' | 'agreed'> = {
  consent_answered: (s, e) => {
    const { consent, ...answer } = e.body;
    s.consents.set(consent, { ...answer, atMs: e.stamp.wallMs });
  },
  agreed: (s, e) => {
    s.agreed = { ...e.body, eventId: e.id, atMs: e.stamp.wallMs };
  },
};
