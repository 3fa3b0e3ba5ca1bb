import type { Contagion } from '../knowledge/fit/index.js';
import { type DogFacts, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import type { DogKind } from '../words/index.js';
import type { DayBlock, DayDog } from './model.js';

/** Waiting beyond its own rests, minutes. Handbook 14.19: puppy, senior, fearful dog; others. */
const WAITS_SENSITIVE = 30;
const WAITS_OTHERS = 60;
/** A dog whose visit comes to so much dose is hard on the hands, as one that bites. Our default, in point-minutes above the watch band. */
const HARD_FROM_DOSE = 60;
const SENSITIVE: readonly DogKind[] = ['puppy', 'senior', 'reactive'];

export interface VisitOfDay {
  readonly visitId: string;
  readonly dog: Pick<DogFacts, 'weightKg' | 'triggers'>;
  readonly kinds: readonly KindFound[];
  readonly contagion: Pick<Contagion, 'place'>;
  readonly blocks: readonly DayBlock[];
  /** Point-minutes above the watch band that its plan comes to. */
  readonly dose: number;
  /** Work that only the trained do. */
  readonly trainedOnly: boolean;
  readonly arrives: DayDog['arrives'];
  readonly wishedBy: DayDog['wishedBy'];
  readonly wishes?: DayDog['wishes'];
  readonly fixed?: DayDog['fixed'];
}

/** A booked visit as its salon's day sees it: what the dog is decides how long it waits, who takes it, and what may be near it. */
export function dogOfDay(visit: VisitOfDay): DayDog {
  const { kinds, dog } = visit;
  const fearsLoud = dog.triggers.some((t) => t.cause === 'dryer');
  const sensitive = SENSITIVE.some((k) => hasKind(kinds, k)) || fearsLoud;
  const biter = hasKind(kinds, 'bite_history');
  return {
    id: visit.visitId,
    arrives: visit.arrives,
    blocks: visit.blocks,
    waitsAtMost: sensitive ? WAITS_SENSITIVE : WAITS_OTHERS,
    wishedBy: visit.wishedBy,
    wishes: visit.wishes ?? {},
    weightKg: dog.weightKg,
    trainedOnly: visit.trainedOnly,
    biter,
    catching: visit.contagion.place === 'last_of_day',
    apart: visit.contagion.place === 'own_room',
    fearsLoud,
    sensitive,
    hard: biter || hasKind(kinds, 'matted') || visit.dose >= HARD_FROM_DOSE,
    fixed: visit.fixed ?? {},
  };
}
