import * as z from 'zod';
import { DOG_FORM, PHONE } from '../knowledge/dogs/index.js';
import { SIGNATURE } from '../log/index.js';
import { BITE_TOLD, CONSENT_IDS, formProblem } from '../words/index.js';
import { TOLD_ACCOUNT } from './after-visit.js';
import { CONTACT, OWNER_FORM } from './dog-requests.js';
import { FORMATS } from './salon-page.js';
import { TIME_OFFERED } from './wishes.js';

/** Minutes that a link lives, by what it is for. Our default. */
export const LINK_MINUTES = { agreement: 24 * 60, intake: 7 * 24 * 60, account: 30 * 24 * 60, wish: 4 * 24 * 60 } as const;
export type LinkKind = keyof typeof LINK_MINUTES;

const line = z.string().max(600);
const lines = z.array(line).max(40);

/** What the owner is asked to agree to, as the salon's screen showed it when the link was made. */
export const AGREEMENT_OFFER = z.strictObject({
  dogName: z.string().max(60),
  asked: lines,
  possible: lines,
  notToday: lines,
  extra: line,
  extraMinutes: z.number().min(0),
  extraPriceMinor: z.number().int().min(0),
  consents: z.array(z.strictObject({ id: z.enum(CONSENT_IDS), text: z.string().max(600), required: z.boolean() })).max(CONSENT_IDS.length),
  textVersion: z.string().min(1).max(40),
  currency: z.string().length(3),
  /** The salon knows only one number: a second one is asked for with the consent for an emergency. Left out of older offers. */
  asksSecondNumber: z.boolean().default(false),
});
export type AgreementOffer = z.infer<typeof AGREEMENT_OFFER>;

/** What the owner answers on the phone. */
export const AGREEMENT_ANSWER = z.strictObject({
  name: z.string().trim().min(1, formProblem('form.write_your_name')).max(60, formProblem('form.letters_at_most')),
  answers: z.array(z.strictObject({ id: z.enum(CONSENT_IDS), agreed: z.boolean() })).max(CONSENT_IDS.length),
  /** What a vet may cost in an emergency before we ring first, smallest coin; `null` for no limit. */
  limitMinor: z.number().int().min(0).max(10_000_000).nullable(),
  /** A second number for an emergency, `null` when there is none; left out where it was not asked. */
  secondPhone: PHONE.nullable().optional(),
  signature: SIGNATURE,
});
export type AgreementAnswer = z.infer<typeof AGREEMENT_ANSWER>;

const story = z.string().trim().max(600, formProblem('form.letters_at_most')).default('');

/** What an owner tells before the first visit. */
export const INTAKE_ANSWER = z.strictObject({
  dog: DOG_FORM.omit({ standingSeenMinutes: true, biteHistory: true, biteEndedOn: true }),
  owner: OWNER_FORM,
  bite: z.enum(BITE_TOLD),
  biteStory: story,
  groomedBefore: story,
  fears: story,
  calms: story,
  hurtBefore: story,
});
export type IntakeAnswer = z.infer<typeof INTAKE_ANSWER>;

/** A link as its holder sees it; nothing in it but what is asked. */
export const OWNER_LINK_VIEW = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('agreement'),
    salonName: z.string(),
    vetPhone: z.string(),
    answeredAt: z.iso.datetime().nullable(),
    expiresAt: z.iso.datetime(),
    offer: AGREEMENT_OFFER,
  }),
  z.object({
    kind: z.literal('intake'),
    salonName: z.string(),
    vetPhone: z.string(),
    answeredAt: z.iso.datetime().nullable(),
    expiresAt: z.iso.datetime(),
    ownerName: z.string(),
    phone: z.string(),
  }),
  z.object({
    kind: z.literal('account'),
    salonName: z.string(),
    vetPhone: z.string(),
    answeredAt: z.iso.datetime().nullable(),
    expiresAt: z.iso.datetime(),
    dogName: z.string(),
    visitOn: z.iso.date(),
    told: TOLD_ACCOUNT,
    /** A next visit is booked: it can be taken into a calendar. */
    hasNext: z.boolean(),
  }),
  z.object({
    kind: z.literal('wish'),
    salonName: z.string(),
    vetPhone: z.string(),
    answeredAt: z.iso.datetime().nullable(),
    expiresAt: z.iso.datetime(),
    dogName: z.string(),
    zone: z.string(),
    formats: FORMATS,
    times: z.array(TIME_OFFERED),
  }),
]);
export type OwnerLinkView = z.infer<typeof OWNER_LINK_VIEW>;

const LINK_STATES = ['open', 'answered', 'reviewed', 'set_aside', 'taken_back', 'expired'] as const;

/** A link as the salon sees it; its secret part is never shown again. */
const OWNER_LINK = z.object({
  linkId: z.uuid(),
  kind: z.enum(['agreement', 'intake', 'account', 'wish']),
  visitId: z.uuid().nullable(),
  toName: z.string(),
  state: z.enum(LINK_STATES),
  madeAt: z.iso.datetime(),
  expiresAt: z.iso.datetime(),
  answeredAt: z.iso.datetime().nullable(),
  intake: INTAKE_ANSWER.nullable(),
});
export type OwnerLink = z.infer<typeof OWNER_LINK>;
export const OWNER_LINKS = z.object({ links: z.array(OWNER_LINK) });

export const NEW_AGREEMENT_LINK = z.strictObject({
  offer: AGREEMENT_OFFER,
  toName: z.string().trim().min(1).max(60),
  phone: z.string().max(40),
});
export const NEW_INTAKE_LINK = z.strictObject({
  toName: z.string().trim().min(1, formProblem('form.name_missing')).max(60, formProblem('form.letters_at_most')),
  phone: CONTACT.shape.phone,
});
/** A new link with its secret address: told once. */
export const NEW_LINK = z.object({ linkId: z.uuid(), url: z.string(), expiresAt: z.iso.datetime(), message: z.string() });
export type NewLink = z.infer<typeof NEW_LINK>;

/** The salon has read an intake: what it takes into the file, with the cards that follow from the stories. */
export const INTAKE_REVIEW = z.strictObject({
  dog: DOG_FORM,
  owner: OWNER_FORM,
  cards: z.array(z.enum(['fears', 'calms', 'hurtBefore', 'biteStory'])),
});
export type IntakeReview = z.infer<typeof INTAKE_REVIEW>;
