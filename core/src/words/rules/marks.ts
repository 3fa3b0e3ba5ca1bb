import { rule, type Rule } from '../rule.js';

export const MARKS_RULES = {
  'mark.sore': rule('practice', 'zone'),
  'mark.nothing_passes': rule('practice', 'days'),
  'skin.red_again': rule('default', 'days'),
  'mark.stable': rule('practice', 'zone'),
  'mark.new_small': rule('practice', 'zone'),
  'mark.bigger': rule('practice', 'zone', 'was_size', 'size'),
  'mark.surface_changed': rule('practice', 'zone', 'was_surface', 'surface'),
  'mark.border_changed': rule('practice', 'zone'),
  'mark.quick': rule('growth', 'zone', 'days'),
  'mark.open': rule('practice', 'zone', 'surface'),
  'mark.beside_anus': rule('practice', 'zone'),
  'mark.one_centimetre': rule('practice', 'zone', 'mm'),
  'mark.stays': rule('practice', 'zone', 'days'),
  'mark.irregular': rule('practice', 'zone'),
  'mark.surface': rule('default', 'zone', 'surface'),
} as const satisfies Record<string, Rule>;
