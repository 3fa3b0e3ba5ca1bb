import { Router } from 'express';
import { DOG_CHANGE, DOG_NOTE_FORM, NEW_DOG, birthDateProblem } from '@mansuet/core/contract';
import type { Database } from '../database/database.js';
import { ProblemError } from '../problems/problem-error.js';
import { readId } from '../problems/read-id.js';
import { requireAction } from '../sign-in/require-session.js';
import { addDog, addNote, changeDog, listDogs, readDogFile } from './dogs.repository.js';

/** `/api/dogs`. */
export function dogRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  const today = (): string => clock().toISOString().slice(0, 10);
  const checkBirth = (born: string): void => {
    const message = birthDateProblem(born, today());
    if (message) throw new ProblemError('bad_input', undefined, [{ path: 'dog.born', message }]);
  };

  router.get('/', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const search = typeof request.query['search'] === 'string' ? request.query['search'].slice(0, 60) : '';
    response.json(await db.inSalon(salonId, (trx) => listDogs(trx, search)));
  });

  router.post('/', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const form = NEW_DOG.parse(request.body);
    checkBirth(form.dog.born);
    const id = await db.inSalon(salonId, (trx) => addDog(trx, salonId, form.dog, form.owner));
    response.status(201).json({ id });
  });

  router.get('/:dogId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const file = await db.inSalon(salonId, (trx) => readDogFile(trx, readId(request.params.dogId)));
    if (!file) throw new ProblemError('not_found');
    response.json(file);
  });

  router.put('/:dogId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const dogId = readId(request.params.dogId);
    const form = DOG_CHANGE.parse(request.body);
    checkBirth(form.dog.born);
    const done = await db.inSalon(salonId, (trx) => changeDog(trx, dogId, form.dog, form.version));
    if (done === 'unknown') throw new ProblemError('not_found');
    if (done === 'conflict')
      throw new ProblemError(
        'conflict',
        'Somebody else has changed this dog since you opened it. Load it again; what you typed stays here.',
      );
    response.status(204).end();
  });

  router.post('/:dogId/notes', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'record');
    const dogId = readId(request.params.dogId);
    const note = DOG_NOTE_FORM.parse(request.body);
    const id = await db.inSalon(salonId, (trx) => addNote(trx, salonId, dogId, note, today()));
    if (!id) throw new ProblemError('not_found');
    response.status(201).json({ id });
  });
  return router;
}
