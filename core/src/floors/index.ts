export * from './floors.js';
