import type { CoatQuestion, MatQuestion } from '../knowledge/coat/index.js';
import { HOUSE_DEFAULTS } from '../knowledge/house-rules/index.js';

/** A loose mat on the side of a grown dog, in trained hands, and what differs. */
export function aMatQuestion(change: Partial<MatQuestion> = {}): MatQuestion {
  return {
    zone: 'side_left',
    grade: 2,
    skin: 'sound',
    puppyOrSenior: false,
    intactMale: false,
    strangles: false,
    trained: true,
    dryer: undefined,
    house: HOUSE_DEFAULTS,
    ...change,
  };
}

/** A coat with these mats on a grown dog that bears much. */
export function aCoatQuestion(zones: CoatQuestion['zones'] = [], change: Partial<CoatQuestion> = {}): CoatQuestion {
  return {
    zones,
    puppyOrSenior: false,
    intactMale: false,
    trained: true,
    agreedBrushMinutes: undefined,
    toleranceStrainPoints: 1000,
    house: HOUSE_DEFAULTS,
    ...change,
  };
}
