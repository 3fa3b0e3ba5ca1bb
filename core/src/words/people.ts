export const CONTACT_ROLES = ['emergency', 'fetches', 'also_owner'] as const;

export const NOTE_KINDS = ['works', 'avoid', 'injury'] as const;

export const WEIGHED_BY = ['scale', 'file'] as const;

export const PHOTO_KINDS = ['before', 'after', 'mark', 'incident', 'other'] as const;
/** What belongs to the dog's health record: taken whatever was answered about photographs. */
export const HEALTH_PHOTOS: readonly (typeof PHOTO_KINDS)[number][] = ['mark', 'incident'];

/** Why a booked visit is not held: its owner called it off, nobody came, or the salon could not. */
export const BOOKING_OFF = ['owner', 'no_show', 'salon'] as const;
export type BookingOff = (typeof BOOKING_OFF)[number];

export const BITE_TOLD = ['never', 'warned', 'bitten', 'rather_talk'] as const;
