import { type HouseQuestion, type HouseRules, type School, SCHOOLS } from './questions.js';

const isQuestion = (key: string): key is HouseQuestion => key in SCHOOLS;

/** The questions, in the order of the table. */
export const HOUSE_QUESTION_IDS: readonly HouseQuestion[] = Object.keys(SCHOOLS).filter(isQuestion);

/** Answers to one question, the default first. */
export function schoolsOf<Q extends HouseQuestion>(question: Q): { readonly id: HouseRules[Q]; readonly school: School }[] {
  const schools: Readonly<Record<string, School>> = SCHOOLS[question];
  return Object.entries(schools).map(([id, school]) => ({ id: id as HouseRules[Q], school }));
}

/** Our defaults: the first school of each question. */
export const HOUSE_DEFAULTS: HouseRules = {
  earHair: 'leave',
  muzzle: 'painful_steps',
  loop: 'attended',
  face: 'last',
  bathOrClip: 'wash_first',
  bodyClip: 'step_down',
  brushOut: 'limited',
  voice: 'as_file_says',
  pads: 'ten',
  feet: 'before_bath',
  brushBeforeBath: 'yes',
  dryer: 'by_dog',
  start: 'easy_first',
  puppyStruggle: 'hold_still',
  rewards: 'food',
  throatLine: 'head_up',
  underTail: 'sideways_down',
  bladeTooWarm: 'warm_inner_arm',
  hardFace: 'short_quick',
  whoIsTold: 'owner_and_vet_writing',
};

/**
 * The defaults with a salon's own answers.
 * @example houseRules({ loop: 'never' }).loop // => 'never'
 */
export function houseRules(change: Partial<HouseRules> = {}): HouseRules {
  return { ...HOUSE_DEFAULTS, ...change };
}

/** Whether something is an answer to a question: `isSchool('loop', 'never') // => true`. */
export function isSchool<Q extends HouseQuestion>(question: Q, answer: unknown): answer is HouseRules[Q] {
  return typeof answer === 'string' && Object.hasOwn(SCHOOLS[question], answer);
}
