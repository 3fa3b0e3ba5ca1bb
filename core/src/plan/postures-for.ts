import { sideOf, zoneFacts } from '../knowledge/anatomy/index.js';
import type { DogPosture, HoldId, LiesOn, Post, ZoneId } from '../words/index.js';

/** Small enough to be worked on the lap, kg. Our default. */
const LAP_UP_TO_KG = 9;

/**
 * How the dog may be for work in one place under one hold; one of them is chosen with the order, so that it is turned over as rarely as
 * possible. The outer side of a leg or flank is worked lying on the other side; armpit, groin and tuck-up lie open when it lies on their
 * own. Common practice, no source.
 * @example posturesFor({ zones: ['side_left'], hold: 'lap_or_side', post: 'table', standing: true, weightKg: 20 }) // => ['lying_right']
 */
export function posturesFor(q: {
  readonly zones: readonly ZoneId[];
  readonly hold: HoldId;
  readonly post: Post;
  /** Such work is done on the feet. */
  readonly standing: boolean;
  /** It rests while this is done, where it can. */
  readonly rests?: boolean;
  readonly weightKg: number;
  /** The side it lies on willingly; what can be reached either way is reached on that one. */
  readonly liesOn?: LiesOn | null;
}): DogPosture[] {
  if (q.post === 'tub') return ['in_tub'];
  if (q.hold === 'under_arm') return ['lap'];
  if (q.hold !== 'lap_or_side' && q.rests !== true) return [q.standing ? 'standing' : 'sitting'];
  const lap: DogPosture[] = q.hold === 'lap_or_side' && q.weightKg <= LAP_UP_TO_KG ? ['lap'] : [];
  const sides = new Set(q.zones.map(lyingFor));
  const [only] = sides.size === 1 ? sides : [];
  // On the lap a small dog is turned in the hands; it counts as one posture.
  if (lap.length > 0) return lap;
  if (only) return [only];
  if (q.liesOn === 'left') return ['lying_left'];
  return q.liesOn === 'right' ? ['lying_right'] : ['lying_left', 'lying_right'];
}

const INNER: readonly string[] = ['armpit', 'groin', 'tuck_up'];

/** On which side it lies for work in a place; nothing when the place is reached either way. */
export function lyingFor(zone: ZoneId): DogPosture | undefined {
  const side = sideOf(zone);
  // Feet and heads are reached either way.
  if (!side || ['feet', 'face', 'ears'].includes(zoneFacts(zone).group)) return undefined;
  const inner = INNER.some((part) => zone.startsWith(part));
  return (side === 'left') === inner ? 'lying_left' : 'lying_right';
}
