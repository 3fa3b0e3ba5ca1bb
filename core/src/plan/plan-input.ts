import type { FeelOver, ZoneFinding } from '../findings/index.js';
import type { Blade, Guard } from '../knowledge/blades/index.js';
import type { DogFacts } from '../knowledge/dogs/index.js';
import type { BreakSeen, PooledKind, PooledWork, RateEvidence, SeenWork, WholeEvidence } from '../strain/index.js';
import type { Activity, FitVerdict, HouseRules, PlanWay, RefusableWork, ServiceItem, ToldItem, ZoneId } from '../words/index.js';
import type { StoppedPlan } from './after-stop.js';
import type { PlanNow } from './from-here.js';
import type { Pace, TimeSeen } from './minutes.js';
import type { HelperWindow } from './model.js';
import type { PlanWish } from './wishes.js';

/** Minutes and strain points seen with this dog in earlier visits, by work, place, tool and posture. */
export type ActivityHistory = SeenWork<Activity>;

/** Work that was left undone, and when. */
export interface CarriedOver {
  readonly activity: Activity;
  /** Where; everywhere when it is not given, as visits before pieces were counted tell it. */
  readonly place?: ZoneId | undefined;
  /** ISO date of the visit that left it. */
  readonly from: string;
}

/** A mat or crust that was left undone, as it was felt then. */
export interface CarriedZone {
  readonly finding: ZoneFinding;
  /** ISO date of the visit that left it. */
  readonly from: string;
}

export interface ServiceAsked {
  readonly items: readonly ServiceItem[];
  /** Wanted length of the body coat, mm. */
  readonly wantedMm: number;
  /** Minutes until the owner comes or the next dog is due. */
  readonly sessionMinutes: number;
  /** When the owner will really be back, weeks; `undefined` while nobody asked. */
  readonly returnWeeks?: number | undefined;
}

/** Everything the plan is made from. */
export interface PlanInput {
  readonly dog: DogFacts;
  readonly feelOver: FeelOver;
  readonly asked: ServiceAsked;
  readonly history: readonly ActivityHistory[];
  /** What earlier visits say of how hard each kind of work is on this dog. */
  readonly evidence: readonly RateEvidence<Activity>[];
  /** What they say of the dog as a whole. */
  readonly wholeVisits: readonly WholeEvidence[];
  /** What this salon's other dogs say of each kind of work, where our table would stand alone; none in inputs of earlier versions. */
  readonly pool?: readonly PooledWork<Activity>[] | undefined;
  /** The same of each kind of dog, for all work. */
  readonly kindPool?: readonly PooledKind[] | undefined;
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
  /** When the helper is there, minutes from the start; the whole visit when it is not given. */
  readonly helperWindows?: readonly HelperWindow[] | undefined;
  /** Minutes that steps took in this dog's earlier visits, the latest first. */
  readonly times?: readonly TimeSeen[] | undefined;
  /** How fast this groomer is. */
  readonly pace?: readonly Pace[] | undefined;
  /** What the last visit left for this one. */
  readonly carriedOver?: readonly CarriedOver[] | undefined;
  /** One of the last two visits was stopped for the dog's sake. */
  readonly afterStop?: boolean | undefined;
  /** That visit, where its plan is known. */
  readonly stopped?: StoppedPlan | undefined;
  /** Findings among `feelOver` that are of the last visit: no hand has been there today. */
  readonly carriedZones?: readonly CarriedZone[] | undefined;
  /** What is asked of every dog was asked today; nothing where nobody could say. */
  readonly everyDogAsked?: boolean | undefined;
  /** What the groomer has fixed by hand. */
  readonly wishes?: readonly PlanWish[] | undefined;
  /** Where the work stands, when the rest of it is planned anew. */
  readonly now?: PlanNow | undefined;
  /** Another way than the usual to do it. */
  readonly way?: PlanWay | undefined;
}
