import { HERE_LINE, type HereLine } from '@mansuet/core/contract';

/** The channel on which every server process hears what is new. */
export const CHANNEL = 'mansuet_visit';

/** What every server process hears: a visit of a salon has grown. */
export const grownNotice = (salonId: string, visitId: string): string => `${salonId} ${visitId}`;
/** Somebody has it open, or leaves it. */
export const hereNotice = (salonId: string, here: HereLine): string =>
  `${salonId} ${here.visitId} ${Buffer.from(JSON.stringify(here)).toString('base64url')}`;
export const readHere = (said: string): HereLine => HERE_LINE.parse(JSON.parse(Buffer.from(said, 'base64url').toString('utf8')));
