import { Router } from 'express';
import * as z from 'zod';
import { BITE_ENDED, DOG_CHANGE, DOG_MERGE, DOG_NOTE_FORM, MARK_VET, NEW_DOG, OWNER_CHANGE } from '@mansuet/core/contract';
import { done, type Outcome, refused, refusedField, saying } from '@mansuet/core/words';
import { asMadeId } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { searchDogs } from '../search/search-dogs.js';
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

const MOST_TYPED = 60;
/** What is no text is taken for nothing typed. */
const SEARCH = z.object({
  search: z
    .string()
    .catch('')
    .transform((text) => text.slice(0, MOST_TYPED)),
  archived: z
    .literal('1')
    .optional()
    .catch(undefined)
    .transform((said) => said !== undefined),
});

/** `/api/dogs` and `/api/owners`. */
export function dogRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);

  router.get(
    '/dogs',
    route('read', SEARCH, async ({ trx, input }) => done(await searchDogs(trx, input.search, input.archived))),
  );
  router.post(
    '/dogs',
    route(
      'edit_dog',
      NEW_DOG,
      async ({ trx, salonId, input, today }) => {
        const right = checkDog(input.dog, today, undefined, input.sure);
        return right.ok ? done(await addDog(trx, salonId, input.dog, input.owner, today)) : right;
      },
      { answer: asMadeId },
    ),
  );
  router.get(
    '/dogs/:dogId',
    route('read', NOTHING, async ({ trx, id }) => {
      const file = await readDogFile(trx, id('dogId'));
      return file ? done(file) : refused('not_found');
    }),
  );
  router.put(
    '/dogs/:dogId',
    route('edit_dog', DOG_CHANGE, async ({ trx, salonId, input, today, id }) => {
      const right = checkDog(input.dog, today, await lastWeight(trx, id('dogId')), input.sure);
      return right.ok ? changeDog(trx, salonId, id('dogId'), input.dog, input.version, today) : right;
    }),
  );
  router.put(
    '/dogs/:dogId/bite-ended',
    route('end_bite', BITE_ENDED, async ({ trx, input, today, id }) => {
      const right = hasCome(input.on, today);
      return right.ok ? setBiteEnded(trx, id('dogId'), input.on) : right;
    }),
  );
  router.put(
    '/owners/:ownerId',
    route('edit_dog', OWNER_CHANGE, ({ trx, input, id }) => changeOwner(trx, id('ownerId'), input.owner, input.version)),
  );
  router.put(
    '/dogs/:dogId/archived',
    route('edit_dog', NOTHING, ({ trx, now, id }) => archiveDog(trx, id('dogId'), now)),
  );
  router.delete(
    '/dogs/:dogId/archived',
    route('edit_dog', NOTHING, ({ trx, id }) => archiveDog(trx, id('dogId'), null)),
  );
  router.post(
    '/dogs/:dogId/merged',
    route('edit_dog', DOG_MERGE, ({ trx, input, id }) => mergeDogs(trx, id('dogId'), input.other)),
  );
  router.delete(
    '/dogs/:dogId/merged/:other',
    route('edit_dog', NOTHING, ({ trx, id }) => unmergeDog(trx, id('dogId'), id('other'))),
  );
  router.post(
    '/dogs/:dogId/notes',
    route('record', DOG_NOTE_FORM, ({ trx, salonId, input, today, id }) => addNote(trx, salonId, id('dogId'), input, today), {
      answer: asMadeId,
    }),
  );
  router.delete(
    '/dogs/:dogId/notes/:noteId',
    route('record', NOTHING, ({ trx, id }) => removeNote(trx, id('dogId'), id('noteId'))),
  );
  router.put(
    '/dogs/:dogId/marks/:markId/vet',
    route('record', MARK_VET, async ({ trx, salonId, input, today, id }) => {
      const right = hasCome(input.on, today);
      return right.ok ? setMarkSeenByVet(trx, salonId, id('dogId'), id('markId'), input.on) : right;
    }),
  );
  return router;
}

function hasCome(on: string | null, today: string): Outcome<undefined> {
  return on !== null && on > today ? refusedField('on', saying('form.day_not_come', {})) : done(undefined);
}
