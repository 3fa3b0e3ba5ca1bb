export * from './questions.js';
export * from './house-rules.js';
