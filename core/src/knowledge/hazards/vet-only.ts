import type { FeelOver, ZoneFinding } from '../../findings/index.js';
import { type Reason, reason, type RuleId, type ZoneId } from '../../words/index.js';
import { partOf, zoneFacts } from '../anatomy/index.js';
import type { DogFacts } from '../dogs/index.js';

export interface VetOnlyQuestion {
  readonly dog: Pick<DogFacts, 'sex' | 'neutered'>;
  readonly feelOver: Pick<FeelOver, 'zones' | 'marks'>;
  /** Zones with a mat that strangles a limb, or a swelling below it. */
  readonly strangled: readonly ZoneId[];
}

interface VetRule {
  readonly rule: RuleId;
  readonly when: (z: ZoneFinding, q: VetOnlyQuestion) => boolean;
}

/** Never done here: no house rule, training or wish of an owner changes it. Common practice, no source. */
export const VET_ONLY: readonly VetRule[] = [
  { rule: 'vet.strangled', when: (z, q) => q.strangled.includes(z.zone) },
  {
    rule: 'vet.testicles',
    when: (z, q) => partOf(z.zone) === 'sanitary' && z.matGrade >= 3 && q.dog.sex === 'male' && !q.dog.neutered,
  },
  { rule: 'vet.ear_canal', when: (z) => partOf(z.zone) === 'ear_canal' && (z.matGrade >= 3 || z.skin !== 'sound') },
  { rule: 'vet.eye', when: (z) => partOf(z.zone) === 'eye' && z.skin === 'sore' },
  { rule: 'vet.weeping_under_tail', when: (z) => partOf(z.zone) === 'anus' && z.skin === 'sore' },
  { rule: 'vet.sore_skin', when: (z) => z.skin === 'sore' },
];

export interface VetWork {
  readonly zone: ZoneId;
  readonly because: Reason;
}

/** Places that are for a vet, each with its rule. */
export function vetOnly(q: VetOnlyQuestion): VetWork[] {
  const zones = q.feelOver.zones.flatMap((z) => {
    const found = VET_ONLY.find((r) => r.when(z, q));
    return found ? [{ zone: z.zone, because: reason(found.rule, { zone: z.zone }, 1) }] : [];
  });
  const unfelt = q.strangled
    .filter((zone) => !q.feelOver.zones.some((z) => z.zone === zone))
    .map((zone) => ({ zone, because: reason('vet.strangled', { zone: zone }, 1) }));
  const marks = q.feelOver.marks
    .filter((m) => partOf(m.zone) === 'anus' || (zoneFacts(m.zone).fragile.includes('eye') && m.surface !== 'smooth'))
    .map((m) => ({ zone: m.zone, because: reason('vet.mark_there', { zone: m.zone }, 1) }));
  return [...zones, ...unfelt, ...marks];
}
