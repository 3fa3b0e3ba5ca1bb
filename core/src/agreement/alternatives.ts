import { longestCutFor } from '../knowledge/coat/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import { FOR_HEALTH, type HandlingPlan, type PlanInput } from '../plan/index.js';
import { type AlternativeId, type Reason, reason } from '../words/index.js';

/** Another way to do this visit that the owner can be offered. */
export interface Alternative {
  readonly id: AlternativeId;
  readonly input: PlanInput;
  /** What it is, and what it means for the dog. */
  readonly because: Reason;
}

/** Length of a coat that needs little brushing until the next visit, mm. Our default. */
const EASY_CARE_MM = 3.2;
/** How much later a dog could be fetched, minutes. Our default. */
const LATER_MINUTES = 30;

/** The alternatives that would differ from what is asked for; each is planned like it. */
export function alternativesTo(input: PlanInput, kinds: readonly KindFound[]): Alternative[] {
  const out: Alternative[] = [];
  const { asked } = input;
  const longReturn = asked.returnWeeks === undefined ? Infinity : longestCutFor(input.dog.coat, asked.returnWeeks, false).atMostMm;
  const shorterMm = Math.min(EASY_CARE_MM, longReturn);
  const mats = input.feelOver.zones.some((z) => z.matGrade >= 2);
  if (asked.items.includes('body_clip') && asked.wantedMm > shorterMm && (mats || longReturn < asked.wantedMm || hasKind(kinds, 'senior')))
    out.push({
      id: 'shorter',
      input: { ...input, asked: { ...asked, wantedMm: shorterMm } },
      because: reason('alternative.shorter', { mm: shorterMm }, 0.6),
    });
  if (!input.helperThere)
    out.push({ id: 'with_helper', input: { ...input, helperThere: true }, because: reason('alternative.with_helper', {}, 0.5) });
  out.push({
    id: 'more_time',
    input: { ...input, asked: { ...asked, sessionMinutes: asked.sessionMinutes + LATER_MINUTES } },
    because: reason('alternative.more_time', { minutes: LATER_MINUTES }, 0.4),
  });
  const health = asked.items.filter((i) => FOR_HEALTH.includes(i));
  if (health.length < asked.items.length)
    out.push({
      id: 'welfare_only',
      input: { ...input, asked: { ...asked, items: health } },
      because: reason('alternative.welfare_only', {}, 0.6),
    });
  return out;
}

/** Why not more, of one dog: standing minutes against the time the work takes. */
export function whyNotMore(plan: HandlingPlan): Reason[] {
  const another = plan.notToday.filter((n) => n.to === 'another_visit');
  return another.length > 0 ? plan.standing.reasons.slice(0, 2) : [];
}
