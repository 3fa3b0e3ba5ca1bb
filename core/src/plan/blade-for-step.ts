import { findingIn } from '../findings/index.js';
import { partOf, zoneFacts } from '../knowledge/anatomy/index.js';
import type { BladeQuestion } from '../knowledge/blades/index.js';
import { hasKind, type KindFound } from '../knowledge/dogs/index.js';
import type { Activity, Competence, Mood, Movement, ZoneId } from '../words/index.js';
import type { PlanInput } from './plan-input.js';

/** The face is never asked for longer than this, mm. Our default. */
const FACE_AT_MOST_MM = 6;
/** A rough clip leaves this much more than what is wanted, so that the finish is even. Our default. */
const ROUGH_LONGER = 1.4;
/** What a sanitary trim, feet and mats ask for, mm: a #10. */
const TRIM_MM = 1.5;
/** Under a mat like a pebble between the pads trained hands take a #30, mm. Common practice, no source. */
const PEBBLE_MM = 0.5;

/** How the dog is taken to move, from its mood on the table. Our default; the table shows what it does. */
export function movementOf(mood: Mood): Movement {
  if (mood === 'frantic') return 'jerks';
  return mood === 'tense' ? 'shifts' : 'still';
}

/** Whose hands: the file of the groomer says whether they are trained with #30 and closer. */
export const competenceOf = (trained: boolean): Competence => (trained ? 'close_work' : 'groomer');

/** The question for one zone of a step. */
export function bladeQuestion(
  zone: ZoneId,
  activity: Activity,
  input: PlanInput,
  kinds: readonly KindFound[],
  clean: boolean,
): BladeQuestion {
  const f = findingIn(input.feelOver, zone);
  const wanted =
    activity === 'prep_clip'
      ? input.asked.wantedMm * ROUGH_LONGER
      : activity === 'body_clip'
        ? input.asked.wantedMm
        : activity === 'face'
          ? Math.min(input.asked.wantedMm, FACE_AT_MOST_MM)
          : f.matGrade >= 3 && input.trained && ['fore_paw', 'hind_paw'].includes(partOf(zone))
            ? PEBBLE_MM
            : TRIM_MM;
  const overgrown = input.feelOver.zones.some((z) => zoneFacts(z.zone).group === 'face' && z.matGrade >= 2);
  return {
    zone,
    matGrade: f.matGrade,
    skin: f.skin,
    skinKnown: input.dog.visitsBefore > 0,
    coat: input.dog.coat,
    wantedMm: wanted,
    cleanliness: clean ? 'clean' : 'dirty',
    movement: movementOf(input.feelOver.mood),
    competence: competenceOf(input.trained),
    thinSkin: hasKind(kinds, 'thin_skin'),
    markHere: input.feelOver.marks.some((m) => m.zone === zone),
    faceCare: overgrown,
    drawer: input.drawer,
    guards: input.guards,
    house: input.house,
  };
}
