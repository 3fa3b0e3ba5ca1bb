import { type FeelOver, findingIn } from '../findings/index.js';
import { zoneFacts, zoneLabel } from '../knowledge/anatomy/index.js';
import { type DogFacts, hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { lookedEffects } from '../knowledge/fit/index.js';
import { byWeight, type Reason, reason } from '../reasons/index.js';
import type { Activity, ZoneId } from '../words/index.js';

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

const TUB: readonly Activity[] = ['bath', 'bath_head', 'rinse_folds'];

/** The cautions that matter for one step on this dog. */
export function cautionsFor(q: CautionQuestion): Reason[] {
  const out: Reason[] = [];
  const clips = ['clip_tight_fragile', 'clip_tight_head', 'clip_tight_body', 'prep_clip', 'sanitary', 'body_clip', 'feet', 'face'].includes(
    q.activity,
  );
  for (const mark of q.feelOver.marks.filter((m) => q.zones.includes(m.zone))) {
    out.push(reason('caution.mark', { zone: zoneLabel(mark.zone), mm: `${mark.lengthMm} × ${mark.widthMm} mm` }, 0.95));
  }
  for (const e of lookedEffects(q.feelOver.looked)) if (e.activities.includes(q.activity)) out.push(e.because);
  for (const zone of q.zones.filter((z) => findingIn(q.feelOver, z).skin === 'sore'))
    out.push(reason('caution.sore_zone_left', { zone: zoneLabel(zone) }, 1));
  if (q.activity === 'sanitary') {
    out.push(reason('caution.no_shears_under_tail', {}, 0.9), reason('caution.shield_folds', {}, 0.7));
  }
  if (q.activity === 'brush_mats') out.push(reason('caution.brush', {}, 0.8));
  if (q.activity === 'crust' || q.activity === 'soak') out.push(reason('caution.crust', {}, 0.85));
  if (q.activity === 'feet') out.push(reason('caution.feet', {}, 0.85));
  if (q.activity === 'body_clip' || q.activity === 'prep_clip') out.push(reason('caution.body_clip', {}, 0.8));
  if (q.activity === 'tidy') out.push(reason('caution.shears', {}, 0.7));
  if (q.activity === 'nails') out.push(reason('caution.quick', {}, 0.7));
  if (TUB.includes(q.activity)) out.push(reason('caution.water', {}, 0.7), reason('caution.never_alone', {}, 0.8));
  if (q.activity === 'towel') out.push(reason('caution.never_alone', {}, 0.8));
  if (q.activity === 'dry') out.push(reason('caution.dryer_face', {}, 0.8), reason('caution.never_alone', {}, 0.6));
  if (q.activity === 'rinse_folds' || (q.activity === 'bath_head' && hasKind(q.kinds, 'short_nose')))
    out.push(reason('caution.wrinkles_dry', {}, 0.6));
  if (q.activity === 'ears') out.push(reason('caution.ear_vet', {}, 0.8));
  if (clips) out.push(reason('caution.blade_warm', {}, 0.75));
  if (q.activity === 'clip_tight_body' || q.activity === 'clip_tight_fragile' || q.activity === 'clip_tight_head')
    out.push(reason('caution.skin_below', {}, 0.9));
  if ((q.activity === 'body_clip' || q.activity === 'prep_clip') && q.loop === 'neck') out.push(reason('caution.loop_off_neck', {}, 0.6));
  if (hasKind(q.kinds, 'thin_skin') && clips) out.push(reason('caution.thin_skin', {}, 0.7));
  if (hasKind(q.kinds, 'short_nose') && (q.activity === 'face' || q.activity === 'dry' || q.activity === 'bath_head'))
    out.push(reason('caution.short_nose_breath', {}, 0.9));
  if (q.activity === 'face') out.push(reason('caution.eye', {}, 0.9), reason('caution.lips', {}, 0.8));
  const seen = new Set<string>();
  for (const zone of [...q.zones].sort((a, b) => zoneFacts(b).strainFactor - zoneFacts(a).strainFactor)) {
    const care = clips || q.activity === 'crust' ? zoneFacts(zone).care[0] : undefined;
    if (care && !seen.has(care)) {
      seen.add(care);
      out.push(reason('caution.zone', { zone: capital(zoneFacts(zone).label), care }, 0.5));
    }
  }
  return byWeight(out).slice(0, CAUTIONS_SHOWN);
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
