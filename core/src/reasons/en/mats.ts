import { COMPUTED, DEFAULT, FLOOR, HOUSE, PRACTICE, rule, type RuleText } from '../rule-text.js';

export const MATS_RULES = {
  // Mats
  'mat.none': rule('The fine comb passes on the {zone}.', PRACTICE),
  'mat.brush': rule('Tangles on the {zone}: damp with spray and slicker in lines, comb to check.', PRACTICE),
  'mat.split': rule('Mats on the {zone}: split along the hair, tease out from the ends, hold the root.', PRACTICE),
  'mat.tight_clip': rule('The mat on the {zone} is tight (skin comes with it): clip under it. A tight mat is never brushed out.', FLOOR),
  'mat.pelted_clip': rule(
    'The coat on the {zone} is one sheet: clip under it whole, slowly; the skin below is thin and often sore.',
    FLOOR,
  ),
  'mat.no_splitter_here': rule('No splitter on the {zone}; the mat is clipped from the inside out.', PRACTICE),
  'mat.red_skin_clip': rule('The skin under the mat on the {zone} is red: brushing would hurt, so it is clipped.', PRACTICE),
  'mat.brush_limit': rule('Brushing one place ends after {minutes} min; the {zone} would take longer, so it is clipped.', PRACTICE),
  'mat.brush_visit_limit': rule(
    'Brushing out ends after {minutes} min a visit; the {zone} is clipped instead. Comfort goes before length.',
    PRACTICE,
  ),
  'mat.sore_skin_vet': rule('Sore skin under the mat on the {zone}: this is for a vet.', FLOOR),
  'mat.testicles_vet': rule('Tight mats round the testicles: this is for a vet.', PRACTICE),
  'mat.tuck_up_leave': rule(
    'The {zone} is matted tight. It tears and gets worse when the leg moves: leave it unless trained hands do it; a vet within days.',
    PRACTICE,
  ),
  'mat.ear_may_swell': rule(
    'An ear freed of heavy mats can fill with blood when shaken: watch it, cover it, and tell the owner.',
    PRACTICE,
  ),
  'mat.check_mirror': rule('What is matted on one side usually is on the other: check the {zone}.', PRACTICE),
  'mat.ear_canal_vet': rule('Tight mats in the {zone}: this is for a vet.', PRACTICE),
  'mat.strangles_vet': rule('A mat that strangles, or a swelling below it ({zone}): a vet first.', FLOOR),
  'mat.house_clips': rule('Mats are clipped, not brushed out, in this salon ({zone}).', HOUSE),
  'mat.red_tangles_wait': rule('The {zone} is red: its tangles wait until the skin is well.', PRACTICE),
  'mat.dryer_may': rule('Skin is sound and few mats are tight: the dryer may be a test after the wash.', PRACTICE),
  'mat.dryer_skin': rule('Skin is red or sore: the dryer is no test here.', PRACTICE),
  'mat.dryer_too_many': rule('{tight} zones are tight, more than {limit}: the dryer is no test, it would pull.', DEFAULT),
  'mat.dryer_not_for_this_dog': rule('No high-velocity dryer for this dog, so no dryer test.', PRACTICE),
  'mat.dryer_parted': rule('The mat on the {zone} parts under the dryer: it can be brushed.', PRACTICE),
  'mat.dryer_stayed': rule('The mat on the {zone} stays shut under the dryer: clip under it.', PRACTICE),
  // Length that can be promised
  'length.shears': rule('The fine teeth pass on the {zone}: any length, with shears too.', PRACTICE),
  'length.guard': rule('A comb passes on the {zone}: a guard can keep length; shears when the fine teeth pass.', PRACTICE),
  'length.after_brushing': rule('On the {zone} length can be kept only if a comb passes after the brushing.', PRACTICE),
  'length.blade_only': rule('The {zone} is clipped under the mat: about {mm} mm, no longer.', PRACTICE),
  'length.none': rule('No length is promised on the {zone}: it is left, or a vet sees it.', PRACTICE),
  // The whole coat
  'coat.no_mats': rule('A comb passes everywhere it was tried.', PRACTICE),
  'coat.sum': rule('{zones} matted zones, about {minutes} min.', DEFAULT),
  'coat.clip_off': rule('{percent} % of the body coat or more is tight: it is clipped off whole, slowly.', DEFAULT),
  'coat.face_kept': rule('The face is sound: it keeps its coat.', PRACTICE),
  'coat.beyond_tolerance': rule(
    'All mats together would cost {points} points of strain; {limit} is what this dog can take. Part of it is for a vet.',
    DEFAULT,
  ),
  'coat.season': rule('It mats round {month} ({percent} % of its matting in three months, {visits} visits): come sooner then.', COMPUTED),
} as const satisfies Record<string, RuleText>;
