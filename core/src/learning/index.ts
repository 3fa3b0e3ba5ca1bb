/** What was told, held against what came. */
export * from './told-against-came.js';
