/** What can be laid over the drawing and taken off again. */
export const MAP_LAYERS = ['mats', 'marks', 'triggers', 'joints', 'strain', 'plan'] as const;
export type MapLayer = (typeof MAP_LAYERS)[number];
export const MAP_LAYER_LABELS: Readonly<Record<MapLayer, string>> = {
  mats: 'Mats and skin',
  marks: 'Marks',
  triggers: 'Sets it off',
  joints: 'Reach of joints',
  strain: 'Strain seen',
  plan: 'Steps',
};
