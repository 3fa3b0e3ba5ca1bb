import {
  byWeight,
  type DryerTest,
  type HouseRules,
  type MatGrade,
  type Reason,
  reason,
  type SkinState,
  type ZoneId,
  type PriceRule,
  USUAL_PRICE_RULE,
} from '../../words/index.js';
import { mirrorOf, zoneFacts } from '../anatomy/index.js';
import { type PromisedLength, promiseLength } from './length-promise.js';
import { adviseMat, half, type MatAdvice } from './mat-advice.js';

export interface CoatQuestion {
  readonly zones: readonly {
    readonly zone: ZoneId;
    readonly matGrade: MatGrade;
    readonly skin: SkinState;
    readonly strangles?: boolean | undefined;
    readonly dryer?: DryerTest | undefined;
  }[];
  readonly puppyOrSenior: boolean;
  readonly intactMale: boolean;
  readonly trained: boolean;
  /** Minutes of brushing that owner and dog agreed to; counts only where the house goes by agreement. */
  readonly agreedBrushMinutes: number | undefined;
  /** Strain points this dog can take for mats before the work is a vet's. */
  readonly toleranceStrainPoints: number;
  readonly house: HouseRules;
}

export interface CoatAdvice {
  /** One advice for each matted zone, in the order asked. */
  readonly zones: readonly MatAdvice[];
  /** The body is clipped off whole; sound zones outside it keep their coat. */
  readonly clipOff: boolean;
  /** Zones that keep their coat although the body is clipped off: a sound face is kept. */
  readonly keeps: readonly ZoneId[];
  readonly promised: readonly PromisedLength[];
  readonly minutes: number;
  readonly minutesRange: readonly [number, number];
  readonly strainPoints: number;
  /** More than this dog can take here: part of it is for a vet. */
  readonly beyondTolerance: boolean;
  /** What the owner must agree to before it is done. */
  readonly consents: readonly ('close_clip' | 'clip_off')[];
  /** Mirrored zones that nobody has felt yet. */
  readonly toCheck: readonly ZoneId[];
  readonly reasons: readonly Reason[];
}

/** Minutes of brushing out in one visit. House rule default, common practice: 15, and 10 for puppies and seniors. */
const BRUSH_OUT_VISIT_MINUTES = { adult: 15, puppyOrSenior: 10 } as const;
/** The body is clipped off whole when this share of its coat is tight. Our default. */
const CLIP_OFF_FROM_SHARE = 0.3;
/** Body, neck and legs together are this many percent of the dog's coat; see `workShare` in the zone table. */
const BODY_COAT_SHARE = 54;
/** Clipping under takes this share of the minutes of splitting. Our default. */
const CLIP_INSTEAD_SHARE = 0.6;

/**
 * What to do with the coat of the whole dog: each mat by itself, then the limit of brushing, then whether the body is clipped off.
 * @example adviseCoat(aCoatQuestion()).minutes // => 0
 */
