/**
 * Where groomers disagree, and the answers that good groomers hold; the first of each is our default. Common practice, no source.
 * None of them touches a floor (see `knowledge/floors`). What is said of them is in `locales/`.
 */
export const SCHOOLS = {
  earHair: ['leave', 'pluck', 'vet_asked'],
  muzzle: ['painful_steps', 'whole_visit', 'never'],
  loop: ['attended', 'never'],
  face: ['last', 'first_when_needed'],
  bathOrClip: ['wash_first', 'rough_clip_first'],
  bodyClip: ['step_down', 'straight'],
  brushOut: ['limited', 'as_agreed', 'always_clip'],
  voice: ['as_file_says', 'soothing', 'quiet'],
  pads: ['ten', 'close_when_trained'],
  feet: ['before_bath', 'after_bath'],
  brushBeforeBath: ['yes', 'not_short_standers'],
  dryer: ['by_dog', 'high_velocity'],
  start: ['easy_first', 'important_first'],
  puppyStruggle: ['hold_still', 'let_go'],
  rewards: ['food', 'voice_touch', 'none'],
  throatLine: ['head_up', 'natural'],
  underTail: ['sideways_down', 'little_up_trained'],
  bladeTooWarm: ['warm_inner_arm', 'hot_wrist'],
  hardFace: ['short_quick', 'slow'],
  whoIsTold: ['owner_and_vet_writing', 'owner_by_word'],
  consentsHold: ['each_visit', 'half_a_year', 'a_year'],
  stopChance: ['five', 'two', 'ten'],
  biteChance: ['one', 'half', 'two'],
} as const satisfies Record<string, readonly [string, string, ...string[]]>;

export type HouseQuestion = keyof typeof SCHOOLS;
/** The answers of a salon: one school for each question. */
export type HouseRules = { readonly [Q in HouseQuestion]: (typeof SCHOOLS)[Q][number] };

const isQuestion = (key: string): key is HouseQuestion => key in SCHOOLS;
/** The questions, in the order of the table. */
export const HOUSE_QUESTION_IDS: readonly HouseQuestion[] = Object.keys(SCHOOLS).filter(isQuestion);
