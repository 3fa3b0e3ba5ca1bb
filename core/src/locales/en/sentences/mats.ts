export const MATS_SENTENCES = {
  // Mats
  'mat.none': 'The fine comb passes on the {zone}.',
  'mat.brush': 'Tangles on the {zone}: damp with spray and slicker in lines, comb to check.',
  'mat.split': 'Mats on the {zone}: split along the hair, tease out from the ends, hold the root.',
  'mat.tight_clip': 'The mat on the {zone} is tight (skin comes with it): clip under it. A tight mat is never brushed out.',
  'mat.pelted_clip': 'The coat on the {zone} is one sheet: clip under it whole, slowly; the skin below is thin and often sore.',
  'mat.no_splitter_here': 'No splitter on the {zone}; the mat is clipped from the inside out.',
  'mat.red_skin_clip': 'The skin under the mat on the {zone} is red: brushing would hurt, so it is clipped.',
  'mat.brush_limit': 'Brushing one place ends after {minutes} min; the {zone} would take longer, so it is clipped.',
  'mat.brush_visit_limit': 'Brushing out ends after {minutes} min a visit; the {zone} is clipped instead. Comfort goes before length.',
  'mat.sore_skin_vet': 'Sore skin under the mat on the {zone}: this is for a vet.',
  'mat.testicles_vet': 'Tight mats round the testicles: this is for a vet.',
  'mat.tuck_up_leave':
    'The {zone} is matted tight. It tears and gets worse when the leg moves: leave it unless trained hands do it; a vet within days.',
  'mat.ear_may_swell': 'An ear freed of heavy mats can fill with blood when shaken: watch it, cover it, and tell the owner.',
  'mat.check_mirror': 'What is matted on one side usually is on the other: check the {zone}.',
  'mat.ear_canal_vet': 'Tight mats in the {zone}: this is for a vet.',
  'mat.strangles_vet': 'A mat that strangles, or a swelling below it ({zone}): a vet first.',
  'mat.house_clips': 'Mats are clipped, not brushed out, in this salon ({zone}).',
  'mat.red_tangles_wait': 'The {zone} is red: its tangles wait until the skin is well.',
  'mat.dryer_may': 'Skin is sound and few mats are tight: the dryer may be a test after the wash.',
  'mat.dryer_skin': 'Skin is red or sore: the dryer is no test here.',
  'mat.dryer_too_many':
    '{tight} {tight_n, plural, one {zone is} other {zones are}} tight, more than {limit}: the dryer is no test, it would pull.',
  'mat.dryer_not_for_this_dog': 'No high-velocity dryer for this dog, so no dryer test.',
  'mat.dryer_parted': 'The mat on the {zone} parts under the dryer: it can be brushed.',
  'mat.dryer_stayed': 'The mat on the {zone} stays shut under the dryer: clip under it.',
  // Length that can be promised
  'length.shears': 'The fine teeth pass on the {zone}: any length, with shears too.',
  'length.guard': 'A comb passes on the {zone}: a guard can keep length; shears when the fine teeth pass.',
  'length.after_brushing': 'On the {zone} length can be kept only if a comb passes after the brushing.',
  'length.blade_only': 'The {zone} is clipped under the mat: about {mm} mm, no longer.',
  'length.none': 'No length is promised on the {zone}: it is left, or a vet sees it.',
  // The whole coat
  'coat.no_mats': 'A comb passes everywhere it was tried.',
  'coat.sum': '{count} matted {count_n, plural, one {zone} other {zones}}, about {minutes} min.',
  'coat.clip_off': '{percent} % of the body coat or more is tight: it is clipped off whole, slowly.',
  'coat.face_kept': 'The face is sound: it keeps its coat.',
  'coat.beyond_tolerance':
    'All mats together would cost {points} points of strain; {limit} is what this dog can take. Part of it is for a vet.',
  'coat.season':
    'It mats round {month} ({percent} % of its matting in three months, {visits} {visits_n, plural, one {visit} other {visits}}): come sooner then.',
} as const;
