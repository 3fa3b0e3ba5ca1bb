/** What work is done at, or a dog rests in. */
export const SALON_POSTS = ['table', 'tub', 'stand_dryer', 'high_velocity_dryer', 'resting_place'] as const;

export type SalonPost = (typeof SALON_POSTS)[number];

/** Monday first, as the weeks of ISO 8601. */
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;

export type Weekday = (typeof WEEKDAYS)[number];
