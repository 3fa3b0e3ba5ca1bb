import * as z from 'zod';
import { HOUSE_DEFAULTS, HOUSE_QUESTION_IDS, type HouseQuestion, type HouseRules, isSchool } from '../knowledge/house-rules/index.js';

/** An answer that no version knows, or none at all, is our default: a plan never waits for a house rule. */
const school = <Q extends HouseQuestion>(question: Q): z.ZodCatch<z.ZodCustom<HouseRules[Q], HouseRules[Q]>> =>
  z.custom<HouseRules[Q]>((answer) => isSchool(question, answer)).catch(HOUSE_DEFAULTS[question]);

/** The house rules of a salon as they are stored and sent. */
export const HOUSE_RULES = z.object({
  earHair: school('earHair'),
  muzzle: school('muzzle'),
  loop: school('loop'),
  face: school('face'),
  bathOrClip: school('bathOrClip'),
  bodyClip: school('bodyClip'),
  brushOut: school('brushOut'),
  voice: school('voice'),
  pads: school('pads'),
  feet: school('feet'),
  brushBeforeBath: school('brushBeforeBath'),
  dryer: school('dryer'),
  start: school('start'),
  puppyStruggle: school('puppyStruggle'),
  rewards: school('rewards'),
  throatLine: school('throatLine'),
  underTail: school('underTail'),
  bladeTooWarm: school('bladeTooWarm'),
  hardFace: school('hardFace'),
  whoIsTold: school('whoIsTold'),
});

/** One question answered anew. `was` is what the person saw: who answers what another has changed meanwhile is told. */
export const HOUSE_RULE_CHANGE = z
  .strictObject({ question: z.enum(HOUSE_QUESTION_IDS), choice: z.string(), was: z.string() })
  .refine((c) => isSchool(c.question, c.choice), { path: ['choice'], message: 'This question has no such answer.' });
export type HouseRuleChange = z.infer<typeof HOUSE_RULE_CHANGE>;
