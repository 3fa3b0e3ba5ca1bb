import type { ZoneId } from '@mansuet/core/words';
import type { DemoDog } from './dogs.js';
import type { Random } from './random.js';
import type { Findings } from './visit-story.js';

const MAT_PLACES: readonly ZoneId[] = [
  'ear_base_left',
  'ear_base_right',
  'neck',
  'armpit_left',
  'armpit_right',
  'groin_left',
  'belly',
  'tail_root',
  'hock_left',
  'hock_right',
  'thigh_left',
];
const MATTING_COATS: readonly DemoDog['coat'][] = ['curly', 'wool', 'silky', 'double'];

/** What a past feel-over found: mats come with coat and chance, stiffness with age. */
export function pastFindings(dog: DemoDog, random: Random, mark: Findings['mark']): Findings {
  const count = MATTING_COATS.includes(dog.coat) ? random.poisson(1.2) : 0;
  const places = [...MAT_PLACES].sort(() => random.next() - 0.5).slice(0, count);
  return {
    mats: places.map((zone) => {
      const tight = random.chance(0.25);
      return {
        zone,
        comb: tight ? 'nothing_passes' : random.chance(0.5) ? 'wide_stops' : 'wide_snags',
        lift: tight ? 'skin_comes' : 'finger_fits',
        skin: tight && random.chance(0.3) ? 'red' : 'sound',
      };
    }),
    stiff: dog.ageWeeks > 570 && random.chance(0.6) ? ['hip_left'] : [],
    mood: dog.temper > 1.25 ? 'tense' : random.chance(0.4) ? 'relaxed' : 'still',
    mark,
    looked: dog.ageWeeks > 570 ? [{ part: 'nails', finding: 'long' }] : [],
  };
}

/** Today's findings, made to show each kind of dog. */
export const TODAYS_FINDINGS: Readonly<Record<string, Findings>> = {
  Moss: {
    mats: [
      { zone: 'armpit_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'red' },
      { zone: 'armpit_right', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound' },
      { zone: 'groin_left', comb: 'nothing_passes', lift: 'skin_comes', skin: 'sound' },
      { zone: 'side_left', comb: 'nothing_passes', lift: 'no_gap', skin: 'sound' },
      { zone: 'ear_base_left', comb: 'wide_stops', lift: 'finger_fits', skin: 'sound' },
      { zone: 'thigh_left', comb: 'wide_stops', lift: 'finger_fits', skin: 'sound' },
    ],
    stiff: [],
    mood: 'still',
  },
  Nettle: { mats: [], stiff: [], mood: 'tense' },
  Barnaby: {
    mats: [{ zone: 'ear_base_right', comb: 'wide_stops', lift: 'finger_fits', skin: 'sound' }],
    stiff: ['hip_left'],
    mood: 'still',
  },
  Ottoline: { mats: [{ zone: 'tail_root', comb: 'wide_snags', lift: 'lifts_freely', skin: 'sound' }], stiff: [], mood: 'relaxed' },
  Bramble: { mats: [{ zone: 'neck', comb: 'wide_snags', lift: 'lifts_freely', skin: 'sound' }], stiff: [], mood: 'relaxed' },
};
