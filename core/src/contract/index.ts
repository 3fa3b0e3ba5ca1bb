/** Schemas of the API. */
export * from './after-visit.js';
export * from './answers.js';
export * from './day-plan.js';
export * from './letter.js';
export * from './dog-requests.js';
export * from './house-rules.js';
export * from './owner-links.js';
export * from './problem.js';
export * from './running.js';
export * from './salon-page.js';
export * from './sign-in.js';
export * from './wishes.js';
