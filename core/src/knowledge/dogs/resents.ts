import { type FeelOver } from '../../findings/index.js';
import { type ResentedPlace, ZONE_IDS, type ZoneId, type ZonePart } from '../../words/index.js';
import { partOf } from '../anatomy/index.js';
import type { DogFacts } from './dog.js';

/** The parts that a place is made of, as people name places. */
const PARTS: Readonly<Record<ResentedPlace, readonly ZonePart[]>> = {
  mouth: ['lips', 'chin', 'nose', 'bridge'],
  eyes: ['eye', 'stop', 'wrinkles'],
  ears: ['ear_leather', 'ear_base', 'ear_canal'],
  neck: ['throat', 'neck'],
  forefeet: ['fore_paw', 'fore_nails', 'carpal', 'dewclaw'],
  hindfeet: ['hind_paw', 'hind_nails', 'hock'],
  belly: ['belly', 'tuck_up'],
  groin: ['groin', 'sanitary', 'armpit'],
  rear: ['anus', 'rump'],
  tail: ['tail', 'tail_root'],
};

const NOWHERE: ReadonlySet<ZoneId> = new Set();

/** Zones where this dog minds a hand: as the file tells it, and as it was felt today. */
export function resentedZones(dog: Pick<DogFacts, 'resents'>, feelOver: Pick<FeelOver, 'resents'>): ReadonlySet<ZoneId> {
  if (dog.resents.length === 0 && (feelOver.resents ?? []).length === 0) return NOWHERE;
  const parts = new Set(dog.resents.flatMap((p) => PARTS[p]));
  return new Set([...ZONE_IDS.filter((z) => parts.has(partOf(z))), ...(feelOver.resents ?? [])]);
}
