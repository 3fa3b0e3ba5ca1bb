import type { FeelOver } from '../../findings/index.js';
import { type DogKind, JOINTS, type Reason, reason } from '../../words/index.js';
import type { DogFacts } from './dog.js';
import { ageOf, ageWeeks, lifeStage, stagesPerhaps } from './life-stage.js';

export interface KindFound {
  readonly kind: DogKind;
  readonly because: Reason;
}

/** A dog is lifted by two from this weight. Our default. */
const TWO_PEOPLE_FROM_KG = 32;
/** The whole dog counts as matted from this many zones of grade 3 and up. Our default. */
const MATTED_FROM_TIGHT_ZONES = 3;

/**
 * Kinds of a dog from its file and today's feel-over, each with the fact behind it.
 * @param today ISO date
 */
export function dogKinds(dog: DogFacts, feelOver: FeelOver, today: string): KindFound[] {
  const found: KindFound[] = [];
  const add = (kind: DogKind, because: Reason): void => {
    found.push({ kind, because });
  };
  const stage = lifeStage(dog, today);
  const age = ageOf(dog.born, today);
  const perhaps = stagesPerhaps(dog, today);
  const months = dog.bornWithinMonths ?? 0;
  if (stage !== 'puppy' && perhaps.includes('puppy')) add('puppy', reason('kind.puppy_perhaps', { name: dog.name, age, months }, 0.7));
  if (stage !== 'senior' && perhaps.includes('senior')) add('senior', reason('kind.senior_perhaps', { name: dog.name, age, months }, 0.7));
  if (stage === 'puppy') add('puppy', reason('kind.puppy', { name: dog.name, age, weeks: Math.floor(ageWeeks(dog.born, today)) }, 0.8));
  if (stage === 'senior') add('senior', reason('kind.senior', { name: dog.name, age }, 0.8));
  const sore = JOINTS.filter((j) => (feelOver.joints[j] ?? 'free') !== 'free');
  if (sore.length > 0) add('sore_joints', reason('kind.sore_joints', { joints: sore }, 0.8));
  else if (dog.conditions.includes('arthritis') || dog.conditions.includes('sore_back'))
    add('sore_joints', reason('kind.sore_joints_told', {}, 0.6));
  if (dog.triggers.length > 0 || feelOver.mood === 'frantic')
    add(
      'reactive',
      dog.triggers.length > 0
        ? reason('kind.reactive', { causes: dog.triggers.map((t) => t.cause) }, 0.7)
        : reason('kind.frantic', {}, 0.7),
    );
  const tight = feelOver.zones.filter((z) => z.matGrade >= 3).length;
  if (tight >= MATTED_FROM_TIGHT_ZONES || feelOver.zones.some((z) => z.matGrade === 4))
    add('matted', reason('kind.matted', { count: tight }, 0.8));
  if (dog.nose === 'short') add('short_nose', reason('kind.short_nose', {}, 0.8));
  if (feelOver.looked?.ribs === 'thin') add('thin_skin', reason('kind.thin_bones', {}, 0.7));
  else if (perhaps.includes('senior') || dog.conditions.includes('cushings') || dog.conditions.includes('steroids'))
    add('thin_skin', reason('kind.thin_skin', {}, 0.6));
  if (feelOver.marks.length > 0) add('lumps', reason('kind.lumps', { count: feelOver.marks.length }, 0.6));
  if (dog.biteHistory || feelOver.biteTold)
    add('bite_history', reason(feelOver.biteTold ? 'kind.bite_told_today' : 'kind.bite_history', { name: dog.name }, 0.9));
  else if (feelOver.warned) add('bite_history', reason('kind.warned_today', { name: dog.name, warned: feelOver.warned }, 0.9));
  else if (dog.warned)
    add(
      'bite_history',
      reason(
        dog.warned.what === 'bit' ? 'kind.bit_lately' : 'kind.warned_lately',
        { name: dog.name, warned: dog.warned.what, on: dog.warned.on },
        0.85,
      ),
    );
  if (dog.visitsBefore === 0) add('first_visit', reason('kind.first_visit', { name: dog.name }, 0.6));
  if (dog.weightKg >= TWO_PEOPLE_FROM_KG) add('needs_two', reason('kind.heavy', { kg: dog.weightKg }, 0.6));
  return found;
}

/** Whether a kind is among those found. */
export function hasKind(kinds: readonly KindFound[], kind: DogKind): boolean {
  return kinds.some((k) => k.kind === kind);
}
