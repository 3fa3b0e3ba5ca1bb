import { Router } from 'express';
import { INTAKE_REVIEW, NEW_AGREEMENT_LINK, NEW_INTAKE_LINK, type NewLink } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import type { Database, InSalon } from '../database/database.js';
import { readCopy, sendPdf } from '../agreement-copy/send-copy.js';
import { addDog, addNote } from '../dogs/dogs.repository.js';
import { checkDog } from '../dogs/check-dog.js';
import { readMessages, type MessageGateway } from '../messages/gateway.js';
import { readId } from '../problems/read-id.js';
import { salonOf } from '../sign-in/sign-in.repository.js';
import { requireAction } from '../sign-in/require-session.js';
import { closeIntake, linkOf, listLinks, makeLink, readLink, takeBack, type NewLinkOf } from './owner-links.repository.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';

/** The salon's side of links: make, see, take back; review intakes; the stand-in's messages; the PDF copy. */
export function salonLinkRoutes(db: Database, gateway: MessageGateway, clock: () => Date, publicUrl: string): Router {
  const router = Router();

  /** Makes the link and sends it; its address is the one that was set, whatever a request says of itself. */
  const send = async (trx: InSalon, salonId: string, link: NewLinkOf, words: (url: string) => string): Promise<NewLink> => {
    const made = await makeLink(trx, salonId, link, clock());
    const url = `${publicUrl}/o/${made.secret}`;
    const text = words(url);
    await gateway.send(trx, salonId, { to: link.toName, phone: link.phone, text }, clock());
    return { linkId: made.linkId, url, expiresAt: made.expiresAt.toISOString(), message: text };
  };

  router.post('/visits/:visitId/links', async (request, response) => {
    const { salonId, staffId } = await requireAction(db, request, 'plan');
    const visitId = readId(request.params.visitId);
    const form = NEW_AGREEMENT_LINK.parse(request.body);
    const made = await db.inSalon(salonId, async (trx) => {
      const visit = await trx.selectFrom('visit').select('visit_id').where('visit_id', '=', visitId).executeTakeFirst();
      if (!visit) throw new ProblemError('not_found');
      const salon = await salonOf(trx);
      const link = { kind: 'agreement' as const, visitId, madeBy: staffId, toName: form.toName, phone: form.phone, asked: form.offer };
      return send(
        trx,
        salonId,
        link,
        (url) =>
          `${salon?.name ?? ''}: please read and answer what we agree for ${form.offer.dogName} today: ${url} The link works once, for 24 hours.`,
      );
    });
    response.status(201).json(made);
  });

  router.get('/visits/:visitId/links', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    response.json({ links: await db.inSalon(salonId, (trx) => listLinks(trx, readId(request.params.visitId), clock())) });
  });

  router.get('/visits/:visitId/agreement.pdf', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    sendPdf(response, await db.inSalon(salonId, (trx) => readCopy(trx, readId(request.params.visitId))));
  });

  router.post('/intakes', async (request, response) => {
    const { salonId, staffId } = await requireAction(db, request, 'book');
    const form = NEW_INTAKE_LINK.parse(request.body);
    const made = await db.inSalon(salonId, async (trx) => {
      const salon = await salonOf(trx);
      const link = { kind: 'intake' as const, visitId: null, madeBy: staffId, toName: form.toName, phone: form.phone, asked: {} };
      return send(
        trx,
        salonId,
        link,
        (url) => `${salon?.name ?? ''}: before the first visit, please tell us about your dog: ${url} The link works once, for 7 days.`,
      );
    });
    response.status(201).json(made);
  });

  router.get('/intakes', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    response.json({ links: await db.inSalon(salonId, (trx) => listLinks(trx, undefined, clock())) });
  });

  router.post('/intakes/:linkId/accepted', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'edit_dog');
    const linkId = readId(request.params.linkId);
    const form = INTAKE_REVIEW.parse(request.body);
    const today = dayOf(clock(), salon.timeZone);
    // Whoever reviews has the owner's own words before them: a weight that looks odd was asked back there.
    valueOf(checkDog(form.dog, today, undefined, ['dog.weightKg']));
    const id = await db.inSalon(salonId, async (trx) => {
      const row = await readLink(trx, linkId, true);
      const intake = row && linkOf(row, clock()).intake;
      if (!row || !intake) throw new ProblemError('not_found');
      valueOf(await closeIntake(trx, linkId, 'reviewed_at', clock()));
      const dogId = await addDog(trx, salonId, form.dog, form.owner, today);
      for (const card of form.cards) {
        const text = intake[card].slice(0, 300);
        if (text !== '')
          valueOf(
            await addNote(trx, salonId, dogId, { kind: CARD_KIND[card], text, saidBy: `${form.owner.name} (owner)`.slice(0, 60) }, today),
          );
      }
      return dogId;
    });
    response.status(201).json({ id });
  });

  router.post('/intakes/:linkId/set-aside', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    valueOf(await db.inSalon(salonId, (trx) => closeIntake(trx, readId(request.params.linkId), 'set_aside_at', clock())));
    response.status(204).end();
  });

  router.delete('/links/:linkId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'book');
    valueOf(await db.inSalon(salonId, (trx) => takeBack(trx, readId(request.params.linkId), clock())));
    response.status(204).end();
  });

  router.get('/messages', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'book');
    response.json({ messages: await db.inSalon(salonId, readMessages) });
  });
  return router;
}

const CARD_KIND = { fears: 'avoid', calms: 'works', hurtBefore: 'injury', biteStory: 'avoid' } as const;
