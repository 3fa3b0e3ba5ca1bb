import { Router } from 'express';
import multer, { MulterError } from 'multer';
import * as z from 'zod';
import { PHOTO_MAX_BYTES } from '@mansuet/core/contract';
import { dayOf } from '@mansuet/core/days';
import { PHOTO_KINDS, saying, ZONE_IDS } from '@mansuet/core/words';
import type { Database } from '../database/database.js';
import { readId } from '../problems/read-id.js';
import { requireAction } from '../sign-in/require-session.js';
import { deletePhoto, keepPhoto, readPhoto } from './photos.repository.js';
import { takePicture } from './take-picture.js';
import { ProblemError, valueOf } from '../problems/problem-error.js';

const PHOTO_FIELDS = z.strictObject({ kind: z.enum(PHOTO_KINDS), zone: z.enum(ZONE_IDS).optional(), visitId: z.uuid().optional() });
const upload = multer({ storage: multer.memoryStorage(), limits: { fileSize: PHOTO_MAX_BYTES, files: 1, fields: 5 } }).single('picture');

/** Photographs of a dog: kept in the salon's database, drawn anew, and only for who is signed in there. */
export function photoRoutes(db: Database, clock: () => Date): Router {
  const router = Router();

  router.post('/dogs/:dogId/photos', async (request, response) => {
    const { salonId, salon } = await requireAction(db, request, 'record');
    const dogId = readId(request.params.dogId);
    await new Promise<void>((done, fail) => {
      upload(request, response, (error: unknown) => {
        if (error instanceof MulterError)
          fail(
            error.code === 'LIMIT_FILE_SIZE'
              ? new ProblemError('too_large', saying('problem.picture_too_large', {}))
              : new ProblemError('bad_picture', saying('problem.one_picture', {})),
          );
        else if (error) fail(new ProblemError('bad_picture', saying('problem.upload_broke_off', {})));
        else done();
      });
    });
    if (!request.file) throw new ProblemError('bad_input', undefined, [{ path: 'picture', says: saying('form.picture_missing', {}) }]);
    const fields = PHOTO_FIELDS.parse({ ...(request.body as Record<string, unknown>) });
    const taken = await takePicture(request.file.buffer);
    const photo = {
      dogId,
      visitId: fields.visitId ?? null,
      takenOn: dayOf(clock(), salon.timeZone),
      kind: fields.kind,
      zone: fields.zone ?? null,
    };
    const id = valueOf(await db.inSalon(salonId, (trx) => keepPhoto(trx, salonId, photo, taken)));
    response.status(201).json({ id });
  });

  router.get('/photos/:photoId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'read');
    const size = request.query['size'] === 'small' ? 'small' : 'picture';
    const bytes = await db.inSalon(salonId, (trx) => readPhoto(trx, readId(request.params.photoId), size));
    if (!bytes) throw new ProblemError('not_found');
    // The bytes of an id never change; who may see them can, so that only this browser keeps them.
    response.set('cache-control', 'private, max-age=3600').type('image/webp').send(bytes);
  });

  router.delete('/photos/:photoId', async (request, response) => {
    const { salonId } = await requireAction(db, request, 'edit_dog');
    valueOf(await db.inSalon(salonId, (trx) => deletePhoto(trx, readId(request.params.photoId))));
    response.status(204).end();
  });
  return router;
}
