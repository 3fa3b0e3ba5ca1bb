export * from './advise-mark.js';
export * from './mark-size.js';
