import { isSigned } from '@mansuet/core/agreement';
import type { AgreementAnswer, AgreementOffer } from '@mansuet/core/contract';
import { type EventDraft, laterStamp, makeEvents, type Stamp, type VisitEvent } from '@mansuet/core/log';
import { done, type FieldProblem, type Outcome, refused, saying } from '@mansuet/core/words';

/** The device that the log names for answers by a link. */
const DEVICE = 'owner-link';

/** What an answer must be before anything is stored. */
export function checkAnswer(offer: AgreementOffer, answer: AgreementAnswer): Outcome<undefined> {
  const fields: FieldProblem[] = [];
  const asked = new Set(offer.consents.map((c) => c.id));
  const given = new Map(answer.answers.map((a) => [a.id, a.agreed]));
  if (answer.answers.length !== given.size || answer.answers.some((a) => !asked.has(a.id)))
    fields.push({ path: 'answers', says: saying('form.not_asked', {}) });
  for (const c of offer.consents) if (!given.has(c.id)) fields.push({ path: `answers.${c.id}`, says: saying('form.agree_or_refuse', {}) });
  if (offer.asksSecondNumber && given.get('vet_emergency') === true && !(answer.secondPhone === null || answer.secondPhone))
    fields.push({ path: 'secondPhone', says: saying('form.second_number', {}) });
  if (!isSigned(answer.signature)) fields.push({ path: 'signature', says: saying('form.not_signed', {}) });
  return fields.length > 0 ? refused('bad_input', saying('problem.nothing_sent', {}), fields) : done(undefined);
}

/**
 * The owner's answers as events of the visit. The agreement is closed only when nothing that is needed was refused; otherwise the refusals are
 * recorded and the salon goes on from there.
 */
export function eventsOfAnswer(
  visitId: string,
  by: string,
  offer: AgreementOffer,
  answer: AgreementAnswer,
  before: readonly VisitEvent[],
  now: Date,
  randomBytes: (into: Uint8Array) => Uint8Array,
): VisitEvent[] {
  const drafts: EventDraft[] = answer.answers.map((a) => ({
    type: 'consent_answered' as const,
    body: {
      consent: a.id,
      agreed: a.agreed,
      name: answer.name,
      textVersion: offer.textVersion,
      via: 'link' as const,
      ...(a.id === 'vet_emergency' && a.agreed && answer.limitMinor !== null ? { limitMinor: answer.limitMinor } : {}),
      ...(a.id === 'vet_emergency' && a.agreed && offer.asksSecondNumber && answer.secondPhone !== undefined
        ? { secondPhone: answer.secondPhone }
        : {}),
    },
  }));
  const refused = offer.consents.some((c) => c.required && !answer.answers.find((a) => a.id === c.id)?.agreed);
  if (!refused)
    drafts.push({
      type: 'agreed',
      body: {
        name: answer.name,
        extraMinutes: offer.extraMinutes,
        extraPriceMinor: offer.extraPriceMinor,
        signature: answer.signature,
        textVersion: offer.textVersion,
        via: 'link',
      },
    });
  // After everything the salon has recorded, also when a tablet's clock is ahead of ours.
  const last = before.reduce<Stamp | undefined>((latest, e) => laterStamp(latest, e.stamp), undefined);
  return makeEvents(drafts, { visitId, by, device: DEVICE, nowMs: now.getTime(), random: randomBytes, last });
}
