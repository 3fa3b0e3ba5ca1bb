import { isSigned } from '@mansuet/core/agreement';
import type { AgreementAnswer, AgreementOffer } from '@mansuet/core/contract';
import { EVENT_VERSION, type EventDraft, laterStamp, nextStamp, type Stamp, uuidV7, VISIT_EVENT, type VisitEvent } from '@mansuet/core/log';
import { ProblemError } from '../problems/problem-error.js';

/** The device that the log names for answers by a link. */
const DEVICE = 'owner-link';

/** What an answer must be before anything is stored. @throws ProblemError `bad_input` */
export function checkAnswer(offer: AgreementOffer, answer: AgreementAnswer): void {
  const errors: { path: string; message: string }[] = [];
  const asked = new Set(offer.consents.map((c) => c.id));
  const given = new Map(answer.answers.map((a) => [a.id, a.agreed]));
  if (answer.answers.length !== given.size || answer.answers.some((a) => !asked.has(a.id)))
    errors.push({ path: 'answers', message: 'Something was answered that was not asked.' });
  for (const c of offer.consents) if (!given.has(c.id)) errors.push({ path: `answers.${c.id}`, message: 'Agree or refuse.' });
  if (!isSigned(answer.signature)) errors.push({ path: 'signature', message: 'Sign with your finger.' });
  if (errors.length > 0) throw new ProblemError('bad_input', 'Nothing was sent yet.', errors);
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
  let stamp: Stamp | undefined = before.reduce<Stamp | undefined>((latest, e) => laterStamp(latest, e.stamp), undefined);
  return drafts.map((draft) => {
    stamp = nextStamp(stamp, now.getTime(), DEVICE);
    return VISIT_EVENT.parse({
      id: uuidV7(now.getTime(), randomBytes),
      visitId,
      at: now.toISOString(),
      by,
      stamp,
      v: EVENT_VERSION,
      ...draft,
    });
  });
}
