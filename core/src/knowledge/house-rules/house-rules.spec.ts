import { HOUSE_RULE_CHANGE, HOUSE_RULES } from '../../contract/index.js';
import { ENGLISH } from '../../locales/en/index.js';
import { HOUSE_QUESTION_IDS } from '../../words/index.js';
import { HOUSE_DEFAULTS, houseRules, isSchool, schoolsOf } from './index.js';

describe('house rules', () => {
  it('are the twenty questions on which groomers disagree, how long consents hold, and what chances are borne', () =>
    expect(HOUSE_QUESTION_IDS.length).toBe(23));
  it('have the first school as the default, and at least one other', () => {
    for (const q of HOUSE_QUESTION_IDS) {
      const schools = schoolsOf(q);
      expect(HOUSE_DEFAULTS[q]).withContext(q).toBe(schools[0]!);
      expect(schools.length).withContext(q).toBeGreaterThan(1);
    }
  });
  it('say of each school why, and of each question what it changes', () => {
    for (const q of HOUSE_QUESTION_IDS) {
      expect(ENGLISH.house[q].changes.length).withContext(q).toBeGreaterThan(20);
      for (const { why } of Object.values(ENGLISH.house[q].schools)) expect(why).withContext(q).toMatch(/\.$/);
    }
  });
  it('keep the defaults where a salon says nothing', () => {
    expect(houseRules()).toEqual(HOUSE_DEFAULTS);
    expect(houseRules({ loop: 'never' })).toEqual({ ...HOUSE_DEFAULTS, loop: 'never' });
  });
  it('are stored and sent as question to school; what no version knows is our default', () => {
    expect(HOUSE_RULES.parse({})).toEqual(HOUSE_DEFAULTS);
    expect(HOUSE_RULES.parse({ loop: 'never', muzzle: 'sometimes', colour: 'blue' })).toEqual({ ...HOUSE_DEFAULTS, loop: 'never' });
    for (const q of HOUSE_QUESTION_IDS)
      for (const id of schoolsOf(q)) expect(HOUSE_RULES.parse({ [q]: id })).toEqual({ ...HOUSE_DEFAULTS, [q]: id });
  });
  it('are changed one question at a time, to an answer that there is', () => {
    const change = { question: 'loop', choice: 'never', was: 'attended' };
    expect(HOUSE_RULE_CHANGE.safeParse(change).success).toBeTrue();
    expect(HOUSE_RULE_CHANGE.safeParse({ ...change, choice: 'toString' }).success).toBeFalse();
    expect(HOUSE_RULE_CHANGE.safeParse({ ...change, question: 'colour' }).success).toBeFalse();
    expect([isSchool('loop', 'never'), isSchool('loop', 'leave'), isSchool('loop', 1)]).toEqual([true, false, false]);
  });
});
