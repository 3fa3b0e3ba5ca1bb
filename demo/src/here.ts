import type { Zone } from '@mansuet/core/days';

/** The demo salon is where the machine is. */
export const HERE: Zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
