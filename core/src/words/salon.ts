/** What work is done at, or a dog rests in. */
export const SALON_POSTS = ['table', 'tub', 'stand_dryer', 'high_velocity_dryer', 'resting_place'] as const;

export type SalonPost = (typeof SALON_POSTS)[number];

/** What wears the hands, wrists and back of who works: minutes of each, and of what is lifted the kilograms. */
export const HAND_WORK = ['clip', 'brush', 'bent', 'lifted'] as const;

export type HandWork = (typeof HAND_WORK)[number];
export type HandWear = Readonly<Record<HandWork, number>>;

/** Monday first, as the weeks of ISO 8601. */
export const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;

export type Weekday = (typeof WEEKDAYS)[number];
