/** What is told when the dog goes home. */
export * from './account.js';
export * from './account-line.js';
export * from './how-it-took.js';
export * from './left-over.js';
export * from './marks-told.js';
export * from './who-is-told.js';
