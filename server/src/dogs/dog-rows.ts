import type { Insertable, Selectable } from 'kysely';
import type { DogForm, MarkSeen, Photo } from '@mansuet/core/contract';
import { MARK_BORDERS, MARK_SURFACES, ZONE_IDS } from '@mansuet/core/words';
import type { Tables } from '../database/schema.js';

/** The facts of a dog from its row. */
export function dogOf(row: Selectable<Tables['dog']>): DogForm {
  return {
    name: row.name,
    sex: row.sex,
    neutered: row.neutered,
    born: row.born,
    bornEstimated: row.born_estimated,
    bornWithinMonths: row.born_within_months,
    size: row.size,
    weightKg: row.weight_kg,
    coat: row.coat,
    nose: row.nose,
    ears: row.ears,
    tail: row.tail,
    build: row.build,
    conditions: row.conditions,
    biteHistory: row.bite_history,
    triggers: row.triggers,
    treatsAllowed: row.treats_allowed,
    standingSeenMinutes: row.standing_seen_minutes,
    vetName: row.vet_name,
    vetPhone: row.vet_phone,
    medicines: row.medicines,
    productAllergies: row.product_allergies,
  };
}

type DogColumns = Omit<Insertable<Tables['dog']>, 'salon_id' | 'dog_id' | 'owner_id' | 'version' | 'search_phones'>;

/** The columns of a dog's facts. */
export function columnsOf(dog: DogForm): DogColumns {
  return {
    name: dog.name,
    sex: dog.sex,
    neutered: dog.neutered,
    born: dog.born,
    born_estimated: dog.bornEstimated,
    born_within_months: dog.bornWithinMonths,
    size: dog.size,
    weight_kg: dog.weightKg,
    coat: dog.coat,
    nose: dog.nose,
    ears: dog.ears,
    tail: dog.tail,
    build: dog.build,
    conditions: dog.conditions,
    bite_history: dog.biteHistory,
    triggers: JSON.stringify(dog.triggers),
    treats_allowed: dog.treatsAllowed,
    standing_seen_minutes: dog.standingSeenMinutes,
    vet_name: dog.vetName,
    vet_phone: dog.vetPhone,
    medicines: dog.medicines,
    product_allergies: dog.productAllergies,
  };
}

/** A mark; none when a later version no longer knows its words. */
export function markOf(row: Selectable<Tables['mark_seen']>): MarkSeen[] {
  const zone = ZONE_IDS.find((z) => z === row.zone);
  const border = MARK_BORDERS.find((b) => b === row.border);
  const surface = MARK_SURFACES.find((s) => s === row.surface);
  if (!zone || !border || !surface) return [];
  return [
    {
      markId: row.mark_id,
      visitId: row.visit_id,
      seenOn: row.seen_on,
      zone,
      lengthMm: row.length_mm,
      widthMm: row.width_mm,
      border,
      surface,
    },
  ];
}

/** A photograph without its picture. */
export function photoOf(
  row: Pick<Selectable<Tables['photo']>, 'photo_id' | 'taken_on' | 'kind' | 'zone' | 'visit_id' | 'width' | 'height'>,
): Photo {
  return {
    photoId: row.photo_id,
    takenOn: row.taken_on,
    kind: row.kind,
    zone: ZONE_IDS.find((z) => z === row.zone) ?? null,
    visitId: row.visit_id,
    width: row.width,
    height: row.height,
  };
}
