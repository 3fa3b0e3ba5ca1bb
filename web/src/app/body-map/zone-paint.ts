import type { FeelOver } from '@mansuet/core/findings';
import type { MatGrade, RiskBand, SkinState, ZoneId } from '@mansuet/core/words';

/** A mark as the map shows it. */
export interface PaintedMark {
  readonly id: string;
  /** Its larger side, mm. */
  readonly mm: number;
  /** Where in its place, as shares of its drawing; the middle when nobody said. */
  readonly spot?: readonly [number, number] | undefined;
  /** Known, and not looked for today. */
  readonly presumed?: boolean | undefined;
}

/** What lies on a zone; the map only draws it. */
export interface ZonePaint {
  readonly grade?: MatGrade | undefined;
  readonly skin?: SkinState | undefined;
  readonly crust?: boolean | undefined;
  readonly marks?: readonly PaintedMark[] | undefined;
  /** Number of the step in the plan. */
  readonly number?: number | undefined;
  readonly lit?: boolean | undefined;
  readonly trigger?: boolean | undefined;
  /** Strain seen there, in five steps from 1 to 5. */
  readonly strain?: 1 | 2 | 3 | 4 | 5 | undefined;
  /** What is left of what can happen there, with the plan's controls. */
  readonly risk?: RiskBand | undefined;
  /** A hand was there today. */
  readonly felt?: boolean | undefined;
  /** Stands out: otherwise than the last time. */
  readonly changed?: boolean | undefined;
}

/**
 * What hands found, as the map shows it; the larger side of a mark counts.
 * @param lit zones that are worked on
 */
export function paintFound(found: Pick<FeelOver, 'zones' | 'marks'>, lit: readonly ZoneId[] = []): Map<ZoneId, ZonePaint> {
  const map = new Map<ZoneId, ZonePaint>();
  for (const z of found.zones) addPaint(map, z.zone, { grade: z.matGrade, skin: z.skin, crust: z.crust });
  for (const m of found.marks)
    addPaint(map, m.zone, {
      marks: [
        ...(map.get(m.zone)?.marks ?? []),
        { id: m.markId, mm: Math.max(m.lengthMm, m.widthMm), spot: m.spot, presumed: m.presumedSince !== undefined },
      ],
    });
  for (const zone of lit) addPaint(map, zone, { lit: true });
  return map;
}

/** Lays something more on a zone. */
export function addPaint(map: Map<ZoneId, ZonePaint>, zone: ZoneId, paint: ZonePaint): void {
  map.set(zone, { ...map.get(zone), ...paint });
}
