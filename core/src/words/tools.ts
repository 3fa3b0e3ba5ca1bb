export const LEARNED_TOOLS = ['clipper', 'shears', 'brush', 'nail_tool', 'water', 'dryer', 'hands'] as const;

/** Tools as a dog tells them apart: by noise and feel. */
export type LearnedTool = (typeof LEARNED_TOOLS)[number];

export const POSTURES = ['standing', 'leg_lifted', 'head_held', 'lying', 'in_tub'] as const;

export type Posture = (typeof POSTURES)[number];

export const TOOL_KINDS = [
  'clipper',
  'straight_shears',
  'curved_shears',
  'blunt_shears',
  'thinners',
  'mat_splitter',
  'slicker',
  'wide_comb',
  'fine_comb',
  'rake',
  'nail_clipper',
  'grinder',
  'cotton',
  'forceps',
  'towel',
  'stand_dryer',
  'high_velocity_dryer',
] as const;

/** What is in the hand. Blades have a folder of their own: a clipper is as safe as the blade on it. */
export type ToolKind = (typeof TOOL_KINDS)[number];

export const COMPETENCES = ['learning', 'groomer', 'close_work'] as const;
/** Whose hands: still learning, a groomer, or a groomer trained with #30 and closer. */
export type Competence = (typeof COMPETENCES)[number];

export const MOVEMENTS = ['still', 'shifts', 'jerks'] as const;
/** How the dog moves under the tool today: still, shifts its weight, or jerks without warning. */
export type Movement = (typeof MOVEMENTS)[number];

export const CLEANLINESS = ['clean', 'dirty'] as const;
/** Coat as it is now: washed and dry, or not. */
export type Cleanliness = (typeof CLEANLINESS)[number];

/** Everything that closes on hair with two edges. */
export const SHEARS: readonly ToolKind[] = ['straight_shears', 'curved_shears', 'blunt_shears', 'thinners'];

/** Shears with points that stab. */
export const POINTED_SHEARS: readonly ToolKind[] = ['straight_shears', 'curved_shears'];

export const BRUSHES: readonly ToolKind[] = ['slicker', 'wide_comb', 'fine_comb', 'rake'];

/** Tools that run and are heard. */
export const NOISY: readonly ToolKind[] = ['clipper', 'grinder', 'stand_dryer', 'high_velocity_dryer'];
