/** When it comes again, and for what. */
export * from './next-visit.js';
export * from './overdue.js';
export * from './propose-hour.js';
export * from './propose-times.js';
export * from './question-of.js';
export * from './usual-service.js';
export * from './vet-first.js';
