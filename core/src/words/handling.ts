/** Which way the tool travels. */
export const STROKES = [
  'with_grain',
  'away_from_eye',
  'inside_out',
  'outwards',
  'sideways_and_down',
  'scoop',
  'along_the_edge',
  'round_it',
  'none',
] as const;

export type Stroke = (typeof STROKES)[number];

/** What is done with the skin so that it does not rise into the teeth. */
export const TENSIONS = ['steady', 'stretch', 'draw_forward', 'spread', 'let_hang'] as const;

export type Tension = (typeof TENSIONS)[number];

/** Where the finger is that the blade would meet before it meets what is fragile. */
export const GUARDS_OF_FINGER = ['none', 'thumb_on_edge', 'finger_over_it', 'thumb_before_tongue', 'finger_behind_it'] as const;

export type GuardFinger = (typeof GUARDS_OF_FINGER)[number];
