/** What happened and what must follow. */
export * from './incidents.js';
