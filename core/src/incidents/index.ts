/** What went wrong: what it needs, how it stood, what may have played a part. */
export * from './factors.js';
export * from './incidents.js';
export * from './story.js';
