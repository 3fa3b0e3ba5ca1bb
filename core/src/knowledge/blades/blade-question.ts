import type { Cleanliness, Competence, HouseRules, MatGrade, Movement, SkinState, ZoneId } from '../../words/index.js';
import type { DogFacts } from '../dogs/index.js';
import type { Blade, Guard } from './blades.js';

export interface BladeQuestion {
  readonly zone: ZoneId;
  readonly matGrade: MatGrade;
  readonly skin: SkinState;
  /** Clipped here before and it took it well; otherwise nobody knows what this skin does. */
  readonly skinKnown: boolean;
  readonly coat: DogFacts['coat'];
  /** Wanted length in mm, > 0. */
  readonly wantedMm: number;
  readonly cleanliness: Cleanliness;
  readonly movement: Movement;
  readonly competence: Competence;
  /** Skin like a senior's or a thin-coated dog's. */
  readonly thinSkin: boolean;
  /** A lump, wart or scar lies here. */
  readonly markHere: boolean;
  /** A mark is known here and nobody has looked for it today. */
  readonly markUnseen?: boolean;
  /** The skin lies in folds here. */
  readonly inFold?: boolean;
  /** An overgrown face, pale skin, or one that was burned before. */
  readonly faceCare: boolean;
  /** Burned in this place before; the day, ISO, as far as it is known. */
  readonly burnedHere?: boolean;
  readonly burnedOn?: string | undefined;
  /** Weeks since the coat was done, when it is overgrown and something close is wanted. */
  readonly overgrown?: boolean;
  readonly overgrownWeeks?: number | undefined;
  readonly greasy?: boolean;
  /** Blades and guards that the salon owns; the nominal set when it has not said. */
  readonly drawer: readonly Blade[];
  readonly guards: readonly Guard[];
  readonly house: HouseRules;
}
