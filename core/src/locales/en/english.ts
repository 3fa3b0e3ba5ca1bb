import type { Language } from '../index.js';
import { CONSENT_TEXTS } from './consents.js';
import { HOUSE_WORDS } from './house-rules.js';
import { FORMS, LABELS } from './labels.js';
import { FEEL_AREA_HOW } from './labels/findings.js';
import { HOLD_HOW, HOLD_MUST_NOT_PRESS } from './labels/holds.js';
import { INCIDENT_AT_ONCE } from './labels/incidents.js';
import { SENTENCES } from './sentences.js';
import { SOURCES } from './sources.js';
import { TERMS } from './terms.js';

/** British English, as the product was written. */
export const ENGLISH: Language = {
  tag: 'en-GB',
  sentences: SENTENCES,
  sources: SOURCES,
  labels: LABELS,
  forms: FORMS,
  holdHow: HOLD_HOW,
  holdMustNotPress: HOLD_MUST_NOT_PRESS,
  feelAreaHow: FEEL_AREA_HOW,
  atOnce: INCIDENT_AT_ONCE,
  house: HOUSE_WORDS,
  consentTexts: CONSENT_TEXTS,
  terms: TERMS,
  units: { seconds: 's', minutes: 'min' },
};
