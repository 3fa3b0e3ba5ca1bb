export * from './reason.js';
export { RULES, type RuleCode } from './rules.en.js';
