import type { Selectable } from 'kysely';
import { type MarkSeen, type Photo } from '@mansuet/core/contract';
import { DOG_FORM, type DogForm } from '@mansuet/core/knowledge/dogs';
import { MARK_BORDERS, MARK_KINDS, MARK_SURFACES, ZONE_IDS } from '@mansuet/core/words';
import { type ColumnsOf, columnsFrom, fieldsFrom } from '../database/columns.js';
import type { Tables } from '../database/schema.js';

const DOG_FIELDS = DOG_FORM.keyof().options;

/** The facts of a dog from its row. */
export const dogOf = (row: ColumnsOf<DogForm>): DogForm => fieldsFrom<DogForm>(row, DOG_FIELDS);

/** The columns of a dog's facts. */
export const columnsOf = (dog: DogForm): DogColumns => ({
  ...columnsFrom(dog),
  triggers: JSON.stringify(dog.triggers),
  injuries: JSON.stringify(dog.injuries),
  warned: dog.warned && JSON.stringify(dog.warned),
});
type DogColumns = Omit<ColumnsOf<DogForm>, 'triggers' | 'injuries' | 'warned'> & {
  readonly triggers: string;
  readonly injuries: string;
  readonly warned: string | null;
};

/** A mark; none when a later version no longer knows its words. */
export function markOf(row: Selectable<Tables['mark_seen']>): MarkSeen[] {
  const zone = ZONE_IDS.find((z) => z === row.zone);
  const border = MARK_BORDERS.find((b) => b === row.border);
  const surface = MARK_SURFACES.find((s) => s === row.surface);
  const kind = MARK_KINDS.find((k) => k === row.kind);
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
      ...(kind ? { kind } : {}),
      ...(row.spot?.length === 2 ? { spot: [row.spot[0] ?? 0, row.spot[1] ?? 0] } : {}),
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
