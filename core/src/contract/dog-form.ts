import * as z from 'zod';
import { formProblem } from '../log/index.js';
import {
  BUILDS,
  COATS,
  CONDITIONS,
  CONTACT_ROLES,
  EAR_SETS,
  NOSES,
  NOTE_KINDS,
  type Saying,
  saying,
  SEXES,
  SIZES,
  TAIL_SETS,
  TRIGGER_CAUSES,
  ZONE_GROUPS,
} from '../words/index.js';

const name = z.string().trim().min(1, formProblem('form.name_missing')).max(60, formProblem('form.letters_at_most'));

const shortLine = z.string().trim().min(1, formProblem('form.line_empty')).max(80, formProblem('form.letters_at_most'));
const phone = z
  .string()
  .trim()
  .max(40)
  .regex(/^[0-9+()/ .-]*$/, formProblem('form.phone_letters'));
/** Somebody beside the owner. */
export const CONTACT = z.strictObject({ name, phone, role: z.enum(CONTACT_ROLES) });

/** Facts of a dog as they are typed in and stored. */
export const DOG_FORM = z.strictObject({
  name,
  sex: z.enum(SEXES),
  neutered: z.boolean(),
  born: z.iso.date(formProblem('form.birth_date_missing')),
  bornEstimated: z.boolean(),
  /** How far the birth date may be off, months either way. */
  bornWithinMonths: z.number().int().min(0).max(48).default(0),
  size: z.enum(SIZES).nullable().default(null),
  weightKg: z
    .number(formProblem('form.weight_missing'))
    .min(0.3, formProblem('form.weight_too_low'))
    .max(120, formProblem('form.weight_too_high')),
  coat: z.enum(COATS),
  nose: z.enum(NOSES),
  ears: z.enum(EAR_SETS),
  tail: z.enum(TAIL_SETS),
  build: z.enum(BUILDS),
  conditions: z.array(z.enum(CONDITIONS)).max(CONDITIONS.length),
  biteHistory: z.boolean(),
  triggers: z.array(z.strictObject({ cause: z.enum(TRIGGER_CAUSES), place: z.enum(ZONE_GROUPS).optional() })).max(20),
  treatsAllowed: z.boolean(),
  standingSeenMinutes: z.number().min(1).max(120).nullable(),
  vetName: z.string().trim().max(80).default(''),
  vetPhone: phone.default(''),
  /** As the owner tells them; never a dose or advice of ours. */
  medicines: z.array(shortLine).max(20).default([]),
  productAllergies: z.array(shortLine).max(20).default([]),
});
export type DogForm = z.infer<typeof DOG_FORM>;

/** Oldest dog that is believed, years: anything above is a typing mistake. Our default. */
const OLDEST_YEARS = 30;

/**
 * What is wrong with a birth date on a day; `undefined` when nothing is.
 * @example birthDateProblem('2030-01-01', '2026-11-25')?.rule // => 'form.day_not_come'
 */
export function birthDateProblem(born: string, today: string): Saying | undefined {
  if (born > today) return saying('form.day_not_come', {});
  const years = (Date.parse(today) - Date.parse(born)) / (365.2425 * 86_400_000);
  return years > OLDEST_YEARS ? saying('form.too_old', { count: Math.floor(years) }) : undefined;
}

export const OWNER_FORM = z.strictObject({
  name,
  phone,
  email: z.union([z.literal(''), z.email(formProblem('form.not_an_email'))]),
  contacts: z.array(CONTACT).max(6).default([]),
});
export type OwnerForm = z.infer<typeof OWNER_FORM>;
export const DOG_NOTE_FORM = z.strictObject({
  kind: z.enum(NOTE_KINDS),
  text: z.string().trim().min(1, formProblem('form.write_what_you_saw')).max(300, formProblem('form.letters_at_most')),
  saidBy: name,
});
export type DogNoteForm = z.infer<typeof DOG_NOTE_FORM>;

/** Values that were asked back about and are right all the same: paths of fields. */
const sure = z.array(z.string().max(60)).max(10).default([]);
export const NEW_DOG = z.strictObject({ dog: DOG_FORM, owner: OWNER_FORM, sure });
export const DOG_CHANGE = z.strictObject({ dog: DOG_FORM, version: z.number().int().min(1), sure });
export const OWNER_CHANGE = z.strictObject({ owner: OWNER_FORM, version: z.number().int().min(1) });
/** Two files of one dog: the other one is read as part of this one, and can be taken out again. */
export const DOG_MERGE = z.strictObject({ other: z.uuid() });
/** A vet has looked at a mark on this day; `null` takes it back. */
export const MARK_VET = z.strictObject({ on: z.iso.date(formProblem('form.day_missing')).nullable() });
