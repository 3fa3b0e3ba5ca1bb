import { rule, type Rule } from '../rule.js';

export const HEAT_RULES = {
  'heat.go_on': rule('default', 'minutes'),
  'heat.check_by': rule('practice', 'minutes'),
  'heat.check_thin_skin': rule('practice', 'zone'),
  'heat.touch_after_swap': rule('practice'),
  'heat.swap_line': rule('default', 'celsius', 'limit', 'zone'),
  'heat.touch_warm': rule('practice'),
  'heat.touch_warm_watch': rule('house'),
  'heat.touch_hot': rule('floor'),
  'heat.never_above': rule('floor', 'celsius', 'limit'),
  'heat.dose': rule('cem43', 'zone', 'minutes', 'celsius'),
  'heat.over_human_limit': rule('iso13732', 'celsius', 'zone'),
} as const satisfies Record<string, Rule>;
