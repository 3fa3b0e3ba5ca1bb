export * from './mark-size.js';
export * from './advise-mark.js';
