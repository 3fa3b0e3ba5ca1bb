import { Router } from 'express';
import { birthDateProblem, DOG_CHANGE, DOG_MERGE, DOG_NOTE_FORM, type DogForm, MARK_VET, NEW_DOG, OWNER_CHANGE } from '@mansuet/core/contract';
import { lifeStage, weightQuestion } from '@mansuet/core/knowledge/dogs';
import type { Database } from '../database/database.js';
import { ProblemError } from '../problems/problem-error.js';
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
  setMarkSeenByVet,
  unmergeDog,
} from './dogs.repository.js';
import { readDogFile } from './read-dog-file.js';

const CHANGED_MEANWHILE = 'Somebody else has changed this since you opened it. Load it again; what you typed stays here.';

/** Refuses what cannot be, and asks back about what may be a slip. @throws ProblemError `bad_input`, `ask_back` */
export function checkDog(dog: DogForm, today: string, beforeKg: number | undefined, sure: readonly string[]): void {
  const born = birthDateProblem(dog.born, today);
  if (born) throw new ProblemError('bad_input', undefined, [{ path: 'dog.born', message: born }]);
  const grown = lifeStage(dog, today) !== 'puppy';
  const question = sure.includes('dog.weightKg') ? undefined : weightQuestion(dog, beforeKg, grown);
  if (question) throw new ProblemError('ask_back', undefined, [{ path: 'dog.weightKg', message: question }]);
}

/** `/api/dogs` and `/api/owners`. */
export function dogRoutes(db: Database, clock: () => Date): Router {
  const router = Router();
  const today = (): string => clock().toISOString().slice(0, 10);

  router.get('/dogs', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const search = typeof request.query['search'] === 'string' ? request.query['search'].slice(0, 60) : '';
    const archived = request.query['archived'] === '1';
    response.json(await db.inSalon(salonId, (trx) => searchDogs(trx, search, archived)));
  });

  router.post('/dogs', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const form = NEW_DOG.parse(request.body);
    checkDog(form.dog, today(), undefined, form.sure);
    const id = await db.inSalon(salonId, (trx) => addDog(trx, salonId, form.dog, form.owner, today()));
    response.status(201).json({ id });
  });

  router.get('/dogs/:dogId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const file = await db.inSalon(salonId, (trx) => readDogFile(trx, readId(request.params.dogId)));
    if (!file) throw new ProblemError('not_found');
    response.json(file);
  });

  router.put('/dogs/:dogId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const dogId = readId(request.params.dogId);
    const form = DOG_CHANGE.parse(request.body);
    const done = await db.inSalon(salonId, async (trx) => {
      checkDog(form.dog, today(), await lastWeight(trx, dogId), form.sure);
      return changeDog(trx, salonId, dogId, form.dog, form.version, today());
    });
    if (done === 'unknown') throw new ProblemError('not_found');
    if (done === 'conflict') throw new ProblemError('conflict', CHANGED_MEANWHILE);
    response.status(204).end();
  });

  router.put('/owners/:ownerId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const form = OWNER_CHANGE.parse(request.body);
    const done = await db.inSalon(salonId, (trx) => changeOwner(trx, readId(request.params.ownerId), form.owner, form.version));
    if (done === 'unknown') throw new ProblemError('not_found');
    if (done === 'conflict') throw new ProblemError('conflict', CHANGED_MEANWHILE);
    response.status(204).end();
  });

  router.put('/dogs/:dogId/archived', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    if (!(await db.inSalon(salonId, (trx) => archiveDog(trx, readId(request.params.dogId), clock())))) throw new ProblemError('not_found');
    response.status(204).end();
  });

  router.delete('/dogs/:dogId/archived', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    if (!(await db.inSalon(salonId, (trx) => archiveDog(trx, readId(request.params.dogId), null)))) throw new ProblemError('not_found');
    response.status(204).end();
  });

  router.post('/dogs/:dogId/merged', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const { other } = DOG_MERGE.parse(request.body);
    const done = await db.inSalon(salonId, (trx) => mergeDogs(trx, readId(request.params.dogId), other));
    if (done === 'unknown') throw new ProblemError('not_found');
    if (done === 'same') throw new ProblemError('bad_input', undefined, [{ path: 'other', message: 'This is the same file.' }]);
    if (done === 'loop') throw new ProblemError('conflict', 'This file is itself part of another one. Open that one.');
    response.status(204).end();
  });

  router.delete('/dogs/:dogId/merged/:other', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    const done = await db.inSalon(salonId, (trx) => unmergeDog(trx, readId(request.params.dogId), readId(request.params.other)));
    if (!done) throw new ProblemError('not_found');
    response.status(204).end();
  });

  router.post('/dogs/:dogId/notes', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'record');
    const dogId = readId(request.params.dogId);
    const note = DOG_NOTE_FORM.parse(request.body);
    const id = await db.inSalon(salonId, (trx) => addNote(trx, salonId, dogId, note, today()));
    if (!id) throw new ProblemError('not_found');
    response.status(201).json({ id });
  });

  router.delete('/dogs/:dogId/notes/:noteId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'record');
    const gone = await db.inSalon(salonId, (trx) => removeNote(trx, readId(request.params.dogId), readId(request.params.noteId)));
    if (!gone) throw new ProblemError('not_found');
    response.json(gone);
  });
  router.put('/dogs/:dogId/marks/:markId/vet', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'record');
    const { on } = MARK_VET.parse(request.body);
    if (on !== null && on > today())
      throw new ProblemError('bad_input', undefined, [{ path: 'on', message: 'This day has not come yet.' }]);
    const [dogId, markId] = [readId(request.params.dogId), readId(request.params.markId)];
    if (!(await db.inSalon(salonId, (trx) => setMarkSeenByVet(trx, salonId, dogId, markId, on)))) throw new ProblemError('not_found');
    response.status(204).end();
  });
  return router;
}
