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

export const TOOL_LABELS: Readonly<Record<ToolKind, string>> = {
  clipper: 'clipper',
  straight_shears: 'straight shears',
  curved_shears: 'curved shears',
  blunt_shears: 'blunt-tip shears',
  thinners: 'thinners',
  mat_splitter: 'mat splitter',
  slicker: 'slicker',
  wide_comb: 'comb, wide teeth',
  fine_comb: 'comb, fine teeth',
  rake: 'undercoat rake',
  nail_clipper: 'nail clipper',
  grinder: 'nail grinder',
  cotton: 'cotton and ear cleaner',
  forceps: 'forceps for ear hair',
  towel: 'towel',
  stand_dryer: 'stand dryer',
  high_velocity_dryer: 'high-velocity dryer',
};

/** Everything that closes on hair with two edges. */
export const SHEARS: readonly ToolKind[] = ['straight_shears', 'curved_shears', 'blunt_shears', 'thinners'];
/** Shears with points that stab. */
export const POINTED_SHEARS: readonly ToolKind[] = ['straight_shears', 'curved_shears'];
export const BRUSHES: readonly ToolKind[] = ['slicker', 'wide_comb', 'fine_comb', 'rake'];
export const DRYERS: readonly ToolKind[] = ['towel', 'stand_dryer', 'high_velocity_dryer'];
/** Tools that run and are heard. */
export const NOISY: readonly ToolKind[] = ['clipper', 'grinder', 'stand_dryer', 'high_velocity_dryer'];
