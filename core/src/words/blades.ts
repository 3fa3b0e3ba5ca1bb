/** Blade numbers the product knows. F: full teeth, leaves a smooth finish; a plain 4, 5 or 7 is skip-tooth. */
export const BLADE_IDS = ['3F', '4F', '4', '5F', '5', '7F', '7', '8.5', '9', '10', '15', '30', '40', '50'] as const;

export type BladeId = (typeof BLADE_IDS)[number];

export const TOOTH_TYPES = ['full', 'skip', 'unknown'] as const;

export type ToothType = (typeof TOOTH_TYPES)[number];

export const BLADE_FAMILIES = ['long', 'cuts_skin', 'short', 'close_teeth', 'nicks'] as const;

/**
 * What a number means for skin, which its length does not: #7 is the one that cuts, #10 and #15 have teeth close together,
 * #30 and closer nick when bare. Common practice, no source.
 */
export type BladeFamily = (typeof BLADE_FAMILIES)[number];

export const RESISTANCE_CAUSES = ['tight_mat', 'growth', 'skin_drawn_in'] as const;

/** A blade stops for one of three reasons, and each has its own answer. Common practice, no source. */
export type ResistanceCause = (typeof RESISTANCE_CAUSES)[number];
