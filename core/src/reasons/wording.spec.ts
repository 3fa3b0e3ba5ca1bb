import { ENGLISH, findWordingFaults, placeholdersOf, reason, RULE_CODES, RULES, sayReason, sayReasonIn, sourceOfReason, SOURCES, type Wording } from './index.js';

describe('wording', () => {
  it('has a sentence and a source for every rule, in one place', () => {
    expect(RULE_CODES.length).toBeGreaterThan(380);
    for (const code of RULE_CODES) {
      expect(ENGLISH.sentences[code])
        .withContext(code)
        .toMatch(/^[A-Z#{0-9].*([.?!)]|\})$/);
      expect(Object.keys(SOURCES)).withContext(code).toContain(RULES[code].source);
    }
  });
  it('says nothing twice: no two rules have the same sentence', () => {
    const by = new Map<string, string>();
    for (const code of RULE_CODES) {
      const other = by.get(ENGLISH.sentences[code]);
      expect(other)
        .withContext(`${code} and ${other ?? ''}`)
        .toBeUndefined();
      by.set(ENGLISH.sentences[code], code);
    }
  });
  it('can be another language; lost placeholders are found', () => {
    const german: Wording = {
      ...ENGLISH,
      language: 'de',
      sentences: { ...ENGLISH.sentences, 'blade.default': '{blade} lässt {mm} mm stehen.', 'blade.none_left': 'Keine Klinge auf {zone}.' },
    };
    expect(findWordingFaults(german)).toEqual([]);
    expect(sayReasonIn(german, reason('blade.default', { blade: '#10', mm: 1.5 }))).toBe('#10 lässt 1,5 mm stehen.');
    const faulty: Wording = { ...german, sentences: { ...german.sentences, 'blade.default': 'Etwa {laenge} mm.' } };
    expect(findWordingFaults(faulty)).toEqual(['blade.default']);
    expect(placeholdersOf('{b} and {a} and {b}')).toEqual(['a', 'b']);
  });
  it('writes numbers short: one decimal, two digits that count below one', () => {
    const say = (mm: number): string => sayReason(reason('blade.default', { blade: '#10', mm }));
    expect(say(1.5)).toContain(' 1.5 mm');
    expect(say(2)).toContain(' 2 mm');
    expect(say(12.34)).toContain(' 12.3 mm');
    expect(say(1234.56)).toContain(' 1234.6 mm');
    expect(say(0.0456)).toContain(' 0.046 mm');
    expect(say(0)).toContain(' 0 mm');
  });
  it('shows a value it was not given as …, and refuses a weight outside 0 to 1', () => {
    expect(sayReason(reason('blade.default', { mm: 1 }))).toContain('…');
    expect(() => reason('blade.default', {}, 1.1)).toThrowError(RangeError);
    expect(() => reason('blade.default', {}, -0.1)).toThrowError(RangeError);
    expect(reason('blade.default').weight).toBe(0.5);
    expect(sourceOfReason(reason('blade.default'))).toBe('common practice, no source');
  });
});
