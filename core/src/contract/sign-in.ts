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
