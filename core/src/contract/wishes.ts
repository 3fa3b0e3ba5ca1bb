import * as z from 'zod';
import { addDays, isZone } from '../days/index.js';
import { ASKED } from '../log/index.js';
import { formProblem } from '../words/index.js';

/** Nobody looks for a time further apart than a coat grows. Our default, days. */
const AT_MOST_DAYS = 62;

/** Between which days times are looked for, for how many minutes, and with whom rather. */
export const TIMES_ASKED = z
  .strictObject({
    from: z.iso.date(formProblem('form.day_missing')),
    to: z.iso.date(formProblem('form.day_missing')),
    minutes: z.coerce.number().int().min(10).max(480),
    groomerId: z.uuid().optional(),
  })
  .refine((t) => t.from <= t.to, { path: ['to'], message: formProblem('form.ends_before') })
  .refine((t) => t.to <= addDays(t.from, AT_MOST_DAYS), { path: ['to'], message: formProblem('form.two_months') });
export type TimesAsked = z.infer<typeof TIMES_ASKED>;

/** A time that an owner may choose. */
export const TIME_OFFERED = z.strictObject({ arrivesAt: z.iso.datetime(), groomerId: z.uuid(), groomer: z.string().max(60) });
export type TimeOffered = z.infer<typeof TIME_OFFERED>;
export const TIMES_OFFERED = z.object({ times: z.array(TIME_OFFERED) });

/** Times are offered to the owner of a dog, by a link. */
export const NEW_WISH_LINK = z.strictObject({
  asked: ASKED,
  helperThere: z.boolean(),
  times: z.array(TIME_OFFERED).min(1).max(3),
});
export type NewWishLink = z.infer<typeof NEW_WISH_LINK>;
/** The same as it is kept with the link. */
export const WISH_OFFER = NEW_WISH_LINK.extend({ dogId: z.uuid(), dogName: z.string(), zone: z.string().refine(isZone) });
export type WishOffer = z.infer<typeof WISH_OFFER>;

/** Which time it shall be, by its place; `null`: none of them, and what would be right instead. */
export const WISH_ANSWER = z
  .strictObject({ chosen: z.int().min(0).max(2).nullable(), says: z.string().trim().max(300) })
  .refine((a) => a.chosen !== null || a.says !== '', { path: ['says'], message: formProblem('form.say_when') });
export type WishAnswer = z.infer<typeof WISH_ANSWER>;

/** A wish as the salon sees it. */
const WISH = z.object({
  linkId: z.uuid(),
  dogId: z.uuid(),
  dog: z.string(),
  owner: z.string(),
  phone: z.string(),
  minutes: z.number(),
  times: z.array(TIME_OFFERED),
  state: z.enum(['open', 'answered']),
  madeAt: z.iso.datetime(),
  answer: WISH_ANSWER.nullable(),
  /** The chosen time is still free with whom it was offered. */
  isFree: z.boolean(),
});
export const WISHES = z.object({ wishes: z.array(WISH) });
export type Wish = z.infer<typeof WISH>;
