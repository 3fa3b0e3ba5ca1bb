/** When it comes again, and for what. */
export * from './length-and-interval.js';
export * from './next-visit.js';
