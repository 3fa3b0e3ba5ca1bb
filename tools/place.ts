import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The checkout. */
export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
/** All that a start makes: database, secrets, logs. */
export const RUN = join(ROOT, '.run');
export const WEB_DIST = join(ROOT, 'web', 'dist', 'browser');

/** A failure with a way out, shown without a stack trace. */
export class Plain extends Error {
  override readonly name = 'Plain';
}