export function adviseCoat(q: CoatQuestion): CoatAdvice {
  const matted = q.zones.filter((z) => z.matGrade > 0 || z.strangles === true);
  const single = matted.map((z) =>
    adviseMat({
      zone: z.zone,
      grade: z.matGrade,
      skin: z.skin,
      strangles: z.strangles ?? false,
      dryer: z.dryer,
      puppyOrSenior: q.puppyOrSenior,
      intactMale: q.intactMale,
      trained: q.trained,
      house: q.house,
    }),
  );
  const zones = keepBrushingWithin(single, brushLimit(q));
  const body = zones.filter((a) => a.way === 'clip_under' && isBodyCoat(a.zone));
  const clipOff = body.reduce((sum, a) => sum + zoneFacts(a.zone).workShare, 0) / BODY_COAT_SHARE >= CLIP_OFF_FROM_SHARE;
  const worked = zones.filter((a) => a.way !== 'leave' && a.way !== 'vet');
  const strainPoints = worked.reduce((sum, a) => sum + a.strainPoints, 0);
  const beyondTolerance = strainPoints > q.toleranceStrainPoints;
  const clips = zones.some((a) => a.way === 'clip_under');
  const felt = new Set(q.zones.map((z) => z.zone));
  const keeps = clipOff ? q.zones.filter((z) => z.matGrade === 0 && zoneFacts(z.zone).group === 'face').map((z) => z.zone) : [];
  const reasons: Reason[] = [];
  if (clipOff) reasons.push(reason('coat.clip_off', { percent: Math.round(CLIP_OFF_FROM_SHARE * 100) }, 1));
  if (clipOff && keeps.length > 0) reasons.push(reason('coat.face_kept', {}, 0.6));
  if (beyondTolerance) reasons.push(reason('coat.beyond_tolerance', { points: strainPoints, limit: q.toleranceStrainPoints }, 0.95));
  if (worked.length === 0) reasons.push(reason('coat.no_mats', {}, 0.1));
  else reasons.push(reason('coat.sum', { count: worked.length, minutes: sumMinutes(worked) }, 0.3));
  return {
    zones,
    clipOff,
    keeps,
    promised: q.zones.map((z) => {
      const a = zones.find((x) => x.zone === z.zone);
      return promiseLength(z.zone, a?.grade ?? z.matGrade, a?.way ?? 'brush', z.skin);
    }),
    minutes: sumMinutes(worked),
    minutesRange: [sum(worked.map((a) => a.minutesRange[0])), sum(worked.map((a) => a.minutesRange[1]))],
    strainPoints,
    beyondTolerance,
    consents: clipOff ? ['clip_off'] : clips ? ['close_clip'] : [],
    toCheck: [...new Set(zones.flatMap((a) => (a.grade >= 2 ? [mirrorOf(a.zone)] : [])))].filter(
      (z): z is ZoneId => z !== undefined && !felt.has(z),
    ),
    reasons: byWeight(reasons),
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
const sumMinutes = (advice: readonly MatAdvice[]): number => sum(advice.map((a) => a.minutes));

/** Minutes of brushing out a visit: the house's limit, what was agreed, or none. */
export function brushLimit(q: Pick<CoatQuestion, 'house' | 'puppyOrSenior' | 'agreedBrushMinutes'>): number {
  const ours = q.puppyOrSenior ? BRUSH_OUT_VISIT_MINUTES.puppyOrSenior : BRUSH_OUT_VISIT_MINUTES.adult;
  if (q.house.brushOut === 'as_agreed') return q.agreedBrushMinutes ?? ours;
  return ours;
}

/** Coat of body, neck and legs where a blade of any family may come. */
function isBodyCoat(zone: ZoneId): boolean {
  const facts = zoneFacts(zone);
  return ['body', 'neck', 'legs'].includes(facts.group) && !facts.closeToothOnly;
}

/** Past the limit the longest split is clipped instead, one after the other; tangles are brushed whatever it takes. */
function keepBrushingWithin(advice: readonly MatAdvice[], limit: number): MatAdvice[] {
  const out = [...advice];
  const brushing = (): number => sum(out.map((a) => (a.way === 'brush' || a.way === 'split' ? a.minutes : 0)));
  while (brushing() > limit) {
    const longest = out.reduce<number>((at, a, i) => (a.way === 'split' && a.minutes > (out[at]?.minutes ?? 0) ? i : at), -1);
    const chosen = out[longest];
    if (!chosen) break;
    const minutes = Math.max(1, half(chosen.minutes * CLIP_INSTEAD_SHARE));
    out[longest] = {
      ...chosen,
      way: 'clip_under',
      needsConsent: true,
      minutes,
      minutesRange: [half(minutes * 0.6), half(minutes * 1.6)],
      reasons: [reason('mat.brush_visit_limit', { zone: chosen.zone, minutes: limit }, 0.9), ...chosen.reasons],
    };
  }
  return out;
}

/**
 * Price of extra time, in the smallest coin: minutes × the salon's rate, agreed first; the first minutes may cost nothing, and the sum is rounded up as the salon
 * does it.
 * @throws RangeError for a negative rate or negative minutes
 * @example extraPriceMinor(20, 120) // => 2400
 * @example extraPriceMinor(20, 120, { freeMinutes: 5, roundMinor: 500 }) // => 2000
 */
export function extraPriceMinor(minutes: number, ratePerMinuteMinor: number, rule: PriceRule = USUAL_PRICE_RULE): number {
  if (!(ratePerMinuteMinor >= 0) || !(minutes >= 0)) throw new RangeError(`extraPriceMinor: ${minutes} min at ${ratePerMinuteMinor}`);
  const price = Math.round(Math.max(0, minutes - rule.freeMinutes) * ratePerMinuteMinor);
  return Math.ceil(price / rule.roundMinor) * rule.roundMinor;
}
