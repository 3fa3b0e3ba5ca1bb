import { randomUUID } from 'node:crypto';
import { type Request, type Response, Router } from 'express';
import multer, { MulterError } from 'multer';
import * as z from 'zod';
import { PHOTO_MAX_BYTES } from '@mansuet/core/contract';
import { done, HEALTH_PHOTOS, PHOTO_KINDS, refused, saying, ZONE_IDS } from '@mansuet/core/words';
import { ProblemError } from '../problems/problem-error.js';
import { type Answer, asMadeId } from '../route/answers.js';
import { NOTHING, type RouteParts, routesOf } from '../route/route.js';
import { photographsRefused } from './photographs-refused.js';
import { deletePhoto, keepPhoto, readPhoto } from './photos.repository.js';
import { type TakenPicture, takePicture } from './take-picture.js';

const PHOTO = z.strictObject({
  /** Made on the device, so that sending twice keeps one. */
  photoId: z.uuid().optional(),
  kind: z.enum(PHOTO_KINDS),
  zone: z.enum(ZONE_IDS).optional(),
  visitId: z.uuid().optional(),
  taken: z.custom<TakenPicture>((one) => typeof one === 'object'),
});
const SIZE = z.object({ size: z.enum(['small', 'picture']).catch('picture') });
const upload = multer({ storage: multer.memoryStorage(), limits: { fileSize: PHOTO_MAX_BYTES, files: 1, fields: 5 } }).single('picture');

/** Photographs of a dog: kept in the salon's database, drawn anew, and only for who is signed in there. */
export function photoRoutes(parts: RouteParts): Router {
  const router = Router();
  const route = routesOf(parts);

  router.post(
    '/dogs/:dogId/photos',
    route(
      'record',
      PHOTO,
      async ({ trx, salonId, input, today, id }) => {
        const refusal = HEALTH_PHOTOS.includes(input.kind) ? undefined : await photographsRefused(trx, id('dogId'), input.visitId ?? null);
        if (refusal) return refused('forbidden', saying('problem.photographs_refused', { name: refusal.name, on: refusal.on }));
        const { photoId = randomUUID(), kind, zone = null, visitId = null, taken } = input;
        return keepPhoto(trx, salonId, { photoId, dogId: id('dogId'), visitId, takenOn: today, kind, zone }, taken);
      },
      { input: readUpload, answer: asMadeId },
    ),
  );
  router.get(
    '/photos/:photoId',
    route(
      'read',
      SIZE,
      async ({ trx, input, id }) => {
        const bytes = await readPhoto(trx, id('photoId'), input.size);
        return bytes ? done(bytes) : refused('not_found');
      },
      { answer: asPicture },
    ),
  );
  router.delete(
    '/photos/:photoId',
    route('edit_dog', NOTHING, ({ trx, id }) => deletePhoto(trx, id('photoId'))),
  );
  return router;
}

// The bytes of an id never change; who may see them can, so that only this browser keeps them.
const asPicture: Answer<Buffer> = (response, bytes) => {
  response.set('cache-control', 'private, max-age=3600').type('image/webp').send(bytes);
};

/** The picture, drawn anew, and what was said of it. @throws ProblemError */
async function readUpload(request: Request, response: Response): Promise<unknown> {
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
  const fields = z.record(z.string(), z.unknown()).parse({ ...request.body });
  return { ...fields, taken: await takePicture(request.file.buffer) };
}
