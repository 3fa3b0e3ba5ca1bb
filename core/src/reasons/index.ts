export * from './reason.js';
export * from './rule-text.js';
export * from './rules.en.js';
export * from './wording.js';
