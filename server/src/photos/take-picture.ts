import { saying } from '@mansuet/core/words';
import sharp from 'sharp';
import { ProblemError } from '../problems/problem-error.js';

/** Longest side of a kept picture and of its small copy, pixels. Our default: a mark of 3 mm is still seen. */
const LONGEST_PX = 1800;
const SMALL_PX = 320;
/** Pixels of a picture that is unpacked at all: more is an attack or a mistake. Our default, 60 megapixels. */
const MOST_PIXELS = 60_000_000;
const FORMATS: readonly string[] = ['jpeg', 'png', 'webp'];

export interface TakenPicture {
  readonly picture: Buffer;
  readonly small: Buffer;
  readonly width: number;
  readonly height: number;
}

/**
 * Draws an uploaded picture anew: turned as the camera says, made smaller, and without anything that is not picture — place, time, device.
 * @throws ProblemError `bad_picture`, with what to do
 */
export async function takePicture(raw: Buffer): Promise<TakenPicture> {
  try {
    const format = (await sharp(raw, { limitInputPixels: MOST_PIXELS }).metadata()).format;
    if (!FORMATS.includes(format)) throw new ProblemError('bad_picture', saying('problem.picture_format', { text: format }));
    const upright = sharp(raw, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).autoOrient();
    const within = (px: number) => upright.clone().resize(px, px, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 82 });
    const big = await within(LONGEST_PX).toBuffer({ resolveWithObject: true });
    return { picture: big.data, small: await within(SMALL_PX).toBuffer(), width: big.info.width, height: big.info.height };
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    const tooMany = error instanceof Error && error.message.includes('pixel limit');
    throw new ProblemError(
      'bad_picture',
      tooMany ? saying('problem.picture_pixels', { limit: MOST_PIXELS / 1_000_000 }) : saying('problem.picture_broken', {}),
    );
  }
}
