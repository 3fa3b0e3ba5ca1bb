import * as z from 'zod';
import {
  BUILDS,
  COATS,
  CONDITIONS,
  EAR_SETS,
  formProblem,
  GROOMED_BY,
  GUARDED,
  INJURY_KINDS,
  LIES_ON,
  NOSES,
  RESENTED_PLACES,
  SEXES,
  SIZES,
  TAIL_SETS,
  TRIGGER_CAUSES,
  WARNINGS,
  ZONE_GROUPS,
  ZONE_IDS,
} from '../../words/index.js';
import type { StandSeen } from './stand-seen.js';

/** A name that somebody types in. */
export const NAME = z.string().trim().min(1, formProblem('form.name_missing')).max(60, formProblem('form.letters_at_most'));

/** A telephone number as people write it, or nothing. */
export const PHONE = z
  .string()
  .trim()
  .max(40)
  .regex(/^[0-9+()/ .-]*$/, formProblem('form.phone_letters'));

const shortLine = z.string().trim().min(1, formProblem('form.line_empty')).max(80, formProblem('form.letters_at_most'));

const TRIGGER = z.strictObject({ cause: z.enum(TRIGGER_CAUSES), place: z.enum(ZONE_GROUPS).optional() });
export type Trigger = Readonly<z.infer<typeof TRIGGER>>;

/** A burn, a cut or a fall of earlier: where, when as far as it is known, and whether it was in this salon. */
const OLD_INJURY = z.strictObject({
  kind: z.enum(INJURY_KINDS),
  zone: z.enum(ZONE_IDS).nullable(),
  on: z.iso.date(formProblem('form.day_missing')).nullable(),
  here: z.boolean(),
});
export type OldInjury = Readonly<z.infer<typeof OLD_INJURY>>;

/** It growled, snapped or bit while it was handled, on that day, here or elsewhere. */
export const WARNED = z.strictObject({ what: z.enum(WARNINGS), on: z.iso.date(formProblem('form.day_missing')) });
export type Warned = Readonly<z.infer<typeof WARNED>>;

/** Facts of a dog as they are typed in and stored. `null`: nobody has asked; the careful answer counts until somebody does. */
export const DOG_FORM = z.strictObject({
  name: NAME,
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
  triggers: z.array(TRIGGER).max(20),
  treatsAllowed: z.boolean(),
  standingSeenMinutes: z.number().min(1).max(120).nullable(),
  vetName: z.string().trim().max(80).default(''),
  vetPhone: PHONE.default(''),
  /** As the owner tells them; never a dose or advice of ours. */
  medicines: z.array(shortLine).max(20).default([]),
  productAllergies: z.array(shortLine).max(20).default([]),
  /** Where it minds a hand. */
  resents: z.array(z.enum(RESENTED_PLACES)).max(RESENTED_PLACES.length).default([]),
  injuries: z.array(OLD_INJURY).max(20).default([]),
  /** The planner reads the one that still counts for today. */
  warned: WARNED.nullable().default(null),
  /** The lead's word: bites before this day no longer count. */
  biteEndedOn: z.iso.date(formProblem('form.day_missing')).nullable().default(null),
  groomedBy: z.enum(GROOMED_BY).nullable().default(null),
  groomedOn: z.iso.date(formProblem('form.day_missing')).nullable().default(null),
  muzzleUsed: z.boolean().nullable().default(null),
  soreWhenLifted: z.boolean().nullable().default(null),
  liesOn: z.enum(LIES_ON).nullable().default(null),
  guards: z.array(z.enum(GUARDED)).max(GUARDED.length).default([]),
  slipsCollar: z.boolean().nullable().default(null),
});
export type DogForm = z.infer<typeof DOG_FORM>;

/** What a form begins with: a grown, calm dog of which nothing is told yet. */
export const EMPTY_DOG: DogForm = {
  name: '',
  sex: 'female',
  neutered: true,
  born: '',
  bornEstimated: false,
  bornWithinMonths: 0,
  size: null,
  weightKg: 0,
  coat: 'curly',
  nose: 'medium',
  ears: 'drop',
  tail: 'long',
  build: 'light',
  conditions: [],
  biteHistory: false,
  triggers: [],
  treatsAllowed: true,
  standingSeenMinutes: null,
  vetName: '',
  vetPhone: '',
  medicines: [],
  productAllergies: [],
  resents: [],
  injuries: [],
  warned: null,
  biteEndedOn: null,
  groomedBy: null,
  groomedOn: null,
  muzzleUsed: null,
  soreWhenLifted: null,
  liesOn: null,
  guards: [],
  slipsCollar: null,
};

/** Fields of the file that no rule asks: whom to call, and what is shown as it was told. */
type OnlyFiled = 'bornEstimated' | 'size' | 'vetName' | 'vetPhone' | 'medicines' | 'productAllergies';

/** Facts as they are stored: `null` where nothing was seen. */
export type StoredFacts = Readonly<Omit<DogForm, OnlyFiled>>;

/** What the planner needs to know of a dog. */
export interface DogFacts extends Omit<StoredFacts, 'standingSeenMinutes'> {
  /** Longest stretch this dog was seen to stand well, minutes; `undefined` until it was seen. */
  readonly standingSeenMinutes: number | undefined;
  readonly visitsBefore: number;
  /** Stands of earlier visits, as far as there were any. */
  readonly stands?: readonly StandSeen[];
}

/**
 * The planner's view of a stored dog.
 * @param visitsBefore how many visits it had in this salon
 * @param stands how long it stood in them
 */
export function dogFactsOf(stored: StoredFacts, visitsBefore: number, stands: readonly StandSeen[] = []): DogFacts {
  return {
    ...stored,
    standingSeenMinutes: stored.standingSeenMinutes ?? undefined,
    visitsBefore,
    ...(stands.length > 0 ? { stands } : {}),
  };
}
