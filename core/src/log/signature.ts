import * as z from 'zod';

const coordinate = z.number().int().min(0).max(4000);

/**
 * A signature as it was drawn: strokes of points x0, y0, x1, y1 … in the pad's pixels. Small enough for the log of the visit, so that it is
 * kept on the device like every other entry and cannot get lost apart from what was signed.
 */
export const SIGNATURE = z.strictObject({
  width: coordinate.min(50),
  height: coordinate.min(30),
  strokes: z.array(z.array(coordinate).min(2).max(2000)).min(1).max(60),
});

export type Signature = z.infer<typeof SIGNATURE>;
