import { CEM43, DEFAULT, FLOOR, HOUSE, ISO13732, PRACTICE, rule, type RuleText } from '../rule-text.js';

export const HEAT_RULES = {
  'heat.go_on': rule('Cool as far as is known; about {minutes} min to the line. The next touch decides.', DEFAULT),
  'heat.check_by': rule('{minutes} min of running since the last touch: blade flat on your inner wrist.', PRACTICE),
  'heat.check_thin_skin': rule('Thin skin next ({zone}): touch the blade before it.', PRACTICE),
  'heat.swap_line': rule('About {celsius} °C by the estimate; from {limit} °C on it is swapped or cooled ({zone}).', DEFAULT),
  'heat.touch_warm': rule('It felt warm to you: it is hot to the dog. Your touch overrules the estimate.', PRACTICE),
  'heat.touch_warm_watch': rule('It felt warm: in this salon a hot wrist decides. Touch it again within a minute.', HOUSE),
  'heat.touch_hot': rule('It felt hot: off the dog at once.', FLOOR),
  'heat.never_above': rule('About {celsius} °C: no blade above {limit} °C on skin.', FLOOR),
  'heat.dose': rule(
    'The {zone} met {minutes} equivalent minutes at 43 °C, {celsius} °C at the most. Look at the skin whatever the number.',
    CEM43,
  ),
  'heat.over_human_limit': rule('At or above {celsius} °C, the contact limit for human skin, which is thicker ({zone}).', ISO13732),
} as const satisfies Record<string, RuleText>;
