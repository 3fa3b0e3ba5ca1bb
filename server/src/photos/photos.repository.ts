import type { Photo } from '@mansuet/core/contract';
import { done, type Outcome, refused, type ZoneId } from '@mansuet/core/words';
import type { InSalon } from '../database/database.js';
import type { TakenPicture } from './take-picture.js';

export interface NewPhoto {
  readonly photoId: string;
  readonly dogId: string;
  readonly visitId: string | null;
  readonly takenOn: string;
  readonly kind: Photo['kind'];
  readonly zone: ZoneId | null;
}

/** Keeps a picture in a dog's file; one that was sent before is kept once. @returns its id */
export async function keepPhoto(trx: InSalon, salonId: string, photo: NewPhoto, taken: TakenPicture): Promise<Outcome<string>> {
  const dog = await trx.selectFrom('dog').select('dog_id').where('dog_id', '=', photo.dogId).executeTakeFirst();
  if (!dog) return refused('not_found');
  const kept = await trx
    .insertInto('photo')
    .values({
      salon_id: salonId,
      photo_id: photo.photoId,
      dog_id: photo.dogId,
      visit_id: photo.visitId,
      taken_on: photo.takenOn,
      kind: photo.kind,
      zone: photo.zone,
      ...taken,
    })
    .onConflict((c) => c.columns(['salon_id', 'photo_id']).doNothing())
    .executeTakeFirst();
  if (kept.numInsertedOrUpdatedRows !== 0n) return done(photo.photoId);
  // The id is taken: by this dog's own picture, or by nothing that is anyone's business.
  const own = await trx.selectFrom('photo').select('dog_id').where('photo_id', '=', photo.photoId).executeTakeFirst();
  return own?.dog_id === photo.dogId ? done(photo.photoId) : refused('not_found');
}

/** The bytes of a picture, large or small. */
export async function readPhoto(trx: InSalon, photoId: string, size: 'picture' | 'small'): Promise<Buffer | undefined> {
  const row = await trx.selectFrom('photo').select(`${size} as bytes`).where('photo_id', '=', photoId).executeTakeFirst();
  return row?.bytes;
}

/** Takes a picture out of the file for good. */
export async function deletePhoto(trx: InSalon, photoId: string): Promise<Outcome<undefined>> {
  const gone = await trx.deleteFrom('photo').where('photo_id', '=', photoId).executeTakeFirst();
  return gone.numDeletedRows > 0n ? done(undefined) : refused('not_found');
}
