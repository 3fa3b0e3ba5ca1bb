import { partOf, zoneFacts, zoneLabel, type ZoneId } from '../anatomy/index.js';
import { adviseMat, type MatAdvice } from '../coat/index.js';
import { hasKind, type KindFound } from '../dogs/index.js';
import { reason } from '../reasons/index.js';
import type { PlanInput } from './plan-input.js';

/** Mats sorted by the kind of work they become. */
export interface MatWork {
  readonly brush: readonly MatAdvice[];
  /** Tight or unsplittable, where skin is thin or loose. */
  readonly fragile: readonly MatAdvice[];
  /** The same at ears and face: another hold, and another place in the order. */
  readonly head: readonly MatAdvice[];
  readonly body: readonly MatAdvice[];
  /** Left alone or shown to a vet. */
  readonly notHere: readonly MatAdvice[];
  /** The body coat is clipped off whole. */
  readonly clipOff: boolean;
}

/** Minutes of brushing out in one visit. House rule default, common practice: 15, and 10 for puppies and seniors. */
export const BRUSH_OUT_VISIT_MINUTES = { adult: 15, puppyOrSenior: 10 } as const;
/** The body is clipped off whole when this share of its coat is tight. Our default. */
export const CLIP_OFF_FROM_SHARE = 0.3;

/** Sorts today's mats into work; what brushing cannot do within its limit is clipped under instead. */
export function findMatWork(input: PlanInput, kinds: readonly KindFound[]): MatWork {
  const puppyOrSenior = hasKind(kinds, 'puppy') || hasKind(kinds, 'senior');
  const advice = input.feelOver.zones
    .filter((z) => z.matGrade > 0)
    .map((z) =>
      adviseMat({
        zone: z.zone,
        grade: z.matGrade,
        skin: z.skin,
        puppyOrSenior,
        intactMale: input.dog.sex === 'male' && !input.dog.neutered,
        trained: input.trained,
      }),
    );
  const limit = puppyOrSenior ? BRUSH_OUT_VISIT_MINUTES.puppyOrSenior : BRUSH_OUT_VISIT_MINUTES.adult;
  const limited = keepBrushingWithin(advice, limit);
  const clipped = limited.filter((a) => a.way === 'clip_under');
  const body = clipped.filter((a) => !isFragile(a.zone) && !isHead(a.zone));
  return {
    brush: limited.filter((a) => a.way === 'brush' || a.way === 'split'),
    fragile: clipped.filter((a) => isFragile(a.zone) && !isHead(a.zone)),
    head: clipped.filter((a) => isHead(a.zone)),
    body,
    notHere: limited.filter((a) => a.way === 'vet' || a.way === 'leave'),
    clipOff: bodyShare(body.map((a) => a.zone)) >= CLIP_OFF_FROM_SHARE,
  };
}

function isHead(zone: ZoneId): boolean {
  return zoneFacts(zone).group === 'ears' || zoneFacts(zone).group === 'face';
}

function isFragile(zone: ZoneId): boolean {
  return zoneFacts(zone).closeToothOnly || zoneFacts(zone).group === 'feet' || partOf(zone) === 'eye';
}

function keepBrushingWithin(advice: readonly MatAdvice[], limit: number): MatAdvice[] {
  const out = [...advice];
  const total = (): number => out.reduce((sum, a) => (a.way === 'brush' || a.way === 'split' ? sum + a.minutes : sum), 0);
  while (total() > limit) {
    const largest = out.reduce<number>(
      (at, a, i) => (a.way === 'split' && a.minutes > (out[at]?.way === 'split' ? out[at].minutes : 0) ? i : at),
      -1,
    );
    const chosen = out[largest];
    if (!chosen || chosen.way !== 'split') break;
    out[largest] = {
      ...chosen,
      way: 'clip_under',
      needsConsent: true,
      minutes: Math.max(1, chosen.minutes * 0.6),
      reasons: [reason('mat.brush_visit_limit', { zone: zoneLabel(chosen.zone), minutes: limit }, 0.9), ...chosen.reasons],
    };
  }
  return out;
}

/** Share of the body coat (body, neck, legs) that lies in some zones. */
function bodyShare(zones: readonly ZoneId[]): number {
  const BODY_COAT = 54;
  return zones.reduce((sum, z) => sum + zoneFacts(z).workShare, 0) / BODY_COAT;
}
