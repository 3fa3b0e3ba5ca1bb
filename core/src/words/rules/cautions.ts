import { rule, type Rule } from '../rule.js';

export const CAUTIONS_RULES = {
  // Cautions
  'caution.zone': rule('practice', 'zone', 'care'),
  'caution.mark': rule('practice', 'zone', 'size'),
  'caution.sore_zone_left': rule('floor', 'zone'),
  'caution.no_shears_under_tail': rule('floor'),
  'caution.shield_folds': rule('practice'),
  'caution.brush': rule('practice'),
  'caution.crust': rule('practice'),
  'caution.feet': rule('practice'),
  'caution.body_clip': rule('practice'),
  'caution.shears': rule('practice'),
  'caution.quick': rule('practice'),
  'caution.water': rule('practice'),
  'caution.never_alone': rule('floor'),
  'caution.dryer_face': rule('practice'),
  'caution.wrinkles_dry': rule('practice'),
  'caution.ear_vet': rule('practice'),
  'caution.blade_warm': rule('practice'),
  'caution.skin_below': rule('practice'),
  'caution.loop_off_neck': rule('practice'),
  'caution.thin_skin': rule('practice'),
  'caution.short_nose_breath': rule('floor'),
  'caution.eye': rule('practice'),
  'caution.lips': rule('practice'),
} as const satisfies Record<string, Rule>;
