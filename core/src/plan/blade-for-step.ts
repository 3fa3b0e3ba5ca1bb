import { findingIn } from '../findings/index.js';
import { partOf, zoneFacts } from '../knowledge/anatomy/index.js';
import type { BladeQuestion } from '../knowledge/blades/index.js';
import { type DogFacts, hasKind, type KindFound } from '../knowledge/dogs/index.js';
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

/** A coat is overgrown when it was done longer ago than this, weeks; what leaves no more than this is close, mm. Common practice, no source. */
const OVERGROWN_OVER_WEEKS = 8;
const CLOSE_UP_TO_MM = 3.5;
const DAYS_PER_WEEK = 7;

/** Whole weeks since somebody did the coat, as told or as recorded; nothing when nobody knows. */
export function weeksSinceCoat(dog: Pick<DogFacts, 'groomedOn'>, today: string): number | undefined {
  if (!dog.groomedOn) return undefined;
  return Math.floor((Date.parse(today) - Date.parse(dog.groomedOn)) / 86_400_000 / DAYS_PER_WEEK);
}

const onPads = (zone: ZoneId): boolean => ['fore_paw', 'hind_paw'].includes(partOf(zone));
const tenderInSeason = (zone: ZoneId): boolean => zone === 'sanitary' || zone === 'anus';

/** Lips of a short nose lie in folds, and so do those where hands felt folds that are damp or sore. */
const hasFolds = ({ dog, feelOver: { looked } }: PlanInput): boolean =>
  dog.nose === 'short' || looked?.folds === 'damp' || looked?.folds === 'sore';

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
          : input.trained && onPads(zone) && (f.matGrade >= 3 || input.house.pads === 'close_when_trained')
            ? PEBBLE_MM
            : TRIM_MM;
  const overgrownFace = input.feelOver.zones.some((z) => zoneFacts(z.zone).group === 'face' && z.matGrade >= 2);
  const burn = input.dog.injuries.find((i) => i.kind === 'burn' && i.zone === zone);
  const weeks = weeksSinceCoat(input.dog, input.today);
  const marks = input.feelOver.marks.filter((m) => m.zone === zone);
  return {
    zone,
    matGrade: f.matGrade,
    skin: f.skin,
    skinKnown: input.dog.visitsBefore > 0 && input.dog.groomedBy !== 'owner',
    coat: input.dog.coat,
    wantedMm: wanted,
    cleanliness: clean ? 'clean' : 'dirty',
    movement: movementOf(input.feelOver.mood),
    competence: competenceOf(input.trained),
    thinSkin:
      hasKind(kinds, 'thin_skin') || marks.some((m) => m.kind === 'scar') || (tenderInSeason(zone) && input.told.includes('in_season')),
    markHere: marks.length > 0,
    inFold: partOf(zone) === 'wrinkles' || (partOf(zone) === 'lips' && hasFolds(input)),
    markUnseen: marks.some((m) => m.presumedSince !== undefined),
    faceCare: overgrownFace || burn !== undefined,
    burnedHere: burn !== undefined,
    burnedOn: burn?.on ?? undefined,
    overgrown: wanted <= CLOSE_UP_TO_MM && (input.dog.groomedBy === 'never' || (weeks !== undefined && weeks > OVERGROWN_OVER_WEEKS)),
    overgrownWeeks: weeks,
    greasy: input.feelOver.looked?.grease === 'greasy',
    drawer: input.drawer,
    guards: input.guards,
    house: input.house,
  };
}
