export * from './dog-form.js';
export * from './owner-links.js';
export * from './sign-in.js';
export * from './answers.js';
export * from './problem.js';
export * from './house-rules.js';
