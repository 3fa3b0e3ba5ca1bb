/** What makes an end safe, line by line. Each is ticked by whoever did it. */
export const CLOSING_LINES = [
  'all_off',
  'cool_down',
  'ring_vet',
  'go',
  'tool_away',
  'pressure',
  'mat',
  'rinse',
  'towel',
  'lead_on',
  'out_of_tub',
  'down',
  'muzzle_off',
  'dry_enough',
  'safe_place',
  'ring_owner',
] as const;
export type ClosingLine = (typeof CLOSING_LINES)[number];
