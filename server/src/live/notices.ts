import { HERE_LINE, type HereLine } from '@mansuet/core/contract';

/** The channel on which every server process hears what is new. */
export const CHANNEL = 'mansuet_visit';

/** In the place of a visit: the salon is on another machine by now. */
export const MOVED = 'moved';
export const movedNotice = (salonId: string): string => `${salonId} ${MOVED}`;

/** That a visit has grown is said by `add_events` in the database, as the salon and the visit; that somebody has it open, or leaves it, here. */
export const hereNotice = (salonId: string, here: HereLine): string =>
  `${salonId} ${here.visitId} ${Buffer.from(JSON.stringify(here)).toString('base64url')}`;
export const readHere = (said: string): HereLine => HERE_LINE.parse(JSON.parse(Buffer.from(said, 'base64url').toString('utf8')));
