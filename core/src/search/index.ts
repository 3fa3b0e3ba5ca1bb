export * from './search-words.js';
