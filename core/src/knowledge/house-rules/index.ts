export * from './house-rules.js';
export * from './questions.js';
