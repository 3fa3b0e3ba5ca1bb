import * as z from 'zod';
import { ACTIVITIES, ZONE_IDS } from '../../words/index.js';

/** Fields that several families of events use. */
export const id = z.uuid();
export const shortText = z.string().trim().min(1).max(200);
export const longText = z.string().trim().max(2000);
/** A time of day on the salon's clock. */
export const hourOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/);
/** Of a day at most. */
export const minutes = z
  .number()
  .min(0)
  .max(24 * 60);
/** Where the owner answered: on the salon's screen, on a phone by a link, or by word. */
export const via = z.enum(['screen', 'link', 'word']);
/** An answer may also hold from an earlier visit. */
export const answeredVia = z.enum([...via.options, 'earlier']);
/** The salon's own tool, when the drawer knows it; none while a number is all that is known. */
export const toolId = z.uuid().nullable();
/** A step of the plan: a kind of work, and its first place where that kind makes several steps. */
export const stepId = z.union([z.enum(ACTIVITIES), z.templateLiteral([z.enum(ACTIVITIES), '@', z.enum(ZONE_IDS)])]);
/** One kind of work in one place. */
export const piece = z.templateLiteral([z.enum(ACTIVITIES), ':', z.enum(ZONE_IDS)]);
