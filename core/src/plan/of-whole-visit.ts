import { ageWeeks, type KindFound } from '../knowledge/dogs/index.js';
import { adviseLoop, adviseReward, adviseVoice } from '../knowledge/holds/index.js';
import { type Reason, reason } from '../words/index.js';
import type { PlanInput } from './plan-input.js';
import { puppyProgramme, sayProgramme } from './puppy-programme.js';

/** What holds for the whole visit and for no single step: the loop, the voice, what is given, who is there. */
export function ofWholeVisit(input: PlanInput, kinds: readonly KindFound[]): Reason[] {
  const { dog, house } = input;
  const programme = puppyProgramme(input, kinds, ageWeeks(dog.born, input.today));
  return [
    ...adviseLoop({ dog, kinds, fighting: false, house }).reasons,
    ...(programme ? sayProgramme(programme, input) : []),
    ...(input.everyDogAsked === false ? [reason('plan.ask_every_dog', {}, 0.5)] : []),
    ...(dog.guards.includes('people') ? [reason('plan.guards_people', { name: dog.name }, 0.8)] : []),
    ...(dog.groomedBy === 'elsewhere' ? [reason('plan.ask_elsewhere', {}, 0.4)] : []),
    adviseVoice(house, undefined),
    adviseReward(house, dog),
  ];
}
