import * as z from 'zod';
import { DOG_FORM, NAME, PHONE } from '../knowledge/dogs/index.js';
import { CONTACT_ROLES, formProblem, NOTE_KINDS } from '../words/index.js';

/** Somebody beside the owner. */
export const CONTACT = z.strictObject({ name: NAME, phone: PHONE, role: z.enum(CONTACT_ROLES) });

export const OWNER_FORM = z.strictObject({
  name: NAME,
  phone: PHONE,
  email: z.union([z.literal(''), z.email(formProblem('form.not_an_email'))]),
  contacts: z.array(CONTACT).max(6).default([]),
});
export type OwnerForm = z.infer<typeof OWNER_FORM>;
export const DOG_NOTE_FORM = z.strictObject({
  kind: z.enum(NOTE_KINDS),
  text: z.string().trim().min(1, formProblem('form.write_what_you_saw')).max(300, formProblem('form.letters_at_most')),
  saidBy: NAME,
});
export type DogNoteForm = z.infer<typeof DOG_NOTE_FORM>;

/** Values that were asked back about and are right all the same: paths of fields. */
const sure = z.array(z.string().max(60)).max(10).default([]);
export const NEW_DOG = z.strictObject({ dog: DOG_FORM, owner: OWNER_FORM, sure });
export const DOG_CHANGE = z.strictObject({ dog: DOG_FORM, version: z.number().int().min(1), sure });
export const OWNER_CHANGE = z.strictObject({ owner: OWNER_FORM, version: z.number().int().min(1) });
/** Two files of one dog: the other one is read as part of this one, and can be taken out again. */
export const DOG_MERGE = z.strictObject({ other: z.uuid() });
/** The lead's word that what it bit before this day no longer counts; `null` takes it back. */
export const BITE_ENDED = z.strictObject({ on: z.iso.date(formProblem('form.day_missing')).nullable() });
/** A vet has looked at a mark on this day; `null` takes it back. */
export const MARK_VET = z.strictObject({ on: z.iso.date(formProblem('form.day_missing')).nullable() });
