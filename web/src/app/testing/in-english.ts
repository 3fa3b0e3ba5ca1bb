import { say, stepTitle } from '@mansuet/core/locales';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { PlanWords } from '@mansuet/core/visit';

/** Words for records that a spec makes before any page is there. */
export const IN_ENGLISH: PlanWords = { say: (s) => say(ENGLISH, s), stepOf: (s) => stepTitle(ENGLISH, s) };
