import { partOf, zoneFacts } from '../knowledge/anatomy/index.js';
import { adviseCoat, type CoatAdvice, type MatAdvice } from '../knowledge/coat/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import type { ZoneId } from '../words/index.js';
import type { PlanInput } from './plan-input.js';

/** Mats sorted by the kind of work they become. */
export interface MatWork {
  readonly coat: CoatAdvice;
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

/** Strain points for mats that a dog can take in one visit, breaks included. Our defaults. */
const MAT_TOLERANCE_POINTS = { grown: 160, puppyOrSenior: 90 } as const;

/** Sorts today's mats into work; what brushing cannot do within its limit is clipped under instead. */
export function findMatWork(input: PlanInput, kinds: readonly KindFound[]): MatWork {
  const puppyOrSenior = hasKind(kinds, 'puppy') || hasKind(kinds, 'senior');
  const coat = adviseCoat({
    zones: input.feelOver.zones,
    puppyOrSenior,
    intactMale: input.dog.sex === 'male' && !input.dog.neutered,
    trained: input.trained,
    agreedBrushMinutes: undefined,
    toleranceStrainPoints: puppyOrSenior ? MAT_TOLERANCE_POINTS.puppyOrSenior : MAT_TOLERANCE_POINTS.grown,
    // A greasy coat is clipped rather than combed.
    house: input.feelOver.looked?.grease === 'greasy' ? { ...input.house, brushOut: 'always_clip' } : input.house,
  });
  const clipped = coat.zones.filter((a) => a.way === 'clip_under');
  return {
    coat,
    brush: coat.zones.filter((a) => a.way === 'brush' || a.way === 'split'),
    fragile: clipped.filter((a) => isFragile(a.zone) && !isHead(a.zone)),
    head: clipped.filter((a) => isHead(a.zone)),
    body: clipped.filter((a) => !isFragile(a.zone) && !isHead(a.zone)),
    notHere: coat.zones.filter((a) => a.way === 'vet' || a.way === 'leave'),
    clipOff: coat.clipOff,
  };
}

function isHead(zone: ZoneId): boolean {
  return zoneFacts(zone).group === 'ears' || zoneFacts(zone).group === 'face';
}

function isFragile(zone: ZoneId): boolean {
  return zoneFacts(zone).closeToothOnly || zoneFacts(zone).group === 'feet' || partOf(zone) === 'eye';
}
