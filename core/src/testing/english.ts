import { ENGLISH } from '../locales/en/index.js';
import { say, sayingSource, stepTitle } from '../locales/index.js';
import type { PlanRecord } from '../log/index.js';
import type { HandlingPlan } from '../plan/index.js';
import { planRecordOf, type PlanWords } from '../visit/index.js';
import type { Saying } from '../words/index.js';

/** A saying in English, as the specs read it. */
export const sayReason = (s: Saying): string => say(ENGLISH, s);
export const sourceOfReason = (s: Saying): string => sayingSource(ENGLISH, s);

export const PLAN_WORDS: PlanWords = { say: sayReason, stepOf: (s) => stepTitle(ENGLISH, s) };
/** The record of a plan in English. */
export const recordOf = (plan: HandlingPlan): PlanRecord => planRecordOf(plan, PLAN_WORDS);
