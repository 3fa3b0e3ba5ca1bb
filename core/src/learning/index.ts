/** What a dog's visits teach, in words, and what was told, held against what came. */
export * from './explain-dog.js';
export * from './told-against-came.js';
