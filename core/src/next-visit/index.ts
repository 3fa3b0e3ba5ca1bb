export * from './next-visit.js';
