import type { Blade, Guard } from '../blades/index.js';
import type { DogFacts, FeelOver } from '../dogs/index.js';
import type { FitVerdict, ToldItem } from '../fit/index.js';
import type { HouseRules } from '../house-rules/index.js';
import type { BreakSeen, SeenWork } from '../learning/index.js';
import type { Activity, ServiceItem } from './activities.js';

/** Minutes and strain points seen with this dog in earlier visits, by work, place, tool and posture. */
export type ActivityHistory = SeenWork<Activity>;

export interface ServiceAsked {
  readonly items: readonly ServiceItem[];
  /** Wanted length of the body coat, mm. */
  readonly wantedMm: number;
  /** Minutes until the owner comes or the next dog is due. */
  readonly sessionMinutes: number;
}

/** What an owner can refuse so that work falls away. */
export type RefusableWork = 'close_clip' | 'clip_off' | 'muzzle';

/** Everything the plan is made from. */
export interface PlanInput {
  readonly dog: DogFacts;
  readonly feelOver: FeelOver;
  readonly asked: ServiceAsked;
  readonly history: readonly ActivityHistory[];
  /** Nothing is planned for a dog that is not fit to groom today or whose vet must be asked first. */
  readonly fit: FitVerdict;
  readonly helperThere: boolean;
  /** Refused by the owner: work that needs it is not planned. */
  readonly refused: readonly RefusableWork[];
  /** The groomer is trained with #30 and closer. */
  readonly trained: boolean;
  /** Breaks of this dog that were watched in earlier visits. */
  readonly breaks: readonly BreakSeen[];
  /** Meals and medicines, as told today. */
  readonly told: readonly ToldItem[];
  readonly roomCelsius: number;
  readonly house: HouseRules;
  /** Blades and guards that the salon owns. */
  readonly drawer: readonly Blade[];
  readonly guards: readonly Guard[];
  /** ISO date. */
  readonly today: string;
}
