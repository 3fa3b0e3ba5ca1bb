import { type FeelOver, findingIn, type MarkFound } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { type DogFacts, hasKind, type KindFound, resentedZones } from '../knowledge/dogs/index.js';
import { isAbout, lookedEffects } from '../knowledge/fit/index.js';
import { type Activity, byWeight, type Reason, reason, type ToldItem, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, BODY_COAT } from './activities.js';
import { isForEase } from './kinds-of-work.js';

export interface CautionQuestion {
  readonly activity: Activity;
  readonly zones: readonly ZoneId[];
  readonly feelOver: FeelOver;
  readonly dog: DogFacts;
  readonly told: readonly ToldItem[];
  readonly kinds: readonly KindFound[];
  /** Where the loop is, if there is one. */
  readonly loop: 'neck' | 'chest' | 'none';
}

/** Cautions shown with a step: what can be hurt and how it is kept safe, the weightiest first, six at most. */
export const CAUTIONS_SHOWN = 6;

/** The cautions that matter for one step on this dog. */
export function cautionsFor(q: CautionQuestion): Reason[] {
  const out: Reason[] = [];
  const facts = ACTIVITY_FACTS[q.activity];
  for (const mark of q.feelOver.marks.filter((m) => q.zones.includes(m.zone))) out.push(ofMark(mark));
  out.push(...ofInjuries(q));
  const minded = resentedZones(q.dog, q.feelOver);
  const resented = facts.bath || isForEase(q.activity) ? undefined : q.zones.find((z) => minded.has(z));
  if (resented) out.push(reason('caution.resented', { zone: resented }, 0.88));
  if (q.told.includes('in_season') && q.zones.some((z) => z === 'sanitary' || z === 'anus'))
    out.push(reason('caution.in_season', {}, 0.85));
  if (q.dog.groomedBy === 'owner' && facts.bladed) out.push(reason('caution.owner_clipped', {}, 0.6));
  for (const e of lookedEffects(q.feelOver)) if (isAbout(e, q.activity, q.zones)) out.push(e.because);
  for (const zone of q.zones.filter((z) => findingIn(q.feelOver, z).skin === 'sore'))
    out.push(reason('caution.sore_zone_left', { zone: zone }, 1));
  for (const [rule, weight] of facts.cautions) out.push({ rule, facts: {}, weight });
  if (facts.bladed) out.push(reason('caution.blade_warm', {}, 0.75));
  if (facts.zones === BODY_COAT && q.loop === 'neck') out.push(reason('caution.loop_off_neck', {}, 0.6));
  if (hasKind(q.kinds, 'thin_skin') && facts.bladed) out.push(reason('caution.thin_skin', {}, 0.7));
  if (hasKind(q.kinds, 'short_nose')) {
    if (q.activity === 'bath_head') out.push(reason('caution.wrinkles_dry', {}, 0.6));
    // Breath comes before what a tool could do.
    if (q.activity === 'face' || q.activity === 'dry' || q.activity === 'bath_head')
      out.push(reason('caution.short_nose_breath', {}, 0.92));
  }
  const seen = new Set<string>();
  for (const zone of [...q.zones].sort((a, b) => zoneFacts(b).strainFactor - zoneFacts(a).strainFactor)) {
    const care = facts.bladed || q.activity === 'crust' ? zoneFacts(zone).care[0] : undefined;
    if (care && !seen.has(care)) {
      seen.add(care);
      out.push(reason('caution.zone', { zone, care }, 0.5));
    }
  }
  return byWeight(out).slice(0, CAUTIONS_SHOWN);
}

/** What a blade meets at a mark, by its kind; one that nobody looked for today is found first. */
function ofMark(mark: MarkFound): Reason {
  const facts = { zone: mark.zone, size: [mark.lengthMm, mark.widthMm] as const };
  if (mark.presumedSince !== undefined) return reason('caution.mark_presumed', { ...facts, since: mark.presumedSince }, 0.97);
  if (mark.kind === 'hangs') return reason('caution.mark_hangs', facts, 0.96);
  if (mark.kind === 'scar') return reason('caution.mark_scar', facts, 0.95);
  return mark.kind === 'sore' ? reason('caution.mark_sore', facts, 0.98) : reason('caution.mark', facts, 0.95);
}

/** Shown on every step in the place where it was hurt; a fall, wherever it stands over the floor. */
function ofInjuries(q: CautionQuestion): Reason[] {
  const overFloor = ACTIVITY_FACTS[q.activity].post === 'table' && ACTIVITY_FACTS[q.activity].standing;
  return q.dog.injuries.flatMap((i): Reason[] => {
    const on = i.on ?? undefined;
    if (i.kind === 'fall') return overFloor ? [reason('caution.fell_before', { on }, 0.7)] : [];
    if (!i.zone || !q.zones.includes(i.zone)) return [];
    const { zone } = i;
    if (i.kind === 'burn') return [reason('caution.old_burn', { zone, on }, 0.96)];
    return [i.kind === 'cut' ? reason('caution.old_cut', { zone, on }, 0.9) : reason('caution.old_injury', { zone, on }, 0.85)];
  });
}
