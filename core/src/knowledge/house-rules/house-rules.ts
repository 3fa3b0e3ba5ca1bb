import { HOUSE_QUESTION_IDS, type HouseQuestion, type HouseRules, SCHOOLS } from '../../words/index.js';

/** Answers to one question, the default first. `schoolsOf('loop') // => ['attended', 'never']` */
export function schoolsOf<Q extends HouseQuestion>(question: Q): readonly HouseRules[Q][] {
  const schools: { readonly [K in HouseQuestion]: readonly HouseRules[K][] } = SCHOOLS;
  return schools[question];
}

/** Our defaults: the first school of each question. */
export const HOUSE_DEFAULTS: HouseRules = answersOf((question) => SCHOOLS[question][0]);

/**
 * The defaults with a salon's own answers.
 * @example houseRules({ loop: 'never' }).loop // => 'never'
 */
export function houseRules(change: Partial<HouseRules> = {}): HouseRules {
  return { ...HOUSE_DEFAULTS, ...change };
}

/** Whether something is an answer to a question: `isSchool('loop', 'never') // => true`. */
export function isSchool<Q extends HouseQuestion>(question: Q, answer: unknown): answer is HouseRules[Q] {
  return schoolsOf(question).some((school) => school === answer);
}

/** One answer for each question. */
function answersOf(answer: (question: HouseQuestion) => HouseRules[HouseQuestion]): HouseRules {
  // Built key by key, which TypeScript cannot follow; the spec holds it against the table.
  return Object.fromEntries(HOUSE_QUESTION_IDS.map((q) => [q, answer(q)])) as HouseRules;
}
