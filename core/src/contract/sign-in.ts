import * as z from 'zod';
import { isZone, NO_ZONE } from '../days/index.js';
import { formProblem, ROLES } from '../words/index.js';

export const SIGN_IN = z.strictObject({
  login: z.string().trim().min(1, formProblem('form.sign_in_name_missing')).max(60),
  password: z.string().min(1, formProblem('form.password_missing')).max(200),
});

const newPassword = z.string().min(10, formProblem('form.characters_at_least')).max(200);
const login = z
  .string()
  .trim()
  .toLowerCase()
  .min(2, formProblem('form.letters_at_least'))
  .max(60)
  .regex(/^[a-z0-9._@-]+$/, formProblem('form.sign_in_name_letters'));

export const FIRST_RUN = z.strictObject({
  salonName: z.string().trim().min(1, formProblem('form.salon_name_missing')).max(80),
  name: z.string().trim().min(1, formProblem('form.your_name_missing')).max(60),
  login,
  password: newPassword,
  vetName: z.string().trim().max(80),
  vetPhone: z.string().trim().max(40),
  /** The place whose clock counts, IANA; that of the browser. */
  timeZone: z.string().trim().max(64).refine(isZone, formProblem('form.zone_unknown')).default(NO_ZONE),
});
export type FirstRunForm = z.infer<typeof FIRST_RUN>;

export const NEW_STAFF = z.strictObject({
  name: z.string().trim().min(1, formProblem('form.name_missing')).max(60),
  login,
  password: newPassword,
  role: z.enum(ROLES),
  trained: z.boolean(),
});
/** Somebody new: they choose their password themselves, by a link that opens once. */
export const INVITATION = z.strictObject({
  name: z.string().trim().min(1, formProblem('form.name_missing')).max(60),
  login,
  role: z.enum(ROLES),
  trained: z.boolean(),
});
export type InvitationForm = z.infer<typeof INVITATION>;
/** A link by which somebody chooses a password; told once. */
export const JOIN_LINK = z.object({ staffId: z.uuid(), url: z.string(), expiresAt: z.iso.datetime() });
export type JoinLink = z.infer<typeof JOIN_LINK>;
/** Whom a link is for. */
export const JOIN_VIEW = z.object({ salonName: z.string(), name: z.string(), login: z.string() });
export type JoinView = z.infer<typeof JOIN_VIEW>;
export const CHOSEN_PASSWORD = z.strictObject({ password: newPassword });
export const PASSWORD_CHANGE = z.strictObject({
  old: z.string().min(1, formProblem('form.password_missing')).max(200),
  password: newPassword,
});
export type PasswordChange = z.infer<typeof PASSWORD_CHANGE>;
/** Where somebody is signed in. */
export const SESSIONS = z.object({
  sessions: z.array(
    z.object({
      key: z.string(),
      agent: z.string(),
      since: z.iso.datetime().nullable(),
      used: z.iso.datetime().nullable(),
      here: z.boolean(),
    }),
  ),
});
export type OpenSession = z.infer<typeof SESSIONS>['sessions'][number];

/** A device that asks for the right to send entries in the name of whoever is signed in. */
export const NEW_GRANT_FORM = z.strictObject({ device: z.string().trim().min(1).max(64) });
/** Told once: the secret is nowhere but on that device. */
export const NEW_GRANT = z.object({ grantId: z.uuid(), secret: z.string() });
export type NewGrant = z.infer<typeof NEW_GRANT>;
export const DEVICE_GRANTS = z.object({
  grants: z.array(z.object({ grantId: z.uuid(), staffId: z.uuid(), name: z.string(), device: z.string(), madeAt: z.iso.datetime() })),
});
export type DeviceGrant = z.infer<typeof DEVICE_GRANTS>['grants'][number];
export type NewStaffForm = z.infer<typeof NEW_STAFF>;
