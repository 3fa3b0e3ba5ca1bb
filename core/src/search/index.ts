/** Finding a dog by what is remembered of it. */
export * from './search-words.js';
