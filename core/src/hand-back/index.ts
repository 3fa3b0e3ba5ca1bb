/** What is told when the dog goes home. */
export * from './tell-visit.js';
