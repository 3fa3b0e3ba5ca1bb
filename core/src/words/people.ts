export const CONTACT_ROLES = ['emergency', 'fetches', 'also_owner'] as const;

export const NOTE_KINDS = ['works', 'avoid', 'injury'] as const;

export const WEIGHED_BY = ['scale', 'file'] as const;

export const PHOTO_KINDS = ['before', 'after', 'mark', 'other'] as const;

export const BITE_TOLD = ['never', 'warned', 'bitten', 'rather_talk'] as const;
