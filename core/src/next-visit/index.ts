/** When it comes again, and for what. */
export * from './next-visit.js';
