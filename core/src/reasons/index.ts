export * from './reason.js';
export * from './wording.js';
export { SOURCES, type RuleText, type SourceId } from './rule-text.js';
export { RULES, type RuleCode } from './rules.en.js';
