import * as z from 'zod';
import { ROLES } from '../words/index.js';

export const SIGN_IN = z.strictObject({
  login: z.string().trim().min(1, 'Give your sign-in name.').max(60),
  password: z.string().min(1, 'Give your password.').max(200),
});

const newPassword = z.string().min(10, 'At least 10 characters.').max(200);
const login = z
  .string()
  .trim()
  .toLowerCase()
  .min(2, 'At least 2 letters.')
  .max(60)
  .regex(/^[a-z0-9._@-]+$/, 'Letters without accents, digits and . _ @ - only.');

export const FIRST_RUN = z.strictObject({
  salonName: z.string().trim().min(1, 'Give the salon’s name.').max(80),
  name: z.string().trim().min(1, 'Give your name.').max(60),
  login,
  password: newPassword,
  vetName: z.string().trim().max(80),
  vetPhone: z.string().trim().max(40),
});
export type FirstRunForm = z.infer<typeof FIRST_RUN>;

export const NEW_STAFF = z.strictObject({
  name: z.string().trim().min(1, 'Give a name.').max(60),
  login,
  password: newPassword,
  role: z.enum(ROLES),
  trained: z.boolean(),
});
export type NewStaffForm = z.infer<typeof NEW_STAFF>;
