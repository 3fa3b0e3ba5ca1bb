import { Router } from 'express';
import { BITE_ENDED, DOG_CHANGE, DOG_MERGE, DOG_NOTE_FORM, MARK_VET, NEW_DOG, OWNER_CHANGE, type Salon } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { saying } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { readId } from '../problems/read-id.js';
import { searchDogs } from '../search/search-dogs.js';
import { requireAction } from '../sign-in/require-session.js';
import {
  addDog,
  addNote,
  archiveDog,
  changeDog,
  changeOwner,
  lastWeight,
  mergeDogs,
  removeNote,
  setBiteEnded,
  setMarkSeenByVet,
  unmergeDog,
} from './dogs.repository.js';
import { checkDog } from './check-dog.js';
import { readDogFile } from './read-dog-file.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';

/** `/api/dogs` and `/api/owners`. */
export function dogRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  const today = (salon: Salon): string => dayOf(clock(), salon.timeZone);

  router.get('/dogs', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const search = typeof request.query['search'] === 'string' ? request.query['search'].slice(0, 60) : '';
    const archived = request.query['archived'] === '1';
    response.json(await db.inSalon(salonId, (trx) => searchDogs(trx, search, archived)));
  });

  router.post('/dogs', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'edit_dog');
    const form = NEW_DOG.parse(request.body);
    valueOf(checkDog(form.dog, today(salon), undefined, form.sure));
    const id = await db.inSalon(salonId, (trx) => addDog(trx, salonId, form.dog, form.owner, today(salon)));
    response.status(201).json({ id });
  });

  router.get('/dogs/:dogId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const file = await db.inSalon(salonId, (trx) => readDogFile(trx, readId(request.params.dogId)));
    if (!file) throw new ProblemError('not_found');
    response.json(file);
  });

  router.put('/dogs/:dogId', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'edit_dog');
    const dogId = readId(request.params.dogId);
    const form = DOG_CHANGE.parse(request.body);
    await db.inSalon(salonId, async (trx) => {
      valueOf(checkDog(form.dog, today(salon), await lastWeight(trx, dogId), form.sure));
      valueOf(await changeDog(trx, salonId, dogId, form.dog, form.version, today(salon)));
    });
    response.status(204).end();
  });

  router.put('/dogs/:dogId/bite-ended', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'end_bite');
    const { on } = BITE_ENDED.parse(request.body);
    if (on !== null && on > today(salon))
      throw new ProblemError('bad_input', undefined, [{ path: 'on', says: saying('form.day_not_come', {}) }]);
    valueOf(await db.inSalon(salonId, (trx) => setBiteEnded(trx, readId(request.params.dogId), on)));
    response.status(204).end();
  });

  router.put('/owners/:ownerId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const form = OWNER_CHANGE.parse(request.body);
    valueOf(await db.inSalon(salonId, (trx) => changeOwner(trx, readId(request.params.ownerId), form.owner, form.version)));
    response.status(204).end();
  });

  router.put('/dogs/:dogId/archived', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    valueOf(await db.inSalon(salonId, (trx) => archiveDog(trx, readId(request.params.dogId), clock())));
    response.status(204).end();
  });

  router.delete('/dogs/:dogId/archived', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    valueOf(await db.inSalon(salonId, (trx) => archiveDog(trx, readId(request.params.dogId), null)));
    response.status(204).end();
  });

  router.post('/dogs/:dogId/merged', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const { other } = DOG_MERGE.parse(request.body);
    valueOf(await db.inSalon(salonId, (trx) => mergeDogs(trx, readId(request.params.dogId), other)));
    response.status(204).end();
  });

  router.delete('/dogs/:dogId/merged/:other', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    valueOf(await db.inSalon(salonId, (trx) => unmergeDog(trx, readId(request.params.dogId), readId(request.params.other))));
    response.status(204).end();
  });

  router.post('/dogs/:dogId/notes', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'record');
    const dogId = readId(request.params.dogId);
    const note = DOG_NOTE_FORM.parse(request.body);
    const id = valueOf(await db.inSalon(salonId, (trx) => addNote(trx, salonId, dogId, note, today(salon))));
    response.status(201).json({ id });
  });

  router.delete('/dogs/:dogId/notes/:noteId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'record');
    const gone = valueOf(await db.inSalon(salonId, (trx) => removeNote(trx, readId(request.params.dogId), readId(request.params.noteId))));
    response.json(gone);
  });
  router.put('/dogs/:dogId/marks/:markId/vet', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'record');
    const { on } = MARK_VET.parse(request.body);
    if (on !== null && on > today(salon))
      throw new ProblemError('bad_input', undefined, [{ path: 'on', says: saying('form.day_not_come', {}) }]);
    const [dogId, markId] = [readId(request.params.dogId), readId(request.params.markId)];
    valueOf(await db.inSalon(salonId, (trx) => setMarkSeenByVet(trx, salonId, dogId, markId, on)));
    response.status(204).end();
  });
  return router;
}
