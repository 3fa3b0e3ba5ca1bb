export const COMB_TESTS = ['fine_passes', 'wide_snags', 'wide_stops', 'nothing_passes'] as const;

/** What the comb does: fine teeth pass to the skin, wide teeth pass with snags, wide teeth stop, nothing passes. */
export type CombTest = (typeof COMB_TESTS)[number];

export const LIFT_TESTS = ['lifts_freely', 'finger_fits', 'skin_comes', 'no_gap'] as const;

/** What the mat does when lifted: it is free, a finger fits below, the skin comes with it, there is no gap. */
export type LiftTest = (typeof LIFT_TESTS)[number];

export const MAT_GRADES = [0, 1, 2, 3, 4] as const;

/** 0 none, 1 tangles, 2 mats, 3 tight, 4 pelted. Common practice, no source. */
export type MatGrade = (typeof MAT_GRADES)[number];

export const DRYER_TESTS = ['parts', 'stays_shut'] as const;

/** What a mat does under a high-velocity dryer after the wash: it parts, or it stays shut. */
export type DryerTest = (typeof DRYER_TESTS)[number];

export const MAT_WAYS = ['brush', 'split', 'clip_under', 'leave', 'vet'] as const;

/** What is done with a mat: brushed in lines, split and teased, clipped under, left alone, or shown to a vet. */
export type MatWay = (typeof MAT_WAYS)[number];

export const LENGTH_PROMISES = ['shears', 'guard', 'after_brushing', 'blade_only', 'none'] as const;

/**
 * What length can be promised in a place: shears (the fine teeth pass), a guard (a comb passes), after brushing (if the comb passes
 * then), the length of the blade that goes under, or none at all (left, or a vet).
 */
export type LengthPromise = (typeof LENGTH_PROMISES)[number];
