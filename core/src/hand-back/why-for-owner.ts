import type { Said } from '../log/index.js';
import { type Reason, reason, withoutStop } from '../words/index.js';

/** What an owner is told instead of how a plan reckons; by the beginning of the planner's rule, the first that fits. */
const WHY: readonly (readonly [RegExp, (name: string) => Reason])[] = [
  [/^left\.(chance|strain_alone)$/, (name) => reason('told.why_too_much', { name }, 0.7)],
  [/^(left\.(work|session|together|more_than_a_visit)|step\.time)/, (name) => reason('told.why_time', { name }, 0.6)],
  [/^left\.standing$/, (name) => reason('told.why_standing', { name }, 0.7)],
  [/^left\.needs_other$/, () => reason('told.why_follows', {}, 0.4)],
  [/^(fit\.painful_|plan\.painful|left\.painful)/, () => reason('told.why_hurts', {}, 0.8)],
  [/^step\.(consent_refused|length_refused)/, () => reason('told.why_refused', {}, 0.8)],
  [/^(hold\.(for_vet|muzzle_minutes)|step\.muzzle_refused)/, (name) => reason('told.why_not_safe', { name }, 0.8)],
  [/^blade\.eye_jerks$/, () => reason('told.why_jerks', {}, 0.8)],
  [/^blade\./, () => reason('told.why_no_tool', {}, 0.7)],
  [/^step\.puppy_/, (name) => reason('told.why_puppy', { name }, 0.6)],
  [/^step\.(no_bath_on_mats|bath_whole)/, () => reason('told.why_wet_mats', {}, 0.6)],
  [/^(skin\.|step\.red_|mat\.red_|mat\.sore_|vet\.sore_|mark\.(open|sore))/, () => reason('told.why_skin', {}, 0.8)],
  [/^mat\.strangles/, () => reason('told.why_strangles', {}, 1)],
  [/^wish\.|^ill\.|^after_/, (name) => reason('told.why_decided', { name }, 0.5)],
];

/**
 * Why something was left, in words that an owner reads. A reason that has no such words is told as it was shown.
 * @param why of the plan, the weightiest first
 * @returns one sentence; one that owns up to it where nothing was written
 */
export function whyForOwner(why: readonly Said[], name: string): Reason[] {
  for (const w of why) {
    const found = WHY.find(([rule]) => w.rule !== undefined && rule.test(w.rule));
    if (found) return [found[1](name)];
  }
  const said = why[0]?.said;
  return [said ? reason('told.why_written', { why: withoutStop(said) }, 0.5) : reason('told.why_not_written', {}, 0.3)];
}
