/** What can be hurt in a zone. */
export const FRAGILE_FEATURES = [
  'edge',
  'fold',
  'flap',
  'teat',
  'tendon',
  'pad',
  'thin_skin',
  'joint',
  'eye',
  'tongue',
  'airway',
  'bone',
  'canal',
  'gland',
  'quick',
  'web',
] as const;

export type FragileFeature = (typeof FRAGILE_FEATURES)[number];

/** Groups of zones: one learning rate, one line in a plan. */
export const ZONE_GROUPS = ['face', 'ears', 'neck', 'body', 'underside', 'legs', 'feet', 'rear'] as const;

export type ZoneGroup = (typeof ZONE_GROUPS)[number];
