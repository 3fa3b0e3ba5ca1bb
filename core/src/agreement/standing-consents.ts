import { addDays } from '../days/index.js';
import type { VisitSummary } from '../visit/index.js';
import type { ConsentId, HouseRules } from '../words/index.js';
import { CONSENT_TEXT_VERSION } from './agreement.js';

/** What an owner agreed to at an earlier visit, and how long that holds. */
export interface StandingConsent {
  readonly id: ConsentId;
  readonly name: string;
  /** Day on which it was given, and the last on which it holds, ISO. */
  readonly on: string;
  readonly until: string;
  readonly limitMinor?: number | undefined;
  readonly secondPhone?: string | null | undefined;
}

/** What may hold for longer than a visit. A coat is agreed on as it is found: what is clipped close is asked each time. */
const MAY_STAND: readonly ConsentId[] = ['senior_or_unwell', 'muzzle', 'vet_emergency', 'photographs'];

/** Days that an answer holds, by what the salon has set. */
const HOLDS_DAYS: Readonly<Record<HouseRules['consentsHold'], number>> = { each_visit: 0, half_a_year: 182, a_year: 365 };

/**
 * Consents of a regular that still hold today: the latest answer to each, when it was yes, to the words that are asked now. A refusal ends
 * what was agreed before it.
 * @param today ISO date
 * @example standingConsents([], '2026-11-29', houseRules({ consentsHold: 'a_year' })) // => []
 */
export function standingConsents(
  summaries: readonly Pick<VisitSummary, 'on' | 'consents'>[],
  today: string,
  house: Pick<HouseRules, 'consentsHold'>,
): StandingConsent[] {
  const days = HOLDS_DAYS[house.consentsHold];
  if (days === 0) return [];
  const given = summaries.flatMap(({ on, consents }) => (on ? (consents ?? []).map((c) => ({ ...c, on })) : []));
  return MAY_STAND.flatMap((id) => {
    // Of two answers on one day the refusal counts.
    const [latest] = given
      .filter((c) => c.id === id && c.on <= today)
      .sort((a, b) => b.on.localeCompare(a.on) || Number(a.agreed) - Number(b.agreed));
    if (!latest?.agreed || latest.textVersion !== CONSENT_TEXT_VERSION) return [];
    const until = addDays(latest.on, days);
    const { name, on, limitMinor, secondPhone } = latest;
    return until < today ? [] : [{ id, name, on, until, limitMinor, ...(secondPhone === undefined ? {} : { secondPhone }) }];
  });
}
