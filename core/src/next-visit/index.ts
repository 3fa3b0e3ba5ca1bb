export * from './length-and-interval.js';
export * from './next-visit.js';
