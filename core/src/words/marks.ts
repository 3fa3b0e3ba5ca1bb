export const MARK_BORDERS = ['regular', 'irregular'] as const;

export const MARK_SURFACES = ['smooth', 'lumpy', 'scabbed', 'flaky', 'oozing', 'bleeding'] as const;

export const MARK_ADVICE = ['watch', 'show_vet', 'show_vet_now'] as const;

/** Measure again next time; show the vet; show the vet within days. Never what it is: that is the vet's to say. */
export type MarkVerdict = (typeof MARK_ADVICE)[number];

export const MARK_FOLLOWS = ['next_visit', 'four_weeks', 'check_up', 'within_days'] as const;

/** What becomes of a mark after the visit: measured again, or looked at by a vet, and how soon. */
export type MarkFollow = (typeof MARK_FOLLOWS)[number];

export const MARK_KINDS = ['stands_out', 'hangs', 'under_skin', 'scar', 'sore'] as const;

/** How a mark meets a blade: for the groomer's eye, never what it is. */
export type MarkKind = (typeof MARK_KINDS)[number];
