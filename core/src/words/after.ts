/** How a wound of an earlier visit looks today. What is seen, never what it is. */
export const HEALING_LOOKS = ['closed_dry', 'red', 'wet_or_swollen', 'not_found', 'not_looked_at'] as const;
export type HealingLook = (typeof HEALING_LOOKS)[number];

/** How somebody was told. */
export const TOLD_HOW = ['face_to_face', 'by_phone', 'in_writing'] as const;
export type ToldHow = (typeof TOLD_HOW)[number];

/** What is due after a visit. `call`: ring and ask; `look`: look at it again here; `report`: find out what the vet said. */
export const FOLLOW_UP_KINDS = ['call', 'look', 'report'] as const;
export type FollowUpKind = (typeof FOLLOW_UP_KINDS)[number];

/** Sections of what an owner is told, in the order in which they are read. */
export const ACCOUNT_SECTIONS = ['happened', 'how', 'done', 'left', 'found', 'home', 'watch', 'next', 'price'] as const;
export type AccountSection = (typeof ACCOUNT_SECTIONS)[number];
