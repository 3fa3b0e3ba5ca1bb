import { reason, saying, RULES, type RuleId, type Measures } from '../words/index.js';
import { ENGLISH } from './en/index.js';
import { day, inFormats, sayMeasure, say, saySize, templateIn } from './index.js';

const IMPERIAL: Measures = { length: 'inch', weight: 'lb', temperature: 'fahrenheit' };
const OTHER = { ...IMPERIAL, date: 'month_day' as const };

describe('measures as a salon writes them', () => {
  it('are converted by the defined factors', () => {
    // NIST SP 811 (2008), appendix B.8: 1 in = 25.4 mm and 1 lb = 0.453 592 37 kg exactly; °F = °C × 1.8 + 32.
    expect(sayMeasure(25.4, 'mm', IMPERIAL)).toBe('1 in');
    expect(sayMeasure(0.45359237, 'kg', IMPERIAL)).toBe('1 lb');
    expect(sayMeasure(42, '°C', IMPERIAL)).toBe('108 °F');
    expect(sayMeasure(42, '°C', undefined)).toBe('42 °C');
    expect(saySize(inFormats(ENGLISH, OTHER), 12.7, 6.35)).toBe('0.5 × 0.25 in');
    expect(saySize(ENGLISH, 8, 5)).toBe('8 × 5 mm');
  });

  it('are in every sentence that has one: no other unit is left anywhere', () => {
    const left = (Object.keys(RULES) as RuleId[]).filter((rule) => /\b(mm|kg)\b|°C/.test(templateIn(ENGLISH.sentences[rule], IMPERIAL)));
    expect(left).toEqual([]);
    expect(templateIn('{from} to {to} kg, water 35 to 37 °C', IMPERIAL)).toBe('{from_bare_weight} to {to_as_weight}, water 95 to 99 °F');
    expect(templateIn('{kg} kg', { length: 'mm', weight: 'kg', temperature: 'celsius' })).toBe('{kg} kg');
  });

  it('never change what a person wrote', () => {
    const imperial = inFormats(ENGLISH, OTHER);
    expect(say(imperial, reason('hold.heavy_helper', { kg: 20 }, 1))).toContain('44.1 lb');
    expect(say(imperial, reason('day.put_by_hand', { text: 'Fig (7 kg)' }, 1))).toContain('Fig (7 kg)');
    expect(say(ENGLISH, reason('hold.heavy_helper', { kg: 20 }, 1))).toContain('20 kg');
    expect(say(imperial, saying('form.weight_too_high', { limit: 120 }))).toContain('264.6 lb');
  });

  it('have dates beside them', () => {
    expect(day(inFormats(ENGLISH, OTHER), '2026-11-28')).toBe('November 28, 2026');
    expect(day(inFormats(ENGLISH, { ...OTHER, date: 'year_month_day' }), '2026-11-28')).toBe('2026-11-28');
    expect(day(ENGLISH, '2026-11-28')).toBe('28 November 2026');
    expect(day(inFormats(ENGLISH, OTHER), 'never')).toBe('never');
  });

  it('are parsed once for the same units', () => {
    expect(inFormats(ENGLISH, { ...OTHER })).toBe(inFormats(ENGLISH, OTHER));
  });
});
