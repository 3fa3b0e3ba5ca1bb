import { rule, type Rule } from '../rule.js';

export const STRAIN_RULES = {
  // States that look calm
  'calm.relaxed': rule('practice'),
  'calm.still': rule('practice'),
  'calm.tired_out': rule('practice'),
  'calm.shut_down': rule('practice'),
  // What breaks have taught
  'strain.half_life_learned': rule('computed', 'count', 'minutes', 'likely', 'from', 'to'),
  // Rates
  'rate.prior_only': rule('default', 'rate'),
  // A dog in plain words
  'file.nothing_seen': rule('default'),
  'file.dog_harder': rule('learned', 'factor', 'visits', 'percent'),
  'file.dog_easier': rule('learned', 'factor', 'visits', 'percent'),
  'file.dog_alike': rule('learned', 'visits'),
  'file.work_harder': rule('learned', 'step', 'factor', 'visits', 'percent'),
  'file.work_easier': rule('learned', 'step', 'factor', 'visits', 'percent'),
  'file.no_leave': rule('practice'),
  'file.minds_nothing': rule('default'),
  'file.works_alike': rule('learned', 'count'),
  'file.comes_down': rule('computed', 'count', 'reached', 'likely'),
  'file.never_looked': rule('default', 'likely'),
  'file.now_harder': rule('learned', 'factor', 'visits', 'count', 'percent'),
  'file.now_easier': rule('learned', 'factor', 'visits', 'count', 'percent'),
  'file.no_change': rule('learned', 'visits', 'count'),
  'file.no_year': rule('default'),
  // Noise or place
  'trigger.place': rule('learned', 'place', 'percent'),
  'trigger.tool': rule('learned', 'learned_tool', 'percent'),
  'trigger.both': rule('learned', 'learned_tool', 'place', 'percent'),
  'trigger.only_together': rule('learned', 'learned_tool', 'place', 'percent'),
  'trigger.neither': rule('learned', 'learned_tool', 'place'),
  'trigger.not_enough': rule('default', 'minutes', 'learned_tool', 'place'),
  // Time to first watch
  'watch.few': rule('computed', 'count', 'reached'),
  'watch.mostly_settled': rule('computed', 'count', 'minutes', 'reached'),
  'watch.median': rule('computed', 'count', 'minutes'),
  // The next minutes
  'ahead.one_in': rule('default', 'minutes', 'count'),
  'ahead.likely': rule('default', 'minutes'),
  'ahead.break': rule('default', 'count?'),
  'ahead.lighter_hands': rule('default', 'count?'),
  'ahead.next_step': rule('default', 'count?'),
  // A friendly sign
  'sign.unlocks_nothing': rule('practice', 'holds?'),
} as const satisfies Record<string, Rule>;
