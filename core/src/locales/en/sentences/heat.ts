export const HEAT_SENTENCES = {
  'heat.go_on': 'Cool as far as is known; about {minutes} min to the line. The next touch decides.',
  'heat.check_by': '{minutes} min of running since the last touch: blade flat on your inner wrist.',
  'heat.check_thin_skin': 'Thin skin next ({zone}): touch the blade before it.',
  'heat.touch_after_swap': 'Just taken in hand: on your inner wrist before the first stroke.',
  'heat.swap_line': 'About {celsius} °C by the estimate; from {limit} °C on it is swapped or cooled ({zone}).',
  'heat.touch_warm': 'It felt warm to you: it is hot to the dog. Your touch overrules the estimate.',
  'heat.touch_warm_watch': 'It felt warm: in this salon a hot wrist decides. Touch it again within a minute.',
  'heat.touch_hot': 'It felt hot: off the dog at once.',
  'heat.never_above': 'About {celsius} °C: no blade above {limit} °C on skin.',
  'heat.dose': 'The {zone} met {minutes} equivalent minutes at 43 °C, {celsius} °C at the most. Look at the skin whatever the number.',
  'heat.over_human_limit': 'At or above {celsius} °C, the contact limit for human skin, which is thicker ({zone}).',
} as const;
