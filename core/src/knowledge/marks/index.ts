/** Marks on the skin: what they are and who looks at them. */
export * from './advise-mark.js';
export * from './follow-mark.js';
export * from './mark-size.js';
