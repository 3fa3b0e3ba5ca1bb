import * as z from 'zod';
import { CONSENT_IDS } from '../../words/index.js';
import { SIGNATURE } from '../signature.js';
import { answeredVia, minutes, shortText, via } from './fields.js';

/** What the owner answers. */
export const AGREEMENT_EVENTS = {
  consent_answered: z
    .strictObject({
      consent: z.enum(CONSENT_IDS),
      agreed: z.boolean(),
      name: shortText,
      textVersion: shortText,
      limitMinor: z.number().int().min(0).optional(),
      /** A second number for an emergency; `null`: the owner says that there is none. Only with the consent that needs it. */
      secondPhone: shortText.max(40).nullable().optional(),
      via: answeredVia.optional(),
    })
    .describe('The owner agrees to one item, or refuses it.'),
  agreed: z
    .strictObject({
      name: shortText,
      extraMinutes: minutes,
      extraPriceMinor: z.number().int().min(0),
      signature: SIGNATURE.optional(),
      textVersion: shortText.optional(),
      via: via.optional(),
    })
    .describe('The agreement is closed: by whom, extra time and its price.'),
} as const;
