import {
  type FeelArea,
  type Joint,
  type Leg,
  LOOKED_FINDINGS,
  type LookedFinding,
  type LookedPart,
  type MatGrade,
  type ZoneId,
} from '../words/index.js';
import { FEEL_AREA_FACTS } from './feel-areas.js';
import type { FeelOver } from './feel-over.js';

/** What the hands found on the last visit. */
export interface LastFound {
  /** ISO date. */
  readonly on: string;
  readonly feelOver: FeelOver;
}

/** A finding of the last visit that somebody has to confirm or change. */
export type OldFinding =
  | {
      readonly kind: 'zone';
      readonly zone: ZoneId;
      readonly grade: MatGrade;
      readonly skin: 'sound' | 'red' | 'sore';
      readonly crust: boolean;
      readonly strangles?: boolean | undefined;
    }
  | { readonly kind: 'mark'; readonly markId: string; readonly zone: ZoneId; readonly lengthMm: number; readonly widthMm: number }
  | { readonly kind: 'looked'; readonly part: LookedPart; readonly finding: LookedFinding };

/** What was found in an area the last time, healthy places left out. */
export function foundBefore(area: FeelArea, last: LastFound | undefined): OldFinding[] {
  if (!last) return [];
  const { zones, looks } = FEEL_AREA_FACTS[area];
  return [
    ...last.feelOver.zones
      .filter((z) => zones.includes(z.zone) && (z.matGrade > 0 || z.skin !== 'sound' || z.crust))
      .map((z) => ({ kind: 'zone' as const, zone: z.zone, grade: z.matGrade, skin: z.skin, crust: z.crust, strangles: z.strangles })),
    ...last.feelOver.marks
      .filter((m) => zones.includes(m.zone))
      .map((m) => ({ kind: 'mark' as const, markId: m.markId, zone: m.zone, lengthMm: m.lengthMm, widthMm: m.widthMm })),
    ...looks.flatMap((part) => {
      const finding = last.feelOver.looked?.[part];
      return finding && finding !== LOOKED_FINDINGS[part][0] ? [{ kind: 'looked' as const, part, finding }] : [];
    }),
  ];
}

/** Zones whose coat or skin is otherwise than the last time, once a hand was there today. */
export function changedZones(now: FeelOver, feltAreas: ReadonlySet<FeelArea>, last: LastFound | undefined): ZoneId[] {
  if (!last) return [];
  const plain = { matGrade: 0, skin: 'sound', crust: false };
  const of = (f: FeelOver, zone: ZoneId): { matGrade: number; skin: string; crust: boolean } =>
    f.zones.find((z) => z.zone === zone) ?? plain;
  const touched = new Set<ZoneId>([...now.zones.map((z) => z.zone), ...[...feltAreas].flatMap((a) => FEEL_AREA_FACTS[a].zones)]);
  return [...touched].filter((zone) => {
    const a = of(now, zone);
    const b = of(last.feelOver, zone);
    return a.matGrade !== b.matGrade || a.skin !== b.skin || a.crust !== b.crust;
  });
}

/** Joints and the spared leg that differ from the last visit, in words for the screen. */
export function stiffBefore(last: LastFound | undefined): { joints: readonly Joint[]; favours: Leg | undefined } {
  if (!last) return { joints: [], favours: undefined };
  const joints = (Object.keys(last.feelOver.joints) as Joint[]).filter((j) => last.feelOver.joints[j] !== 'free');
  const { favours } = last.feelOver;
  return { joints, favours: favours === 'none' ? undefined : favours };
}
