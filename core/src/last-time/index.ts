/** What the next pair of hands knows of the last visit, in one block. */
export * from './last-time.js';
