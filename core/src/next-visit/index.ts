export * from './next-visit.js';
export * from './length-and-interval.js';
