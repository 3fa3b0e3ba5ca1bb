import { type FeelOver, findingIn } from '../findings/index.js';
import { zoneFacts } from '../knowledge/anatomy/index.js';
import { type DogFacts, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { lookedEffects } from '../knowledge/fit/index.js';
import { type Activity, byWeight, type Reason, reason, type ZoneId } from '../words/index.js';
import { ACTIVITY_FACTS, BODY_COAT } from './activities.js';

export interface CautionQuestion {
  readonly activity: Activity;
  readonly zones: readonly ZoneId[];
  readonly feelOver: FeelOver;
  readonly dog: DogFacts;
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
  for (const mark of q.feelOver.marks.filter((m) => q.zones.includes(m.zone))) {
    out.push(reason('caution.mark', { zone: mark.zone, size: [mark.lengthMm, mark.widthMm] }, 0.95));
  }
  for (const e of lookedEffects(q.feelOver.looked)) if (e.activities.includes(q.activity)) out.push(e.because);
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
