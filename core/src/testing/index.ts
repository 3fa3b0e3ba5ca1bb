export * from './dogs.js';
