import type { RuleId } from '../../words/index.js';
import { partOf, zoneFacts } from '../anatomy/index.js';
import type { BladeQuestion } from './blade-question.js';
import { type Blade, familyOf, isSkip } from './blades.js';

/** A rule that keeps a bare blade away from a place. */
export interface BladeBan {
  readonly rule: RuleId;
  readonly weight: number;
  readonly when: (blade: Blade, q: BladeQuestion) => boolean;
}

const onPads = (q: BladeQuestion): boolean => partOf(q.zone) === 'fore_paw' || partOf(q.zone) === 'hind_paw';
const inFace = (q: BladeQuestion): boolean => zoneFacts(q.zone).group === 'face';
const atEye = (q: BladeQuestion): boolean => partOf(q.zone) === 'eye' || partOf(q.zone) === 'stop';
const nicks = (blade: Blade): boolean => familyOf(blade.id) === 'nicks';
const closeTeeth = (blade: Blade): boolean => familyOf(blade.id) === 'close_teeth';
/** Goes under an open mat: full teeth, 7F and closer. */
const underOpenMat = (blade: Blade): boolean => !isSkip(blade) && familyOf(blade.id) !== 'long';
/** A mat like a pebble between the pads, where the trained take a #30 or #40. */
const pebble = (q: BladeQuestion): boolean => onPads(q) && q.matGrade >= 3;

/**
 * Read from top to bottom; the first that holds is said. Numbers, not lengths, decide: an owned #10 may leave 1.8 mm and is
 * still the safe one. Common practice, no source.
 */
export const BLADE_BANS: readonly BladeBan[] = [
  { rule: 'blade.dull', weight: 1, when: (b) => b.dull === true },
  { rule: 'blade.surgical', weight: 1, when: (b) => b.id === '50' },
  { rule: 'blade.bare_close_nicks', weight: 1, when: (b, q) => nicks(b) && !onPads(q) },
  { rule: 'blade.burned_close', weight: 1, when: (b, q) => nicks(b) && q.burnedHere === true },
  { rule: 'blade.untrained', weight: 1, when: (b, q) => nicks(b) && q.competence !== 'close_work' },
  { rule: 'blade.jerks_not_close', weight: 1, when: (b, q) => nicks(b) && q.movement !== 'still' },
  { rule: 'blade.red_skin_longer', weight: 0.9, when: (b, q) => q.skin === 'red' && (nicks(b) || b.id === '15') },
  {
    rule: 'blade.pads_start_at_10',
    weight: 0.8,
    when: (b, q) => nicks(b) && !pebble(q) && q.house.pads === 'ten',
  },
  { rule: 'blade.pads_mark', weight: 0.9, when: (b, q) => nicks(b) && q.markHere },
  { rule: 'blade.too_long_between_pads', weight: 0.7, when: (b, q) => onPads(q) && !closeTeeth(b) && !nicks(b) },
  { rule: 'blade.loose_skin_close_teeth', weight: 1, when: (b, q) => zoneFacts(q.zone).closeToothOnly && !closeTeeth(b) },
  { rule: 'blade.not_under_tight_mat', weight: 1, when: (b, q) => q.matGrade >= 3 && !closeTeeth(b) && !nicks(b) },
  { rule: 'blade.not_under_mat', weight: 0.9, when: (b, q) => q.matGrade === 2 && !underOpenMat(b) },
  {
    rule: 'blade.skip_on_fragile_skin',
    weight: 1,
    when: (b, q) => isSkip(b) && (q.skin !== 'sound' || q.thinSkin || q.markHere || !q.skinKnown),
  },
  { rule: 'blade.seven_on_thin_skin', weight: 0.9, when: (b, q) => familyOf(b.id) === 'cuts_skin' && q.thinSkin },
  { rule: 'blade.seven_on_unknown_skin', weight: 0.8, when: (b, q) => familyOf(b.id) === 'cuts_skin' && !q.skinKnown },
  { rule: 'blade.seven_jerks', weight: 0.8, when: (b, q) => familyOf(b.id) === 'cuts_skin' && q.movement === 'jerks' },
  { rule: 'blade.face_longer_first', weight: 0.9, when: (b, q) => inFace(q) && q.faceCare && b.id === '15' },
  { rule: 'blade.eye_longer_first', weight: 0.9, when: (b, q) => atEye(q) && b.id === '15' && (q.thinSkin || q.movement !== 'still') },
  { rule: 'blade.thin_skin_not_15', weight: 0.7, when: (b, q) => b.id === '15' && q.thinSkin && !onPads(q) },
  { rule: 'blade.dirty_close', weight: 0.8, when: (b, q) => q.cleanliness === 'dirty' && b.id === '15' && !onPads(q) },
];
