/** What is due after a visit, until when. */
export * from './follow-ups.js';
