export const COMPETENCES = ['learning', 'groomer', 'close_work'] as const;
/** Whose hands: still learning, a groomer, or a groomer trained with #30 and closer. */
export type Competence = (typeof COMPETENCES)[number];

export const MOVEMENTS = ['still', 'shifts', 'jerks'] as const;
/** How the dog moves under the tool today: still, shifts its weight, or jerks without warning. */
export type Movement = (typeof MOVEMENTS)[number];

export const CLEANLINESS = ['clean', 'dirty'] as const;
/** Coat as it is now: washed and dry, or not. */
export type Cleanliness = (typeof CLEANLINESS)[number];
