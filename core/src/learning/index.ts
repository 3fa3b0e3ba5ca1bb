/** What a dog's visits teach, in words, and what was told, held against what came. */
export { type DogExplained, explainDog } from './explain-dog.js';
export * from './learned-at.js';
export * from './told-against-came.js';
