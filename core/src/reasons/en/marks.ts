import { DEFAULT, GROWTH, PRACTICE, rule, type RuleText } from '../rule-text.js';

export const MARKS_RULES = {
  'mark.stable': rule('{zone}: as a vet has seen it, no change. Measure it again next time; never squeeze it.', PRACTICE),
  'mark.new_small': rule('{zone}: new, small, smooth and round. Measure it again next time; never squeeze it.', PRACTICE),
  'mark.bigger': rule('{zone}: bigger, {from} before and {to} now. Show it to the vet.', PRACTICE),
  'mark.surface_changed': rule('{zone}: its surface has changed, {from} before and {to} now. Show it to the vet.', PRACTICE),
  'mark.border_changed': rule('{zone}: its border has become irregular. Show it to the vet.', PRACTICE),
  'mark.quick': rule('{zone}: its area doubles in about {days} days. Show it to the vet within days.', GROWTH),
  'mark.open': rule('{zone}: {surface}. Show it to the vet within days.', PRACTICE),
  'mark.beside_anus': rule('{zone}: a swelling there is for the vet within days.', PRACTICE),
  'mark.one_centimetre': rule('{zone}: {mm} mm or more, and no vet has seen it. Show it.', PRACTICE),
  'mark.stays': rule('{zone}: still there after {days} days, and no vet has seen it. Show it.', PRACTICE),
  'mark.irregular': rule('{zone}: an irregular border that no vet has seen. Show it.', PRACTICE),
  'mark.surface': rule('{zone}: {surface}, and no vet has seen it. Show it.', DEFAULT),
} as const satisfies Record<string, RuleText>;
